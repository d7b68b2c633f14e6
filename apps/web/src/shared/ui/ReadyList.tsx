import type { ReadyPlace, ReadyToFly } from '@zivvo/core';
import { Link } from 'react-router';
import { useFormat } from '../format/useFormat.ts';
import { useInHand } from '../inHand/useInHand.ts';
import classes from './ReasonList.module.css';
import { useCountReasons } from './reasonCount.ts';
import { SeverityMark } from './ReasonList.tsx';

const PLACES: Record<ReadyPlace, { path: string; words: string }> = {
  fit: { path: '/fit', words: 'Open Fit' },
  walk: { path: '/care/walk', words: 'Walk round' },
  care: { path: '/care', words: 'Open Care' },
  balance: { path: '/balance', words: 'Balance' },
};

/** What is missing before the craft may fly, each with the way there; nothing where it may. */
export function ReadyList({ ready: { missing }, here }: { ready: ReadyToFly; here?: ReadyPlace }) {
  const format = useFormat();
  const { to } = useInHand();
  useCountReasons(missing.map(({ reason }) => reason.severity));
  if (missing.length === 0) return null;
  return (
    <section aria-label="Before it flies" className={classes.ready}>
      <h2>Before it flies</h2>
      <ul className={classes.reasons}>
        {missing.map(({ where, reason }) => (
          <li key={`${reason.code}${JSON.stringify(reason.values)}`}>
            <SeverityMark severity={reason.severity} />
            <span>
              {format.sentence(reason)}{' '}
              {where !== here && <Link to={to(PLACES[where].path)}>{PLACES[where].words}</Link>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
