import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { emptyStep, type StandQuantity, type StandStep } from './quantities.ts';
import { ELECTRICAL_RPM, likelyUnits, runDoubts } from './runDoubts.ts';

const kilograms = (kg: number): number => kg * GRAVITY_M_PER_S2;
/** A 5.1-inch prop at full throttle on six cells: 1.46 kg at 27,600 rpm for 781 W. */
const five = { diameterM: 0.1295, densityKgPerM3: 1.22 };
const full: StandStep = {
  ...emptyStep(),
  throttleRatio: 1,
  thrustN: kilograms(1.46),
  speedRpm: 27_600,
  currentA: 36.2,
  voltageV: 21.6,
  powerW: 781,
};
const columns = (
  Object.entries({ throttleRatio: '%', thrustN: 'g', speedRpm: 'rpm', currentA: 'A', voltageV: 'V', powerW: 'W' }) as [
    StandQuantity,
    string,
  ][]
).map(([quantity, unitSymbol]) => ({ quantity, unitSymbol }));
const codes = (step: Partial<StandStep>): string[] => runDoubts([{ ...full, ...step }], five).map((d) => d.code);

describe('what can be', () => {
  test.each<[string, StandStep, { diameterM: number; densityKgPerM3: number }]>([
    ['a five-inch at full throttle', full, five],
    [
      'a tiny four-blade in its duct',
      {
        ...emptyStep(),
        throttleRatio: 1,
        thrustN: kilograms(0.019),
        speedRpm: 47_000,
        currentA: 3.1,
        voltageV: 3.7,
        powerW: 11.5,
      },
      { diameterM: 0.031, densityKgPerM3: 1.2 },
    ],
    [
      'a fifteen-inch of a survey craft, half throttle',
      {
        ...emptyStep(),
        throttleRatio: 0.5,
        thrustN: kilograms(0.82),
        speedRpm: 3300,
        currentA: 3.6,
        voltageV: 23,
        powerW: 83,
      },
      { diameterM: 0.381, densityKgPerM3: 1.225 },
    ],
    [
      'a slow prop of a park plane',
      {
        ...emptyStep(),
        throttleRatio: 1,
        thrustN: kilograms(0.92),
        speedRpm: 7300,
        currentA: 14,
        voltageV: 11.1,
        powerW: 155,
      },
      { diameterM: 0.2286, densityKgPerM3: 1.21 },
    ],
  ])('%s', (_name, step, prop) => expect(runDoubts([step], prop)).toEqual([]));

  test('without watts or speed nothing is doubted, and low steps say nothing', () => {
    expect(runDoubts([{ ...emptyStep(), throttleRatio: 1, thrustN: 5 }], five)).toEqual([]);
    expect(runDoubts([{ ...full, throttleRatio: 0.2, powerW: 9000 }], five)).toEqual([]);
  });
});

describe('what cannot be, and the unit that makes sense of it', () => {
  test('kilograms and turns a second that were taken for grams and rpm', () => {
    const wrong = { ...full, thrustN: kilograms(1.46) / 1000, speedRpm: 460 };
    expect(runDoubts([wrong], five).map((d) => d.code)).toEqual(['merit', 'thrustCoefficient', 'tipMach']);
    expect(likelyUnits([wrong], columns, five)).toEqual([
      { quantity: 'thrustN', unitSymbol: 'g', likelySymbol: 'kg' },
      { quantity: 'speedRpm', unitSymbol: 'rpm', likelySymbol: 'Hz' },
    ]);
  });

  test.each<[string, Partial<StandStep>, StandQuantity, string]>([
    ['ounces for grams', { thrustN: full.thrustN! / 28.35 }, 'thrustN', 'oz'],
    ['electrical turns', { speedRpm: 7 * full.speedRpm! }, 'speedRpm', ELECTRICAL_RPM],
    ['milliamperes', { currentA: full.currentA! * 1000, powerW: null }, 'currentA', 'mA'],
  ])('%s', (_name, change, quantity, likelySymbol) => {
    expect(codes(change)).not.toEqual([]);
    expect(likelyUnits([{ ...full, ...change }], columns, five)).toMatchObject([{ quantity, likelySymbol }]);
  });

  test('watts that are not volts times amps', () => expect(codes({ powerW: 500 })).toContain('power'));

  test('one column in a wrong unit: where it is told at all, the right one is found, and the run is then in order', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<[StandQuantity, string, number]>(
          ['thrustN', 'kg', 1 / 1000],
          ['thrustN', 'oz', 1 / 28.349523125],
          ['speedRpm', 'Hz', 1 / 60],
          ['voltageV', 'mV', 1000],
        ),
        fc.double({ min: 0.6, max: 1, noNaN: true }),
        ([quantity, symbol, factor], throttle) => {
          const right = {
            ...full,
            throttleRatio: throttle,
            thrustN: full.thrustN! * throttle ** 1.8,
            speedRpm: full.speedRpm! * throttle ** 0.9,
            currentA: full.currentA! * throttle ** 2.5,
            powerW: full.powerW! * throttle ** 2.5,
          };
          expect(runDoubts([right], five)).toEqual([]);
          const wrong = { ...right, [quantity]: right[quantity]! * factor };
          if (runDoubts([wrong], five).length > 0)
            expect(likelyUnits([wrong], columns, five)).toMatchObject([{ quantity, likelySymbol: symbol }]);
        },
      ),
      { numRuns: 100, seed: 5 },
    );
  });

  test('where nothing is in doubt, or no unit helps, nothing is guessed', () => {
    expect(likelyUnits([full], columns, five)).toBeNull();
    expect(likelyUnits([{ ...full, powerW: 500 }], [{ quantity: 'thrustN', unitSymbol: 'g' }], five)).toBeNull();
  });
});
