import { describe, expect, test } from '@jest/globals';
import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { calibrate, calibrateWithin, calibrationFactor } from '../propeller/calibration.ts';
import { propellerAt, propellerModel } from '../propeller/propellerModel.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { driveAt } from '../powertrain/equilibrium.ts';
import { torqueFromPowerNm } from '../powertrain/torqueFromPower.ts';
import { preparedOf, inches, standardTables, surveyQuad } from '../test/pickCrafts.ts';
import { emptyStep, type StandStep } from './quantities.ts';
import { calibrateByRuns, type CalibrationRig, type CalibrationRun } from './runCalibration.ts';

const { drive, supply } = preparedOf(surveyQuad);
const rig: CalibrationRig = { drive, gearRatio: 1, tables: standardTables };
const SPEEDS = [5000, 7000, 9000, 11_000, 13_000];

/** Steps of a propeller that gives so much more thrust and asks so much more torque than its label says. */
function steps(
  geometry: PropGeometry,
  thrustFactor: number,
  powerFactor: number,
  read: 'torque' | 'power',
): StandStep[] {
  const prop = propellerModel(geometry, standardTables);
  return SPEEDS.map((speedRpm, i) => {
    const label = propellerAt(prop, speedRpm);
    const torqueNm = powerFactor * label.torqueNm;
    const held = driveAt(drive, supply, (2 * Math.PI * speedRpm) / 60, torqueNm);
    if (held.status !== 'held') throw new Error('the rig cannot turn it');
    return {
      ...emptyStep(),
      throttleRatio: (i + 1) / SPEEDS.length,
      thrustN: thrustFactor * label.thrustN,
      speedRpm,
      ...(read === 'torque' ? { torqueNm } : { powerW: held.drive.powerW }),
    };
  });
}
const run = (propModelId: string, geometry: PropGeometry, of: StandStep[]): CalibrationRun => ({
  propModelId,
  family: null,
  geometry,
  densityKgPerM3: STANDARD_ROTOR_AIR.densityKgPerM3,
  steps: of,
});

test('torque read off the electrical power is the torque that was asked for', () => {
  for (const torqueNm of [0.02, 0.1, 0.3]) {
    const held = driveAt(drive, supply, 900, torqueNm);
    if (held.status !== 'held') throw new Error(held.status);
    expect(torqueFromPowerNm(drive, 900, held.drive.powerW)).toBeCloseTo(torqueNm, 9);
  }
  expect(torqueFromPowerNm(drive, 900, 0)).toBeLessThan(0);
  expect(() => torqueFromPowerNm(drive, 0, 100)).toThrow(/speedRadPerS/);
});

describe('calibration by runs', () => {
  const seven = inches(7.2, 3.9, 3);

  test.each(['torque', 'power'] as const)('many runs with %s bring back what was bent', (read) => {
    const found = calibrateByRuns(
      Array.from({ length: 40 }, () => run('a', seven, steps(seven, 1.12, 0.91, read))),
      rig,
    )!;
    const { thrust, power } = found.models.a!;
    expect(calibrationFactor(thrust, 3.9 / 7.2).factor).toBeCloseTo(1.12, 2);
    expect(calibrationFactor(power, 3.9 / 7.2).factor).toBeCloseTo(0.91, 2);
    expect(found).toMatchObject({ runCount: 40, propCount: 1 });
  });

  test('one run is believed in part, the prior holds the rest', () => {
    const { factor } = calibrationFactor(
      calibrateByRuns([run('a', seven, steps(seven, 1.12, 1, 'torque'))], rig)!.whole.thrust,
      3.9 / 7.2,
    );
    expect(factor).toBeGreaterThan(1.06);
    expect(factor).toBeLessThan(1.12);
  });

  test('a current clamped on the wrong way round tells nothing of power, and spoils nothing', () => {
    const turned = steps(seven, 1.1, 1, 'power').map((s) => ({ ...s, powerW: -s.powerW! }));
    const found = calibrateByRuns([run('a', seven, turned)], rig)!;
    expect(found.whole.thrust.readingCount).toBe(1);
    expect(found.whole.power.readingCount).toBe(0);
  });

  test('thinner air on the evening is no weaker prop', () => {
    const thin = steps(seven, 1, 1, 'torque').map((s) => ({
      ...s,
      thrustN: s.thrustN! * 0.9,
      torqueNm: s.torqueNm! * 0.9,
    }));
    const found = calibrateByRuns(
      [{ ...run('a', seven, thin), densityKgPerM3: 0.9 * STANDARD_ROTOR_AIR.densityKgPerM3 }],
      rig,
    )!;
    expect(calibrationFactor(found.whole.thrust, 0.5).factor).toBeCloseTo(1, 6);
  });

  test('a prop that was never measured is foretold better than by its label', () => {
    const random = seededRandom('makers');
    const normal = (): number => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next());
    let [before, after] = [0, 0];
    for (let k = 0; k < 30; k++) {
      // A maker's blades share most of their error; each model has a little of its own.
      const shared = 0.08 * normal();
      const sizes = [inches(7, 3.5, 3), inches(7.4, 4.4, 2), inches(6.8, 4, 3), inches(7.2, 3.9, 3)];
      const own = sizes.map(() => shared + 0.02 * normal());
      const runs = sizes.slice(0, 3).map((g, i) => run(String(i), g, steps(g, Math.exp(own[i]!), 1, 'torque')));
      const { factor } = calibrationFactor(calibrateByRuns(runs, rig)!.whole.thrust, 3.9 / 7.2);
      before += own[3]! ** 2;
      after += (own[3]! - Math.log(factor)) ** 2;
    }
    expect(Math.sqrt(after / before)).toBeLessThan(0.5);
  });

  test('runs without speed, without thrust, or none at all say nothing', () => {
    const blind = steps(seven, 1.2, 1, 'torque').map((s) => ({ ...s, speedRpm: null }));
    expect(calibrateByRuns([run('a', seven, blind)], rig)).toBeNull();
    expect(calibrateByRuns([run('a', seven, [emptyStep()])], rig)).toBeNull();
    expect(calibrateByRuns([], rig)).toBeNull();
  });

  test('without a torque or a power only thrust is corrected', () => {
    const thrustOnly = steps(seven, 1.1, 1, 'torque').map((s) => ({ ...s, torqueNm: null }));
    const found = calibrateByRuns([run('a', seven, thrustOnly)], rig)!;
    expect([found.whole.thrust.readingCount, found.whole.power.readingCount]).toEqual([1, 0]);
  });
});

test('one model within all: its own readings move it off the whole, and narrow it', () => {
  const reading = (logRatio: number) => ({ pitchRatio: 0.6, logRatio });
  const whole = calibrate([reading(0.1), reading(0.12), reading(0), reading(0.02)]);
  const own = calibrateWithin(whole, [reading(0), reading(0.02)]);
  const [wholeFactor, ownFactor] = [calibrationFactor(whole, 0.6), calibrationFactor(own, 0.6)];
  expect(Math.log(ownFactor.factor)).toBeLessThan(Math.log(wholeFactor.factor));
  expect(Math.abs(Math.log(ownFactor.factor) - 0.01)).toBeLessThan(0.02);
  expect(calibrationFactor(calibrateWithin(whole, []), 0.6).factor).toBeCloseTo(wholeFactor.factor, 9);
});
