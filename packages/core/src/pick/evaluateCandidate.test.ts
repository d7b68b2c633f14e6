import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { calibrate } from '../propeller/calibration.ts';
import type { PropellerCalibration } from '../propeller/propellerModel.ts';
import { preparedOf, inches, mappingPlane, standardTables, surveyQuad } from '../test/pickCrafts.ts';
import { carrySpeedRpm, evaluateCandidate, heatByStyle, wearSpeedRpm } from './evaluateCandidate.ts';
import { conditionWalk, fullThrottleOnStand } from './fullThrottle.ts';
import { calibrationReason } from './mapReasons.ts';
import { brokenLimits, closestLimit } from './pickFigures.ts';
import { prepareCraft, powertrainOn, type PickCraft } from './pickCraft.ts';
import { assumptionReasons, limitReason, limitValues, sagReason } from './tradeReasons.ts';

const quad = preparedOf(surveyQuad);
const figuresOf = (craft: PickCraft, geometry = inches(7.2, 3.9, 3)) =>
  evaluateCandidate(preparedOf(craft), geometry).figures;

test('figures agree with each other: thrust over weight, power over endurance', () => {
  const { figures, margins } = evaluateCandidate(quad, inches(7.2, 3.9, 3));
  expect(figures.thrustToWeightRatio).toBeCloseTo((4 * figures.fullThrustN) / (1.92 * GRAVITY_M_PER_S2), 9);
  expect(figures.thrustPerPowerNPerW * (figures.carryPowerW - surveyQuad.standbyPowerW)).toBeCloseTo(
    1.92 * GRAVITY_M_PER_S2,
    6,
  );
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
  const barred = (craft: PickCraft, geometry = inches(7.2, 3.9, 3), makerLimitRpm: number | null = null) =>
    brokenLimits(evaluateCandidate(preparedOf(craft), geometry, { makerLimitRpm }).margins);
  test.each<[string, Partial<PickCraft>, string]>([
    ['frame', { clearanceDiameterM: 0.18 }, 'clearance'],
    ['neighbour discs, with a margin for flex', { neighbourDistanceM: 0.184 }, 'neighbours'],
    ['ESC', { escLimitA: 15 }, 'escCurrent'],
    ['motor', { motorLimitA: 15 }, 'motorCurrent'],
    ['too heavy to carry', { massKg: 5.5 }, 'carry'],
    ['a pack that cannot give the power at all', { pack: { ...surveyQuad.pack, cellResistanceOhm: 0.09 } }, 'packSag'],
  ])('%s', (_name, change, limit) => expect(barred({ ...surveyQuad, ...change })).toContain(limit));

  test('a plane’s ground and boom', () => {
    expect(barred({ ...mappingPlane, groundClearanceM: 0.14 }, inches(11, 6, 2))).toContain('ground');
    expect(barred({ ...mappingPlane, boomClearanceM: 0.14 }, inches(11, 6, 2))).toContain('boom');
    expect(barred(mappingPlane, inches(11, 6, 2))).toEqual([]);
  });
  test('the maker’s speed', () => expect(barred(surveyQuad, inches(7.2, 3.9, 3), 9000)).toContain('makerSpeed'));
  test('heat, when nearly all the current becomes heat', () =>
    expect(barred(surveyQuad, inches(7.8, 6.4, 4))).toContain('motorHeat'));
  test('tip speed, on a small high-voltage motor', () =>
    expect(
      barred({ ...surveyQuad, motor: { ...surveyQuad.motor, kvRpmPerV: 2300 }, escLimitA: null }, inches(7.2, 3, 2)),
    ).toContain('tipSpeed'));
  test('a bore under the shaft, and goes once it is wider', () => {
    const onFive = (boreDiameterM: number | null) =>
      brokenLimits(
        evaluateCandidate(preparedOf({ ...surveyQuad, shaftDiameterM: 0.005 }), inches(7.2, 3.9, 3), { boreDiameterM })
          .margins,
      );
    expect([
      onFive(0.004).includes('bore'),
      onFive(0.00498).includes('bore'),
      onFive(0.008).includes('bore'),
      onFive(null).includes('bore'),
    ]).toEqual([true, false, false, false]);
  });
  test('a rack without a set, hand by hand', () => {
    const with_ = (cwCount: number, ccwCount: number) =>
      evaluateCandidate(preparedOf(surveyQuad), inches(7.2, 3.9, 3), { stock: { cwCount, ccwCount } });
    expect([with_(2, 2), with_(9, 1), with_(0, 0)].map((c) => brokenLimits(c.margins).includes('stock'))).toEqual([
      false,
      true,
      true,
    ]);
    const setting = { craft: surveyQuad, air: preparedOf(surveyQuad).air };
    expect(limitValues(setting, with_(9, 1), 'stock')).toEqual({ value: 4, allowed: 3 });
    expect(limitReason(setting, with_(9, 1), 'X', 'stock').code).toBe('pick.barred.stock');
  });
  test('what is nearest is named where nothing is broken', () =>
    expect(closestLimit(evaluateCandidate(quad, inches(7.2, 3.9, 3)).margins)).toMatchObject({
      limit: expect.any(String),
      margin: expect.any(Number),
    }));
});

test('a plane cruises on less than it hangs on, and a prop without pitch for its speed cannot carry it', () => {
  const plane = preparedOf(mappingPlane);
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
    fc.property(
      fc.double({ min: 2, max: 18, noNaN: true }),
      fc.double({ min: 0.1, max: 1.1, noNaN: true }),
      fc.integer({ min: 2, max: 6 }),
      fc.double({ min: 0.05, max: 20, noNaN: true }),
      fc.integer({ min: 1, max: 14 }),
      fc.boolean(),
      (d, ratio, blades, massKg, seriesCount, isPlane) => {
        const craft = { ...(isPlane ? mappingPlane : surveyQuad), massKg, pack: { ...surveyQuad.pack, seriesCount } };
        const { figures, margins } = evaluateCandidate(preparedOf(craft), inches(d, d * ratio, blades));
        for (const margin of Object.values(margins)) expect(margin).toBeGreaterThanOrEqual(0);
        for (const value of Object.values(figures)) expect(value).not.toBe(Infinity);
        if (brokenLimits(margins).length === 0)
          expect(Number.isFinite(figures.enduranceS + figures.thrustToWeightRatio + figures.levelDb)).toBe(true);
      },
    ),
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
])('a craft that is none is refused with the field: %j', (change, field) =>
  expect(() => preparedOf({ ...surveyQuad, ...change })).toThrow(field),
);

test('a gear lets a large prop turn slower than its motor', () => {
  const direct = evaluateCandidate(preparedOf(surveyQuad), inches(7.2, 3.9, 3));
  const geared = evaluateCandidate(preparedOf({ ...surveyQuad, gearRatio: 2 }), inches(7.2, 3.9, 3));
  expect(geared.fullSpeedRpm).toBeLessThan(0.75 * direct.fullSpeedRpm);
  expect(geared.figures.fullCurrentA).toBeLessThan(direct.figures.fullCurrentA);
  expect(() => preparedOf({ ...surveyQuad, gearRatio: 0 })).toThrow(/gearRatio/);
});

test('runs on the stand move the figures, their mark and their width; a prop’s own runs come before the workshop’s', () => {
  const calibration = (offset: number): PropellerCalibration => {
    const of = (logRatio: number) => calibrate(Array.from({ length: 12 }, () => ({ pitchRatio: 0.54, logRatio })));
    return { thrust: of(offset), power: of(0) };
  };
  const label = evaluateCandidate(preparedOf(surveyQuad), inches(7.2, 3.9, 3));
  const prepared = prepareCraft(surveyQuad, standardTables, { whole: calibration(0.1), motor: null });
  const corrected = evaluateCandidate(prepared, inches(7.2, 3.9, 3));
  expect([label.mark, corrected.mark]).toEqual(['estimated', 'calibrated']);
  expect(corrected.figures.fullThrustN / label.figures.fullThrustN).toBeGreaterThan(1.07);
  expect(corrected.figures.enduranceS).toBeGreaterThan(label.figures.enduranceS);
  expect(corrected.thrustUncertaintyRatio).toBeLessThan(label.thrustUncertaintyRatio);
  expect(
    evaluateCandidate(prepared, inches(7.2, 3.9, 3), { calibration: calibration(-0.1) }).figures.fullThrustN,
  ).toBeLessThan(label.figures.fullThrustN);
});

describe('what a flight takes', () => {
  const seven = inches(7.2, 3.9, 3);
  const of = (change: Partial<PickCraft>) => evaluateCandidate(preparedOf({ ...surveyQuad, ...change }), seven);

  test('a pack that sags is told with its volts and its cost, and bars nothing', () => {
    const weak = { ...surveyQuad, pack: { ...surveyQuad.pack, cellResistanceOhm: 0.02 } };
    const candidate = evaluateCandidate(preparedOf(weak), seven);
    expect(brokenLimits(candidate.margins)).not.toContain('packSag');
    expect(sagReason({ craft: weak }, candidate)).toMatchObject({
      code: 'pick.sag',
      severity: 'caution',
      values: { emptyV: expect.closeTo(3.3, 1), lossRatio: candidate.figures.sagLossRatio },
    });
    expect(candidate.figures.sagLossRatio).toBeGreaterThan(0.2);
    expect(sagReason({ craft: surveyQuad }, evaluateCandidate(preparedOf(surveyQuad), seven))).toBeNull();
  });

  test('what the avionics draw shortens the flight and sags the pack', () => {
    const [none, much] = [of({ standbyPowerW: 0 }), of({ standbyPowerW: 60 })];
    expect(much.figures.carryPowerW - none.figures.carryPowerW).toBeGreaterThan(59);
    expect(much.figures.enduranceS).toBeLessThan(none.figures.enduranceS);
    expect(much.figures.fullThrustN).toBeLessThan(none.figures.fullThrustN);
  });

  test('a duct lifts by its factor and saves carrying power; without one nothing is assumed', () => {
    const [open, ducted] = [of({}), of({ ductThrustRatio: 1.13 })];
    expect(ducted.figures.fullThrustN / open.figures.fullThrustN).toBeCloseTo(1.13, 6);
    expect(ducted.figures.carryPowerW).toBeLessThan(open.figures.carryPowerW);
    expect(assumptionReasons({ craft: { ...surveyQuad, ductThrustRatio: 1.13 } }).map((r) => r.code)).toEqual([
      'pick.pack.usual',
      'pick.duct',
    ]);
  });

  test('motors get hotter the harder the style; a small pack ends before they do', () => {
    const prepared = preparedOf(surveyQuad);
    const { gentle, normal, hard } = heatByStyle(prepared, evaluateCandidate(prepared, seven).prop);
    expect([gentle, normal, hard]).toEqual([gentle, normal, hard].sort((a, b) => a - b));
    expect(of({ style: 'hard' }).figures.motorTemperatureC).toBeCloseTo(hard, 9);
    const small = { ...surveyQuad.pack, capacityAh: 0.4, cRating: 100 };
    expect(of({ style: 'hard', pack: small }).figures.motorTemperatureC).toBeLessThan(
      of({ style: 'hard', pack: { ...surveyQuad.pack, capacityAh: 4, cRating: 10 } }).figures.motorTemperatureC,
    );
  });

  test('blades wear by the style that they are flown in, far more than hovering says', () => {
    const prepared = preparedOf(surveyQuad);
    const hover = carrySpeedRpm(prepared, seven)!;
    const [gentle, hard] = (['gentle', 'hard'] as const).map((style) =>
      wearSpeedRpm(preparedOf({ ...surveyQuad, style }), seven)!,
    );
    expect(gentle!).toBeGreaterThan(1.1 * hover);
    expect(hard!).toBeGreaterThan(gentle!);
  });

  test('the larger prop answers more slowly', () => {
    const large = preparedOf({ ...surveyQuad, neighbourDistanceM: 0.4, clearanceDiameterM: 0.4 });
    expect(evaluateCandidate(large, inches(12.5, 4, 2)).figures.riseTimeS).toBeGreaterThan(
      evaluateCandidate(large, seven).figures.riseTimeS,
    );
  });

  test('from the stand into the air: each step takes volts, thrust and current', () => {
    const prepared = preparedOf(surveyQuad);
    const walk = conditionWalk(prepared, evaluateCandidate(prepared, seven).prop, 24);
    expect(walk.map((w) => w.condition)).toEqual(['oneMotorStand', 'oneMotorHalfPack', 'allMotorsHalfPack']);
    for (const key of ['voltageV', 'thrustN', 'currentA'] as const)
      expect(walk.map((w) => w[key])).toEqual(walk.map((w) => w[key]).sort((a, b) => b - a));
    expect(walk[2]!.thrustN).toBeCloseTo(evaluateCandidate(prepared, seven).figures.fullThrustN, 6);
    for (const { thrustUncertaintyRatio, currentUncertaintyRatio } of walk)
      expect([thrustUncertaintyRatio > 0.15, currentUncertaintyRatio > 0.1]).toEqual([true, true]);
    expect(conditionWalk(prepared, evaluateCandidate(prepared, seven).prop, null)).toHaveLength(2);
  });

  test('full throttle is told wider than its parts: what is not known of prop and motor adds up, runs narrow it', () => {
    const prepared = preparedOf(surveyQuad);
    const prop = evaluateCandidate(prepared, seven).prop;
    const label = fullThrottleOnStand(powertrainOn(prepared, prop), null)!;
    expect(label.thrustUncertaintyRatio).toBeGreaterThan(prop.thrustUncertaintyRatio);
    const known = {
      kvFactor: 1,
      resistanceFactor: 1,
      reactanceFactor: 1,
      kvDeviation: 0.004,
      resistanceDeviation: 0.05,
      reactanceDeviation: 0.1,
      readingCount: 30,
    };
    expect(fullThrottleOnStand(powertrainOn(prepared, prop), known)!.currentUncertaintyRatio).toBeLessThan(
      label.currentUncertaintyRatio,
    );
  });
});

test('what runs correct is told with their numbers, and not without runs', () => {
  const of = (logRatio: number) => calibrate([{ pitchRatio: 0.54, logRatio }]);
  const whole = { thrust: of(0.08), power: of(-0.04) };
  const reason = calibrationReason(
    { calibration: { whole, families: {}, models: {}, motor: null, standVoltageV: null, runCount: 1, propCount: 1 } },
    0.54,
  )!;
  expect(reason).toMatchObject({ code: 'pick.calibrated', values: { runCount: 1, propCount: 1 } });
  expect([(reason.values.thrustRatio as number) > 0, (reason.values.powerRatio as number) < 0]).toEqual([true, true]);
  expect(calibrationReason({ calibration: null }, 0.54)).toBeNull();
});
