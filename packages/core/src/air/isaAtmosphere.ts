import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { requirePositive, requireWithin } from '../errors/guards.ts';

/** Sea-level constants of the standard atmosphere (ISO 2533). */
export const STANDARD_TEMPERATURE_K = 288.15;
export const STANDARD_PRESSURE_PA = 101325;
const LAPSE_K_PER_M = 0.0065;
const GAS_CONSTANT = 287.05287;
const HEAT_RATIO = 1.4;
const TROPOPAUSE_M = 11_000;
const EXPONENT = GRAVITY_M_PER_S2 / (GAS_CONSTANT * LAPSE_K_PER_M);

/** Density that stand results are reduced to [kg/m³]. */
export const STANDARD_DENSITY_KG_PER_M3 = 1.225;

export interface StandardAtmosphere {
  temperatureK: number;
  pressurePa: number;
  densityKgPerM3: number;
  soundSpeedMPerS: number;
}

/**
 * Standard atmosphere at a geopotential altitude.
 *
 *   h ≤ 11 km: T = T0 − L·h, p = p0·(T/T0)^(g/RL); above: T = 216.65 K, p = p11·e^(−g(h−11 km)/RT)
 *
 * @param altitudeM - geopotential altitude [m], −2,000 to 20,000
 * @throws {OutOfRangeError} outside those altitudes
 * @see ISO 2533, sections 2 and 3
 * @example isaAtmosphere(0).densityKgPerM3 // => 1.22500…
 */
export function isaAtmosphere(altitudeM: number): StandardAtmosphere {
  requireWithin('altitudeM', altitudeM, -2000, 20_000);
  const lowerM = Math.min(altitudeM, TROPOPAUSE_M);
  const temperatureK = STANDARD_TEMPERATURE_K - LAPSE_K_PER_M * lowerM;
  const troposphericPa = STANDARD_PRESSURE_PA * (temperatureK / STANDARD_TEMPERATURE_K) ** EXPONENT;
  const pressurePa =
    troposphericPa * Math.exp((-GRAVITY_M_PER_S2 * (altitudeM - lowerM)) / (GAS_CONSTANT * temperatureK));
  return {
    temperatureK,
    pressurePa,
    densityKgPerM3: pressurePa / (GAS_CONSTANT * temperatureK),
    soundSpeedMPerS: Math.sqrt(HEAT_RATIO * GAS_CONSTANT * temperatureK),
  };
}

/**
 * Altitude at which the standard atmosphere has the given density, by the closed form of the troposphere.
 *
 * @param densityKgPerM3 - air density [kg/m³], > 0
 * @returns altitude [m]; negative in air denser than at standard sea level
 * @throws {OutOfRangeError} if the density is not finite or ≤ 0
 * @see ISO 2533, hydrostatic equation solved for altitude
 * @example densityAltitudeM(1.225) // => 0.00015…
 */
export function densityAltitudeM(densityKgPerM3: number): number {
  requirePositive('densityKgPerM3', densityKgPerM3);
  const seaLevel = STANDARD_PRESSURE_PA / (GAS_CONSTANT * STANDARD_TEMPERATURE_K);
  return (STANDARD_TEMPERATURE_K / LAPSE_K_PER_M) * (1 - (densityKgPerM3 / seaLevel) ** (1 / (EXPONENT - 1)));
}
