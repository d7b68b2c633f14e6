import { add, amountOf, degreesOf, type Complex } from '../numerics/complex.ts';
import type { SeededRandom } from '../numerics/seededRandom.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';

/** A prop on a shaft with friction, as a hand and an eye see it. */
export interface ShaftTruth {
  unbalance: Complex;
  inertiaKgM2: number;
  frictionKgM: number;
}

export type ShaftBehaviour = { kind: 'stays' } | { kind: 'falls'; downDegrees: number; fallS: number };

/** Standard deviations of an eye on a dial [degrees] and of a thumb on a watch [s]. */
const DIAL_DEVIATION = 5;
const WATCH_DEVIATION_S = 0.12;
const FRICTION_DEVIATION = 0.12;
const STEP_S = 0.004;
const LONGEST_S = 60;

/**
 * Lets the prop go from level and observations: it stays, or it turns until its heavy side is down or friction holds
 * it. What still swings after a minute is read in the middle of its swing.
 * The motion is integrated; nothing of the balancing methods is used.
 */
export function lookAtShaft(
  { unbalance, inertiaKgM2, frictionKgM }: ShaftTruth,
  tape: Complex,
  random: SeededRandom,
): ShaftBehaviour {
  const left = add(unbalance, tape);
  const amount = amountOf(left);
  const friction = frictionKgM * (1 + FRICTION_DEVIATION * random.normal());
  if (amount <= friction) return { kind: 'stays' };
  // Angle of the heavy side above straight down; it starts level.
  let angle = Math.PI / 2;
  let speed = 0;
  let quarterS: number | null = null;
  let isAtRest = false;
  for (let t = 0; t < LONGEST_S; t += STEP_S) {
    const pull = -amount * GRAVITY_M_PER_S2 * Math.sin(angle);
    const drag = friction * GRAVITY_M_PER_S2 * Math.sign(speed === 0 ? pull : speed);
    isAtRest = speed === 0 && Math.abs(pull) <= friction * GRAVITY_M_PER_S2;
    if (isAtRest) break;
    const before = speed;
    speed += ((pull - drag) / inertiaKgM2) * STEP_S;
    if (before !== 0 && Math.sign(before) !== Math.sign(speed)) speed = 0;
    angle += speed * STEP_S;
    if (quarterS === null && angle <= 0) quarterS = t;
  }
  const restDegrees = isAtRest ? (angle * 180) / Math.PI : 0;
  return {
    kind: 'falls',
    downDegrees:
      (degreesOf(left) + restDegrees * (random.next() < 0.5 ? 1 : -1) + DIAL_DEVIATION * random.normal() + 720) % 360,
    fallS: Math.max(0.1, (quarterS ?? LONGEST_S) + WATCH_DEVIATION_S * random.normal()),
  };
}

/** Taps at each end of a swing about rest, with the jitter of a hand [s]. */
export function tapSwings(
  { unbalance, inertiaKgM2 }: Pick<ShaftTruth, 'unbalance' | 'inertiaKgM2'>,
  tape: Complex,
  startDegrees: number,
  tapCount: number,
  jitterS: number,
  addedKgM2: number,
  random: SeededRandom,
): number[] {
  const amount = amountOf(add(unbalance, tape));
  const natural = Math.sqrt((amount * GRAVITY_M_PER_S2) / (inertiaKgM2 + addedKgM2));
  let angle = (startDegrees * Math.PI) / 180;
  let speed = 0;
  const taps: number[] = [];
  const step = 0.002 / natural;
  for (let t = 0; taps.length < tapCount && t < 4000 / natural; t += step) {
    const before = speed;
    speed += (-(natural ** 2) * Math.sin(angle) - 0.04 * natural * speed) * step;
    angle += speed * step;
    if ((before <= 0 && speed > 0) || (before >= 0 && speed < 0 && taps.length > 0))
      taps.push(t + jitterS * random.normal());
  }
  return taps;
}
