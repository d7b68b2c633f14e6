import { firstAt } from '../numerics/firstAt.ts';
import { solveLinear } from '../numerics/solveLinear.ts';
import { mean, median, standardDeviation } from '../statistics/describe.ts';

/** What a stand read over time, one element a reading, rising times; NaN where a channel was not read. */
export interface StandSamples {
  timeS: ArrayLike<number>;
  throttleRatio: ArrayLike<number>;
  thrustN: ArrayLike<number>;
  speedRpm: ArrayLike<number>;
}

/** From a step of the throttle to most of the thrust that it brings. */
export interface ThrustRise {
  /** Steps that were read. */
  count: number;
  fromThrottleRatio: number;
  toThrottleRatio: number;
  /** Until nine tenths of the gain are there, mean over the steps [s]. */
  riseS: number;
  /** Between the steps [s]; null with one. */
  spreadS: number | null;
}

/** How a rotor runs down without throttle. */
export interface CoastDown {
  count: number;
  /** When the throttle went [rpm]. */
  speedRpm: number;
  /** At that speed [rad/s²]. */
  decelerationRadPerS2: number;
  /** Until half the speed is left [s]. */
  halfS: number;
  /** Of that deceleration what does not fall with speed: bearings, brushes, magnets pulling at the teeth. */
  dryShare: number;
}

export interface RunFindings {
  rise: ThrustRise | null;
  coast: CoastDown | null;
}

/** A step at least this high within this time is a burst. */
const STEP_RATIO = 0.25;
const STEP_S = 0.06;
/** Thrust before a step, and settled after it, are means over so long [s]. */
const BASE_S = 0.4;
/** Shorter steps settle nothing [s]. */
const LEAST_HOLD_S = 0.8;
const RISE_SHARE = 0.9;
/** Thrust is smoothed over so many readings, so that noise does not cross the mark early. */
const SMOOTH_COUNT = 5;
/** From less throttle than this a rotor is slow, and bearings take much of what slows it on any motor. */
const COAST_FROM_LEAST = 0.5;
/** A run-down is followed down to this share of its speed. */
const COAST_LEAST = 0.15;
/** Fewer different speeds than this make no curve. */
const COAST_LEAST_COUNT = 5;
/** Beyond this many readings a run is no run any more. */
export const FINDINGS_MAX_COUNT = 600_000;

/** What the readings of a run tell beside its points; both null where nothing stepped. */
export function runFindings(samples: StandSamples): RunFindings {
  const steps = throttleEdges(samples);
  return {
    rise: riseOf(steps.flatMap((step) => riseAfter(samples, step) ?? [])),
    coast: coastOf(steps.flatMap((step) => coastAfter(samples, step) ?? [])),
  };
}

/** A step of the throttle: places of the last reading before it, the first after it, and the next step's first. */
interface Edge {
  before: number;
  after: number;
  end: number;
  from: number;
  to: number;
}

function throttleEdges({ timeS, throttleRatio }: StandSamples): Edge[] {
  const edges: Edge[] = [];
  const count = Math.min(timeS.length, FINDINGS_MAX_COUNT);
  for (let i = 1; i < count; i++) {
    const from = throttleRatio[i - 1]!;
    if (throttleRatio[i] === from) continue;
    // A device that climbs to a step over a few readings steps once.
    let after = i;
    while (
      after + 1 < count &&
      throttleRatio[after + 1] !== throttleRatio[after] &&
      timeS[after + 1]! - timeS[i - 1]! <= STEP_S
    )
      after++;
    if (edges.length > 0) edges.at(-1)!.end = i;
    edges.push({ before: i - 1, after, end: count, from, to: throttleRatio[after]! });
    i = after;
  }
  return edges;
}

interface Rise {
  from: number;
  to: number;
  riseS: number;
}

/** The time from one step up to nine tenths of what it brings; null where it is no burst or does not settle. */
function riseAfter({ timeS, thrustN }: StandSamples, { before, after, end, from, to }: Edge): Rise | null {
  if (to - from < STEP_RATIO) return null;
  const startS = timeS[before]!;
  if (timeS[end - 1]! - timeS[after]! < LEAST_HOLD_S) return null;
  const within = (fromS: number, toS: number): number[] => {
    const found: number[] = [];
    for (let i = firstAt(timeS, fromS); i < timeS.length && timeS[i]! <= toS; i++) found.push(thrustN[i]!);
    return found.filter(Number.isFinite);
  };
  const [base, top] = [within(startS - BASE_S, startS), within(timeS[end - 1]! - BASE_S, timeS[end - 1]!)];
  if (base.length === 0 || top.length === 0) return null;
  const gain = mean(top) - mean(base);
  // A gain that noise could make is no rise.
  if (!(gain > 6 * Math.max(1e-6, top.length > 1 ? standardDeviation(top) : 0))) return null;
  const mark = mean(base) + RISE_SHARE * gain;
  let last = { atS: startS, thrustN: mean(base) };
  for (let i = after; i < end; i++) {
    const now = { atS: timeS[i]!, thrustN: smoothed(thrustN, i, end) };
    if (now.thrustN >= mark) {
      const share = (mark - last.thrustN) / Math.max(1e-9, now.thrustN - last.thrustN);
      return { from, to, riseS: last.atS + share * (now.atS - last.atS) - startS };
    }
    last = now;
  }
  return null;
}

function smoothed(values: ArrayLike<number>, at: number, end: number): number {
  const half = (SMOOTH_COUNT - 1) / 2;
  let sum = 0;
  let count = 0;
  for (let i = Math.max(0, at - half); i <= Math.min(end - 1, at + half); i++)
    if (Number.isFinite(values[i]!)) {
      sum += values[i]!;
      count++;
    }
  return count === 0 ? NaN : sum / count;
}

function riseOf(rises: Rise[]): ThrustRise | null {
  if (rises.length === 0) return null;
  const times = rises.map((r) => r.riseS);
  return {
    count: rises.length,
    fromThrottleRatio: median(rises.map((r) => r.from)),
    toThrottleRatio: median(rises.map((r) => r.to)),
    riseS: mean(times),
    spreadS: times.length < 2 ? null : standardDeviation(times),
  };
}

interface Coast {
  speedRadPerS: number;
  deceleration: number;
  dry: number;
  halfS: number;
}

const RAD = (2 * Math.PI) / 60;

/**
 * One run-down: dω/dt = −(a + c·ω²), with a what does not fall with speed and c what the air takes. Its solution is ω =
 * √(a/c)·tan(θ − √(a·c)·t); it is fitted by least squares in ω₀, a and c (Gauss and Newton), from the air alone.
 */
function coastAfter({ timeS, speedRpm }: StandSamples, { before, after, end, from, to }: Edge): Coast | null {
  if (to > 0 || from < COAST_FROM_LEAST) return null;
  const startRpm = speedRpm[before]!;
  if (!(startRpm > 0)) return null;
  // Telemetry repeats itself between two words: only what is new is a reading.
  const points: { t: number; w: number }[] = [];
  for (let i = after; i < end && speedRpm[i]! > COAST_LEAST * startRpm; i++)
    if (speedRpm[i] !== speedRpm[i - 1]) points.push({ t: timeS[i]! - timeS[before]!, w: speedRpm[i]! * RAD });
  if (points.length < COAST_LEAST_COUNT) return null;
  const [first, last] = [points[0]!, points.at(-1)!];
  if (!(last.w < 0.6 * first.w)) return null;
  let fit = { w0: first.w, a: 0, c: (1 / last.w - 1 / first.w) / (last.t - first.t) };
  for (let round = 0; round < 30; round++) {
    const next = improved(points, fit);
    if (next === null) break;
    const change = Math.abs(next.w0 / fit.w0 - 1) + Math.abs(next.c / fit.c - 1);
    fit = next;
    if (change < 1e-9) break;
  }
  const speed = speedRpm[before]! * RAD;
  const decelerationAt = (w: number): number => fit.a + fit.c * w * w;
  return {
    speedRadPerS: speed,
    deceleration: decelerationAt(speed),
    dry: fit.a / decelerationAt(speed),
    halfS: timeBetween(fit, speed, speed / 2),
  };
}

type CoastFit = { w0: number; a: number; c: number };

/** Speed at a time after the first reading's zero, by the law of {@link coastAfter}. */
function coastSpeed({ w0, a, c }: CoastFit, t: number): number {
  if (a <= 0) return w0 / (1 + c * w0 * t);
  const root = Math.sqrt(a * c);
  return Math.sqrt(a / c) * Math.tan(Math.max(0, Math.atan(w0 * Math.sqrt(c / a)) - root * t));
}

/** How long it takes from one speed to a lower one [s]. */
function timeBetween({ a, c }: CoastFit, from: number, to: number): number {
  if (a <= 0) return (1 / to - 1 / from) / c;
  const slow = Math.sqrt(c / a);
  return (Math.atan(from * slow) - Math.atan(to * slow)) / Math.sqrt(a * c);
}

/** One step of Gauss and Newton, halved until it fits better; null where none does. */
function improved(points: readonly { t: number; w: number }[], fit: CoastFit): CoastFit | null {
  const names = ['w0', 'a', 'c'] as const;
  const scale = { w0: fit.w0, a: Math.max(fit.a, 0.02 * fit.c * fit.w0 ** 2), c: fit.c };
  const start = { ...fit, a: Math.max(fit.a, 1e-4 * fit.c * fit.w0 ** 2) };
  const slopes = points.map(({ t }) =>
    names.map((name) => {
      const small = 1e-5 * scale[name];
      return (coastSpeed({ ...start, [name]: start[name] + small }, t) - coastSpeed(start, t)) / small;
    }),
  );
  const errors = points.map(({ t, w }) => w - coastSpeed(start, t));
  const matrix = names.map((_, i) => names.map((_n, j) => slopes.reduce((sum, s) => sum + s[i]! * s[j]!, 0)));
  const right = names.map((_, i) => slopes.reduce((sum, s, k) => sum + s[i]! * errors[k]!, 0));
  const step = solveLinear(matrix, right);
  if (step === null || !step.every(Number.isFinite)) return null;
  const misfit = (f: CoastFit): number => points.reduce((sum, { t, w }) => sum + (w - coastSpeed(f, t)) ** 2, 0);
  for (let share = 1; share > 0.005; share /= 2) {
    const next = {
      w0: start.w0 + share * step[0]!,
      a: Math.max(0, start.a + share * step[1]!),
      c: start.c + share * step[2]!,
    };
    if (next.w0 > 0 && next.c > 0 && misfit(next) < misfit(start)) return next;
  }
  return null;
}

function coastOf(coasts: Coast[]): CoastDown | null {
  if (coasts.length === 0) return null;
  return {
    count: coasts.length,
    speedRpm: mean(coasts.map((c) => c.speedRadPerS)) / RAD,
    decelerationRadPerS2: mean(coasts.map((c) => c.deceleration)),
    halfS: mean(coasts.map((c) => c.halfS)),
    dryShare: mean(coasts.map((c) => c.dry)),
  };
}

/**
 * Moment of inertia of what ran down: the torque that held its speed, over how it slowed without it.
 *
 *   J = Q/|dω/dt|
 *
 * @param torqueNm - of the motor's magnets at that speed: the propeller's and the friction's together [N·m]
 * @returns [kg·m²]
 */
export function inertiaFromCoast({ decelerationRadPerS2 }: CoastDown, torqueNm: number): number {
  return torqueNm / decelerationRadPerS2;
}
