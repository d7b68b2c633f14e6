import { requirePositive, requireWithin } from '../errors/guards.ts';
import { isaAtmosphere } from './isaAtmosphere.ts';
import { humidAir } from './humidAirDensity.ts';

/** The three properties of air that a rotor feels. */
export interface RotorAir {
  densityKgPerM3: number;
  soundSpeedMPerS: number;
  kinematicViscosityM2PerS: number;
}

/** Air that coefficients are tabulated and compared in: standard sea level, rounded as the reference cases are. */
export const STANDARD_ROTOR_AIR: RotorAir = {
  densityKgPerM3: 1.225,
  soundSpeedMPerS: 340.3,
  kinematicViscosityM2PerS: 1.48e-5,
};

const GAS_CONSTANT = 287.05287;
const HEAT_RATIO = 1.4;
const KELVIN_AT_ZERO_C = 273.15;

/**
 * Air as a rotor feels it, from a thermometer, a barometer and a hygrometer.
 *
 *   density by CIPM-2007; c = √(γ·p/ρ); ν = μ/ρ with Sutherland's μ = 1.458e-6·T^1.5/(T + 110.4)
 *
 * @param temperatureC - air temperature [°C], −40 to 60
 * @param pressurePa - station pressure [Pa], not reduced to sea level
 * @param humidityRatio - relative humidity, 0 to 1
 * @throws {OutOfRangeError} outside those ranges
 * @see CIPM-2007; W. Sutherland, The viscosity of gases and molecular force (constants of the US Standard Atmosphere
 *   1976)
 * @example rotorAir(15, 101325, 0).kinematicViscosityM2PerS // => 1.46…e-5
 */
export function rotorAir(temperatureC: number, pressurePa: number, humidityRatio: number): RotorAir {
  const { densityKgPerM3 } = humidAir(temperatureC, pressurePa, humidityRatio);
  return fromDensity(densityKgPerM3, pressurePa, temperatureC);
}

/**
 * Air as a rotor feels it at a height in the standard atmosphere, warmer or colder than standard if one says so.
 *
 * @param altitudeM - geopotential altitude [m], −2,000 to 11,000
 * @param temperatureC - temperature there [°C]; null for the standard one
 * @throws {OutOfRangeError} outside those altitudes, or if the temperature is not −60 to 60 °C
 * @example rotorAirAtAltitude(1500, null).densityKgPerM3 // => 1.058…
 */
export function rotorAirAtAltitude(altitudeM: number, temperatureC: number | null): RotorAir {
  requireWithin('altitudeM', altitudeM, -2000, 11_000);
  const standard = isaAtmosphere(altitudeM);
  const kelvin = temperatureC === null ? standard.temperatureK : temperatureC + KELVIN_AT_ZERO_C;
  requireWithin('temperatureC', kelvin - KELVIN_AT_ZERO_C, -60, 60);
  return fromDensity(standard.pressurePa / (GAS_CONSTANT * kelvin), standard.pressurePa, kelvin - KELVIN_AT_ZERO_C);
}

/** Refuses air that no rotor turns in. */
export function requireRotorAir(air: RotorAir): void {
  requireWithin('densityKgPerM3', air.densityKgPerM3, 0.2, 2);
  requirePositive('soundSpeedMPerS', air.soundSpeedMPerS);
  requirePositive('kinematicViscosityM2PerS', air.kinematicViscosityM2PerS);
}

function fromDensity(densityKgPerM3: number, pressurePa: number, temperatureC: number): RotorAir {
  const kelvin = temperatureC + KELVIN_AT_ZERO_C;
  const viscosityPaS = (1.458e-6 * kelvin ** 1.5) / (kelvin + 110.4);
  return {
    densityKgPerM3,
    soundSpeedMPerS: Math.sqrt((HEAT_RATIO * pressurePa) / densityKgPerM3),
    kinematicViscosityM2PerS: viscosityPaS / densityKgPerM3,
  };
}
