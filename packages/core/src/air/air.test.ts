import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OutOfRangeError } from '../errors/coreError.ts';
import { humidAir, idealAirDensity } from './humidAirDensity.ts';
import { densityAltitudeM, isaAtmosphere } from './isaAtmosphere.ts';

test('the two densities agree within 0.15 % wherever a stand works', () =>
  fc.assert(
    fc.property(
      fc.double({ min: -20, max: 40, noNaN: true }),
      fc.double({ min: 70_000, max: 105_000, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (t, p, h) => {
        expect(Math.abs(humidAir(t, p, h).densityKgPerM3 / idealAirDensity(t, p, h) - 1)).toBeLessThan(0.0015);
      },
    ),
  ));

test('moist air is lighter than dry air, cold air heavier than warm air', () => {
  expect(humidAir(25, 101_325, 1).densityKgPerM3).toBeLessThan(humidAir(25, 101_325, 0).densityKgPerM3);
  expect(humidAir(-5, 101_325, 0.5).densityKgPerM3).toBeGreaterThan(humidAir(30, 101_325, 0.5).densityKgPerM3);
});

test('density altitude undoes the standard atmosphere', () =>
  fc.assert(
    fc.property(fc.double({ min: -500, max: 10_900, noNaN: true }), (h) =>
      expect(densityAltitudeM(isaAtmosphere(h).densityKgPerM3)).toBeCloseTo(h, 3),
    ),
  ));

test('weather that is none is refused', () => {
  expect(() => humidAir(NaN, 101_325, 0.5)).toThrow(OutOfRangeError);
  expect(() => humidAir(20, 101_325, 1.2)).toThrow(OutOfRangeError);
  expect(() => isaAtmosphere(25_000)).toThrow(OutOfRangeError);
  expect(() => densityAltitudeM(0)).toThrow(OutOfRangeError);
});
