import { NotEnoughReadingsError, OutOfRangeError } from '../errors/coreError.ts';
import { requirePositive } from '../errors/guards.ts';
import { amountOf, degreesOf, type Complex } from '../numerics/complex.ts';

/** A recording of one turn after another. */
export interface ShakeRecording {
  /** Acceleration [m/s²], evenly sampled. */
  samples: ArrayLike<number>;
  rateHz: number;
  /** Moments at which the mark passed the tacho [s], rising; null without a tacho. */
  marksS: readonly number[] | null;
  /** Rough speed where there is no tacho [rev/min]. */
  speedRpm: number | null;
}

export interface OnceAround {
  /** Amplitude of the line at once a turn [m/s²]. */
  amplitudeMPerS2: number;
  /** How far the peak comes after the mark [degrees]; null without a tacho. */
  phaseDegrees: number | null;
  vector: Complex;
  speedRpm: number;
  turnCount: number;
  /** How steadily the mark came: standard deviation of the turn as a share. */
  speedSpreadRatio: number;
}

/** A line above this share of the sampling rate is aliased. */
export const MOST_LINE_RATIO = 0.4;
const LEAST_TURNS = 8;

/**
 * The part of a recording that turns with the shaft, by synchronous averaging over whole turns.
 *
 *   V = (2/N)·Σ a(t)·e^{+jθ(t)}, θ from the tacho's marks; without a tacho the amplitude alone, at the strongest line
 *   within 10 % of the rough speed
 *
 * For a = A·cos(θ − φ) that is A·e^{+jφ}: its angle is the delay φ of the peak behind the mark, the phase that a meter
 * shows and a person types, and grows the same way as the angles of masses (see vibrationRuns).
 *
 * @throws {OutOfRangeError} if the line lies above 0.4 of the sampling rate (it would be an alias)
 * @throws {NotEnoughReadingsError} with fewer than eight turns, or neither tacho nor rough speed
 */
export function onceAround({ samples, rateHz, marksS, speedRpm }: ShakeRecording): OnceAround {
  requirePositive('rateHz', rateHz);
  if (marksS !== null) return withTacho(samples, rateHz, marksS);
  if (speedRpm === null) throw new NotEnoughReadingsError('marksS', 0, LEAST_TURNS + 1);
  return withoutTacho(samples, rateHz, speedRpm);
}

function requireLine(lineHz: number, rateHz: number): void {
  if (!(lineHz <= MOST_LINE_RATIO * rateHz))
    throw new OutOfRangeError('lineHz', lineHz, `up to ${MOST_LINE_RATIO * rateHz}`);
}

function withTacho(samples: ArrayLike<number>, rateHz: number, marks: readonly number[]): OnceAround {
  const inside = marks.filter((t) => t >= 0 && t <= (samples.length - 1) / rateHz);
  if (inside.length < LEAST_TURNS + 1) throw new NotEnoughReadingsError('marksS', inside.length, LEAST_TURNS + 1);
  const turns = inside.length - 1;
  const meanTurn = (inside.at(-1)! - inside[0]!) / turns;
  requirePositive('turnS', meanTurn);
  requireLine(1 / meanTurn, rateHz);
  const from = Math.ceil(inside[0]! * rateHz);
  const to = Math.floor(inside.at(-1)! * rateHz);
  let mean = 0;
  for (let i = from; i < to; i++) mean += samples[i]!;
  mean /= Math.max(1, to - from);
  let re = 0;
  let im = 0;
  let k = 0;
  for (let i = from; i < to; i++) {
    const t = i / rateHz;
    while (k + 2 < inside.length && t >= inside[k + 1]!) k++;
    const theta = (2 * Math.PI * (t - inside[k]!)) / (inside[k + 1]! - inside[k]!);
    const value = samples[i]! - mean;
    re += value * Math.cos(theta);
    im += value * Math.sin(theta);
  }
  const vector = { re: (2 * re) / (to - from), im: (2 * im) / (to - from) };
  const spread =
    Math.sqrt(inside.slice(1).reduce((sum, t, i) => sum + (t - inside[i]! - meanTurn) ** 2, 0) / turns) / meanTurn;
  return {
    amplitudeMPerS2: amountOf(vector),
    phaseDegrees: degreesOf(vector),
    vector,
    speedRpm: 60 / meanTurn,
    turnCount: turns,
    speedSpreadRatio: spread,
  };
}

const SEARCH_RATIO = 0.1;
const SEARCH_STEPS = 200;

function withoutTacho(samples: ArrayLike<number>, rateHz: number, roughRpm: number): OnceAround {
  requirePositive('speedRpm', roughRpm);
  const rough = roughRpm / 60;
  requireLine(rough * (1 + SEARCH_RATIO), rateHz);
  const seconds = samples.length / rateHz;
  if (seconds * rough < LEAST_TURNS)
    throw new NotEnoughReadingsError('samples', samples.length, Math.ceil((LEAST_TURNS / rough) * rateHz));
  const windowed = windowedSamples(samples);
  let best = { line: rough, vector: { re: 0, im: 0 }, amount: -1 };
  const look = (line: number): void => {
    const vector = lineOf(windowed, rateHz, line);
    const amount = amountOf(vector);
    if (amount > best.amount) best = { line, vector, amount };
  };
  for (let s = -SEARCH_STEPS; s <= SEARCH_STEPS; s++) look(rough * (1 + (SEARCH_RATIO * s) / SEARCH_STEPS));
  const coarse = best.line;
  const step = (rough * SEARCH_RATIO) / SEARCH_STEPS;
  for (let s = -20; s <= 20; s++) look(coarse + (step * s) / 20);
  return {
    amplitudeMPerS2: best.amount,
    phaseDegrees: null,
    vector: best.vector,
    speedRpm: 60 * best.line,
    turnCount: Math.floor(seconds * best.line),
    speedSpreadRatio: NaN,
  };
}

/** Samples about their mean under a smooth window, scaled so that a line comes out with its amplitude. */
function windowedSamples(samples: ArrayLike<number>): Float64Array {
  const n = samples.length;
  let mean = 0;
  for (let i = 0; i < n; i++) mean += samples[i]! / n;
  const windowed = new Float64Array(n);
  let weight = 0;
  for (let i = 0; i < n; i++) {
    const w = 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / (n - 1));
    windowed[i] = w * (samples[i]! - mean);
    weight += w;
  }
  for (let i = 0; i < n; i++) windowed[i]! *= 2 / weight;
  return windowed;
}

/** One line of the spectrum; the angle is turned on from sample to sample instead of being asked for anew. */
function lineOf(windowed: Float64Array, rateHz: number, lineHz: number): Complex {
  const step = (2 * Math.PI * lineHz) / rateHz;
  const [c, s] = [Math.cos(step), Math.sin(step)];
  let [x, y] = [1, 0];
  let re = 0;
  let im = 0;
  for (let i = 0; i < windowed.length; i++) {
    re += windowed[i]! * x;
    im -= windowed[i]! * y;
    [x, y] = [x * c - y * s, x * s + y * c];
  }
  return { re, im };
}
