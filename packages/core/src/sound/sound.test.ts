import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { OutOfRangeError } from '../errors/coreError.ts';
import { aWeightingDb, levelOfMeanSquare, meanSquareOfLevel } from './levels.ts';
import {
  bladePassingHz,
  broadbandDb,
  levelUncertaintyDb,
  predictSound,
  smallBladeDb,
  toneMeanSquaresPa2,
  type RotorSource,
} from './rotorSound.ts';

const source: RotorSource = {
  bladeCount: 2,
  diameterM: 0.254,
  speedRpm: 6000,
  thrustN: 5.6,
  torqueNm: 0.096,
  bladeVolumeM3: 4e-6,
  bladeAreaM2: 0.0047,
};

test.each([
  [31.6228, -39.4],
  [100, -19.1],
  [1000, 0],
  [4000, 1],
  [10_000, -2.5],
])('the A curve at %d Hz', (frequency, expected) => expect(aWeightingDb(frequency)).toBeCloseTo(expected, 1));

test('a level and its pressure are each other’s inverse; silence has no level', () => {
  expect(levelOfMeanSquare(meanSquareOfLevel(73.2))).toBeCloseTo(73.2, 9);
  expect(levelOfMeanSquare(0)).toBeNull();
});

test('twice as far is 6 dB less, twice the rotors 3 dB more', () => {
  const near = predictSound(source, { distanceM: 5, angleDegrees: 120 }, STANDARD_ROTOR_AIR, 4).levelDb;
  expect(near - predictSound(source, { distanceM: 10, angleDegrees: 120 }, STANDARD_ROTOR_AIR, 4).levelDb).toBeCloseTo(
    6.02,
    2,
  );
  expect(near - predictSound(source, { distanceM: 5, angleDegrees: 120 }, STANDARD_ROTOR_AIR, 2).levelDb).toBeCloseTo(
    3.01,
    2,
  );
});

test('on the axis the steady tones vanish', () => {
  expect(bladePassingHz(source)).toBe(200);
  expect(toneMeanSquaresPa2(source, { distanceM: 1, angleDegrees: 0 }, STANDARD_ROTOR_AIR, 3)).toEqual([0, 0, 0]);
});

test.each([
  { distanceM: 0, angleDegrees: 90 },
  { distanceM: 1, angleDegrees: 181 },
  { distanceM: NaN, angleDegrees: 90 },
])('no listener at %o', (listener) =>
  expect(() => predictSound(source, listener, STANDARD_ROTOR_AIR, 4)).toThrow(OutOfRangeError),
);

describe('whatever rotor is listened to', () => {
  const rotor = fc.record({
    bladeCount: fc.integer({ min: 2, max: 6 }),
    diameterM: fc.double({ min: 0.04, max: 0.6, noNaN: true }),
    speedRpm: fc.double({ min: 2000, max: 30_000, noNaN: true }),
    thrustN: fc.double({ min: 0.1, max: 60, noNaN: true }),
    torqueNm: fc.double({ min: 0.001, max: 1, noNaN: true }),
    bladeVolumeM3: fc.double({ min: 1e-7, max: 1e-4, noNaN: true }),
    bladeAreaM2: fc.double({ min: 1e-4, max: 0.05, noNaN: true }),
  });
  const there = { distanceM: 20, angleDegrees: 120 };
  const level = (source: RotorSource, listener = there, count = 4): number =>
    predictSound(source, listener, STANDARD_ROTOR_AIR, count).levelDb;

  test('more thrust on the same blades is louder, more distance quieter, more rotors louder', () =>
    fc.assert(
      fc.property(rotor, fc.double({ min: 1.05, max: 3, noNaN: true }), (source, more) => {
        expect(level({ ...source, thrustN: source.thrustN * more })).toBeGreaterThan(level(source) - 3);
        expect(level(source) - level(source, { ...there, distanceM: there.distanceM * more })).toBeCloseTo(
          20 * Math.log10(more),
          6,
        );
        expect(level(source, there, 8) - level(source, there, 4)).toBeCloseTo(10 * Math.log10(2), 6);
      }),
    ));

  test('levels are finite, their interval stays on the side of caution, small rotors are surer to be wrong', () =>
    fc.assert(
      fc.property(rotor, fc.double({ min: 0, max: 180, noNaN: true }), (source, angleDegrees) => {
        const sound = predictSound(source, { distanceM: 5, angleDegrees }, STANDARD_ROTOR_AIR, 1);
        expect(Number.isFinite(sound.levelDb)).toBe(true);
        expect(sound.bladePassingHz).toBeCloseTo((source.bladeCount * source.speedRpm) / 60, 9);
        expect(sound.absoluteDb).toBe(levelUncertaintyDb(source.diameterM));
        expect(sound.comparedDb).toBeLessThan(sound.absoluteDb);
      }),
    ));

  test('what small blades add never takes away, has an end, and grows as they get slower', () =>
    fc.assert(
      fc.property(rotor, (source) => {
        const added = smallBladeDb(source, STANDARD_ROTOR_AIR);
        expect(added).toBeGreaterThanOrEqual(0);
        expect(added).toBeLessThan(31);
        expect(smallBladeDb({ ...source, speedRpm: source.speedRpm / 2 }, STANDARD_ROTOR_AIR)).toBeGreaterThanOrEqual(
          added,
        );
      }),
    ));

  test('tones are never negative and weaken with their order at slow tips', () =>
    fc.assert(
      fc.property(rotor, (source) => {
        const slow = { ...source, speedRpm: (60 * 60) / (Math.PI * source.diameterM) };
        const tones = toneMeanSquaresPa2(slow, { distanceM: 10, angleDegrees: 100 }, STANDARD_ROTOR_AIR, 6);
        for (let i = 1; i < tones.length; i++) expect(tones[i]!).toBeLessThanOrEqual(tones[i - 1]!);
        expect(tones.every((t) => t >= 0)).toBe(true);
      }),
    ));

  // A large rotor of the rule's own kind: 44.5 kN, 4.65 m² of blades, 213 m/s at 70 % of the radius.
  test('the vortex rule gives what its formula gives for the rotors it was made for', () => {
    const helicopter: RotorSource = {
      bladeCount: 4,
      diameterM: 18.9,
      speedRpm: (213 * 60) / (0.7 * Math.PI * 18.9),
      thrustN: 44_482,
      torqueNm: 30_000,
      bladeVolumeM3: 0.3,
      bladeAreaM2: 18.6,
    };
    const expected = 10 * Math.log10(((213 / 0.3048) * 10_000) ** 2 / (18.6 / 0.3048 ** 2)) - 35.7;
    expect(broadbandDb(helicopter, { distanceM: 91.44, angleDegrees: 90 })).toBeCloseTo(expected, 2);
    expect(smallBladeDb(helicopter, STANDARD_ROTOR_AIR)).toBe(0);
  });
});

test.each([
  ['blades', { bladeCount: 0 }],
  ['size', { diameterM: 0 }],
  ['speed', { speedRpm: -1 }],
  ['thrust', { thrustN: 0 }],
  ['blade area', { bladeAreaM2: NaN }],
])('no sound of a rotor without %s', (_what, more) =>
  expect(() =>
    predictSound({ ...source, ...more }, { distanceM: 5, angleDegrees: 120 }, STANDARD_ROTOR_AIR, 4),
  ).toThrow(OutOfRangeError),
);
