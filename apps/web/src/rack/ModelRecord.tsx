import type { PropModelView } from '@zivvo/contract';
import { formatNumber, formatShare, pieceStateNames } from '@zivvo/words';
import { Link } from 'react-router';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import { usePiecesQuery, useYieldsQuery } from '../shared/api/pieceApi.ts';
import { useModelRunsQuery } from '../shared/api/rackApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import classes from './PiecePage.module.css';
import { costOf } from './yieldView.ts';

const RUNS_SHOWN = 6;

/** What a model has done so far: its pieces, its runs, what came good at what price, and who flies it. */
export function ModelRecord({ model }: { model: PropModelView }) {
  const format = useFormat();
  const { to } = useInHand();
  const { data: pieces } = usePiecesQuery({ propModelId: model.id });
  const { data: yields } = useYieldsQuery();
  const { data: runs } = useModelRunsQuery(model.id);
  const { data: crafts } = useCraftsQuery();
  const own = yields?.models.find((y) => y.propModelId === model.id);
  const cost = own ? costOf(model, own) : null;
  const flownBy = crafts?.items.filter((c) => c.referencePropModelId === model.id) ?? [];
  const states = Object.entries(pieces?.states ?? {}).filter(([, count]) => count > 0);
  return (
    <section className={classes.sheet} aria-label="What it has done">
      <h2>{flownBy.length === 0 ? 'No craft flies it now' : `Flown by ${flownBy.map((c) => c.name).join(', ')}`}</h2>
      <p>
        {states.length === 0
          ? 'No tagged piece yet. '
          : `${states.map(([state, count]) => `${count} ${pieceStateNames[state as keyof typeof pieceStateNames].toLowerCase()}`).join(', ')}. `}
        <Link to={to('/rack/pieces', { propModelId: model.id })}>Its pieces</Link>
      </p>
      <p>
        {own?.usable
          ? `${formatShare(own.usable.ratio, 0)} of ${own.pieceCount} judged pieces were ` +
            `usable${cost === null ? '' : `; a usable one costs ${formatNumber(cost, 2)}`}.`
          : 'None of its pieces is judged yet.'}
      </p>
      {runs && runs.total === 0 && <p className="muted">No stand run yet.</p>}
      {runs && runs.total > 0 && (
        <ul className={classes.history} aria-label="Stand runs">
          {runs.items.slice(0, RUNS_SHOWN).map((run) => (
            <li key={run.runId}>
              <Link
                to={to(`/stand/runs/${run.runId}`, { craftId: run.craftId })}
              >{`${formatDay(run.keptAt)}, ${run.campaignName}`}</Link>
              {': ' +
                `${run.mostThrustN === null ? 'no thrust read' : `${format.quantity(run.mostThrustN, 'force').text} at most`}${run.maxCurrentA === null ? '' : `, ${format.quantity(run.maxCurrentA, 'current').text}`}${run.origin === 'simulated' ? ', simulated' : ''}`}
            </li>
          ))}
          {runs.total > RUNS_SHOWN && <li className="muted">{`and ${runs.total - RUNS_SHOWN} earlier`}</li>}
        </ul>
      )}
    </section>
  );
}
