import { describe, expect, test } from '@jest/globals';
import { layOut, type Layout } from '../craft/layouts.ts';
import { preparedOf, inches, mappingPlane, standardTables, surveyQuad } from '../test/pickCrafts.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { fittedForces } from './fittedForces.ts';
import { preparedWith, prepareCraft, pickCraftOf, usualCruiseMPerS, type CraftEntries } from './pickCraft.ts';

const entries = (layout: Layout, more: Partial<CraftEntries> = {}): CraftEntries => ({
  layout,
  rotors: layOut({ layout, diagonalM: 0.3, arms: null }),
  massKg: 1.92,
  clearanceDiameterM: 0.2,
  groundClearanceM: null,
  boomClearanceM: null,
  shaftDiameterM: 0.005,
  statorDiameterM: 0.025,
  statorHeightM: 0.007,
  kvRpmPerV: 1080,
  motorResistanceOhm: 0.12,
  motorNoLoadCurrentA: 0.7,
  motorMassKg: 0.04,
  estimatedFields: ['motorNoLoadCurrentA'],
  motorLimitA: null,
  escLimitA: 42,
  packChemistry: 'lipo',
  packSeriesCount: 6,
  packCapacityAh: 4,
  packCellResistanceOhm: null,
  packCRating: null,
  standbyPowerW: null,
  ductThrustRatio: null,
  use: null,
  ...more,
});

describe('a craft as picking sees it', () => {
  test('typed motor figures go along, estimated ones are left to the core', () => {
    expect(pickCraftOf(entries('quadX'), 12).motor).toMatchObject({
      resistanceOhm: 0.12,
      noLoadCurrentA: null,
      massKg: 0.04,
    });
  });

  test.each<[Layout, number, boolean, { cwCount: number; ccwCount: number }]>([
    ['quadX', 4, false, { cwCount: 2, ccwCount: 2 }],
    ['tri', 3, false, { cwCount: 2, ccwCount: 1 }],
    ['y6', 6, true, { cwCount: 3, ccwCount: 3 }],
    ['x8', 8, true, { cwCount: 4, ccwCount: 4 }],
    ['quadVTail', 4, false, { cwCount: 2, ccwCount: 2 }],
    // A shaft that turns clockwise from behind flies with an ordinary prop, which is CCW seen from its label.
    ['tractor', 1, false, { cwCount: 0, ccwCount: 1 }],
    ['twinPusher', 2, false, { cwCount: 1, ccwCount: 1 }],
  ])('%s: %i rotors, pairs, hands that it needs', (layout, rotorCount, isCoaxial, needed) => {
    expect(pickCraftOf(entries(layout), 12)).toMatchObject({ rotorCount, isCoaxial, needed });
  });

  test('arms are measured from the centre, a plane has none; a gear counts whichever way it turns', () => {
    expect(pickCraftOf(entries('quadX'), 12).armM).toBeCloseTo(0.15, 12);
    expect(pickCraftOf(entries('tractor'), 12)).toMatchObject({ armM: null, neighbourDistanceM: null });
    const geared = entries('quadX', {
      rotors: layOut({ layout: 'quadX', diagonalM: 0.3, arms: null, gearRatio: -2.5 }),
    });
    expect(pickCraftOf(geared, 12).gearRatio).toBe(2.5);
  });
});

describe('made ready', () => {
  test('each rotor carries its share: a pair more of it, a plane’s wing most of it', () => {
    const weightN = 1.92 * GRAVITY_M_PER_S2;
    expect(preparedOf(surveyQuad).carryThrustN).toBeCloseTo(weightN / 4, 9);
    expect(preparedOf({ ...surveyQuad, isCoaxial: true, rotorCount: 8 }).carryThrustN).toBeCloseTo(
      weightN / 8 / 0.9,
      9,
    );
    expect(preparedOf(mappingPlane)).toMatchObject({
      carryThrustN: expect.closeTo((2.1 * GRAVITY_M_PER_S2) / 8, 9),
      carrySpeedMPerS: usualCruiseMPerS(2.1),
    });
  });

  test('a changed craft keeps its air, its tables and its corrections', () => {
    const prepared = preparedOf(surveyQuad);
    const heavier = preparedWith(prepared, { ...surveyQuad, massKg: 2.4 });
    expect([heavier.tables === prepared.tables, heavier.calibration === prepared.calibration]).toEqual([true, true]);
    expect(heavier.carryThrustN).toBeGreaterThan(prepared.carryThrustN);
  });

  test.each<[string, object]>([
    ['massKg', { massKg: 0 }],
    ['massKg', { massKg: NaN }],
    ['rotorCount', { rotorCount: 0 }],
    ['gearRatio', { gearRatio: -1 }],
    ['motorResistanceOhm', { motor: { ...surveyQuad.motor, resistanceOhm: 0 } }],
    ['seriesCount', { pack: { ...surveyQuad.pack, seriesCount: 0 } }],
    ['capacityAh', { pack: { ...surveyQuad.pack, capacityAh: 0 } }],
  ])('a craft without %s is refused by that name', (field, change) =>
    expect(() => prepareCraft({ ...surveyQuad, ...change }, standardTables)).toThrow(new RegExp(field)),
  );
});

describe('forces of what is fitted', () => {
  test('carrying, at full throttle, with a blade lost; drag torque is a few hundredths of a metre times thrust', () => {
    const { carry, most, bladeLossN } = fittedForces(preparedOf(surveyQuad), inches(7.2, 3.9, 3));
    expect(carry.thrustN).toBeCloseTo((1.92 * GRAVITY_M_PER_S2) / 4, 9);
    expect(most!.mostThrustN).toBeGreaterThan(2 * carry.thrustN);
    for (const ratio of [most!.torquePerThrustM, carry.torqueNm / carry.thrustN])
      expect([ratio > 0.008, ratio < 0.03]).toEqual([true, true]);
    expect(bladeLossN).toBeGreaterThan(most!.weightN);
  });

  test('without a prop only what carries is sure; a prop that cannot be turned has no full throttle', () => {
    expect(fittedForces(preparedOf(surveyQuad), null)).toMatchObject({ most: null, bladeLossN: null });
    const hopeless = fittedForces(
      preparedOf({ ...surveyQuad, pack: { ...surveyQuad.pack, capacityAh: 0.05 } }),
      inches(15, 10, 4),
    );
    expect(hopeless.most).toBeNull();
    expect(hopeless.carry.thrustN).toBeGreaterThan(0);
  });
});
