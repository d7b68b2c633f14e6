import type { JudgedPropView } from '@zivvo/contract';
import { formatNumber, opinionNames } from '@zivvo/words';
import classes from './Judge.module.css';
import type { JudgeRow } from './judgeView.ts';

/** What people felt, apart from all that was measured: it moves no score. */
export function OpinionList({ rows, props }: { rows: readonly JudgeRow[]; props: readonly JudgedPropView[] }) {
  const felt = rows.flatMap((row) => {
    const found = props.find((p) => p.propModelId === row.id);
    return found && (found.opinions.length > 0 || found.votes.of > 0) ? [{ row, found }] : [];
  });
  return (
    <section className={classes.sheet} aria-label="Opinions, apart">
      <h2>Opinions, apart</h2>
      {felt.length === 0 ? (
        <p className="muted">Nobody said what they felt. A flight card asks for it; Listen plays props unseen.</p>
      ) : (
        <ul className={classes.rows}>
          {felt.map(({ row, found }) => (
            <li key={row.id}>
              <strong>{row.name}</strong>
              <span>
                {[
                  ...found.opinions.map(
                    (o) =>
                      `${opinionNames[o.topic]} ${formatNumber(o.stars, 1)} of 5${o.count > 1 ? ` (${o.count})` : ''}`,
                  ),
                  ...(found.votes.of > 0 ? [`liked unseen ${found.votes.won} of ${found.votes.of} times`] : []),
                ].join(' · ')}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
