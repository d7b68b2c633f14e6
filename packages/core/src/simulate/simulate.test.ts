import { expect, test } from '@jest/globals';
import { INCH_M } from '../label/propLabel.ts';
import { simulatedProp } from './simulatedProp.ts';
import { simulatedRun } from './simulatedRun.ts';

const motor = { kvRpmPerV: 1080, resistanceOhm: 0.136, noLoadCurrentA: 0.67 };
const pack = { cellCount: 6, cellResistanceOhm: 0.0034, restingCellV: 4.15 };
const prop = simulatedProp(7.2 * INCH_M, 3.9 * INCH_M, 3, 'standard', 'a');

test('the same seed gives the same run, another one differs', () => {
  expect(simulatedRun(prop, motor, pack, [0.5, 1], 1.25, 's')).toEqual(simulatedRun(prop, motor, pack, [0.5, 1], 1.25, 's'));
  expect(simulatedRun(prop, motor, pack, [0.5, 1], 1.25, 's')).not.toEqual(simulatedRun(prop, motor, pack, [0.5, 1], 1.25, 't'));
});

test('more throttle: more of everything but voltage', () => {
  const steps = simulatedRun(prop, motor, pack, [0.3, 0.5, 0.7, 0.9, 1], 1.25, 's');
  for (let i = 1; i < steps.length; i++) {
    for (const name of ['thrustN', 'speedRpm', 'currentA'] as const) expect(steps[i]![name]!).toBeGreaterThan(steps[i - 1]![name]!);
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
