import { NotEnoughReadingsError } from '../errors/coreError.ts';
import { requirePositive } from '../errors/guards.ts';
import { add, amountOf, conjugate, divide, multiply, scale, subtract, type Complex } from '../numerics/complex.ts';

/**
 * A vibration reading with phase, as a vector; its angle, like that of every mass, counts what comes after the mark.
 */
export type Reading = Complex;

export interface OnePlaneResult {
  /** Vibration per kilogram at the trial's radius. */
  influence: Complex;
  /** Where to put what: kilograms at degrees. */
  correction: Complex;
}

/**
 * One plane, with phase: one trial mass tells what a mass does.
 *
 *   α = (V₁ − V₀)/U_t; U_c = −V₀/α, or −V₁/α while the trial stays on
 *
 * @param trial - kilograms and direction of the trial mass as a vector, not zero
 * @throws {OutOfRangeError} if the trial is zero or did nothing
 */
export function onePlaneCorrection(
  before: Reading,
  trial: Complex,
  withTrial: Reading,
  isTrialLeftOn = false,
): OnePlaneResult {
  requirePositive('trial', amountOf(trial));
  const influence = divide(subtract(withTrial, before), trial);
  requirePositive('influence', amountOf(influence));
  return { influence, correction: scale(divide(isTrialLeftOn ? withTrial : before, influence), -1) };
}

/** Vibration left after a correction was put on: |V₀ + α·U|. */
export function residualAfter(before: Reading, influence: Complex, applied: Complex): number {
  return amountOf(add(before, multiply(influence, applied)));
}

/** Readings at several sensors or speeds: without a trial, and with a trial mass in each plane. */
export interface PlaneTrials {
  before: readonly Reading[];
  trials: readonly { mass: Complex; readings: readonly Reading[] }[];
  /** How much each reading counts; equal where left out. */
  weights?: readonly number[];
}

export interface PlaneResult {
  corrections: Complex[];
  residual: number;
  /** Ratio of the largest to the smallest effect of the planes; above 10 they can hardly be told apart. */
  condition: number;
}

/** Above this the planes act alike, and small errors of reading become large corrections. */
export const WORST_CONDITION = 10;

/**
 * One or two planes by complex least squares.
 *
 *   C_j = (V_j − V₀)/U_j; minimise |V₀ + C·U|
 *
 * @throws {NotEnoughReadingsError} with fewer readings than planes
 */
export function planeCorrections({ before, trials, weights }: PlaneTrials): PlaneResult {
  if (before.length < trials.length) throw new NotEnoughReadingsError('before', before.length, trials.length);
  const root = before.map((_, i) => Math.sqrt(weights?.[i] ?? 1));
  const columns = trials.map(({ mass, readings }) => {
    requirePositive('trial', amountOf(mass));
    if (readings.length !== before.length) throw new NotEnoughReadingsError('readings', readings.length, before.length);
    return readings.map((v, i) => divide(subtract(v, before[i]!), mass));
  });
  const weighed = columns.map((column) => column.map((c, i) => scale(c, root[i]!)));
  const right = before.map((v, i) => scale(v, -root[i]!));
  const inner = (a: readonly Complex[], b: readonly Complex[]): Complex =>
    a.reduce<Complex>((sum, x, i) => add(sum, multiply(conjugate(x), b[i]!)), { re: 0, im: 0 });
  const corrections =
    trials.length === 1
      ? [divide(inner(weighed[0]!, right), inner(weighed[0]!, weighed[0]!))]
      : solveTwo(weighed as [Complex[], Complex[]], right, inner);
  const left = before.map((v, i) =>
    columns.reduce((sum, column, j) => add(sum, multiply(column[i]!, corrections[j]!)), v),
  );
  return {
    corrections,
    residual: Math.sqrt(left.reduce((sum, v) => sum + amountOf(v) ** 2, 0) / left.length),
    condition: conditionOf(columns, inner),
  };
}

type Inner = (a: readonly Complex[], b: readonly Complex[]) => Complex;

function solveTwo([a, b]: [Complex[], Complex[]], right: readonly Complex[], inner: Inner): Complex[] {
  const [aa, ab, ba, bb] = [inner(a, a), inner(a, b), inner(b, a), inner(b, b)];
  const [ra, rb] = [inner(a, right), inner(b, right)];
  const determinant = subtract(multiply(aa, bb), multiply(ab, ba));
  return [
    divide(subtract(multiply(ra, bb), multiply(ab, rb)), determinant),
    divide(subtract(multiply(aa, rb), multiply(ba, ra)), determinant),
  ];
}

/** Ratio of the singular values of the influence matrix. */
function conditionOf(columns: readonly (readonly Complex[])[], inner: Inner): number {
  if (columns.length === 1) return 1;
  const aa = inner(columns[0]!, columns[0]!).re;
  const bb = inner(columns[1]!, columns[1]!).re;
  const ab = amountOf(inner(columns[0]!, columns[1]!));
  const half = (aa + bb) / 2;
  const spread = Math.hypot((aa - bb) / 2, ab);
  return Math.sqrt((half + spread) / Math.max(1e-300, half - spread));
}

/** The mean of repeated readings as a vector, and how far they spread [as a share of it]. */
export function meanReading(readings: readonly Reading[]): { mean: Reading; spreadRatio: number } {
  if (readings.length === 0) throw new NotEnoughReadingsError('readings', 0, 1);
  const mean = scale(readings.reduce(add, { re: 0, im: 0 }), 1 / readings.length);
  const spread =
    readings.length < 2
      ? 0
      : Math.sqrt(readings.reduce((sum, r) => sum + amountOf(subtract(r, mean)) ** 2, 0) / (readings.length - 1));
  return { mean, spreadRatio: amountOf(mean) > 0 ? spread / amountOf(mean) : Infinity };
}

/** A trial must change the reading by at least this many times its spread, or it tells nothing. */
export const LEAST_CHANGE = 3;

export type TrialVerdict =
  { status: 'tells'; changeRatio: number } | { status: 'inconclusive'; changeRatio: number; neededRatio: number };

/** Whether a trial changed the reading by more than three times its noise. */
export function trialVerdict(before: readonly Reading[], withTrial: readonly Reading[]): TrialVerdict {
  const [a, b] = [meanReading(before), meanReading(withTrial)];
  const noise =
    Math.max(a.spreadRatio * amountOf(a.mean), b.spreadRatio * amountOf(b.mean)) /
    Math.sqrt(Math.min(before.length, withTrial.length));
  const change = amountOf(subtract(b.mean, a.mean));
  const changeRatio = change / Math.max(1e-300, amountOf(a.mean));
  return change > 0 && change >= LEAST_CHANGE * noise
    ? { status: 'tells', changeRatio }
    : { status: 'inconclusive', changeRatio, neededRatio: (LEAST_CHANGE * noise) / Math.max(1e-300, amountOf(a.mean)) };
}

/** Largest pull that a trial mass may have, as a share of the craft's weight at that speed. */
const SAFE_PULL_RATIO = 0.15;

/** The largest trial mass that pulls at most 15 % of the craft's weight [kg]. */
export function largestTrialKg(craftWeightN: number, radiusM: number, speedRpm: number): number {
  for (const [what, value] of Object.entries({ craftWeightN, radiusM, speedRpm })) requirePositive(what, value);
  return (SAFE_PULL_RATIO * craftWeightN) / (radiusM * ((2 * Math.PI * speedRpm) / 60) ** 2);
}
