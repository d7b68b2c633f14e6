import { expect, test } from '@jest/globals';
import { INCH_M } from '../label/propLabel.ts';
import type { LiveReading } from '../stand/liveReading.ts';
import { mean, standardDeviation } from '../statistics/describe.ts';
import { throttleProgram } from '../stand/protocol.ts';
import { recordProgram } from './recordProgram.ts';
import { simulatedProp } from './simulatedProp.ts';
import { simulatedMotor } from './simulatedRun.ts';
import { SimulatedStand } from './simulatedStand.ts';

const prop = simulatedProp(7.2 * INCH_M, 3.9 * INCH_M, {
  bladeCount: 3,
  tip: 'standard',
  material: 'polycarbonate',
  familySeed: 'a',
  pieceSeed: 'a',
});
const standOf = (seed = 's', stateOfCharge = 0.97): SimulatedStand =>
  new SimulatedStand({
    prop,
    motor: simulatedMotor(1080, 0.136, 0.67, 'a'),
    inertiaKgM2: 2.4e-5,
    motorMassKg: 0.04,
    pack: { cellCount: 6, capacityAh: 4, cellResistanceOhm: 0.0034, stateOfCharge },
    airC: 15,
    densityKgPerM3: 1.225,
    unbalanceKgM: 2e-6,
    seed,
  });

function run(stand: SimulatedStand, throttle: number, seconds: number): LiveReading[] {
  return Array.from({ length: seconds * 100 }, () => stand.exchange(throttle)).filter((r) => r !== null);
}

test('the same seed reads the same, another one does not', () => {
  expect(run(standOf(), 0.5, 1)).toEqual(run(standOf(), 0.5, 1));
  expect(run(standOf(), 0.5, 1)).not.toEqual(run(standOf('t'), 0.5, 1));
});

test('it speeds up, settles, and slows down again', () => {
  const stand = standOf();
  const settled = run(stand, 0.6, 3);
  expect(settled.at(-1)!.speedRpm).toBeGreaterThan(10_000);
  expect(
    mean(settled.slice(-50).map((r) => r.thrustN)) / mean(settled.slice(-100, -50).map((r) => r.thrustN)),
  ).toBeCloseTo(1, 1);
  expect(run(stand, 0, 5).at(-1)!.speedRpm).toBeLessThan(1000);
});

test('the pack sags under load and is emptier afterwards; the motor heats', () => {
  const stand = standOf();
  const before = stand.restingCellV;
  const readings = run(stand, 1, 10);
  expect(readings.at(-1)!.voltageV).toBeLessThan(6 * before - 0.4);
  expect(stand.restingCellV).toBeLessThan(before);
  expect(readings.at(-1)!.temperatureC).toBeGreaterThan(30);
});

test('readings have noise, telemetry comes in steps of a tenth of a second', () => {
  const stand = standOf();
  run(stand, 0.6, 2);
  const readings = run(stand, 0.6, 2);
  expect(standardDeviation(readings.map((r) => r.thrustN))).toBeGreaterThan(0.005);
  expect(new Set(readings.map((r) => r.currentA)).size).toBeLessThanOrEqual(21);
});

test('a throttle that is not renewed for half a second ends by itself', () => {
  const stand = standOf();
  run(stand, 0.6, 2);
  expect(stand.exchange(0.6, 0.6)!.throttleRatio).toBe(0);
});

test('faults show in the readings', () => {
  const stuck = standOf();
  run(stuck, 0.3, 2);
  stuck.break('scaleStuck');
  expect(new Set(run(stuck, 0.8, 1).map((r) => r.thrustN)).size).toBe(1);
  const silent = standOf();
  silent.break('dropOut');
  expect(silent.exchange(0.5)).toBeNull();
  silent.break(null);
  expect(silent.exchange(0.5)).not.toBeNull();
  const loose = standOf();
  run(loose, 0.6, 2);
  const calm = mean(run(loose, 0.6, 1).map((r) => r.vibrationMPerS2));
  loose.break('nutLoosening');
  expect(mean(run(loose, 0.6, 2).map((r) => r.vibrationMPerS2))).toBeGreaterThan(2 * calm);
  const desync = standOf();
  run(desync, 0.6, 2);
  const current = desync.exchange(0.6)!.currentA;
  desync.break('escDesync');
  const after = run(desync, 0.6, 1).at(-1)!;
  expect(after.currentA).toBeGreaterThan(1.5 * current);
  expect(after.speedRpm).toBeLessThan(9000);
});

test('a ladder run by itself gives a rising curve, and a limit ends it', () => {
  const ladder = throttleProgram({ kind: 'own', stepCount: 4, holdS: 2.5, throttles: [0.2, 0.5, 0.8, 1] });
  const points = recordProgram(standOf(), ladder);
  expect(points).toHaveLength(4);
  for (let i = 1; i < 4; i++) expect(points[i]!.values.thrustN).toBeGreaterThan(points[i - 1]!.values.thrustN);
  const cut = recordProgram(standOf(), ladder, {
    speedRpm: null,
    currentA: 20,
    voltageV: null,
    powerW: null,
    temperatureC: null,
    vibrationMPerS2: null,
  });
  expect(cut.length).toBeLessThan(4);
});
