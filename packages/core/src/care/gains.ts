import { requirePositive } from '../errors/guards.ts';

/** How the plant changed when the props did. */
export interface PlantChange {
  /** Thrust per unit of command at hover, one motor [N], before and now. */
  oldSlopeN: number;
  newSlopeN: number;
  /** Time in which a rotor follows [s], before and now. */
  oldRiseS: number;
  newRiseS: number;
  /** Inertia of the airframe now over before; 1 where only props changed. */
  inertiaRatio: number;
}

export interface GainScale {
  proportionalRatio: number;
  derivativeRatio: number;
  integralRatio: number;
  /** To whole percents. */
  roundedRatio: number;
  /** True where a bound held the result. */
  isBounded: boolean;
  /** Under this nobody should go. */
  floorRatio: number;
  /** Single steps of one percent from 1 to the result. */
  stepCount: number;
}

const LOW = 0.4;
const HIGH = 1.8;
const FLOOR_SHARE = 0.6;

/**
 * How gains scale with a new plant.
 *
 *   P = k₀/k·J·min(1, √(τ₀/τ)); D = k₀/k·J·min(1, τ₀/τ); I = P·min(1, τ₀/τ), each within 0.4 to 1.8
 *
 * A stronger prop answers the same command with more thrust, so the loop is that much stiffer; a slower one adds lag.
 * An estimate to start from, never a setting.
 *
 * @throws {OutOfRangeError} if a value is not above zero
 */
export function gainScale({ oldSlopeN, newSlopeN, oldRiseS, newRiseS, inertiaRatio }: PlantChange): GainScale {
  for (const [what, value] of Object.entries({ oldSlopeN, newSlopeN, oldRiseS, newRiseS, inertiaRatio }))
    requirePositive(what, value);
  const base = (oldSlopeN / newSlopeN) * inertiaRatio;
  const lag = Math.min(1, oldRiseS / newRiseS);
  const proportional = base * Math.sqrt(lag);
  const bound = (x: number): number => Math.min(HIGH, Math.max(LOW, x));
  const proportionalRatio = bound(proportional);
  const derivativeRatio = bound(base * lag);
  const integralRatio = bound(proportional * lag);
  return {
    proportionalRatio,
    derivativeRatio,
    integralRatio,
    roundedRatio: Math.floor(proportionalRatio * 100 + 0.5) / 100,
    isBounded: proportionalRatio !== proportional,
    floorRatio: FLOOR_SHARE * proportional,
    stepCount: Math.ceil(Math.abs(Math.log(proportionalRatio)) / Math.log(1.01) - 1e-12),
  };
}

export const gainAxes = ['pitch', 'roll', 'yaw', 'vertical'] as const;
export type GainAxis = (typeof gainAxes)[number];

/** What was seen in the air at one value of one axis. */
export interface TestFlight {
  axis: GainAxis;
  /** Percent of the sheet's 100. */
  percent: number;
  /** It flutters; on the vertical axis: it pumps. */
  doesFlutter: boolean;
  /** After a push it comes back to where it was and rests there; null where it was not pushed. */
  doesReturn: boolean | null;
}

export type GainAdvice =
  /** Nothing to do on this axis: it stays where it is. */
  | { status: 'stays'; percent: number }
  /** Fly at this value and look. */
  | { status: 'try'; percent: number; floorPercent: number }
  /** Found: it rests, and returns. */
  | { status: 'found'; percent: number }
  /** One step too far down: back up to this, and done. */
  | { status: 'backUp'; percent: number }
  /** The floor is reached and it still flutters: it is not the gain. */
  | { status: 'notTheGain'; percent: number };

/**
 * What to do next on one axis: only ever down, a single percent at a time, and never under the floor.
 *
 * The estimate is where to *expect* the end, not where to jump to: from the present value each step is flown. It ends
 * where it no longer flutters and still comes back after a push; sluggish means one step too far. The vertical axis
 * stays unless it pumps. A weaker prop proposes nothing: gains are raised by hand or not at all.
 *
 * @param testFlights - of this axis, in the order they were flown
 * @param startPercent - value of the sheet before, in percent of stock
 */
export function gainAdvice(
  axis: GainAxis,
  testFlights: readonly TestFlight[],
  startPercent: number,
  scale: Pick<GainScale, 'floorRatio' | 'proportionalRatio'>,
): GainAdvice {
  requirePositive('startPercent', startPercent);
  const floorPercent = Math.max(1, Math.ceil(startPercent * Math.min(1, scale.floorRatio)));
  const own = testFlights.filter((l) => l.axis === axis);
  const last = own.at(-1);
  if (!last) {
    const isExpected = axis !== 'vertical' && scale.proportionalRatio < 1;
    return isExpected
      ? { status: 'try', percent: startPercent, floorPercent }
      : { status: 'stays', percent: startPercent };
  }
  if (last.doesFlutter)
    return last.percent - 1 < floorPercent
      ? { status: 'notTheGain', percent: last.percent }
      : { status: 'try', percent: last.percent - 1, floorPercent };
  if (last.doesReturn === false && last.percent < startPercent) return { status: 'backUp', percent: last.percent + 1 };
  if (last.doesReturn === false) return { status: 'stays', percent: startPercent };
  return { status: 'found', percent: last.percent };
}

/** What must be looked at before a gain is touched. */
export const gainPreconditions = ['balance', 'tightness', 'shaft'] as const;
export type GainPrecondition = (typeof gainPreconditions)[number];
