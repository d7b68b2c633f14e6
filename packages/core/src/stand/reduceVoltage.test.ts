import { describe, expect, test } from '@jest/globals';
import { rotorAtThrottle } from '../powertrain/powertrain.ts';
import { propellerModel } from '../propeller/propellerModel.ts';
import { powertrainOn } from '../pick/pickCraft.ts';
import { evaluateWorking } from '../test/evaluateWorking.ts';
import { preparedOf, inches, standardTables, surveyQuad } from '../test/pickCrafts.ts';
import { campaignOf, lawSteps, runOf } from '../test/standCampaign.ts';
import { explainFigure } from './explainFigure.ts';
import { calibrateMotor, driveWith, type CircuitReading } from './motorCalibration.ts';
import { emptyStep, type StandStep } from './quantities.ts';
import { reduceCampaign } from './reduceCampaign.ts';
import { voltageStep } from './reduceVoltage.ts';

const prepared = preparedOf(surveyQuad);
const own = powertrainOn(prepared, propellerModel(inches(7.2, 3.9, 3), standardTables));

/** Full throttle of one motor at a voltage that does not sag. */
function fullAt(volts: number, drive = own.drive) {
  const found = rotorAtThrottle({ ...own, drive, supply: { openVoltageV: volts, resistanceOhm: 0, driveCount: 1 } }, 1);
  if (!('prop' in found)) throw new Error(found.status);
  const { prop, drive: at, speedRpm } = found;
  return {
    voltageV: volts,
    currentA: at.busCurrentA,
    speedRadPerS: at.speedRadPerS,
    speedRpm,
    thrustN: prop.thrustN,
    powerW: at.powerW,
  };
}

describe('full throttle at another voltage', () => {
  const [low, high] = [fullAt(22.4), fullAt(24.6)];

  test.each([
    ['with its speed read', low.speedRadPerS],
    ['without', null],
  ])('what the whole powertrain gives there, %s', (_name, speedRadPerS) => {
    const step = voltageStep(own.drive, { ...low, speedRadPerS }, high.voltageV)!;
    expect((low.thrustN * step.thrustRatio) / high.thrustN).toBeCloseTo(1, 2);
    // Blades untwist and see another Reynolds number over a tenth more speed, which the reduction does not follow.
    expect(Math.abs((low.powerW * step.powerRatio) / high.powerW - 1)).toBeLessThan(0.015);
    expect(Math.abs((low.currentA * step.currentRatio) / high.currentA - 1)).toBeLessThan(0.015);
    expect(step.powerRatio).toBeCloseTo(step.currentRatio * (high.voltageV / low.voltageV), 9);
  });

  test('to its own voltage nothing changes; too far away nothing is said; neither of nonsense', () => {
    expect(voltageStep(own.drive, low, low.voltageV)).toEqual({
      speedRatio: 1,
      thrustRatio: 1,
      powerRatio: 1,
      currentRatio: 1,
    });
    expect(voltageStep(own.drive, low, 1.2 * low.voltageV)).toBeNull();
    expect(voltageStep(own.drive, { ...low, currentA: 0.01 }, high.voltageV)).toBeNull();
    expect(() => voltageStep(own.drive, { ...low, voltageV: 0 }, 24)).toThrow(/voltageV/);
  });
});

describe('an evening on packs of different charge', () => {
  const at = (volts: number): StandStep[] => {
    const { thrustN, powerW, currentA, speedRpm } = fullAt(volts);
    return [
      ...lawSteps(0.4 * thrustN, 0.3 * powerW, [0.3, 0.5]).map((s) => ({ ...s, voltageV: volts })),
      { ...emptyStep(), throttleRatio: 1, thrustN, powerW, currentA, speedRpm, voltageV: volts },
    ];
  };
  const runs = [
    runOf('ref', 1, at(24.6)),
    runOf('ref', 2, at(24.5)),
    runOf('big', 1, at(23)),
    runOf('big', 2, at(22.9)),
  ];
  const craft = { ...campaignOf([]).craft, drive: own.drive, gearRatio: 1 };
  const [raw, reduced] = [campaignOf(runs), campaignOf(runs, { craft })];
  const difference = (input: typeof raw): number =>
    reduceCampaign(input).props.find((p) => p.propModelId === 'big')!.points.full.thrustN!.differenceRatio!;

  test('the same prop on a tired pack is not called weaker', () => {
    expect(difference(raw)).toBeLessThan(-0.07);
    expect(Math.abs(difference(reduced))).toBeLessThan(0.005);
    const { fullVoltageV, reasons } = reduceCampaign(reduced);
    expect(fullVoltageV).toBeCloseTo(24.55, 9);
    expect(reasons.find((r) => r.code === 'reducedToVoltage')!.values).toMatchObject({ lowV: 22.9, highV: 24.6 });
    expect(reduceCampaign(raw).fullVoltageV).toBeNull();
  });

  test('the working shows what was read times the factor, and comes to the figure', () => {
    const working = explainFigure(reduced, 'big:full:thrustPerPowerNPerW');
    expect(working.inputs.filter((i) => i.what === 'voltageRatio')).toHaveLength(4);
    expect(evaluateWorking(working) / working.result.value).toBeCloseTo(1, 9);
  });
});

describe('a motor read off its runs', () => {
  const bent = { kvFactor: 1.03, resistanceFactor: 0.8, reactanceFactor: 0.7 };
  const readings = (count: number): CircuitReading[] =>
    Array.from({ length: count }, (_, i) => ({
      throttleRatio: 1,
      ...fullAt(17 + (8 * i) / count, driveWith(own.drive, bent)),
    }));

  test('many readings bring back what was bent, few are believed in part', () => {
    const many = calibrateMotor(own.drive, readings(200))!;
    const label = Math.abs(fullAt(24).thrustN / fullAt(24, driveWith(own.drive, bent)).thrustN - 1);
    const off = (found: typeof many): number =>
      Math.abs(fullAt(24, driveWith(own.drive, found)).thrustN / fullAt(24, driveWith(own.drive, bent)).thrustN - 1);
    // The volts are met at once; what is left is torque, which the prop's own correction takes up.
    expect(off(many)).toBeLessThan(0.3 * label);
    const one = calibrateMotor(own.drive, readings(1))!;
    expect(one.kvDeviation).toBeGreaterThan(many.kvDeviation);
    expect(off(one)).toBeLessThan(label);
  });

  test('part throttle and nonsense say nothing', () => {
    expect(calibrateMotor(own.drive, [])).toBeNull();
    expect(
      calibrateMotor(
        own.drive,
        readings(3).map((r) => ({ ...r, throttleRatio: 0.3 })),
      ),
    ).toBeNull();
    expect(
      calibrateMotor(
        own.drive,
        readings(3).map((r) => ({ ...r, powerW: -r.powerW })),
      ),
    ).toBeNull();
  });
});
