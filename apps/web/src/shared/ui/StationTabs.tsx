import { NavLink } from 'react-router';
import { useInHand } from '../inHand/useInHand.ts';
import classes from './Tabs.module.css';

export interface StationTab {
  path: string;
  name: string;
}

/** The pages of one station; what is in hand goes along, and whatever else its address carries. */
export function StationTabs({
  label,
  tabs,
  toPage,
}: {
  label: string;
  tabs: readonly StationTab[];
  toPage?: (address: string) => string;
}) {
  const { to } = useInHand();
  return (
    <nav className={classes.tabs} aria-label={label}>
      {tabs.map(({ path, name }) => (
        <NavLink
          key={path}
          end={path.lastIndexOf('/') === 0}
          to={toPage ? toPage(to(path)) : to(path)}
          className={classes.tab}
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
