import { requireWithin } from '../errors/guards.ts';

const KELVIN_AT_ZERO_C = 273.15;
const GAS_CONSTANT = 8.314472;
const DRY_AIR_KG_PER_MOL = 28.96546e-3;
const WATER_KG_PER_MOL = 18.01528e-3;

export interface HumidAir {
  densityKgPerM3: number;
  /** Mole fraction of water vapour. */
  vapourRatio: number;
}

/**
 * Density of moist air by the CIPM-2007 equation, 400 ppm carbon dioxide.
 *
 *   ρ = p·Ma / (Z·R·T) · [1 − xv·(1 − Mv/Ma)]
 *
 * Meant for 15 to 27 °C and 600 to 1,100 hPa (2.2e-5 relative there); outside, it stays smooth and well within
 * what a stand needs, so it is not cut off until the weather stops being weather.
 *
 * @param temperatureC - air temperature [°C], −60 to 60
 * @param pressurePa - station pressure (not reduced to sea level) [Pa], 20,000 to 120,000
 * @param humidityRatio - relative humidity, 0 to 1
 * @throws {OutOfRangeError} outside those ranges
 * @see Picard, Davis, Gläser, Fujii: Revised formula for the density of moist air (CIPM-2007), equations 1 to 5
 * @example humidAir(20, 101325, 0.5).densityKgPerM3 // => 1.19931…
 */
export function humidAir(temperatureC: number, pressurePa: number, humidityRatio: number): HumidAir {
  requireAir(temperatureC, pressurePa, humidityRatio);
  const t = temperatureC;
  const p = pressurePa;
  const kelvin = t + KELVIN_AT_ZERO_C;
  const saturationPa = Math.exp(
    1.2378847e-5 * kelvin ** 2 - 1.9121316e-2 * kelvin + 33.93711047 - 6.3431645e3 / kelvin,
  );
  const enhancement = 1.00062 + 3.14e-8 * p + 5.6e-7 * t ** 2;
  const x = (humidityRatio * enhancement * saturationPa) / p;
  const compressibility =
    1 -
    (p / kelvin) *
      (1.58123e-6 -
        2.9331e-8 * t +
        1.1043e-10 * t ** 2 +
        (5.707e-6 - 2.051e-8 * t) * x +
        (1.9898e-4 - 2.376e-6 * t) * x ** 2) +
    (p / kelvin) ** 2 * (1.83e-11 - 0.765e-8 * x ** 2);
  const densityKgPerM3 =
    ((p * DRY_AIR_KG_PER_MOL) / (compressibility * GAS_CONSTANT * kelvin)) *
    (1 - x * (1 - WATER_KG_PER_MOL / DRY_AIR_KG_PER_MOL));
  return { densityKgPerM3, vapourRatio: x };
}

/**
 * Density of moist air as a mixture of two ideal gases: the hand check beside CIPM-2007, within 0.1 % of it.
 *
 *   ρ = (p − pv)/(287.058·T) + pv/(461.495·T), pv = h·611.2·e^(17.62 t/(243.12 + t))
 *
 * @param temperatureC - air temperature [°C], −60 to 60
 * @param pressurePa - station pressure [Pa], 20,000 to 120,000
 * @param humidityRatio - relative humidity, 0 to 1
 * @returns density [kg/m³]
 * @throws {OutOfRangeError} outside those ranges
 * @see Magnus form of the vapour pressure, WMO coefficients over water
 * @example idealAirDensity(20, 101325, 0.5) // => 1.19884…
 */
export function idealAirDensity(temperatureC: number, pressurePa: number, humidityRatio: number): number {
  requireAir(temperatureC, pressurePa, humidityRatio);
  const kelvin = temperatureC + KELVIN_AT_ZERO_C;
  const vapourPa = humidityRatio * 611.2 * Math.exp((17.62 * temperatureC) / (243.12 + temperatureC));
  return (pressurePa - vapourPa) / (287.058 * kelvin) + vapourPa / (461.495 * kelvin);
}

function requireAir(temperatureC: number, pressurePa: number, humidityRatio: number): void {
  requireWithin('temperatureC', temperatureC, -60, 60);
  requireWithin('pressurePa', pressurePa, 20_000, 120_000);
  requireWithin('humidityRatio', humidityRatio, 0, 1);
}
