import { bySeverity, type Reason, type ReasonCode, type ReasonValues, type Severity } from '../figure/reason.ts';
import { mean } from '../statistics/describe.ts';
import { pooledSpread } from '../statistics/pooledSpread.ts';
import {
  cardFigures,
  flightFigureNames,
  flightRule,
  reflyReasons,
  type FlightFigureName,
  type FlownCard,
} from './flightCard.ts';

/** A card with the prop that flew it. */
export interface ComparedCard {
  cardId: string;
  propId: string;
  propName: string;
  card: FlownCard;
}

/** One figure of one prop over its flights. */
export interface AirFigure {
  /** Of each flight that counts, the newest first. */
  values: number[];
  mean: number;
  count: number;
  /** Of its mean, at 95 % and with the spread of all props pooled; null where nothing was repeated. */
  halfWidthRatio: number | null;
  /** Against the reference; null for the reference itself and where it has no such figure. */
  differenceRatio: number | null;
  /** Half width of the 95 % interval of the difference; null where there is none, or nothing was repeated. */
  differenceHalfWidthRatio: number | null;
  /** `same` within the intervals, `untold` where nothing was repeated. */
  comparison: 'more' | 'less' | 'same' | 'untold' | null;
}

/** A prop's row of the table. */
export interface FlownProp {
  propId: string;
  propName: string;
  isReference: boolean;
  /** Flights that count. */
  flightCount: number;
  figures: Record<FlightFigureName, AirFigure | null>;
}

export interface FlightComparison {
  props: FlownProp[];
  refly: { cardId: string; propName: string; reasons: Reason[] }[];
  reasons: Reason[];
}

/** Watches and radios read in steps: repeats that are quite equal are not equal to less than this. */
const LEAST_SPREAD_RATIO = 0.005;

/**
 * Props side by side as they flew: repeats pooled, differences against the reference with their intervals, and what
 * must be flown again before it counts.
 *
 *   h = t₀.₉₇₅,ν·s·√(1/n + 1/n_ref), s pooled over all props
 *
 * @param cards - of one craft, the newest first
 * @param referenceId - the prop that the craft flies now; null where nobody has said
 * @param version - protocol in force; cards of another one are to be flown again
 * @returns differences as ratios: 0.06 is 6 % more than the reference
 */
export function compareFlights(
  cards: readonly ComparedCard[],
  referenceId: string | null,
  version: number,
): FlightComparison {
  const rule = flightRule(
    cards.map((c) => c.card),
    version,
  );
  const refly = cards.flatMap(({ cardId, propName, card }) => {
    const reasons = reflyReasons(card, rule);
    return reasons.length > 0 ? [{ cardId, propName, reasons }] : [];
  });
  const left = new Set(refly.map((r) => r.cardId));
  const counting = cards.filter((c) => !left.has(c.cardId)).map((c) => ({ ...c, worked: cardFigures(c.card) }));
  const ids = [...new Set(cards.map((c) => c.propId))];
  const valuesOf = (propId: string, name: FlightFigureName): number[] =>
    counting.flatMap((c) => (c.propId === propId ? (c.worked.figures[name] ?? []) : []));
  const figuresOf = (propId: string): FlownProp['figures'] =>
    Object.fromEntries(
      flightFigureNames.map((name) => {
        const own = valuesOf(propId, name);
        if (own.length === 0) return [name, null];
        const spread = pooledSpread(ids.map((id) => valuesOf(id, name)));
        const reference = referenceId === null || propId === referenceId ? [] : valuesOf(referenceId, name);
        const differenceRatio = reference.length === 0 ? null : mean(own) / mean(reference) - 1;
        const half =
          spread && spread.halfWidthRatio * Math.max(1, LEAST_SPREAD_RATIO / Math.max(spread.spreadRatio, 1e-12));
        // A scatter is relative to what it scatters: of a prop with half as much again it is half as wide again.
        const within =
          half && (1 + (differenceRatio ?? 0)) * half * Math.sqrt(1 / own.length + 1 / Math.max(1, reference.length));
        return [
          name,
          {
            values: own,
            mean: mean(own),
            count: own.length,
            halfWidthRatio: half && half / Math.sqrt(own.length),
            differenceRatio,
            differenceHalfWidthRatio: differenceRatio === null ? null : within,
            comparison:
              differenceRatio === null
                ? null
                : within === null
                  ? 'untold'
                  : Math.abs(differenceRatio) <= within
                    ? 'same'
                    : differenceRatio > 0
                      ? 'more'
                      : 'less',
          } satisfies AirFigure,
        ];
      }),
    ) as FlownProp['figures'];
  const props = ids.map((propId) => ({
    propId,
    propName: cards.find((c) => c.propId === propId)!.propName,
    isReference: propId === referenceId,
    flightCount: counting.filter((c) => c.propId === propId).length,
    figures: figuresOf(propId),
  }));
  props.sort((a, b) => (b.figures.climbRateMPerS?.mean ?? -1) - (a.figures.climbRateMPerS?.mean ?? -1));
  return { props, refly, reasons: whatItMeans(props, counting, refly.length) };
}

/** What the table means, in order of weight. */
function whatItMeans(
  props: readonly FlownProp[],
  counting: readonly { propName: string; worked: ReturnType<typeof cardFigures> }[],
  reflyCount: number,
): Reason[] {
  const reasons: Reason[] = [];
  const say = <C extends ReasonCode>(severity: Severity, code: C, values: ReasonValues<C>): void => {
    reasons.push({ code, severity, values: values as Reason['values'], figure: null });
  };
  for (const { propName: name, isReference, figures } of props) {
    if (isReference) continue;
    const { climbRateMPerS: climb, enduranceS: minutes, airspeedMPerS: speed } = figures;
    if (climb?.comparison === 'more') say('gain', 'fly.climbsMore', { name, ratio: climb.differenceRatio! });
    if (climb?.comparison === 'less') say('caution', 'fly.climbsLess', { name, ratio: -climb.differenceRatio! });
    if (speed?.comparison === 'more') say('gain', 'fly.faster', { name, ratio: speed.differenceRatio! });
    if (minutes?.comparison === 'more') say('gain', 'fly.longer', { name, ratio: minutes.differenceRatio! });
    if (minutes?.comparison === 'less') say('caution', 'fly.shorter', { name, ratio: -minutes.differenceRatio! });
    if (climb?.comparison === 'same') say('note', 'fly.same', { name });
    if (climb?.comparison === 'untold') say('action', 'fly.repeat', { name });
  }
  const ill = counting.filter((c) => c.worked.isIllConditioned).length;
  if (ill > 0) say('action', 'fly.tracksAlike', { count: ill });
  for (const { propName: name } of props) {
    const own = counting.filter((c) => c.propName === name);
    const count = own.reduce((sum, c) => sum + c.worked.notHeldCount, 0);
    if (count > 0) say('note', 'fly.angleNotHeld', { name, count });
  }
  if (reflyCount > 0) say('action', 'fly.refly', { count: reflyCount });
  return bySeverity(reasons);
}
