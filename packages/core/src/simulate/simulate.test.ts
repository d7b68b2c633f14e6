import { describe, expect, test } from '@jest/globals';
import { simulatedDelivery } from './simulatedDelivery.ts';
import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { INCH_M } from '../label/propLabel.ts';
import { CoefficientTables } from '../propeller/coefficientTables.ts';
import { labelGeometry, type PropMaterial } from '../propeller/propGeometry.ts';
import { propellerAt, propellerModel } from '../propeller/propellerModel.ts';
import { mean, standardDeviation } from '../statistics/describe.ts';
import { simulatedCoefficients, simulatedProp } from './simulatedProp.ts';
import { simulatedMotor, simulatedRun } from './simulatedRun.ts';

const motor = simulatedMotor(1080, 0.136, 0.67, 'a');
const pack = { cellCount: 6, cellResistanceOhm: 0.0034, restingCellV: 4.15 };
const prop = simulatedProp(7.2 * INCH_M, 3.9 * INCH_M, {
  bladeCount: 3,
  tip: 'standard',
  material: 'polycarbonate',
  familySeed: 'a',
  pieceSeed: 'a',
});

test('the same seed gives the same run, another one differs', () => {
  expect(simulatedRun(prop, motor, pack, [0.5, 1], 1.25, 's')).toEqual(
    simulatedRun(prop, motor, pack, [0.5, 1], 1.25, 's'),
  );
  expect(simulatedRun(prop, motor, pack, [0.5, 1], 1.25, 's')).not.toEqual(
    simulatedRun(prop, motor, pack, [0.5, 1], 1.25, 't'),
  );
});

test('more throttle: more of everything but voltage', () => {
  const steps = simulatedRun(prop, motor, pack, [0.3, 0.5, 0.7, 0.9, 1], 1.25, 's');
  for (let i = 1; i < steps.length; i++) {
    for (const name of ['thrustN', 'speedRpm', 'currentA'] as const)
      expect(steps[i]![name]!).toBeGreaterThan(steps[i - 1]![name]!);
    expect(steps[i]!.voltageV!).toBeLessThan(steps[i - 1]!.voltageV!);
  }
});

test('a seven-inch prop on such a motor pulls what such props pull', () => {
  const top = simulatedRun(prop, motor, pack, [1], 1.225, 's')[0]!;
  expect(top.thrustN! / 9.80665).toBeGreaterThan(1.6);
  expect(top.thrustN! / 9.80665).toBeLessThan(3);
  expect(top.currentA).toBeGreaterThan(25);
  expect(top.currentA).toBeLessThan(50);
});

describe('the made-up truth is not the predictor’s', () => {
  const tables = new CoefficientTables(STANDARD_ROTOR_AIR);
  const predicted = propellerModel(labelGeometry(7.2 * INCH_M, 3.9 * INCH_M, 3, 'standard', 'polycarbonate'), tables);
  const tipSpeed = 120;
  const offOf = (familySeed: string, pieceSeed: string): number => {
    const truth = simulatedCoefficients(
      simulatedProp(7.2 * INCH_M, 3.9 * INCH_M, {
        bladeCount: 3,
        tip: 'standard',
        material: 'polycarbonate',
        familySeed,
        pieceSeed,
      }),
      tipSpeed,
    );
    return (
      truth.thrustCoefficient / propellerAt(predicted, (60 * tipSpeed) / (Math.PI * 7.2 * INCH_M)).thrustCoefficient - 1
    );
  };

  test('families differ by several percent, pieces of one by about one', () => {
    const families = Array.from({ length: 200 }, (_, i) => offOf(`f${i}`, `p${i}`));
    const pieces = Array.from({ length: 200 }, (_, i) => offOf('f0', `p${i}`));
    expect(standardDeviation(families)).toBeGreaterThan(0.035);
    expect(standardDeviation(families)).toBeLessThan(0.1);
    expect(standardDeviation(pieces)).toBeLessThan(0.02);
    expect(Math.abs(mean(families))).toBeLessThan(0.1);
  });

  test('it stalls and untwists', () => {
    const at = (pitch: number, speed: number, material: PropMaterial = 'polycarbonate') =>
      simulatedCoefficients(
        simulatedProp(0.2, pitch * 0.2, { bladeCount: 2, tip: 'standard', material, familySeed: 's', pieceSeed: 's' }),
        speed,
      );
    const merit = ({
      thrustCoefficient,
      powerCoefficient,
    }: {
      thrustCoefficient: number;
      powerCoefficient: number;
    }): number => thrustCoefficient ** 1.5 / powerCoefficient;
    expect(merit(at(1, 120))).toBeLessThan(0.85 * merit(at(0.5, 120)));
    expect(at(0.5, 200, 'softPlastic').thrustCoefficient).toBeLessThan(at(0.5, 60, 'softPlastic').thrustCoefficient);
  });
});

describe('deliveries', () => {
  const spread = { massRatio: 0.02, diameterRatio: 0.001, unbalanceRatio: 0.004, flawRatio: 0.1 };
  test('the same seed gives the same bag, another one another', () => {
    expect(simulatedDelivery(0.008, 0.183, spread, 8, 'a')).toEqual(simulatedDelivery(0.008, 0.183, spread, 8, 'a'));
    expect(simulatedDelivery(0.008, 0.183, spread, 8, 'a')).not.toEqual(
      simulatedDelivery(0.008, 0.183, spread, 8, 'b'),
    );
  });
  test('masses spread as the maker moulds, flaws come as often as said', () => {
    const pieces = simulatedDelivery(0.008, 0.183, spread, 400, 'many');
    const masses = pieces.map((p) => p.massKg);
    expect(standardDeviation(masses) / mean(masses)).toBeCloseTo(0.02, 2);
    expect(pieces.filter((p) => p.look !== 'good').length / 400).toBeCloseTo(0.1, 1);
    expect(() => simulatedDelivery(0, 0.183, spread, 4, 's')).toThrow(/massKg/);
  });
});
