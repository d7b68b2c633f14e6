import { OutOfRangeError } from '../errors/coreError.ts';
import { requirePositive, requireReadings, requireWithin } from '../errors/guards.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { swingUnbalanceKgM } from './staticUnbalance.ts';

/** What was tapped while the prop swung. */
export interface SwingTaps {
  /** Moments of the taps [s], rising. */
  tapsS: readonly number[];
  /** Whether a tap was made at each end (half periods), or each time at the same end. */
  isHalf: boolean;
  /** Widest swing to one side at the start [degrees]. */
  startDegrees: number;
}

export interface SwingPeriod {
  /** Of small swings: the widening of larger ones is taken out [s]. */
  periodS: number;
  /** Standard deviation, from how unevenly the taps came. */
  deviationS: number;
  tapCount: number;
}

const SHORTEST_S = 0.08;
const LONGEST_S = 120;
const WIDEST_DEGREES = 90;
/** Swings die away to about this share of their start while they are tapped. */
const MEAN_SWING_RATIO = 0.62;
/** A hand taps no better than this [s]. */
const TAP_DEVIATION_S = 0.03;

/**
 * Period of small swings from taps, by a straight line through them: all taps count, not only the first and last.
 *
 *   T₀ = T/(1 + θ²/16 + 11·θ⁴/3072): at 45° a swing takes 4 % longer, at 90° 18 %
 *
 * @throws {NotEnoughReadingsError} with fewer than three taps
 * @throws {OutOfRangeError} if the taps do not rise, the swing is wider than 90°, or the period no swing of a prop
 */
export function swingPeriod({ tapsS, isHalf, startDegrees }: SwingTaps): SwingPeriod {
  requireReadings('tapsS', tapsS, 3);
  requireWithin('startDegrees', startDegrees, 0, WIDEST_DEGREES);
  tapsS.forEach((tap, i) => {
    if (i > 0 && !(tap > tapsS[i - 1]!)) throw new OutOfRangeError('tapsS', tap, 'each later than the one before');
  });
  const n = tapsS.length;
  const middle = (n - 1) / 2;
  const meanTap = tapsS.reduce((sum, t) => sum + t, 0) / n;
  const spread = tapsS.reduce((sum, _, i) => sum + (i - middle) ** 2, 0);
  const slope = tapsS.reduce((sum, t, i) => sum + (i - middle) * (t - meanTap), 0) / spread;
  const scatter =
    n > 3 ? Math.sqrt(tapsS.reduce((sum, t, i) => sum + (t - meanTap - slope * (i - middle)) ** 2, 0) / (n - 2)) : 0;
  const factor = isHalf ? 2 : 1;
  const widening = wideningOf(MEAN_SWING_RATIO * startDegrees);
  const periodS = (factor * slope) / widening;
  requireWithin('periodS', periodS, SHORTEST_S, LONGEST_S);
  return {
    periodS,
    deviationS: (factor * Math.max(scatter, TAP_DEVIATION_S)) / Math.sqrt(spread) / widening,
    tapCount: n,
  };
}

/** How much longer a swing of an amplitude takes than a small one. */
function wideningOf(degrees: number): number {
  const theta = (degrees * Math.PI) / 180;
  return 1 + theta ** 2 / 16 + (11 * theta ** 4) / 3072;
}

export interface SwingResult {
  unbalanceKgM: number;
  inertiaKgM2: number;
  /** Half width of about 95 %, as a share of the unbalance. */
  uncertaintyRatio: number;
}

/** Half width of 95 % of an inertia estimated from mass and diameter. */
export const ESTIMATED_INERTIA_RATIO = 0.2;
const TWO = 2;

/**
 * One swing and an inertia that was estimated from mass and diameter: good to about a fifth.
 *
 * @param inertiaKgM2 - of prop, cones and arbor
 * @param inertiaRatio - how well it is known: half width of 95 % as a share
 */
export function oneSwing(
  { periodS, deviationS }: SwingPeriod,
  inertiaKgM2: number,
  inertiaRatio = ESTIMATED_INERTIA_RATIO,
): SwingResult {
  return {
    unbalanceKgM: swingUnbalanceKgM(inertiaKgM2, periodS),
    inertiaKgM2,
    uncertaintyRatio: Math.hypot(inertiaRatio, (2 * TWO * deviationS) / periodS),
  };
}

export type TwoSwingResult =
  ({ status: 'found' } & SwingResult) | { status: 'inconclusive'; reason: 'sameSwing' | 'tapeTooHeavy' | 'wrongSide' };

/** Periods closer together than this many deviations tell nothing of the tape. */
const TOLD_APART = 3;
/** An inertia this many times off its estimate means that the readings contradict each other. */
const MOST_INERTIA_RATIO = 2.2;

/**
 * Two swings, bare and with a known moment of tape: unbalance *and* inertia, neither estimated.
 *
 *   I = a₀·U, I + ΔI = a₁·(U ± m), a = g·T²/4π²; ΔI = m·r
 *
 * @param tapeKgM - moment of the tape [kg·m], > 0
 * @param tapeRadiusM - of its centre
 * @param side - where the tape was put: it slows the swing on the light side and quickens it on the heavy one
 * @param estimateKgM2 - inertia from mass and diameter, to notice contradictions; null leaves that out
 * @returns inconclusive where the periods hardly differ, the tape outweighs the unbalance, or it was on the other side
 */
export function twoSwings(
  bare: SwingPeriod,
  taped: SwingPeriod,
  tapeKgM: number,
  tapeRadiusM: number,
  side: 'light' | 'heavy',
  estimateKgM2: number | null = null,
): TwoSwingResult {
  requirePositive('tapeKgM', tapeKgM);
  requirePositive('tapeRadiusM', tapeRadiusM);
  const noiseS = Math.hypot(bare.deviationS, taped.deviationS);
  if (Math.abs(taped.periodS - bare.periodS) < TOLD_APART * noiseS)
    return { status: 'inconclusive', reason: 'sameSwing' };
  if ((side === 'light') !== taped.periodS > bare.periodS) return { status: 'inconclusive', reason: 'wrongSide' };
  const unbalanceKgM = solveTwo(bare.periodS, taped.periodS, tapeKgM, tapeRadiusM, side);
  if (!(unbalanceKgM > 0) || (side === 'light' && tapeKgM >= unbalanceKgM))
    return { status: 'inconclusive', reason: 'tapeTooHeavy' };
  const inertiaKgM2 = perSwing(bare.periodS) * unbalanceKgM;
  const isAbsurd =
    estimateKgM2 !== null &&
    (inertiaKgM2 > MOST_INERTIA_RATIO * estimateKgM2 || inertiaKgM2 < estimateKgM2 / MOST_INERTIA_RATIO);
  if (isAbsurd) return { status: 'inconclusive', reason: 'sameSwing' };
  const moved = (b: number, t: number): number =>
    Math.abs(solveTwo(bare.periodS + b, taped.periodS + t, tapeKgM, tapeRadiusM, side) - unbalanceKgM);
  return {
    status: 'found',
    unbalanceKgM,
    inertiaKgM2,
    uncertaintyRatio: (TWO * Math.hypot(moved(bare.deviationS, 0), moved(0, taped.deviationS))) / unbalanceKgM,
  };
}

/** I/U of a swing: g·T²/4π². */
function perSwing(periodS: number): number {
  return (GRAVITY_M_PER_S2 * periodS ** 2) / (4 * Math.PI ** 2);
}

function solveTwo(bareS: number, tapedS: number, tapeKgM: number, radiusM: number, side: 'light' | 'heavy'): number {
  const [a0, a1] = [perSwing(bareS), perSwing(tapedS)];
  const added = tapeKgM * radiusM;
  return side === 'light' ? (a1 * tapeKgM + added) / (a1 - a0) : (a1 * tapeKgM - added) / (a0 - a1);
}

/**
 * Both ways together: the two swings where they tell, drawn toward the estimate of the inertia by how well each is
 * known.
 */
export function bestOfSwings(bare: SwingPeriod, two: TwoSwingResult, estimateKgM2: number): SwingResult {
  const one = oneSwing(bare, estimateKgM2);
  if (two.status !== 'found') return one;
  const weights = [1 / one.uncertaintyRatio ** 2, 1 / two.uncertaintyRatio ** 2];
  const whole = weights[0]! + weights[1]!;
  const log = (weights[0]! * Math.log(one.unbalanceKgM) + weights[1]! * Math.log(two.unbalanceKgM)) / whole;
  const unbalanceKgM = Math.exp(log);
  return { unbalanceKgM, inertiaKgM2: perSwing(bare.periodS) * unbalanceKgM, uncertaintyRatio: 1 / Math.sqrt(whole) };
}
