import { NavLink } from 'react-router';
import { useInHand } from '../shared/inHand/useInHand.ts';
import classes from '../shared/ui/Tabs.module.css';

const TABS = [
  { path: '/care', name: 'Due' },
  { path: '/care/walk', name: 'Walk round' },
  { path: '/care/symptoms', name: 'Symptoms' },
  { path: '/care/gains', name: 'Gains' },
  { path: '/care/tickets', name: 'Tickets' },
  { path: '/care/log', name: 'Log' },
  { path: '/care/practice', name: 'Practice' },
] as const;

/** What belongs to keeping a craft fit to fly. */
export function CareTabs() {
  const { to } = useInHand();
  return (
    <nav className={classes.tabs} aria-label="Care">
      {TABS.map(({ path, name }) => (
        <NavLink key={path} end={path === '/care'} to={to(path)} className={classes.tab}>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
