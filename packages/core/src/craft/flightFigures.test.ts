import { expect, test } from '@jest/globals';
import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { OutOfRangeError } from '../errors/coreError.ts';
import { INCH_M } from '../label/propLabel.ts';
import { CoefficientTables } from '../propeller/coefficientTables.ts';
import { labelGeometry } from '../propeller/propGeometry.ts';
import { propellerModel } from '../propeller/propellerModel.ts';
import { levelTopSpeedMPerS, pullOutHeightM, usualDragAreaM2, type LevelFlight } from './flightFigures.ts';

const tables = new CoefficientTables(STANDARD_ROTOR_AIR);
const flight = (pitch: number, massKg = 0.65): LevelFlight => ({
  kind: 'multirotor',
  massKg,
  rotorCount: 4,
  dragAreaM2: usualDragAreaM2('multirotor', 0.65),
  prop: propellerModel(labelGeometry(5 * INCH_M, pitch * INCH_M, 3, 'standard', 'polycarbonate'), tables),
  fullSpeedRpm: 26_000,
});

test('a dive is stopped in v²/2a, or not at all', () => {
  expect(pullOutHeightM(20, 3)).toBeCloseTo(10.197, 3);
  expect(pullOutHeightM(20, 1)).toBeNull();
  expect(() => pullOutHeightM(NaN, 3)).toThrow(OutOfRangeError);
});

test('more pitch flies faster, and never much faster than the blades screw', () => {
  const slow = levelTopSpeedMPerS(flight(3))!;
  const fast = levelTopSpeedMPerS(flight(4.3))!;
  expect(fast).toBeGreaterThan(slow);
  for (const [speed, pitch] of [
    [slow, 3],
    [fast, 4.3],
  ] as const)
    expect(speed).toBeLessThanOrEqual(1.25 * pitch * INCH_M * (26_000 / 60) + 1e-9);
  expect(slow).toBeGreaterThan(15);
});

test('a craft too heavy to hold its height has no top speed; a plane needs no lift from its rotor', () => {
  expect(levelTopSpeedMPerS(flight(4.3, 9))).toBeNull();
  expect(
    levelTopSpeedMPerS({
      ...flight(4.3, 1.5),
      kind: 'plane',
      rotorCount: 1,
      dragAreaM2: usualDragAreaM2('plane', 1.5),
    }),
  ).toBeGreaterThan(15);
});
