import { IconSettings } from '@tabler/icons-react';
import { NavLink } from 'react-router';
import { useLineQuery } from '../../shared/api/craftApi.ts';
import { useInHand } from '../../shared/inHand/useInHand.ts';
import { LineBar } from '../../shared/ui/LineBar.tsx';
import { stations } from '../stations.ts';
import classes from './Rail.module.css';

/** The work in its order, with a stop beside each station that has one. */
export function Rail() {
  const { craftId, propModelId, to } = useInHand();
  const { currentData } = useLineQuery({ craftId: craftId ?? '', propModelId }, { skip: craftId === null });
  return (
    <nav className={classes.rail} aria-label="The line">
      <ul>
        {stations.map(({ name, path, icon: StationIcon, stop }) => (
          <li key={path} className={stop === null ? undefined : classes.onLine}>
            <NavLink to={to(path)} className={classes.station} title={name}>
              <span className={classes.mark}>{stop === null ? null : <LineBar stop={currentData?.stops.find((s) => s.station === stop)} />}</span>
              <StationIcon className={classes.icon} size={20} stroke={1.6} aria-hidden />
              <span className={classes.name}>{name}</span>
            </NavLink>
          </li>
        ))}
      </ul>
      <NavLink to={to('/settings')} className={classes.station} title="Settings">
        <span className={classes.mark} />
        <IconSettings className={classes.icon} size={20} stroke={1.6} aria-hidden />
        <span className={classes.name}>Settings</span>
      </NavLink>
    </nav>
  );
}
