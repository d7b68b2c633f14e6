import { requireWithin } from '../errors/guards.ts';

/** Thrust of one prop against throttle, rising, as the model gives it. */
export type ThrottleCurve = readonly { throttleRatio: number; thrustN: number }[];

export interface OverlapSteps {
  /** Throttles to read, the greatest first, in whole per cent. */
  throttles: number[];
  /** The thrusts that every prop is read at or between [N]; null where the props share none. */
  shared: { leastN: number; mostN: number } | null;
}

/** Under what the craft needs to be carried nobody flies for long. */
const LEAST_CARRY_SHARE = 0.7;
/** A step nearer to the next than this is read for nothing. */
const LEAST_STEP = 0.04;
const LEAST_THROTTLE = 0.1;

/**
 * Throttle steps of a ladder whose thrusts overlap: comparing at equal thrust needs every prop on both sides of it.
 * They run from full throttle down to where even the strongest prop gives no more than the weakest one at full
 * throttle, and no more than a little under what carries the craft; evenly in thrust, so that the useful range is read
 * most closely.
 *
 * @param curves - of the contenders; at least one, each with two points or more
 * @param carryThrustN - of one rotor that carries the craft; null where nobody knows
 * @param count - of steps, 2 to 40; fewer are given where they would lie on each other
 * @throws {OutOfRangeError} outside that range
 */
export function overlapSteps(
  curves: readonly ThrottleCurve[],
  carryThrustN: number | null,
  count: number,
): OverlapSteps {
  requireWithin('count', count, 2, 40);
  requireWithin('curves', curves.length, 1, 1000);
  const tops = curves.map((points) => points.at(-1)!.thrustN);
  const weakest = Math.min(...tops);
  const wanted = Math.min(0.9 * weakest, LEAST_CARRY_SHARE * (carryThrustN ?? 0.4 * weakest));
  const bottom = Math.max(LEAST_THROTTLE, Math.min(...curves.map((c) => throttleFor(c, wanted))));
  // Thrust goes about with the square of throttle: even in its root's square.
  const throttles: number[] = [];
  for (let i = 0; i < count; i++) {
    const share = 1 - i / (count - 1);
    const u = Math.sqrt(bottom ** 2 + share * (1 - bottom ** 2));
    const rounded = Math.round(u * 100) / 100;
    if (i === 0 || throttles.at(-1)! - rounded >= LEAST_STEP) throttles.push(rounded);
  }
  const last = throttles.at(-1)!;
  const leastN = Math.max(...curves.map((c) => thrustFor(c, last)));
  return { throttles, shared: leastN < weakest ? { leastN, mostN: weakest } : null };
}

const throttleFor = (points: ThrottleCurve, thrustN: number): number =>
  between(
    points.map((p) => ({ x: p.thrustN, y: p.throttleRatio })),
    thrustN,
  );
const thrustFor = (points: ThrottleCurve, throttleRatio: number): number =>
  between(
    points.map((p) => ({ x: p.throttleRatio, y: p.thrustN })),
    throttleRatio,
  );

/** Straight between two points, and on from the last two. */
function between(points: readonly { x: number; y: number }[], x: number): number {
  const found = points.findIndex((p) => p.x >= x);
  const at = Math.max(1, found < 0 ? points.length - 1 : found);
  const [from, to] = [points[at - 1]!, points[at]!];
  return from.y + ((to.y - from.y) * (x - from.x)) / (to.x - from.x);
}
