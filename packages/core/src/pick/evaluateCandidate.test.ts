import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { benchOf, inches, mappingPlane, surveyQuad } from '../test/pickCrafts.ts';
import { evaluateCandidate, heatByStyle } from './evaluateCandidate.ts';
import { brokenLimits, closestLimit } from './pickFigures.ts';
import type { PickCraft } from './pickCraft.ts';

const quad = benchOf(surveyQuad);
const figuresOf = (craft: PickCraft, geometry = inches(7.2, 3.9, 3)) => evaluateCandidate(benchOf(craft), geometry).figures;

test('figures agree with each other: thrust over weight, power over endurance', () => {
  const { figures, margins } = evaluateCandidate(quad, inches(7.2, 3.9, 3));
  expect(figures.thrustToWeightRatio).toBeCloseTo((4 * figures.fullThrustN) / (1.92 * GRAVITY_M_PER_S2), 9);
  expect(figures.thrustPerPowerNPerW * figures.carryPowerW).toBeCloseTo(1.92 * GRAVITY_M_PER_S2, 6);
  // 80 % of 88.8 Wh, less what the pack's own resistance takes.
  expect((figures.enduranceS * figures.carryPowerW) / 3600).toBeGreaterThan(60);
  expect((figures.enduranceS * figures.carryPowerW) / 3600).toBeLessThan(0.8 * 4 * 6 * 3.95);
  expect(margins.clearance).toBeCloseTo((7.2 * 0.0254) / 0.2, 9);
  expect(margins.escCurrent).toBeCloseTo(figures.fullCurrentA / 42, 9);
});

describe('each step up has its price', () => {
  const base = figuresOf(surveyQuad);
  test('diameter: longer in the air, slower to answer', () => {
    const larger = figuresOf(surveyQuad, inches(7.7, 3.9, 3));
    expect(larger.enduranceS).toBeGreaterThan(base.enduranceS);
    expect(larger.riseTimeS).toBeGreaterThan(base.riseTimeS);
  });
  test('pitch: faster, more current', () => {
    const steeper = figuresOf(surveyQuad, inches(7.2, 4.9, 3));
    expect(steeper.pitchSpeedMPerS).toBeGreaterThan(base.pitchSpeedMPerS);
    expect(steeper.fullCurrentA).toBeGreaterThan(base.fullCurrentA);
  });
  test('blades: more thrust at the same throttle, less time', () => {
    const four = figuresOf(surveyQuad, inches(7.2, 3.9, 4));
    expect(four.carryThrottleRatio).toBeLessThan(base.carryThrottleRatio);
    expect(four.enduranceS).toBeLessThan(base.enduranceS);
  });
  test('weight: less time, less in hand', () => {
    const heavier = figuresOf({ ...surveyQuad, massKg: 2.4 });
    expect(heavier.enduranceS).toBeLessThan(base.enduranceS);
    expect(heavier.thrustToWeightRatio).toBeLessThan(base.thrustToWeightRatio);
  });
  test('a coaxial pair asks more of each rotor', () => {
    expect(figuresOf({ ...surveyQuad, isCoaxial: true }).carryPowerW).toBeGreaterThan(base.carryPowerW);
  });
});

describe('limits bar by name', () => {
  const barred = (craft: PickCraft, geometry = inches(7.2, 3.9, 3), makerLimitRpm: number | null = null) => brokenLimits(evaluateCandidate(benchOf(craft), geometry, null, makerLimitRpm).margins);
  test.each<[string, Partial<PickCraft>, string]>([
    ['frame', { clearanceDiameterM: 0.18 }, 'clearance'],
    ['neighbour discs, with a margin for flex', { neighbourDistanceM: 0.184 }, 'neighbours'],
    ['ESC', { escLimitA: 15 }, 'escCurrent'],
    ['motor', { motorLimitA: 15 }, 'motorCurrent'],
    ['too heavy to carry', { massKg: 5.5 }, 'carry'],
    ['a tired pack', { pack: { ...surveyQuad.pack, cellResistanceOhm: 0.03 } }, 'packSag'],
  ])('%s', (_name, change, limit) => expect(barred({ ...surveyQuad, ...change })).toContain(limit));

  test('a plane’s ground and boom', () => {
    expect(barred({ ...mappingPlane, groundClearanceM: 0.14 }, inches(11, 6, 2))).toContain('ground');
    expect(barred({ ...mappingPlane, boomClearanceM: 0.14 }, inches(11, 6, 2))).toContain('boom');
    expect(barred(mappingPlane, inches(11, 6, 2))).toEqual([]);
  });
  test('the maker’s speed', () => expect(barred(surveyQuad, inches(7.2, 3.9, 3), 9000)).toContain('makerSpeed'));
  test('heat, when nearly all the current becomes heat', () => expect(barred(surveyQuad, inches(7.8, 6.4, 4))).toContain('motorHeat'));
  test('tip speed, on a small high-voltage motor', () => expect(barred({ ...surveyQuad, motor: { ...surveyQuad.motor, kvRpmPerV: 2300 }, escLimitA: null }, inches(7.2, 3, 2))).toContain('tipSpeed'));
  test('what is nearest is named where nothing is broken', () => expect(closestLimit(evaluateCandidate(quad, inches(7.2, 3.9, 3)).margins)).toMatchObject({ limit: expect.any(String), margin: expect.any(Number) }));
});

test('a plane cruises on less than it hangs on, and a prop without pitch for its speed cannot carry it', () => {
  const plane = benchOf(mappingPlane);
  const cruising = evaluateCandidate(plane, inches(11, 6, 2));
  expect(cruising.figures.carryThrottleRatio).toBeGreaterThan(0.2);
  expect(cruising.figures.enduranceS).toBeGreaterThan(1000);
  expect(evaluateCandidate(plane, inches(9, 1.8, 2)).margins.carry).toBeGreaterThan(cruising.margins.carry);
});

test('harder flying is hotter', () => {
  const heat = heatByStyle(quad, evaluateCandidate(quad, inches(7.2, 3.9, 3)).prop);
  expect(heat.gentle).toBeLessThan(heat.normal);
  expect(heat.normal).toBeLessThan(heat.hard);
});

test('no craft and no prop makes a number that is neither true nor missing', () => {
  fc.assert(
    fc.property(fc.double({ min: 2, max: 18, noNaN: true }), fc.double({ min: 0.1, max: 1.1, noNaN: true }), fc.integer({ min: 2, max: 6 }), fc.double({ min: 0.05, max: 20, noNaN: true }), fc.integer({ min: 1, max: 14 }), fc.boolean(), (d, ratio, blades, massKg, seriesCount, isPlane) => {
      const craft = { ...(isPlane ? mappingPlane : surveyQuad), massKg, pack: { ...surveyQuad.pack, seriesCount } };
      const { figures, margins } = evaluateCandidate(benchOf(craft), inches(d, d * ratio, blades));
      for (const margin of Object.values(margins)) expect(margin).toBeGreaterThanOrEqual(0);
      for (const value of Object.values(figures)) expect(value).not.toBe(Infinity);
      if (brokenLimits(margins).length === 0) expect(Number.isFinite(figures.enduranceS + figures.thrustToWeightRatio + figures.levelDb)).toBe(true);
    }),
    { numRuns: 60, seed: 7 },
  );
});

test.each<[Partial<PickCraft>, RegExp]>([
  [{ massKg: 0 }, /massKg/],
  [{ massKg: NaN }, /massKg/],
  [{ motor: { ...surveyQuad.motor, resistanceOhm: 0 } }, /[rR]esistanceOhm/],
  [{ motor: { ...surveyQuad.motor, statorDiameterM: -1 } }, /statorDiameterM/],
  [{ pack: { ...surveyQuad.pack, capacityAh: 0 } }, /capacityAh/],
  [{ pack: { ...surveyQuad.pack, seriesCount: 0 } }, /seriesCount/],
])('a craft that is none is refused with the field: %j', (change, field) => expect(() => benchOf({ ...surveyQuad, ...change })).toThrow(field));
