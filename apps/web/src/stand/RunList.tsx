import type { PropModelView, RunSummaryView, StandRigView } from '@zivvo/contract';
import { Link } from 'react-router';
import { useFormat } from '../shared/format/useFormat.ts';
import { propModelName } from '../shared/ui/propModelName.ts';
import classes from './ResultsPage.module.css';
import { rigName } from './rigName.ts';
import type { ResultRow } from './resultsView.ts';

interface RunListProps {
  runs: RunSummaryView[];
  models: PropModelView[];
  rows: ResultRow[];
  /** Only this prop's runs where one is in hand. */
  propModelId: string | null;
  /** Where the evening has several motors or packs. */
  rigs: readonly StandRigView[];
  to: (path: string) => string;
}

/** The runs behind the figures, drafts first; those that do not count say why. */
export function RunList({ runs, models, rows, propModelId, rigs, to }: RunListProps) {
  const format = useFormat();
  const shown = runs
    .filter((r) => r.state === 'draft' || propModelId === null || r.propModelId === propModelId)
    .sort((a, b) => Number(b.state === 'draft') - Number(a.state === 'draft'));
  if (shown.length === 0) return null;
  const leftOut = new Map(rows.flatMap((r) => r.result.leftOut.map((l) => [l.runId, l.code])));
  const heldName = models.find((m) => m.id === propModelId);
  return (
    <section>
      <h2 className={classes.heading}>{heldName ? `Runs of ${propModelName(heldName)}` : 'All runs'}</h2>
      <ul className={classes.runs}>
        {shown.map((run) => {
          const model = models.find((m) => m.id === run.propModelId);
          const rig = rigs.length > 1 ? rigs.find((r) => r.kitId === run.kitId) : undefined;
          const why =
            run.state === 'draft'
              ? 'draft'
              : run.replacedByRunId !== null
                ? 'corrected'
                : leftOut.has(run.id)
                  ? 'does not count'
                  : run.restingCellV === null
                    ? ''
                    : `${format.quantity(run.restingCellV, 'voltage').text} a cell`;
          return (
            <li key={run.id}>
              <Link
                to={to(`/stand/runs/${run.id}`)}
                data-out={run.replacedByRunId !== null || leftOut.has(run.id)}
                data-draft={run.state === 'draft'}
              >
                {heldName ? '' : `${model ? propModelName(model) : ''} · `}run {run.ordinal}
                {rig ? ` · ${rigName(rig)}` : ''}
                {why === '' ? '' : ` · ${why}`}
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
