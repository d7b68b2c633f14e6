import { describe, expect, test } from '@jest/globals';
import { amountOf, add, fromPolar, scale } from '../numerics/complex.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { labelGeometry } from '../propeller/propGeometry.ts';
import { inertiaFactors, propInertiaKgM2 } from '../propeller/propFigures.ts';
import { lookAtShaft, tapSwings } from '../simulate/simulatedShaft.ts';
import { USUAL_TAPE } from './tapePlan.ts';
import { tapePlaces, tapeVector, type LevelObservation } from './tapeTrials.ts';
import { balanceJobState, type BalanceJobEvidence, type BalanceJobSetting } from './balanceJob.ts';
import { vibrationState, type VibrationRun } from './vibrationRuns.ts';

const GMM = 1e-6;
const setting: BalanceJobSetting = {
  geometry: labelGeometry(0.18288, 0.1, 3, 'standard', 'polycarbonate'),
  massKg: 0.0079,
  craft: { massKg: 1.9, hoverSpeedRpm: 9000 },
  bellMassKg: 0.02,
  rig: { frictionKgM: 0.02 * GMM, borePlayM: 0, largestM: 0.4, inertiaKgM2: 1e-7 },
  target: 'good',
  roll: USUAL_TAPE,
};
const inertiaKgM2 = propInertiaKgM2(setting.massKg, 0.18288, inertiaFactors.standard) + setting.rig.inertiaKgM2;
const nothing: BalanceJobEvidence = {
  observations: [],
  swings: [],
  heavyDegrees: null,
  bladeMomentsKgM: [],
  onKgM: [],
};
const state = (more: Partial<BalanceJobEvidence>, own = setting) => balanceJobState(own, { ...nothing, ...more });
const codes = (found: ReturnType<typeof state>): string[] => found.reasons.map((r) => r.code);

describe('a job of balancing', () => {
  test('before the first look there is an aim and nothing else', () => {
    const found = state({});
    expect(found).toMatchObject({
      verdict: 'open',
      tape: null,
      swing: null,
      measured: null,
      next: null,
      plan: [],
      residual: null,
      isRigLimited: false,
    });
    expect(found.places).toHaveLength(3);
    expect(codes(found)).toEqual(['balance.aim.good']);
  });

  test('a finer wish has a smaller aim, and a rig that cannot show it says so', () => {
    expect(state({}, { ...setting, target: 'fine' }).targetKgM).toBeCloseTo(state({}).targetKgM / 2, 12);
    const loose = state({}, { ...setting, rig: { ...setting.rig, borePlayM: 0.0003 } });
    expect(loose).toMatchObject({ isRigLimited: true });
    expect(codes(loose)).toEqual(['balance.aim.rig']);
  });

  test('look by look on a simulated shaft it ends true, and what is left is what really is left', () => {
    const random = seededRandom('true-up');
    for (const [times, degrees] of [
      [2, 30],
      [1.5, 200],
      [2.2, 310],
    ] as const) {
      const unbalance = fromPolar(times * state({}).targetKgM, degrees);
      const observations: LevelObservation[] = [];
      let found = state({});
      for (let i = 0; i < 14 && found.verdict === 'open'; i++) {
        const tape = found.next ?? tapePlaces(found.job).map(() => 0);
        const vector = tapeVector(tape, found.job);
        observations.push({
          tape,
          seen: lookAtShaft({ unbalance, inertiaKgM2, frictionKgM: setting.rig.frictionKgM }, vector, random),
        });
        found = state({ observations });
      }
      expect(found.verdict).toBe('trued');
      const left = amountOf(add(unbalance, tapeVector(observations.at(-1)!.tape, found.job)));
      expect(left).toBeLessThan(1.5 * found.targetKgM);
      expect(codes(found)).toEqual(expect.arrayContaining(['balance.enough']));
    }
  });

  test('a swing tells how much, and asks where the heavy side hangs; then the strips follow', () => {
    const random = seededRandom('swing');
    const heavyKgM = 3 * state({}).targetKgM;
    const tapsS = tapSwings(
      { unbalance: fromPolar(heavyKgM, 0), inertiaKgM2 },
      { re: 0, im: 0 },
      15,
      7,
      0.01,
      0,
      random,
    );
    const swing = { tapsS, isHalf: true, startDegrees: 15, tapeKgM: 0, side: 'light' as const };
    const asked = state({ swings: [swing] });
    expect(asked.swing).toMatchObject({ kind: 'one' });
    expect(asked.measured!.unbalanceKgM / heavyKgM).toBeCloseTo(1, 0);
    expect(codes(asked)).toEqual(expect.arrayContaining(['balance.whereIsHeavy', 'balance.swing']));
    const placed = state({ swings: [swing], heavyDegrees: 0 });
    expect(placed.plan.length).toBeGreaterThan(0);
    // The tape goes against the heavy side: on the blades away from it, never on it.
    const vector = tapeVector(placed.next!, placed.job);
    expect(amountOf(add(vector, fromPolar(placed.measured!.unbalanceKgM, 0)))).toBeLessThan(
      0.35 * placed.measured!.unbalanceKgM,
    );
    expect(codes(placed)).toContain('balance.putTape');
  });

  test('blades that were weighed are true where they are alike, and are told where not', () => {
    expect(state({ bladeMomentsKgM: [0.001, 0.001, 0.001] })).toMatchObject({
      verdict: 'trued',
      measured: { unbalanceKgM: expect.closeTo(0, 15) },
    });
    const moreKgM = 2 * state({}).targetKgM;
    const uneven = state({ bladeMomentsKgM: [0.001, 0.001 + moreKgM, 0.001] });
    expect(uneven).toMatchObject({
      verdict: 'open',
      measured: { unbalanceKgM: expect.closeTo(moreKgM, 12), degrees: expect.closeTo(120, 6) },
    });
    expect(uneven.residual!.isBelowRig).toBe(false);
  });

  test('a piece beyond what tape may mend goes back', () => {
    expect(state({}).job.mostOnBladeKgM).toBeLessThan(20 * GMM);
    const random = seededRandom('far');
    const unbalance = fromPolar(60 * GMM, 90);
    const observations: LevelObservation[] = [];
    let found = state({});
    for (let i = 0; i < 10 && found.verdict === 'open'; i++) {
      const tape = found.next ?? tapePlaces(found.job).map(() => 0);
      observations.push({
        tape,
        seen: lookAtShaft(
          { unbalance, inertiaKgM2, frictionKgM: setting.rig.frictionKgM },
          tapeVector(tape, found.job),
          random,
        ),
      });
      found = state({ observations });
    }
    expect(found.verdict).toBe('sendBack');
    expect(found.reasons[0]).toMatchObject({ code: 'balance.sendBack', severity: 'danger' });
    expect(found.plan).toEqual([]);
  });

  test('nonsense is refused by its name', () => {
    expect(() => state({}, { ...setting, massKg: 0 })).toThrow(/massKg/i);
    expect(() =>
      state({ swings: [{ tapsS: [0], isHalf: true, startDegrees: 15, tapeKgM: 0, side: 'light' }] }),
    ).toThrow();
  });
});

describe('runs with a sensor', () => {
  const truth = fromPolar(5, 40);
  const influence = fromPolar(3000, 25);
  /** Reading with a mass on: what was there plus the mass times the influence. */
  const read = (massKg: number, degrees: number, withPhase: boolean): VibrationRun['readings'] => {
    const turn = (degrees * Math.PI) / 180;
    const mass = { re: massKg * Math.cos(turn), im: massKg * Math.sin(turn) };
    const sum = add(truth, {
      re: influence.re * mass.re - influence.im * mass.im,
      im: influence.re * mass.im + influence.im * mass.re,
    });
    return [
      { amplitude: amountOf(sum), phaseDegrees: withPhase ? (Math.atan2(sum.im, sum.re) * 180) / Math.PI : null },
    ];
  };
  const run = (massKg: number, degrees: number, withPhase: boolean, isCheck = false): VibrationRun => ({
    massKg,
    degrees,
    readings: read(massKg, degrees, withPhase),
    isCheck,
  });
  const ask = (...runs: VibrationRun[]) => vibrationState(runs, 18.6, 0.068, 9000);
  const leftWith = ({ massKg, degrees }: { massKg: number; degrees: number }): number =>
    read(massKg, degrees, false)[0]!.amplitude;

  test('first the bare run, then a trial no heavier than is safe', () => {
    expect(ask()).toMatchObject({ status: 'needsFirst', reasons: [{ code: 'balance.vibration.first' }] });
    expect(ask(run(0, 0, true))).toMatchObject({ status: 'needsTrial', nextTrialDegrees: 0 });
    expect(ask().largestTrialKg).toBeGreaterThan(0);
  });

  test('with phase one trial finds the mass that leaves nothing', () => {
    const found = ask(run(0, 0, true), run(0.001, 0, true));
    expect(found).toMatchObject({ status: 'found', method: 'phase' });
    expect(leftWith(found.correction!)).toBeLessThan(1e-9);
  });

  test('without phase three places are asked for, a third of a turn apart, and find the same', () => {
    expect(ask(run(0, 0, false), run(0.001, 0, false))).toMatchObject({
      status: 'needsMoreTrials',
      nextTrialDegrees: 120,
    });
    const found = ask(run(0, 0, false), run(0.001, 0, false), run(0.001, 120, false), run(0.001, 240, false));
    expect(found).toMatchObject({ status: 'found', method: 'amplitudes' });
    expect(leftWith(found.correction!)).toBeLessThan(0.02 * amountOf(truth));
  });

  test('a trial that changes nothing tells nothing', () => {
    const scattered = (massKg: number): VibrationRun => ({
      ...run(massKg, 0, true),
      readings: [0.9, 1, 1.1].map((by) => ({ amplitude: by * amountOf(truth), phaseDegrees: 40 * by })),
    });
    expect(ask(scattered(0), scattered(1e-7))).toMatchObject({
      status: 'inconclusive',
      reasons: [{ code: 'balance.vibration.inconclusive' }],
    });
    const faint = [0, 120, 240].map((degrees) => run(1e-7, degrees, false));
    expect(ask(run(0, 0, false), ...faint)).toMatchObject({ status: 'inconclusive' });
  });

  test('a check after it says how much is left, for good or for ill', () => {
    const { correction } = ask(run(0, 0, true), run(0.001, 0, true));
    const half = { massKg: 0.7 * correction!.massKg, degrees: correction!.degrees };
    expect(ask(run(0, 0, true), run(0.001, 0, true), run(half.massKg, half.degrees, true, true))).toMatchObject({
      leftRatio: expect.closeTo(0.3, 6),
      reasons: [{ code: 'balance.vibration.left', severity: 'gain' }],
    });
    const wrongWay = scale(fromPolar(correction!.massKg, correction!.degrees), -1);
    expect(
      ask(run(0, 0, true), run(0.001, 0, true), run(amountOf(wrongWay), correction!.degrees + 180, true, true))
        .reasons[0],
    ).toMatchObject({ severity: 'caution' });
  });
});
