import { IconMenu2, IconSettings } from '@tabler/icons-react';
import { useState } from 'react';
import { NavLink, useLocation } from 'react-router';
import { useLineQuery } from '../../shared/api/craftApi.ts';
import { useInHand } from '../../shared/inHand/useInHand.ts';
import { LineBar } from '../../shared/ui/LineBar.tsx';
import { stations } from '../features.ts';
import classes from './Rail.module.css';

/** Stations beside the key that opens the whole line, on a narrow screen. */
const NEAR = 4;

/** Which of so many stations stand on a narrow rail: the one that is open, the one before, and what comes next. */
export function nearStations(count: number, open: number): { from: number; to: number } {
  const from = Math.max(0, Math.min(count - NEAR, open - 1));
  return { from, to: from + NEAR };
}

/**
 * The work in its order, with a stop beside each station that has one; where it is narrow, the nearest, and all behind
 * one key.
 */
export function Rail() {
  const { craftId, propModelId, to } = useInHand();
  const { currentData } = useLineQuery({ craftId: craftId ?? '', propModelId }, { skip: craftId === null });
  const { pathname, key } = useLocation();
  // Going somewhere folds it again.
  const [openedOn, setOpenedOn] = useState<string | null>(null);
  const isWhole = openedOn === key;
  const near = nearStations(
    stations.length,
    stations.findIndex((s) => pathname.startsWith(s.path)),
  );
  return (
    <nav className={classes.rail} aria-label="The line" data-whole={isWhole}>
      <ul>
        {stations.map(({ name, path, icon: StationIcon, stop }, i) => (
          <li
            key={path}
            className={stop === null ? undefined : classes.onLine}
            data-near={i >= near.from && i < near.to}
          >
            <NavLink to={to(path)} className={classes.station} title={name}>
              <span className={classes.mark}>
                {stop === null ? null : <LineBar stop={currentData?.stops.find((s) => s.station === stop)} />}
              </span>
              <StationIcon className={classes.icon} size={20} stroke={1.6} aria-hidden />
              <span className={classes.name}>{name}</span>
            </NavLink>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className={classes.all}
        aria-expanded={isWhole}
        onClick={() => setOpenedOn(isWhole ? null : key)}
      >
        <IconMenu2 size={20} stroke={1.6} aria-hidden />
        {isWhole ? 'Fold' : 'Whole line'}
      </button>
      <NavLink to={to('/settings')} className={classes.station} title="Settings">
        <span className={classes.mark} />
        <IconSettings className={classes.icon} size={20} stroke={1.6} aria-hidden />
        <span className={classes.name}>Settings</span>
      </NavLink>
    </nav>
  );
}
