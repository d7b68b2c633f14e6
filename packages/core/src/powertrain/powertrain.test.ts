import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { OutOfRangeError } from '../errors/coreError.ts';
import { INCH_M } from '../label/propLabel.ts';
import { CoefficientTables } from '../propeller/coefficientTables.ts';
import { labelGeometry, type PropMaterial } from '../propeller/propGeometry.ts';
import { propellerModel } from '../propeller/propellerModel.ts';
import { drawPower } from './constantPower.ts';
import { enduranceAtPower, missionEndurance } from './endurance.ts';
import { constantRotor, driveAt, equilibrium, USUAL_ESC, type Drive } from './equilibrium.ts';
import { cellResistanceOfRun, packRecord } from './packRecord.ts';
import { motorCoolingWPerK, motorTemperatures } from './motorHeat.ts';
import { motorOf, windingOhm, type Motor } from './motor.ts';
import { openCellV, openVoltageCurves, stateOfChargeAt } from './openVoltage.ts';
import { cellResistance, packMostPowerW, packOpenV, packResistanceOhm, type Pack } from './pack.ts';
import { rotorAtThrottle, rotorAtThrust, rotorCurve, speedForThrust, type Powertrain } from './powertrain.ts';
import { bellInertiaKgM2, lowThrottleRise, rotorFigures, rotorSound } from './rotorResponse.ts';

const tables = new CoefficientTables(STANDARD_ROTOR_AIR);
const GRAM_N = 0.00980665;

function motor(statorMm: number, heightMm: number, kvRpmPerV: number): Motor {
  return motorOf({
    statorDiameterM: statorMm / 1000,
    statorHeightM: heightMm / 1000,
    kvRpmPerV,
    resistanceOhm: null,
    noLoadCurrentA: null,
    massKg: null,
  });
}
const driveOf = (m: Motor): Drive => ({ motor: m, ...USUAL_ESC, motorTemperatureC: 60 });
function powertrain(
  m: Motor,
  [diameter, pitch, blades, material]: [number, number, number, PropMaterial],
  openVoltageV: number,
  resistanceOhm = 0.02,
): Powertrain {
  return {
    prop: propellerModel(labelGeometry(diameter * INCH_M, pitch * INCH_M, blades, 'standard', material), tables),
    drive: driveOf(m),
    supply: { openVoltageV, resistanceOhm, driveCount: 1 },
    gearRatio: 1,
  };
}
const five = powertrain(motor(23, 6, 1750), [5, 4.3, 3, 'polycarbonate'], 6 * 3.87);
const turning = (p: Powertrain, throttle: number) => {
  const found = rotorAtThrottle(p, throttle);
  if (found.status !== 'turning') throw new Error(found.status);
  return found;
};

describe('full throttle of known sizes', () => {
  test.each([
    [
      '2306-1750, 6 cells, 5×4.3×3',
      powertrain(motor(23, 6, 1750), [5, 4.3, 3, 'polycarbonate'], 6 * 3.87),
      [1400, 1600],
      [30, 36],
    ],
    [
      '2306-1950, 6 cells, 5×4.3×3',
      powertrain(motor(23, 6, 1950), [5, 4.3, 3, 'polycarbonate'], 6 * 3.87),
      [1600, 1800],
      [37, 45],
    ],
    [
      '2205-2300, 4 cells, 5×4×3',
      powertrain(motor(22, 5, 2300), [5, 4, 3, 'polycarbonate'], 4 * 3.87),
      [1000, 1200],
      [25, 34],
    ],
    [
      '2212-920, 3 cells, 10×4.5',
      powertrain(motor(22, 12, 920), [10, 4.5, 2, 'glassNylon'], 3 * 3.87),
      [800, 900],
      [12, 16],
    ],
    [
      '2808-1300, 6 cells, 7×3.5×3',
      powertrain(motor(28, 8, 1300), [7, 3.5, 3, 'polycarbonate'], 6 * 3.87),
      [2000, 2600],
      [33, 41],
    ],
  ] as const)('%s', (_name, p, [lowG, highG], [lowA, highA]) => {
    const full = turning(p, 1);
    expect(full.prop.thrustN / GRAM_N).toBeGreaterThan(lowG);
    expect(full.prop.thrustN / GRAM_N).toBeLessThan(highG);
    expect(full.drive.busCurrentA).toBeGreaterThan(lowA);
    expect(full.drive.busCurrentA).toBeLessThan(highA);
  });
});

describe('equilibrium', () => {
  test('throttle times bus voltage drives the motor, and no power is lost', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 1, noNaN: true }), (throttle) => {
        const { drive, prop } = turning(five, throttle);
        expect(throttle * drive.busVoltageV).toBeCloseTo(drive.motorVoltageV, 5);
        const heat =
          drive.motorCurrentA ** 2 * (windingOhm(five.drive.motor, 60) + USUAL_ESC.escResistanceOhm) +
          five.drive.motor.friction(drive.speedRadPerS) * drive.speedRadPerS +
          USUAL_ESC.standbyPowerW;
        expect(drive.powerW).toBeCloseTo(prop.powerW + heat, 6);
        expect(drive.busVoltageV).toBeCloseTo(
          five.supply.openVoltageV - five.supply.resistanceOhm * drive.busCurrentA,
          6,
        );
      }),
      { numRuns: 60, seed: 1 },
    );
  });

  test('more throttle: more of everything but voltage', () => {
    let before = turning(five, 0.1);
    for (let u = 0.15; u <= 1; u += 0.05) {
      const now = turning(five, u);
      expect(now.prop.thrustN).toBeGreaterThan(before.prop.thrustN);
      expect(now.drive.busCurrentA).toBeGreaterThan(before.drive.busCurrentA);
      expect(now.drive.busVoltageV).toBeLessThan(before.drive.busVoltageV);
      before = now;
    }
  });

  test('holding a thrust needs the throttle that gives it', () => {
    const half = turning(five, 0.5);
    const held = rotorAtThrust(five, half.prop.thrustN);
    expect(held).toMatchObject({
      status: 'held',
      throttleRatio: expect.closeTo(0.5, 6),
      speedRpm: expect.closeTo(half.speedRpm, 2),
    });
  });

  test('the curve over speed is the curve over throttle', () => {
    const full = turning(five, 1);
    const curve = rotorCurve(five, full.speedRpm, 20);
    expect(curve).toHaveLength(20);
    for (const point of curve) {
      if (point.status !== 'held') throw new Error(point.status);
      expect(turning(five, Math.min(1, point.throttleRatio)).prop.thrustN).toBeCloseTo(point.prop.thrustN, 4);
    }
  });

  test('far too much prop bogs: it turns, at less than half its unloaded speed', () => {
    const found = rotorAtThrottle(powertrain(motor(23, 6, 1750), [14, 9, 3, 'glassNylon'], 23.2, 0.002), 1);
    expect(found.status).toBe('bogs');
  });

  test('a tired pack cannot give it, and says how much it could', () => {
    const found = rotorAtThrottle({ ...five, supply: { ...five.supply, resistanceOhm: 1.2 } }, 1);
    expect(found).toMatchObject({ status: 'packCannotGive', mostPowerW: expect.closeTo((6 * 3.87) ** 2 / 4.8, 6) });
    if (found.status === 'packCannotGive') expect(found.neededPowerW).toBeGreaterThan(5 * found.mostPowerW);
  });

  test('no throttle, no turning; a gear changes who turns how fast', () => {
    expect(rotorAtThrottle(five, 0).status).toBe('standsStill');
    const measured = motorOf({ ...motor(23, 6, 1750), noLoadCurrentA: 0.9 });
    expect(rotorAtThrottle({ ...five, drive: driveOf(measured) }, 0.001).status).toBe('standsStill');
    const geared = turning({ ...five, gearRatio: 2 }, 1);
    expect(geared.drive.speedRadPerS / ((geared.speedRpm * 2 * Math.PI) / 60)).toBeCloseTo(2, 9);
    expect(geared.drive.torqueNm * 2).toBeCloseTo(geared.prop.torqueNm, 9);
  });

  test('a thrust that the blades never reach is said', () => {
    expect(rotorAtThrust(five, 500)).toMatchObject({ status: 'thrustNotReached' });
    const soft = propellerModel(
      { ...labelGeometry(5 * INCH_M, INCH_M, 2, 'standard', 'softPlastic'), droopM: 0.15 },
      tables,
    );
    expect(speedForThrust(soft, 20).status).toBe('thrustNotReached');
  });

  test('hostile input', () => {
    const { drive, supply } = five;
    const load = constantRotor(0.1, 0.05, 0.127, 1.2).torqueNm;
    for (const throttle of [-0.1, 1.1, NaN])
      expect(() => equilibrium(drive, supply, load, throttle)).toThrow(OutOfRangeError);
    for (const openVoltageV of [0, -5, NaN, Infinity])
      expect(() => equilibrium(drive, { ...supply, openVoltageV }, load, 1)).toThrow(OutOfRangeError);
    expect(() => driveAt(drive, supply, 0, 1)).toThrow(OutOfRangeError);
    expect(() =>
      motorOf({
        statorDiameterM: 0.023,
        statorHeightM: 0.006,
        kvRpmPerV: 1750,
        resistanceOhm: 0,
        noLoadCurrentA: null,
        massKg: null,
      }),
    ).toThrow(OutOfRangeError);
    expect(() => rotorAtThrust(five, -1)).toThrow(OutOfRangeError);
  });
});

describe('pack', () => {
  const pack: Pack = { chemistry: 'lipo', seriesCount: 6, capacityAh: 1.3, cellResistanceOhm: null, cRating: null };

  test('a state of charge and its voltage are each other’s inverse, for every chemistry', () => {
    for (const curve of Object.values(openVoltageCurves)) {
      fc.assert(
        fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) =>
          expect(stateOfChargeAt(curve, openCellV(curve, share))).toBeCloseTo(share, 9),
        ),
        { numRuns: 50, seed: 2 },
      );
    }
    expect(openCellV(openVoltageCurves.lipoHighVoltage, 1)).toBeCloseTo(4.35, 6);
    expect(packOpenV(pack, 1)).toBeCloseTo(25.2, 9);
  });

  test.each([
    ['measured', { cellResistanceOhm: 0.0051, cRating: 100 }, 0.0051],
    ['label', { cRating: 100 }, 0.5 / 130],
    ['label', { cRating: 900 }, 0.5 / 195],
    ['usual', {}, 0.0044],
  ] as const)('resistance is %s: %o', (source, known, ohm) => {
    const found = cellResistance({ ...pack, ...known });
    expect(found.source).toBe(source);
    expect(found.ohm).toBeCloseTo(ohm, 3);
  });

  test('a tiny cell is not scaled down from a large one: 0.3 Ah has some 40 mΩ, and larger packs of a size resist less', () => {
    const usual = [0.1, 0.3, 0.45, 0.85, 1.3, 4, 10, 30].map(
      (capacityAh) => cellResistance({ ...pack, capacityAh }).ohm,
    );
    expect(usual[1]).toBeCloseTo(0.042, 3);
    expect(usual).toEqual([...usual].sort((a, b) => b - a));
  });

  test('beyond its most power a pack gives less: half its volts are gone there', () => {
    const mostPowerW = packMostPowerW(pack);
    expect(mostPowerW).toBeCloseTo(packOpenV(pack, 0.5) ** 2 / (4 * packResistanceOhm(pack)), 9);
    expect(mostPowerW).toBeGreaterThan(2000);
  });

  test('cold cells resist more, measured ones as measured', () => {
    expect(packResistanceOhm(pack, -10) / packResistanceOhm(pack, 25)).toBeCloseTo(1.7, 9);
    expect(packResistanceOhm({ ...pack, cellResistanceOhm: 0.004 })).toBeCloseTo(0.024, 9);
    expect(
      packResistanceOhm({
        chemistry: 'liIon',
        seriesCount: 1,
        capacityAh: 4.4,
        cellResistanceOhm: null,
        cRating: null,
      }),
    ).toBeCloseTo(0.016, 3);
  });

  test('the power asked for comes out, or the most that could', () => {
    const draw = drawPower(24, 0.05, 500);
    expect(draw).toMatchObject({ status: 'given' });
    if (draw.status === 'given') expect(draw.currentA * draw.voltageV).toBeCloseTo(500, 9);
    expect(drawPower(24, 0.3, 500)).toEqual({ status: 'packCannotGive', mostPowerW: 480 });
  });

  test('twice the power lasts less than half as long; a cut-off lands earlier', () => {
    const base = {
      curve: openVoltageCurves.lipo,
      seriesCount: 6,
      capacityAh: 1.3,
      resistanceOhm: 0.04,
      startRatio: 1,
      endRatio: 0.2,
      cutoffCellV: 0,
    };
    const slow = enduranceAtPower(base, 150);
    expect(enduranceAtPower(base, 300).durationS).toBeLessThan(slow.durationS / 2);
    const cut = enduranceAtPower({ ...base, cutoffCellV: 3.7 }, 150);
    expect(cut.stopRatio).toBeGreaterThan(slow.stopRatio);
    expect(cut.durationS).toBeLessThan(slow.durationS);
    expect(enduranceAtPower({ ...base, resistanceOhm: 0.5 }, 2000)).toEqual({ durationS: 0, stopRatio: 1 });
    expect(() => missionEndurance([], 20)).toThrow();
  });
});

describe('heat', () => {
  const m = motor(23, 6, 1750);
  const full = { durationS: 3000, currentA: 20, speedRadPerS: 2000, inducedSpeedMPerS: 15 };

  test('settles where heat made equals heat carried away', () => {
    const last = motorTemperatures(m, [full], 20, 20, 100).at(-1)!;
    const made =
      full.currentA ** 2 * windingOhm(m, last.temperatureC) + m.friction(full.speedRadPerS) * full.speedRadPerS;
    expect(made).toBeCloseTo(motorCoolingWPerK(m, full.inducedSpeedMPerS) * (last.temperatureC - 20), 4);
  });

  test('time constants of usual motors are 16 to 75 s', () => {
    for (const [d, h] of [
      [18, 6],
      [23, 6],
      [28, 12],
      [41, 12],
    ] as const) {
      const big = motor(d, h, 1000);
      const tau = (450 * big.massKg) / motorCoolingWPerK(big, 12);
      expect(tau).toBeGreaterThan(16);
      expect(tau).toBeLessThan(90);
    }
  });

  test('it does not matter how often one looks', () => {
    const often = motorTemperatures(m, [{ ...full, durationS: 30 }], 20, 25, 0.1).at(-1)!.temperatureC;
    expect(motorTemperatures(m, [{ ...full, durationS: 30 }], 20, 25, 30).at(-1)!.temperatureC).toBeCloseTo(often, 9);
  });

  test('a burst heats, coasting cools, no current is the temperature of the air', () => {
    const [start, burst, coast] = motorTemperatures(
      m,
      [
        { ...full, durationS: 10, currentA: 40 },
        { durationS: 20, currentA: 2, speedRadPerS: 800, inducedSpeedMPerS: 5 },
      ],
      20,
      30,
      60,
    );
    expect(burst!.temperatureC).toBeGreaterThan(start!.temperatureC + 20);
    expect(coast!.temperatureC).toBeLessThan(burst!.temperatureC);
    expect(() => motorTemperatures(m, [{ ...full, durationS: 0 }], 20, 20, 1)).toThrow(OutOfRangeError);
  });
});

describe('figures of a rotor', () => {
  const full = turning(five, 1);

  test('a five-inch rotor follows in some 20 ms, a ten-inch one in some 100', () => {
    const ten = powertrain(motor(22, 12, 920), [10, 4.5, 2, 'glassNylon'], 11.6);
    expect(rotorFigures(five, full, null).spinUpTimeS).toBeGreaterThan(0.012);
    expect(rotorFigures(five, full, null).spinUpTimeS).toBeLessThan(0.03);
    const slow = rotorFigures(ten, turning(ten, 1), null).spinUpTimeS;
    expect(slow).toBeGreaterThan(0.06);
    expect(slow).toBeLessThan(0.13);
  });

  test('blades share the thrust and pull with hundreds of newtons', () => {
    const figures = rotorFigures(five, full, 0.11);
    expect(figures.thrustPerBladeN * 3).toBeCloseTo(full.prop.thrustN, 9);
    expect(figures.rootForceN).toBeGreaterThan(100);
    expect(figures.yawAuthorityRatio).toBeCloseTo(full.prop.torqueNm / full.prop.thrustN / 0.11, 12);
    expect(figures.inertiaKgM2).toBeGreaterThan(bellInertiaKgM2(five.drive.motor));
    expect(figures.prop.tipMach).toBeCloseTo(full.prop.tipMach, 9);
  });

  test('the lowest third of throttle gives some of the thrust; full sound is louder than hover', () => {
    const rise = lowThrottleRise(five, full.prop.thrustN)!;
    expect(rise).toBeGreaterThan(0.08);
    expect(rise).toBeLessThan(0.4);
    const hover = rotorAtThrust(five, full.prop.thrustN / 4);
    if (hover.status !== 'held') throw new Error(hover.status);
    const ear = { distanceM: 10, angleDegrees: 120 };
    expect(rotorSound(five.prop, full, ear, 4).levelDb).toBeGreaterThan(
      rotorSound(five.prop, hover, ear, 4).levelDb + 6,
    );
  });
});

describe('what a pack has been through', () => {
  const load = fc.record({
    restingCellV: fc.option(fc.double({ min: 3, max: 4.35, noNaN: true })),
    loadedCellV: fc.option(fc.double({ min: 2.5, max: 4.3, noNaN: true })),
    cellOhm: fc.option(fc.double({ min: 0.0005, max: 0.5, noNaN: true }), { nil: null }),
  });

  test('the deepest sag and the lowest volts need not come from one run', () => {
    const record = packRecord('lipo', [
      { restingCellV: 4.18, loadedCellV: 3.4, cellOhm: 0.003 },
      { restingCellV: 3.8, loadedCellV: 3.2, cellOhm: 0.005 },
      { restingCellV: 4.1, loadedCellV: null, cellOhm: null },
    ]);
    expect(record).toEqual({
      runCount: 3,
      deepestSagCellV: expect.closeTo(0.78, 9),
      lowestCellV: 3.2,
      overDrawnCount: 1,
      measured: { cellOhm: expect.closeTo(0.004, 9), runCount: 2 },
    });
    expect(packRecord('liIon', [{ restingCellV: 3.8, loadedCellV: 3.2, cellOhm: null }]).overDrawnCount).toBe(0);
  });

  test('the slope of volts against amps is the resistance, whatever the open voltage', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.0005, max: 0.2, noNaN: true }),
        fc.double({ min: 3.6, max: 4.35, noNaN: true }),
        fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 2, maxLength: 12 }),
        (ohm, openV, currents) => {
          const readings = currents.map((currentA) => ({ currentA, cellV: openV - ohm * currentA }));
          expect(cellResistanceOfRun(readings, openV)).toBeCloseTo(ohm, 9);
        },
      ),
    );
  });

  test.each([
    ['one reading and nothing at rest', [{ currentA: 30, cellV: 3.9 }], null],
    ['currents that lie together', [30, 31, 32].map((currentA) => ({ currentA, cellV: 4 - currentA / 200 })), null],
    ['volts that rise with the current', [{ currentA: 30, cellV: 4.3 }], 4.1],
    ['no current at all', [{ currentA: 0, cellV: 4.1 }], 4.1],
    ['a fall that no cell has', [{ currentA: 1, cellV: 2.5 }], 4.1],
    ['nothing', [], null],
  ])('%s says nothing of the resistance', (_, readings, restingCellV) => {
    expect(cellResistanceOfRun(readings, restingCellV)).toBeNull();
  });

  test('nothing read is nothing known', () => {
    expect(packRecord('lipo', [])).toEqual({
      runCount: 0,
      deepestSagCellV: null,
      lowestCellV: null,
      overDrawnCount: 0,
      measured: null,
    });
  });

  test('one more run never makes a pack look fresher', () => {
    fc.assert(
      fc.property(fc.array(load, { maxLength: 12 }), load, (before, more) => {
        const [a, b] = [packRecord('lipo', before), packRecord('lipo', [...before, more])];
        expect(b.overDrawnCount).toBeGreaterThanOrEqual(a.overDrawnCount);
        if (a.lowestCellV !== null) expect(b.lowestCellV).toBeLessThanOrEqual(a.lowestCellV);
        if (a.deepestSagCellV !== null) expect(b.deepestSagCellV).toBeGreaterThanOrEqual(a.deepestSagCellV);
      }),
    );
  });
});
