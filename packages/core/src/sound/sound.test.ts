import { expect, test } from '@jest/globals';
import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { OutOfRangeError } from '../errors/coreError.ts';
import { aWeightingDb, levelOfMeanSquare, meanSquareOfLevel } from './levels.ts';
import { bladePassingHz, predictSound, toneMeanSquaresPa2, type RotorSource } from './rotorSound.ts';

const source: RotorSource = { bladeCount: 2, diameterM: 0.254, speedRpm: 6000, thrustN: 5.6, torqueNm: 0.096, bladeVolumeM3: 4e-6, bladeAreaM2: 0.0047 };

test.each([[31.6228, -39.4], [100, -19.1], [1000, 0], [4000, 1], [10_000, -2.5]])('the A curve at %d Hz', (frequency, expected) => expect(aWeightingDb(frequency)).toBeCloseTo(expected, 1));

test('a level and its pressure are each other’s inverse; silence has no level', () => {
  expect(levelOfMeanSquare(meanSquareOfLevel(73.2))).toBeCloseTo(73.2, 9);
  expect(levelOfMeanSquare(0)).toBeNull();
});

test('twice as far is 6 dB less, twice the rotors 3 dB more', () => {
  const near = predictSound(source, { distanceM: 5, angleDegrees: 120 }, STANDARD_ROTOR_AIR, 4).levelDb;
  expect(near - predictSound(source, { distanceM: 10, angleDegrees: 120 }, STANDARD_ROTOR_AIR, 4).levelDb).toBeCloseTo(6.02, 2);
  expect(near - predictSound(source, { distanceM: 5, angleDegrees: 120 }, STANDARD_ROTOR_AIR, 2).levelDb).toBeCloseTo(3.01, 2);
});

test('on the axis the steady tones vanish', () => {
  expect(bladePassingHz(source)).toBe(200);
  expect(toneMeanSquaresPa2(source, { distanceM: 1, angleDegrees: 0 }, STANDARD_ROTOR_AIR, 3)).toEqual([0, 0, 0]);
});

test.each([{ distanceM: 0, angleDegrees: 90 }, { distanceM: 1, angleDegrees: 181 }, { distanceM: NaN, angleDegrees: 90 }])('no listener at %o', (listener) =>
  expect(() => predictSound(source, listener, STANDARD_ROTOR_AIR, 4)).toThrow(OutOfRangeError),
);
