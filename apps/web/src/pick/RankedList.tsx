import type { CraftView } from '@zivvo/contract';
import { brokenLimits, tradesOf, type Scale, type Weights, type WorkedProp } from '@zivvo/core';
import { limitWords } from '@zivvo/words';
import { useFormat } from '../shared/format/useFormat.ts';
import table from '../shared/table/Table.module.css';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import { EvidenceDot } from '../shared/ui/EvidenceDot.tsx';
import type { RankedProp } from './rankProps.ts';
import { usePickFormat, type PickFormat } from './usePickFormat.ts';
import classes from './RankedList.module.css';

interface RankedListProps {
  craft: CraftView;
  ranked: readonly RankedProp[];
  reference: RankedProp | null;
  scale: Scale;
  weights: Weights;
  chosenId: string | null;
  marked: readonly string[];
  onChoose: (id: string) => void;
  onMark: (id: string) => void;
}

/** Candidates from the best down: what each is, and what it gains and pays against the present prop. */
export function RankedList({
  craft,
  ranked,
  reference,
  scale,
  weights,
  chosenId,
  marked,
  onChoose,
  onMark,
}: RankedListProps) {
  const pick = usePickFormat();
  const format = useFormat();
  const rowKeys = useRowKeys({
    onOpen: (i) => onChoose(ranked[i]!.prop.id),
    onMark: (i) => onMark(ranked[i]!.prop.id),
  });
  return (
    <div className={table.sheet}>
      <table className={`${table.table} ${classes.list}`}>
        <thead>
          <tr>
            <th>
              <span className="visually-hidden">Marked</span>
            </th>
            <th>
              <span className="visually-hidden">Shape</span>
            </th>
            <th>Candidate</th>
            <th data-right>Score</th>
            <th data-right>Air time</th>
            <th data-right data-wide>
              {craft.kind === 'plane' ? 'Cruise' : 'Hover'}
            </th>
            <th data-right>Thrust</th>
            <th data-right data-wide>
              At 20 m
            </th>
            <th>{reference ? `Against ${reference.prop.name}` : 'Limits'}</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {ranked.map(({ prop, worked, score, isAllowed }) => {
            const { figures, margins, geometry } = worked;
            const isReference = prop.id === reference?.prop.id;
            return (
              <tr
                key={prop.id}
                tabIndex={0}
                data-chosen={prop.id === chosenId}
                data-barred={!isAllowed}
                onClick={() => onChoose(prop.id)}
              >
                <td className={classes.mark} onClick={(e) => e.stopPropagation()}>
                  <input
                    type="checkbox"
                    aria-label={`Mark ${prop.name} for comparison`}
                    checked={marked.includes(prop.id)}
                    onChange={() => onMark(prop.id)}
                  />
                </td>
                <td style={{ width: 34 }}>
                  <BladeGlyph
                    size={28}
                    diameterM={geometry.diameterM}
                    pitchM={geometry.pitchM}
                    bladeCount={geometry.bladeCount}
                    tipShape={geometry.tipShape}
                  />
                </td>
                <td>
                  <div className={classes.name}>
                    <EvidenceDot mark={worked.mark} /> <strong>{prop.name}</strong>
                  </div>
                  <div className={`muted ${classes.note}`}>{prop.detail}</div>
                </td>
                <td data-right>{isAllowed ? Math.round(score) : '–'}</td>
                <td data-right>{pick.figure('enduranceS', figures.enduranceS)}</td>
                <td data-right data-wide>
                  {pick.figure('carryThrottleRatio', figures.carryThrottleRatio)}
                </td>
                <td data-right>
                  {format.quantityOrDash(Number.isFinite(figures.fullThrustN) ? figures.fullThrustN : null, 'force')}
                </td>
                <td data-right data-wide>
                  {pick.figure('levelDb', figures.levelDb)}
                </td>
                <td className={classes.trade}>
                  {isReference ? (
                    'flown now'
                  ) : isAllowed ? (
                    reference ? (
                      tradeText(worked, reference.worked, scale, weights, pick)
                    ) : (
                      'fits'
                    )
                  ) : (
                    <span className={classes.barred}>
                      {brokenLimits(margins)
                        .slice(0, 2)
                        .map((l) => limitWords[l])
                        .join(', ')}
                    </span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** Gains first, then the price, two of each at most. */
function tradeText(
  worked: WorkedProp,
  reference: WorkedProp,
  scale: Scale,
  weights: Weights,
  pick: PickFormat,
): string {
  const trades = tradesOf(worked.figures, reference.figures, scale, weights).filter(
    (t) => !t.isSame && Number.isFinite(t.value) && Number.isFinite(t.reference),
  );
  const say = (isGain: boolean): string[] =>
    trades
      .filter((t) => t.isGain === isGain)
      .slice(0, 2)
      .map((t) => TRADE_WORDS[t.criterion](t.value - t.reference, t.value / t.reference - 1, pick));
  const [gains, pays] = [say(true), say(false)];
  if (gains.length + pays.length === 0) return 'differs, does not matter';
  if (pays.length === 0) return gains.join(', ');
  return gains.length === 0 ? `pays ${pays.join(', ')}` : `${gains.join(', ')}; pays ${pays.join(', ')}`;
}

const percent = (ratio: number): string => `${Math.round(Math.abs(ratio) * 100)} %`;
const TRADE_WORDS: Record<
  ReturnType<typeof tradesOf>[number]['criterion'],
  (difference: number, ratio: number, pick: PickFormat) => string
> = {
  minutes: (d, _r, pick) => `${d > 0 ? '+' : '−'}${pick.figure('enduranceS', Math.abs(d))}`,
  thrust: (d, r) => `${percent(r)} ${d > 0 ? 'more' : 'less'} thrust`,
  answer: (d, _r, pick) => `answers ${pick.figure('riseTimeS', Math.abs(d))} ${d < 0 ? 'sooner' : 'later'}`,
  quiet: (d) => `${Math.round(Math.abs(d))} dB ${d < 0 ? 'quieter' : 'louder'}`,
  speed: (d, r) => `${percent(r)} ${d > 0 ? 'faster' : 'slower'}`,
  cool: (d) => `motor ${Math.round(Math.abs(d))} K ${d < 0 ? 'cooler' : 'hotter'}`,
  gentle: (d) => (d < 0 ? 'finer low down' : 'coarser low down'),
  tough: (d) => (d > 0 ? 'tougher' : 'breaks sooner'),
};
