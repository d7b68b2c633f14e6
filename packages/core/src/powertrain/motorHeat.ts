import { requirePositive, requireWithin } from '../errors/guards.ts';
import { windingOhm, type Motor } from './motor.ts';

/** A stretch of flying as the motor feels it. */
export interface HeatStretch {
  durationS: number;
  /** In the winding [A]. */
  currentA: number;
  speedRadPerS: number;
  /** Air that the prop draws over the motor [m/s]. */
  inducedSpeedMPerS: number;
}

export interface HeatPoint {
  timeS: number;
  temperatureC: number;
}

const HEAT_J_PER_KG_K = 450;
/** Copper's gain of resistance is taken from this temperature on. */
const BASE_C = 25;
const SERIES_MAX_COUNT = 10_000;

/**
 * Heat conductance from a motor's surface to the air that the prop draws past it.
 *
 *   G = 1.8·A·(12 + 22·√v) W/K, A = π(d + 5)(h + 11) + (π/2)(d + 5)² mm²
 */
export function motorCoolingWPerK(
  { statorDiameterM, statorHeightM }: Pick<Motor, 'statorDiameterM' | 'statorHeightM'>,
  inducedSpeedMPerS: number,
): number {
  requireWithin('inducedSpeedMPerS', inducedSpeedMPerS, 0, 200);
  const d = statorDiameterM * 1000;
  const h = statorHeightM * 1000;
  const areaM2 = (Math.PI * (d + 5) * (h + 11) + (Math.PI / 2) * (d + 5) ** 2) * 1e-6;
  return 1.8 * areaM2 * (12 + 22 * Math.sqrt(inducedSpeedMPerS));
}

/**
 * Temperature of a motor over flying, as one lump of 0.45 J/gK.
 *
 *   C·dT/dt = I²·R(T) + Qf·ω − G·(T − T_air); R grows with T, so each stretch is solved exactly as e^(−λt)
 *
 * Time constants are 16 to 75 s: full throttle is always a transient, so one asks for the temperature over a style of
 * flying. The winding runs hotter than the bell a hand can touch.
 *
 * @param stretches - flown one after another; repeat them for a style
 * @param airC - air temperature [°C]
 * @param startC - motor at the start [°C]
 * @param stepS - points at least this often [s], > 0; at most 10,000 points come back
 * @throws {OutOfRangeError} if a duration is not positive or a temperature not −60 to 400 °C
 */
export function motorTemperatures(
  motor: Motor,
  stretches: readonly HeatStretch[],
  airC: number,
  startC: number,
  stepS: number,
): HeatPoint[] {
  requirePositive('stepS', stepS);
  requireWithin('airC', airC, -60, 60);
  requireWithin('startC', startC, -60, 400);
  const points: HeatPoint[] = [{ timeS: 0, temperatureC: startC }];
  let timeS = 0;
  let fromC = startC;
  for (const stretch of stretches) {
    requirePositive('durationS', stretch.durationS);
    const law = stretchLaw(motor, stretch, airC);
    const steps = Math.max(1, Math.ceil(stretch.durationS / stepS));
    for (let k = 1; k <= steps && points.length < SERIES_MAX_COUNT; k++) {
      const elapsedS = (stretch.durationS * k) / steps;
      points.push({ timeS: timeS + elapsedS, temperatureC: law(fromC, elapsedS) });
    }
    timeS += stretch.durationS;
    fromC = law(fromC, stretch.durationS);
  }
  return points;
}

/**
 * Temperature of a motor at the end of a cycle of stretches that is flown many times over: the last point of
 * {@link motorTemperatures}, without those before it.
 *
 * @throws {OutOfRangeError} as {@link motorTemperatures}, and if the count is not 1 to 10,000
 */
export function cycledTemperatureC(
  motor: Motor,
  cycle: readonly HeatStretch[],
  count: number,
  airC: number,
  startC: number,
): number {
  requireWithin('count', count, 1, SERIES_MAX_COUNT);
  requireWithin('airC', airC, -60, 60);
  requireWithin('startC', startC, -60, 400);
  for (const { durationS } of cycle) requirePositive('durationS', durationS);
  const laws = cycle.map((stretch) => stretchLaw(motor, stretch, airC));
  let temperatureC = startC;
  for (let k = 0; k < count; k++) laws.forEach((law, i) => (temperatureC = law(temperatureC, cycle[i]!.durationS)));
  return temperatureC;
}

/** Hotter than this a motor has long let its smoke out; the linear law ends here. */
const HOTTEST_C = 400;

/** Temperature after a while of one stretch, from where it began. */
function stretchLaw(
  motor: Motor,
  { currentA, speedRadPerS, inducedSpeedMPerS }: HeatStretch,
  airC: number,
): (fromC: number, elapsedS: number) => number {
  const copperAtBase = currentA ** 2 * windingOhm(motor, BASE_C);
  const copperPerK = currentA ** 2 * (windingOhm(motor, BASE_C + 1) - windingOhm(motor, BASE_C));
  const cooling = motorCoolingWPerK(motor, inducedSpeedMPerS);
  const heat = HEAT_J_PER_KG_K * motor.massKg;
  const constant = copperAtBase - copperPerK * BASE_C + motor.friction(speedRadPerS) * speedRadPerS + cooling * airC;
  const slope = cooling - copperPerK;
  const rate = slope / heat;
  return (fromC, elapsedS) => {
    const grown =
      Math.abs(rate * elapsedS) < 1e-9
        ? (elapsedS * (constant - slope * fromC)) / heat
        : (constant / slope - fromC) * -Math.expm1(-rate * elapsedS);
    return Math.min(HOTTEST_C, fromC + grown);
  };
}
