import { NavLink } from 'react-router';
import { useInHand } from '../shared/inHand/useInHand.ts';
import classes from '../shared/ui/Tabs.module.css';

const TABS = [
  { path: '/rack', name: 'Models' },
  { path: '/rack/pieces', name: 'Pieces' },
  { path: '/rack/deliveries', name: 'Deliveries' },
  { path: '/rack/sets', name: 'Sets' },
  { path: '/rack/yield', name: 'Yield' },
  { path: '/rack/parts', name: 'Parts' },
] as const;

/** What hangs on the rack, by kind. */
export function RackTabs() {
  const { to } = useInHand();
  return (
    <nav className={classes.tabs} aria-label="The rack">
      {TABS.map(({ path, name }) => (
        <NavLink key={path} end={path === '/rack'} to={to(path)} className={classes.tab}>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
