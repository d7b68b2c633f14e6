import { median } from '../statistics/describe.ts';
import type { SettledRun } from './settleRun.ts';

/** What the shape of a run's curve says beside its figures. */
export interface CurveSigns {
  /** From here on speed hardly follows the throttle while the current climbs: the motor bogs. */
  bogsFromThrottleRatio: number | null;
  /** From here on thrust grows much more slowly than speed lets expect: blades flatten or stall. */
  flattensFromThrottleRatio: number | null;
}

/** A stand or an arm that rings: one speed at which every prop shakes. */
export interface ShakePeak {
  speedRpm: number;
  /** How much more than the square of speed lets expect. */
  timesExpected: number;
  /** Of so many props. */
  propCount: number;
}

/** Speed over throttle goes about with the power 0.8; under this of it nothing follows. */
const BOG_SLOPE = 0.25;
const USUAL_CURRENT_SLOPE = 1;
/** Thrust goes with the square of speed; below this exponent blades give way. */
const FLAT_EXPONENT = 1.3;
/** Between steps nearer than this noise is all there is. */
const LEAST_STEP = 0.04;

/**
 * Reads the signs of one run off neighbouring steps above 70 % throttle. Throttles are shares; null where a sign does
 * not show, or speed and current that tell it were not read.
 */
export function curveSigns({ steps }: SettledRun): CurveSigns {
  const pairs = steps.slice(1).map((to, i) => ({ from: steps[i]!, to }));
  const wide = pairs.filter(({ from, to }) => to.throttleRatio! - from.throttleRatio! >= LEAST_STEP);
  const slope = (a: number | null, b: number | null, x0: number, x1: number): number | null =>
    a === null || b === null || !(a > 0) || !(b > 0) || !(x0 > 0) ? null : Math.log(b / a) / Math.log(x1 / x0);
  const top = wide.filter(({ to }) => to.throttleRatio! >= 0.7);
  const bogs = top.find(({ from, to }) => {
    const [u0, u1] = [from.throttleRatio!, to.throttleRatio!];
    const speed = slope(from.speedRpm, to.speedRpm, u0, u1);
    const current = slope(from.currentA, to.currentA, u0, u1);
    return speed !== null && current !== null && speed < BOG_SLOPE && current > USUAL_CURRENT_SLOPE;
  });
  const flattens = top.find(({ from, to }) => {
    const exponent = slope(from.thrustN, to.thrustN, from.speedRpm ?? 0, to.speedRpm ?? 0);
    // A speed that hardly moves says nothing of an exponent.
    const isMoving = (to.speedRpm ?? 0) > 1.015 * (from.speedRpm ?? Infinity);
    return isMoving && exponent !== null && exponent < FLAT_EXPONENT;
  });
  return {
    bogsFromThrottleRatio: bogs?.from.throttleRatio ?? null,
    flattensFromThrottleRatio: flattens?.from.throttleRatio ?? null,
  };
}

/** Bands of speed that are looked at, relative. */
const BAND_RATIO = 0.05;
const PEAK_TIMES = 1.8;
const PEAK_LEAST_PROPS = 3;

/**
 * One speed at which all props shake more than an unbalance lets expect: the arm or the mount rings there, and it is no
 * prop's fault. Each run's shake is held against its own law a·n²; the band with the largest median excess over the
 * props is told.
 *
 * @param runs - of at least three props with speed and shake; others are passed over
 * @returns null where nothing stands out for all
 */
export function shakePeak(runs: readonly SettledRun[]): ShakePeak | null {
  const byProp = new Map<string, { speedRpm: number; excess: number }[]>();
  for (const { run, steps } of runs) {
    const read = steps.filter((s) => (s.speedRpm ?? 0) > 0 && (s.vibrationMPerS2 ?? 0) > 0);
    if (read.length < 4) continue;
    // The middle of a·n² over the run: a peak does not move it.
    const scale = median(read.map((s) => s.vibrationMPerS2! / s.speedRpm! ** 2));
    const excesses = read.map((s) => ({
      speedRpm: s.speedRpm!,
      excess: s.vibrationMPerS2! / (scale * s.speedRpm! ** 2),
    }));
    byProp.set(run.propModelId, [...(byProp.get(run.propModelId) ?? []), ...excesses]);
  }
  if (byProp.size < PEAK_LEAST_PROPS) return null;
  const speeds = [...byProp.values()].flat().map((e) => e.speedRpm);
  let best: ShakePeak | null = null;
  for (const speedRpm of speeds) {
    const inBand = [...byProp.values()].flatMap((own) => {
      const near = own.filter((e) => Math.abs(e.speedRpm / speedRpm - 1) <= BAND_RATIO);
      return near.length === 0 ? [] : [median(near.map((e) => e.excess))];
    });
    if (inBand.length < PEAK_LEAST_PROPS || inBand.length < 0.6 * byProp.size) continue;
    const timesExpected = median(inBand);
    if (timesExpected >= PEAK_TIMES && timesExpected > (best?.timesExpected ?? 0))
      best = { speedRpm, timesExpected, propCount: inBand.length };
  }
  return best;
}

/** Which prop needs least power over a stretch of thrust. */
export interface ThrustRange {
  fromN: number;
  toN: number;
  propModelId: string;
  /** Others within the spread of the best one there. */
  alikeIds: string[];
}

interface RangedProp {
  propModelId: string;
  line: readonly { powerW: number; thrustN: number }[];
}

const RANGE_COUNT = 24;

/**
 * Who lifts a thrust on least power, stretch by stretch over what at least two props were measured at.
 *
 * @param halfWidthRatio - of a difference in power; closer than this cannot be told apart
 */
export function winnersByThrust(props: readonly RangedProp[], halfWidthRatio: number): ThrustRange[] {
  const measured = props.filter((p) => p.line.length >= 2);
  const ends = measured.map(({ line }) => ({ low: line[0]!.thrustN, high: line.at(-1)!.thrustN }));
  const sorted = (values: number[]): number[] => values.sort((a, b) => a - b);
  const fromN = sorted(ends.map((e) => e.low))[1];
  const toN = sorted(ends.map((e) => e.high)).at(-2);
  if (fromN === undefined || toN === undefined || !(toN > fromN)) return [];
  const ranges: ThrustRange[] = [];
  const width = (toN - fromN) / RANGE_COUNT;
  for (let i = 0; i < RANGE_COUNT; i++) {
    const [low, high] = [fromN + i * width, fromN + (i + 1) * width];
    const needed = measured.flatMap(({ propModelId, line }) => {
      const powerW = powerFor(line, (low + high) / 2);
      return powerW === null ? [] : [{ propModelId, powerW }];
    });
    if (needed.length < 2) continue;
    const best = needed.reduce((a, b) => (b.powerW < a.powerW ? b : a));
    const alikeIds = needed
      .filter((n) => n !== best && n.powerW <= best.powerW * (1 + halfWidthRatio))
      .map((n) => n.propModelId);
    const last = ranges.at(-1);
    if (last && last.propModelId === best.propModelId && last.toN === low) {
      last.toN = high;
      last.alikeIds = last.alikeIds.filter((id) => alikeIds.includes(id));
    } else ranges.push({ fromN: low, toN: high, propModelId: best.propModelId, alikeIds });
  }
  return ranges;
}

/** Power for a thrust within a measured line; null outside it. */
function powerFor(line: RangedProp['line'], thrustN: number): number | null {
  const at = line.findIndex((p) => p.thrustN >= thrustN);
  if (at <= 0) return null;
  const [from, to] = [line[at - 1]!, line[at]!];
  return from.powerW + ((to.powerW - from.powerW) * (thrustN - from.thrustN)) / (to.thrustN - from.thrustN);
}
