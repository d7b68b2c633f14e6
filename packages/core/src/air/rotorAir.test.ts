import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OutOfRangeError } from '../errors/coreError.ts';
import { requireRotorAir, rotorAir, rotorAirAtAltitude, STANDARD_ROTOR_AIR } from './rotorAir.ts';

test('at 15 °C and sea level it is the standard air', () => {
  const air = rotorAir(15, 101_325, 0);
  expect(air.densityKgPerM3).toBeCloseTo(STANDARD_ROTOR_AIR.densityKgPerM3, 2);
  expect(air.soundSpeedMPerS).toBeCloseTo(STANDARD_ROTOR_AIR.soundSpeedMPerS, 0);
  expect(air.kinematicViscosityM2PerS).toBeCloseTo(STANDARD_ROTOR_AIR.kinematicViscosityM2PerS, 6);
});

test.each([
  [0, 1.225, 340.3],
  [1500, 1.058, 334.5],
  [4000, 0.819, 324.6],
])('the standard atmosphere at %i m', (altitude, density, sound) => {
  const air = rotorAirAtAltitude(altitude, null);
  expect(air.densityKgPerM3).toBeCloseTo(density, 2);
  expect(air.soundSpeedMPerS).toBeCloseTo(sound, 0);
});

describe('trends', () => {
  const temperature = fc.double({ min: -30, max: 45, noNaN: true });

  test('warm air is thinner, and sound is faster in it', () => {
    fc.assert(
      fc.property(temperature, (celsius) => {
        const cold = rotorAir(celsius, 100_000, 0.3);
        const warm = rotorAir(celsius + 5, 100_000, 0.3);
        expect(warm.densityKgPerM3).toBeLessThan(cold.densityKgPerM3);
        expect(warm.soundSpeedMPerS).toBeGreaterThan(cold.soundSpeedMPerS);
      }),
      { numRuns: 100, seed: 1 },
    );
  });

  test('damp air is thinner than dry air', () => {
    expect(rotorAir(30, 100_000, 1).densityKgPerM3).toBeLessThan(rotorAir(30, 100_000, 0).densityKgPerM3);
  });

  test('a hot day on a hill is thinner than the standard says', () => {
    expect(rotorAirAtAltitude(1500, 35).densityKgPerM3).toBeLessThan(rotorAirAtAltitude(1500, null).densityKgPerM3);
  });
});

test.each([
  ['too cold', () => rotorAir(-80, 100_000, 0.5)],
  ['humidity in percent', () => rotorAir(15, 100_000, 50)],
  ['no pressure', () => rotorAir(15, 0, 0.5)],
  ['above the troposphere', () => rotorAirAtAltitude(20_000, null)],
  ['an altitude that is no number', () => rotorAirAtAltitude(NaN, null)],
  ['a temperature of fire', () => rotorAirAtAltitude(0, 400)],
  ['no density', () => requireRotorAir({ ...STANDARD_ROTOR_AIR, densityKgPerM3: 0 })],
  ['no sound', () => requireRotorAir({ ...STANDARD_ROTOR_AIR, soundSpeedMPerS: NaN })],
])('%s is refused', (_what, call) => expect(call).toThrow(OutOfRangeError));
