import { NavLink } from 'react-router';
import { useInHand } from '../shared/inHand/useInHand.ts';
import classes from '../shared/ui/Tabs.module.css';

const TABS = [
  { path: '/true', name: 'Trays' },
  { path: '/true/slots', name: 'Slots' },
  { path: '/true/aids', name: 'To print' },
] as const;

/** What the balancing bench offers. */
export function TrueTabs() {
  const { to } = useInHand();
  return (
    <nav className={classes.tabs} aria-label="The balancing bench">
      {TABS.map(({ path, name }) => (
        <NavLink key={path} end to={to(path)} className={classes.tab}>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
