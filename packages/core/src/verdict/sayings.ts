import { answerQuestion, type QuestionName } from '../pick/ask.ts';
import type { PreparedCraft } from '../pick/pickCraft.ts';
import type { PickFigure } from '../pick/pickFigures.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { Z_95 } from '../statistics/normal.ts';
import type { EvidenceRow, EvidenceSource } from './weighEvidence.ts';
import { gainOf, gainWidthOf, isLogarithmicWish, wishFigures, type WishName } from './wishes.ts';

/** A saying of the trade: a change, a figure, and which way it is said to go. */
interface Saying {
  change: QuestionName;
  wish: WishName;
  /** +1: the change is said to be good for the wish. */
  claims: 1 | -1;
}

/** Sayings that a technician hears at every bench, in the order of the work. */
export const sayings = {
  bladesPull: { change: 'bladeMore', wish: 'thrust', claims: 1 },
  bladesCostMinutes: { change: 'bladeMore', wish: 'minutes', claims: -1 },
  bladesAreQuiet: { change: 'bladeMore', wish: 'quiet', claims: 1 },
  largerFliesLonger: { change: 'inchMore', wish: 'minutes', claims: 1 },
  largerAnswersLate: { change: 'inchMore', wish: 'answer', claims: -1 },
  pitchIsSpeed: { change: 'halfPitchMore', wish: 'speed', claims: 1 },
  pitchHeatsMotors: { change: 'halfPitchMore', wish: 'cool', claims: -1 },
  pitchPulls: { change: 'halfPitchMore', wish: 'thrust', claims: 1 },
  squareTipsPull: { change: 'squareTips', wish: 'thrust', claims: 1 },
  squareTipsAreLoud: { change: 'squareTips', wish: 'quiet', claims: -1 },
  softSurvives: { change: 'softer', wish: 'tough', claims: 1 },
  lowKvFliesLonger: { change: 'kvLower', wish: 'minutes', claims: 1 },
} as const satisfies Record<string, Saying>;
export type SayingName = keyof typeof sayings;
export const sayingNames = Object.keys(sayings) as SayingName[];

/** A measured prop of the craft, as far as sayings ask. */
export interface SaidProp {
  id: string;
  name: string;
  geometry: PropGeometry;
  row: EvidenceRow;
}

/** Two props that were measured and differ in what a saying is about, and little else. */
export interface SayingPair {
  /** The one with more of it. */
  moreId: string;
  moreName: string;
  lessName: string;
  /** Gain of the one with more over the other, and half the width of its 95 % interval. */
  gain: number;
  halfWidth: number;
  source: EvidenceSource;
}

export interface SayingAnswer {
  name: SayingName;
  wish: WishName;
  /**
   * *mixed* where readings that are each sure go both ways; *untold* where the change makes no sense here, or neither
   * model nor readings can say.
   */
  status: 'holds' | 'fails' | 'same' | 'mixed' | 'untold';
  /** Whether readings of this craft decided, or what the model predicts. */
  basis: 'measured' | 'predicted' | null;
  /** Predicted change of the figure: a ratio, or an amount where amounts count; null where it cannot be. */
  predicted: number | null;
  /** Pairs that speak of it, the surest first. */
  pairs: SayingPair[];
}

/** Props this close are alike in what a saying is not about. */
const ALIKE = { diameter: 0.04, pitch: 0.08 } as const;
const PAIRS_MOST = 3;

/**
 * Answers the sayings for a craft: by its own readings where two props differ in that and little else, otherwise by the
 * model at the prop that it flies.
 *
 * A saying holds (or fails) where the difference is larger than its interval and than what matters; where it is surely
 * smaller than what matters it makes no difference. Pairs that are each sure and go both ways leave it *mixed*.
 *
 * @param matters - smallest differences that matter, as in a verdict
 */
export function answerSayings(
  prepared: PreparedCraft,
  reference: PropGeometry,
  props: readonly SaidProp[],
  matters: Readonly<Record<WishName, number>>,
): SayingAnswer[] {
  return sayingNames.map((name) => {
    const { change, wish, claims } = sayings[name];
    const least = gainWidthOf(wish, 0, matters[wish]);
    const pairs = pairsOf(change, wish, props).slice(0, PAIRS_MOST);
    const predicted = predictedChange(prepared, reference, change, wish);
    const measured = decide(
      pairs.map((p) => ({ gain: p.gain, halfWidth: p.halfWidth })),
      claims,
      least,
    );
    const model = predicted === null ? null : decide([{ gain: gainOf(wish, predicted), halfWidth: 0 }], claims, least);
    return {
      name,
      wish,
      status: measured ?? model ?? 'untold',
      basis: measured ? 'measured' : model ? 'predicted' : null,
      predicted,
      pairs,
    };
  });
}

/** What readings say together: the mean by their weights; null where they cannot tell. */
function decide(
  readings: readonly { gain: number; halfWidth: number }[],
  claims: 1 | -1,
  least: number,
): SayingAnswer['status'] | null {
  if (readings.length === 0) return null;
  const sure = readings.filter((r) => Math.abs(r.gain) > Math.max(r.halfWidth, least)).map((r) => Math.sign(r.gain));
  if (new Set(sure).size > 1) return 'mixed';
  const weights = readings.map((r) => 1 / Math.max(r.halfWidth, 1e-6) ** 2);
  const total = weights.reduce((a, b) => a + b, 0);
  const gain = readings.reduce((sum, r, i) => sum + (weights[i]! / total) * r.gain, 0);
  const half = 1 / Math.sqrt(total);
  if (Math.abs(gain) + half < least) return 'same';
  if (Math.abs(gain) <= half) return null;
  if (Math.abs(gain) < least) return 'same';
  return Math.sign(gain) === claims ? 'holds' : 'fails';
}

function predictedChange(
  prepared: PreparedCraft,
  reference: PropGeometry,
  change: QuestionName,
  wish: WishName,
): number | null {
  const figure = wishFigures[wish];
  if (figure === null) return null;
  const answer = answerQuestion(prepared, reference, change);
  if (!answer) return null;
  const of = ({ figures }: { figures: Readonly<Record<PickFigure, number>> }): number => figures[figure];
  const [before, after] = [of(answer.before), of(answer.after)];
  const difference = isLogarithmicWish(wish) ? after / before - 1 : after - before;
  return Number.isFinite(gainOf(wish, difference)) ? difference : null;
}

/** How much more of what a change is about one prop has than another; null where they differ in more than that. */
function moreOf(change: QuestionName, a: PropGeometry, b: PropGeometry): number | null {
  const isAlike = (name: 'diameterM' | 'pitchM', share: number): boolean => Math.abs(a[name] / b[name] - 1) <= share;
  const sameSize = isAlike('diameterM', ALIKE.diameter);
  const samePitch = isAlike('pitchM', ALIKE.pitch);
  const sameBlades = a.bladeCount === b.bladeCount;
  switch (change) {
    case 'bladeMore':
      return sameSize && samePitch && !sameBlades ? a.bladeCount - b.bladeCount : null;
    case 'inchMore':
      return samePitch && sameBlades && !sameSize ? a.diameterM - b.diameterM : null;
    case 'halfPitchMore':
      return sameSize && sameBlades && !samePitch ? a.pitchM - b.pitchM : null;
    default:
      return null;
  }
}

function pairsOf(change: QuestionName, wish: WishName, props: readonly SaidProp[]): SayingPair[] {
  return props
    .flatMap((more) =>
      props.flatMap((less): SayingPair[] => {
        const [a, b] = [more.row[wish], less.row[wish]];
        if (!a || !b || a.source === 'model' || b.source !== a.source || a.place !== b.place) return [];
        if ((moreOf(change, more.geometry, less.geometry) ?? 0) <= 0) return [];
        return [
          {
            moreId: more.id,
            moreName: more.name,
            lessName: less.name,
            gain: a.gain - b.gain,
            halfWidth: Z_95 * Math.hypot(a.deviation, b.deviation),
            source: a.source,
          },
        ];
      }),
    )
    .sort((a, b) => Math.abs(b.gain) / b.halfWidth - Math.abs(a.gain) / a.halfWidth);
}
