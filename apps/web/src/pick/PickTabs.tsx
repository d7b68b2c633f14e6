import { NavLink } from 'react-router';
import { useInHand } from '../shared/inHand/useInHand.ts';
import classes from '../shared/ui/Tabs.module.css';

const TABS = [
  { path: '/pick', name: 'Map' },
  { path: '/pick/compare', name: 'Compare' },
  { path: '/pick/ladder', name: 'Load ladder' },
  { path: '/pick/ask', name: 'Ask' },
] as const;

/** Ways to look at the same candidates; what is marked and chosen goes along. */
export function PickTabs({ params = '' }: { params?: string }) {
  const { to } = useInHand();
  return (
    <nav className={classes.tabs} aria-label="Ways to pick">
      {TABS.map(({ path, name }) => (
        <NavLink key={path} end to={withParams(to(path), params)} className={classes.tab}>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}

/** An address with further parameters. */
export function withParams(address: string, params: string): string {
  if (params === '') return address;
  return `${address}${address.includes('?') ? '&' : '?'}${params}`;
}
