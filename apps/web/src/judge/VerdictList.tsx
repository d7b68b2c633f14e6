import type { CraftView, JudgeView } from '@zivvo/contract';
import { Link } from 'react-router';
import { useRemoveVerdictMutation, useRestoreVerdictMutation } from '../shared/api/judgeApi.ts';
import { usePersonName } from '../shared/store/usePersonName.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { Action } from '../shared/ui/Action.tsx';
import { takeAway } from '../shared/ui/takeAway.ts';
import classes from './Judge.module.css';

/** What was decided before, the newest first. */
export function VerdictList({ craft, view }: { craft: CraftView; view: JudgeView }) {
  const format = useFormat();
  const { to } = useInHand();
  const nameOf = usePersonName();
  const [remove] = useRemoveVerdictMutation();
  const [restore] = useRestoreVerdictMutation();
  if (view.verdicts.length === 0) return null;
  return (
    <section className={classes.sheet} aria-label="Verdicts kept">
      <h2>{view.verdictTotal === 1 ? '1 verdict kept' : `${view.verdictTotal} verdicts kept`}</h2>
      <ul className={classes.rows}>
        {view.verdicts.map((verdict, i) => (
          <li key={verdict.id}>
            <span>
              <Link to={to(`/judge/${verdict.id}`)}>{format.sentence(verdict.headline)}</Link>
              <span className={classes.under}>
                {[formatDay(verdict.frozenAt), nameOf(verdict.personId)].filter(Boolean).join(', by ')}
              </span>
            </span>
            <span>
              {verdict.note}
              {i === 0 && view.changes !== null && (
                <span className={classes.under}>
                  {view.changes.length === 0
                    ? 'Nothing that matters has changed since.'
                    : view.changes.slice(0, 4).map(format.sentence).join(' ')}
                </span>
              )}
            </span>
            <Action
              weight="quiet"
              onClick={() =>
                void takeAway(remove({ craftId: craft.id, id: verdict.id }).unwrap(), {
                  text: 'The verdict was taken out.',
                  undo: () => void restore({ craftId: craft.id, id: verdict.id }),
                  onGone: () => undefined,
                })
              }
            >
              Take out
            </Action>
          </li>
        ))}
      </ul>
    </section>
  );
}
