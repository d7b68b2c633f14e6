import type { PropModelView, YieldView } from '@zivvo/contract';
import { doesMostFail, FEWEST_JUDGED, sumOfYields, yieldOf, type YieldResult } from '@zivvo/core';
import { formatNumber, formatShare } from '@zivvo/words';
import { useYieldsQuery } from '../shared/api/pieceApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { formatDay } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { RackTabs } from './RackTabs.tsx';

type YieldOfMaker = YieldView['makers'][number];

interface Row extends YieldResult {
  key: string;
  name: string;
  /** Beside the name, in small. */
  note: string | null;
  cost: number | null;
}

/** How many of a maker's pieces turned out usable, and what a usable one costs. */
export function Component() {
  const query = useYieldsQuery();
  const { data: models } = usePropModelsQuery();
  const { to } = useInHand();
  return (
    <Ready query={query}>
      {(yields) => {
        const makers = [...yields.makers].filter((m) => m.usable).sort((a, b) => b.usable!.ratio - a.usable!.ratio);
        const modelOf = (id: string): PropModelView | undefined => models?.items.find((m) => m.id === id);
        const named = <T extends YieldResult & { propModelId: string }>(y: T): Omit<Row, 'key' | 'note'> & T => ({ ...y, name: modelOf(y.propModelId) ? propModelName(modelOf(y.propModelId)!) : '', cost: costOf(modelOf(y.propModelId), y) });
        return (
          <StationPage
            eyebrow="Rack · Yield"
            headline={headlineOf(makers, yields.models)}
            detail="Good from the bag, good after correction, or rejected: cracked, sent back from the shaft, thrown out unflown. With the 95 % interval that so few pieces leave."
            tools={<RackTabs />}
            reasons={<p style={{ margin: 0 }}>When most of a bag fails, change supplier. A handful of pieces proves little: look at the interval before you blame a maker.</p>}
          >
            {yields.models.length === 0 ? (
              <EmptyPage title="Check deliveries in" actions={<ActionLink weight="main" to={to('/rack/deliveries/new')}>New delivery</ActionLink>}>
                <p>Each piece that is trued, fitted, sent back or thrown out counts here by itself.</p>
              </EmptyPage>
            ) : (
              <>
                {makers.length > 0 && <Yields title="Maker" rows={makers.map((m) => ({ key: m.makerName, name: m.makerName, note: null, cost: null, ...m }))} />}
                <Yields title="Model" rows={yields.models.map((y) => ({ ...named(y), key: y.propModelId, note: null }))} />
                {yields.deliveries.length > 0 && <Yields title="Delivery" rows={yields.deliveries.map((y) => ({ ...named(y), key: y.batchId, note: [formatDay(y.cameAt), y.location].filter((t) => t !== null).join(', ') }))} />}
              </>
            )}
          </StationPage>
        );
      }}
    </Ready>
  );
}

/** What a usable piece costs, those that were rejected paid with it. */
function costOf(model: PropModelView | undefined, { usable }: YieldResult): number | null {
  return model?.bagPrice != null && model.bagCount !== null && usable && usable.ratio > 0 ? model.bagPrice / model.bagCount / usable.ratio : null;
}

/** The answer for the makers, the best first; pieces whose maker nobody named are counted by model alone. */
function headlineOf(makers: readonly YieldOfMaker[], models: readonly YieldResult[]): string {
  const share = ({ usable }: YieldResult): string => formatShare(usable?.ratio ?? 0, 0);
  const all = yieldOf(sumOfYields(models));
  if (models.length === 0) return 'No piece has been checked in yet';
  if (!all.usable) return all.notJudgedCount === 1 ? 'The one piece is not judged yet' : `None of ${all.notJudgedCount} pieces is judged yet`;
  // A handful proves nothing: makers of more pieces come first.
  const proven = makers.filter((m) => m.pieceCount >= FEWEST_JUDGED);
  const told = proven.length > 0 ? proven : makers;
  const [best] = told;
  const worst = told.at(-1);
  if (!best || !worst) return `${share(all)} of the pieces are usable`;
  if (doesMostFail(worst)) return `${worst.rejectedCount} of ${worst.pieceCount} pieces of ${worst.makerName} failed: change supplier`;
  return best === worst ? `${share(best)} of ${best.makerName}’s pieces are usable` : `${best.makerName} ${share(best)} usable, ${worst.makerName} ${share(worst)}`;
}

function Yields({ title, rows }: { title: string; rows: readonly Row[] }) {
  const hasCost = rows.some((r) => r.cost !== null);
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>{title}</th>
            <th data-right>Usable</th>
            <th data-wide aria-label="95 % interval" />
            {hasCost && <th data-right>Each costs</th>}
            <th data-right>Judged</th>
            <th data-right data-wide>
              Bag
            </th>
            <th data-right data-wide>
              Corrected
            </th>
            <th data-right>Rejected</th>
            <th data-right data-wide>
              Not yet
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.key} style={{ cursor: 'default' }}>
              <td style={{ minWidth: 130 }}>
                <strong>{r.name}</strong>
                {r.note !== null && <div className="muted">{r.note}</div>}
                {doesMostFail(r) && <div style={{ color: 'var(--rust)' }}>{`${r.rejectedCount} of ${r.pieceCount} failed: change supplier`}</div>}
              </td>
              <td data-right>
                {r.usable ? formatShare(r.usable.ratio, 0) : '–'}
                {r.usable && <div className="muted" style={{ fontSize: 13, whiteSpace: 'nowrap' }}>{`${Math.round(r.usable.lowRatio * 100)} to ${formatShare(r.usable.highRatio, 0)}`}</div>}
              </td>
              <td data-wide>{r.usable && <Interval low={r.usable.lowRatio} at={r.usable.ratio} high={r.usable.highRatio} />}</td>
              {hasCost && <td data-right>{r.cost === null ? '–' : formatNumber(r.cost, 2)}</td>}
              <td data-right>{r.pieceCount}</td>
              <td data-right data-wide>
                {r.goodFromBagCount}
              </td>
              <td data-right data-wide>
                {r.goodCorrectedCount}
              </td>
              <td data-right>{r.rejectedCount}</td>
              <td data-right data-wide>
                {r.notJudgedCount}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** An interval from 0 to 1 drawn to scale. */
function Interval({ low, at, high }: { low: number; at: number; high: number }) {
  return (
    <svg width="72" height="14" viewBox="0 0 110 14" preserveAspectRatio="none" aria-hidden="true">
      <path d="M2 7H108" stroke="var(--hairline)" strokeWidth="2" />
      <path d={`M${2 + 106 * low} 7H${2 + 106 * high}`} stroke="var(--fjord)" strokeWidth="4" />
      <path d={`M${2 + 106 * at} 1V13`} stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}
