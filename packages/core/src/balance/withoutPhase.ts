import { NotEnoughReadingsError } from '../errors/coreError.ts';
import { requirePositive, requireReadings } from '../errors/guards.ts';
import { solveLinear } from '../numerics/solveLinear.ts';
import { wrapDegrees } from '../numerics/complex.ts';
import { Z_95 } from '../statistics/normal.ts';

/** Amplitudes with one and the same trial mass at three places or more, and without it. */
export interface TrialRuns {
  originalAmplitude: number;
  trialKg: number;
  trialDegrees: readonly number[];
  trialAmplitudes: readonly number[];
}

export interface TrialResult {
  imbalanceDegrees: number;
  correctionDegrees: number;
  correctionKg: number;
  /** 1 for perfect data; outside about 0.5 to 1.5: run again, or take a larger trial mass. */
  consistency: number;
  /** Amplitude per kilogram at that radius. */
  influencePerKg: number;
}

export interface RefinedTrialResult {
  correctionKg: number;
  correctionDegrees: number;
  residual: number;
  /**
   * Half widths of about 95 %, from the residuals and a floor of 2 % of the readings; as share of the mass and in
   * degrees.
   */
  massRatio: number;
  degreesHalfWidth: number;
}

/**
 * Where the imbalance lies, from amplitudes alone.
 *
 *   T_i² = x₀ + x_c·cos θ_i + x_s·sin θ_i by least squares; φ = atan2(x_s, x_c); B = √(x_c² + x_s²)/(2·O)
 *
 * The form over O holds for small trials too, where the one with √(x₀ − O²) takes the root of a negative number.
 *
 * @throws {NotEnoughReadingsError} with fewer than three trials
 * @throws {OutOfRangeError} if the original amplitude or the trial mass is not positive
 */
export function balanceWithoutPhase({
  originalAmplitude,
  trialKg,
  trialDegrees,
  trialAmplitudes,
}: TrialRuns): TrialResult {
  requirePositive('originalAmplitude', originalAmplitude);
  requirePositive('trialKg', trialKg);
  requireReadings('trialAmplitudes', trialAmplitudes, 3);
  requireReadings('trialDegrees', trialDegrees, 3);
  if (trialDegrees.length !== trialAmplitudes.length)
    throw new NotEnoughReadingsError('trialDegrees', trialDegrees.length, trialAmplitudes.length);
  const rows = trialDegrees.map((degrees) => [
    1,
    Math.cos((degrees * Math.PI) / 180),
    Math.sin((degrees * Math.PI) / 180),
  ]);
  const [x0, xc, xs] = leastSquares(
    rows,
    trialAmplitudes.map((a) => a * a),
  ) as [number, number, number];
  const imbalanceDegrees = wrapDegrees((Math.atan2(xs, xc) * 180) / Math.PI);
  const effect = Math.hypot(xc, xs) / (2 * originalAmplitude);
  return {
    imbalanceDegrees,
    correctionDegrees: wrapDegrees(imbalanceDegrees + 180),
    correctionKg: (trialKg * originalAmplitude) / effect,
    consistency: (x0 - originalAmplitude ** 2) / effect ** 2,
    influencePerKg: effect / trialKg,
  };
}

const ROUNDS = 60;
const SETTLED = 1e-13;
const READING_RATIO = 0.02;

/**
 * The same by least squares on the amplitudes themselves, from the closed form on: better with noise, and with more
 * than three trials.
 *
 *   min (A − O)² + Σ(T_i − √(A² + B² + 2AB·cos(θ_i − φ)))² over A, B, φ (Levenberg and Marquardt)
 */
export function refineWithoutPhase(runs: TrialRuns): RefinedTrialResult {
  const start = balanceWithoutPhase(runs);
  const { originalAmplitude, trialKg, trialDegrees, trialAmplitudes } = runs;
  let at = [originalAmplitude, start.influencePerKg * trialKg, (start.imbalanceDegrees * Math.PI) / 180];
  const residuals = ([a, b, phi]: number[]): number[] => [
    a! - originalAmplitude,
    ...trialDegrees.map((degrees, i) => resultant(a!, b!, (degrees * Math.PI) / 180 - phi!) - trialAmplitudes[i]!),
  ];
  const cost = (p: number[]): number => residuals(p).reduce((sum, r) => sum + r * r, 0);
  let damping = 1e-4;
  let best = cost(at);
  for (let round = 0; round < ROUNDS; round++) {
    const jacobian = jacobianAt(at, trialDegrees);
    const step = dampedStep(jacobian, residuals(at), damping);
    const next = at.map((value, k) => value + step[k]!);
    const found = cost(next);
    if (found <= best) {
      const gain = best - found;
      [at, best, damping] = [next, found, damping / 5];
      if (gain <= SETTLED * (best + SETTLED)) break;
    } else damping *= 8;
    if (damping > 1e12) break;
  }
  const [a, b, phi] = at as [number, number, number];
  const isTurned = b < 0 !== a < 0;
  const correctionDegrees = wrapDegrees((phi * 180) / Math.PI + (isTurned ? 0 : 180));
  const count = trialDegrees.length + 1;
  const noise = Math.max(Math.sqrt(best / Math.max(1, count - 3)), READING_RATIO * originalAmplitude);
  const spread = covarianceOf(jacobianAt(at, trialDegrees), noise);
  return {
    correctionKg: trialKg * Math.abs(a / b),
    correctionDegrees,
    residual: Math.sqrt(best / count),
    massRatio: Z_95 * Math.hypot(spread[0]! / a, spread[1]! / b),
    degreesHalfWidth: Math.min(180, (Z_95 * spread[2]! * 180) / Math.PI),
  };
}

function resultant(a: number, b: number, angle: number): number {
  return Math.sqrt(Math.max(0, a * a + b * b + 2 * a * b * Math.cos(angle)));
}

function jacobianAt([a, b, phi]: number[], trialDegrees: readonly number[]): number[][] {
  const rows = trialDegrees.map((degrees) => {
    const angle = (degrees * Math.PI) / 180 - phi!;
    const t = Math.max(1e-12, resultant(a!, b!, angle));
    return [(a! + b! * Math.cos(angle)) / t, (b! + a! * Math.cos(angle)) / t, (a! * b! * Math.sin(angle)) / t];
  });
  return [[1, 0, 0], ...rows];
}

function dampedStep(jacobian: readonly number[][], residual: readonly number[], damping: number): number[] {
  const normal = normalMatrix(jacobian);
  for (let k = 0; k < 3; k++) normal[k]![k]! *= 1 + damping;
  const right = [0, 1, 2].map((k) => -jacobian.reduce((sum, row, i) => sum + row[k]! * residual[i]!, 0));
  return solveLinear(normal, right) ?? [0, 0, 0];
}

/** Standard deviations of the three unknowns. */
function covarianceOf(jacobian: readonly number[][], noise: number): number[] {
  const normal = normalMatrix(jacobian);
  return [0, 1, 2].map((k) => {
    const unit = [0, 0, 0];
    unit[k] = 1;
    const column = solveLinear(normal, unit);
    return column ? noise * Math.sqrt(Math.max(0, column[k]!)) : Infinity;
  });
}

function normalMatrix(rows: readonly number[][]): number[][] {
  return [0, 1, 2].map((i) => [0, 1, 2].map((j) => rows.reduce((sum, row) => sum + row[i]! * row[j]!, 0)));
}

function leastSquares(rows: readonly number[][], values: readonly number[]): number[] {
  const right = [0, 1, 2].map((k) => rows.reduce((sum, row, i) => sum + row[k]! * values[i]!, 0));
  const solved = solveLinear(normalMatrix(rows), right);
  if (!solved) throw new NotEnoughReadingsError('trialDegrees', new Set(rows.map((r) => r.join())).size, 3);
  return solved;
}
