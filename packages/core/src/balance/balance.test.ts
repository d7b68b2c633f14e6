import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { add, amountOf, degreesBetween, degreesOf, fromPolar, scale } from '../numerics/complex.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { lookAtShaft, tapSwings } from '../simulate/simulatedShaft.ts';
import { readVibration } from '../simulate/simulatedVibration.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { correctionAdvice, singleBladeBalance } from './corrections.ts';
import {
  largestTrialKg,
  meanReading,
  onePlaneCorrection,
  planeCorrections,
  residualAfter,
  trialVerdict,
} from './influence.ts';
import { onceAround } from './onceAround.ts';
import { balancedSubsets, placeBlades } from './slots.ts';
import { spinnerPositions } from './spinner.ts';
import { combinedUnbalance, splitCorrection } from './staticUnbalance.ts';
import { bestOfSwings, oneSwing, swingPeriod, twoSwings, type SwingPeriod } from './swingTiming.ts';
import {
  fallTimeS,
  isBeyond,
  nextTape,
  tapePlaces,
  tapeState,
  tapeVector,
  type TapeJob,
  type LevelObservation,
} from './tapeTrials.ts';
import {
  needsBalancing,
  residualOf,
  rigFloorKgM,
  shakeOf,
  shakeTargets,
  spinTestFrictionKgM,
  unbalanceTarget,
} from './targets.ts';
import { balanceWithoutPhase, refineWithoutPhase } from './withoutPhase.ts';

const GMM = 1e-6;

describe('vectors onto blades', () => {
  test('a split is never negative and adds up to what was asked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.double({ min: -720, max: 720, noNaN: true }),
        fc.integer({ min: 3, max: 8 }),
        (u, degrees, blades) => {
          const { parts } = splitCorrection(u * GMM, degrees, blades, 10);
          for (const { momentKgM } of parts) expect(momentKgM).toBeGreaterThanOrEqual(-1e-15);
          const sum = parts.reduce((v, p) => add(v, fromPolar(p.momentKgM, 10 + (360 * p.blade) / blades)), {
            re: 0,
            im: 0,
          });
          expect(amountOf(add(sum, scale(fromPolar(u * GMM, degrees), -1)))).toBeLessThan(1e-14);
        },
      ),
      { seed: 2 },
    );
  });
  test('three blades and a hub are one vector', () => {
    expect(combinedUnbalance([5, 5, 5]).unbalanceKgM).toBeCloseTo(0, 12);
    expect(combinedUnbalance([5, 5, 5], 0, fromPolar(2, 200))).toMatchObject({
      unbalanceKgM: expect.closeTo(2, 9),
      degrees: expect.closeTo(200, 9),
    });
  });
});

describe('tape trials', () => {
  const job: TapeJob = {
    bladeCount: 3,
    firstBladeDegrees: 0,
    frictionKgM: 0.05 * GMM,
    inertiaKgM2: 8e-6,
    targetKgM: 0.12 * GMM,
    mostOnBladeKgM: 3 * GMM,
    mostOnHubKgM: GMM,
  };
  const bare = [0, 0, 0];
  const falls = (tape: number[], downDegrees: number, fallS: number | null = null): LevelObservation => ({
    tape,
    seen: { kind: 'falls', downDegrees, fallS },
  });
  const stays = (tape: number[]): LevelObservation => ({ tape, seen: { kind: 'stays' } });

  test('a bare prop that stays is true, and needs no tape', () => {
    expect(tapeState(job, [stays(bare)])).toMatchObject({ verdict: 'trued', next: null });
  });

  test('the next tape goes onto the light side, never between blades', () => {
    const { next, verdict } = tapeState(job, [falls(bare, 0)]);
    expect(verdict).toBe('goOn');
    expect(next![0]).toBeCloseTo(0, 9);
    expect(next![1]! > 0 && next![2]! > 0).toBe(true);
    expect(Math.abs(next![1]! - next![2]!)).toBeLessThan(0.2 * next![1]!);
  });

  test('falling the other way halves the tape, falling on raises it', () => {
    const first = tapeState(job, [falls(bare, 180)]).next!;
    const tooMuch = tapeState(job, [falls(bare, 180), falls(first, 0)]).next!;
    const tooLittle = tapeState(job, [falls(bare, 180), falls(first, 180)]).next!;
    expect(tooMuch[0]!).toBeLessThan(first[0]!);
    expect(tooLittle[0]!).toBeGreaterThan(first[0]!);
  });

  test('a fast fall is a large unbalance', () => {
    const amount = (fallS: number): number => tapeState(job, [falls(bare, 180, fallS)]).unbalance!.amountKgM;
    expect(amount(0.5)).toBeGreaterThan(3 * amount(1.2));
    expect(fallTimeS(0.04 * GMM, 8e-6, 0.05 * GMM)).toBeNull();
  });

  test('a look that fits nothing is named', () => {
    const tape = [2.9 * GMM, 0, 0];
    const observations = [
      falls(bare, 180),
      stays(tape),
      falls(
        tape.map((t) => t * 0.999),
        0,
      ),
      falls([0, 2 * GMM, 0], 0),
    ];
    const state = tapeState(job, observations);
    expect(state.verdict).toBe('contradiction');
    expect([2, 3]).toContain(state.contradicting);
  });

  test('what no allowed tape can mend is sent back', () => {
    const heavy = [falls(bare, 180, fallTimeS(30 * GMM, 8e-6, job.frictionKgM)!)];
    expect(tapeState({ ...job, mostOnBladeKgM: 0.5 * GMM }, heavy).verdict).toBe('sendBack');
    expect(isBeyond(job, fromPolar(2.9 * GMM, 180))).toBe(false);
    expect(isBeyond(job, fromPolar(3.2 * GMM, 180))).toBe(true);
  });

  test('two blades reach across only at the hub', () => {
    const two = { ...job, bladeCount: 2 };
    expect(tapePlaces(two).map((p) => [p.kind, p.degrees])).toEqual([
      ['blade', 0],
      ['blade', 180],
      ['hub', 90],
      ['hub', 270],
    ]);
    const tape = nextTape(two, fromPolar(0.8 * GMM, 270));
    expect(amountOf(add(fromPolar(0.8 * GMM, 270), tapeVector(tape, two)))).toBeLessThan(1e-12);
    expect(tape.slice(0, 2).every((t) => t < 1e-12)).toBe(true);
  });

  test('props on a shaft that knows nothing of the method are balanced in a few changes', () => {
    const random = seededRandom('shaft');
    let done = 0;
    for (let i = 0; i < 25; i++) {
      const truth = {
        unbalance: fromPolar((0.3 + 2 * random.next()) * GMM, 360 * random.next()),
        inertiaKgM2: 8e-6,
        frictionKgM: job.frictionKgM,
      };
      const observations: LevelObservation[] = [];
      let tape = bare;
      for (let k = 0; k < 10; k++) {
        const seen = lookAtShaft(truth, tapeVector(tape, job), random);
        observations.push({ tape, seen: seen.kind === 'stays' ? seen : { ...seen, fallS: null } });
        const state = tapeState(job, observations);
        if (state.verdict === 'trued') {
          if (amountOf(add(truth.unbalance, tapeVector(tape, job))) <= 1.25 * job.targetKgM) done++;
        }
        if (state.verdict === 'contradiction') observations.splice(state.contradicting!, 1);
        else if (!state.next) break;
        else tape = state.next;
      }
    }
    expect(done).toBeGreaterThanOrEqual(21);
  });

  test('a job that is none is refused', () => {
    expect(() => tapeState(job, [])).toThrow();
    expect(() => tapeState({ ...job, targetKgM: 0 }, [stays(bare)])).toThrow(/targetKgM/);
    expect(() => tapeState({ ...job, bladeCount: 1 }, [stays(bare)])).toThrow(/bladeCount/);
  });
});

describe('swing timing', () => {
  const truth = { unbalance: fromPolar(1.2 * GMM, 40), inertiaKgM2: 9e-6 };
  const taps = (added = 0, tape = { re: 0, im: 0 }, jitterS = 0): number[] =>
    tapSwings(truth, tape, 15, 12, jitterS, added, seededRandom('taps'));

  test('taps of an integrated pendulum give its unbalance back', () => {
    const period = swingPeriod({ tapsS: taps(), isHalf: true, startDegrees: 15 });
    expect(oneSwing(period, 9e-6).unbalanceKgM / (1.2 * GMM)).toBeCloseTo(1, 1);
    expect(period.tapCount).toBe(12);
  });

  test('half periods are half of whole ones', () => {
    const [whole, half] = [
      [0, 2, 4, 6],
      [0, 1, 2, 3],
    ];
    expect(swingPeriod({ tapsS: half, isHalf: true, startDegrees: 5 }).periodS).toBeCloseTo(
      swingPeriod({ tapsS: whole, isHalf: false, startDegrees: 5 }).periodS,
      9,
    );
  });

  test('a wide swing is brought back to a small one: 45° is 4 % long', () => {
    const wide = swingPeriod({ tapsS: [0, 1, 2, 3], isHalf: false, startDegrees: 72.6 }).periodS;
    expect(1 / wide).toBeCloseTo(1.04, 2);
  });

  test('bare and with tape on the heavy side: unbalance and inertia, neither estimated', () => {
    const tapeKgM = 1.4 * GMM;
    const radiusM = 0.065;
    const bare = swingPeriod({ tapsS: taps(), isHalf: true, startDegrees: 15 });
    const taped = swingPeriod({
      tapsS: taps(tapeKgM * radiusM, fromPolar(tapeKgM, 40)),
      isHalf: true,
      startDegrees: 15,
    });
    const found = twoSwings(bare, taped, tapeKgM, radiusM, 'heavy');
    expect(found).toMatchObject({ status: 'found' });
    if (found.status !== 'found') return;
    expect(found.unbalanceKgM / (1.2 * GMM)).toBeCloseTo(1, 1);
    expect(found.inertiaKgM2 / 9e-6).toBeCloseTo(1, 1);
    expect(bestOfSwings(bare, found, 12e-6).unbalanceKgM / (1.2 * GMM)).toBeCloseTo(1, 0);
  });

  const period = (periodS: number, deviationS = 0.01): SwingPeriod => ({ periodS, deviationS, tapCount: 10 });
  test('readings that say nothing are inconclusive, with why', () => {
    expect(twoSwings(period(3), period(3.01), GMM, 0.06, 'light')).toEqual({
      status: 'inconclusive',
      reason: 'sameSwing',
    });
    expect(twoSwings(period(3), period(2.4), GMM, 0.06, 'light')).toEqual({
      status: 'inconclusive',
      reason: 'wrongSide',
    });
    expect(oneSwing(period(3), 9e-6).uncertaintyRatio).toBeGreaterThanOrEqual(0.2);
  });

  test.each([[[0, 0.005, 0.01]], [[0, 1]], [[0, 1, 0.5]], [[0, NaN, 2]], [[0, 100, 300]]])(
    '%j is no swing of a prop',
    (tapsS) => expect(() => swingPeriod({ tapsS, isHalf: false, startDegrees: 10 })).toThrow(),
  );
});

describe('targets', () => {
  const craft = { massKg: 1.92, hoverSpeedRpm: 9800 };
  const rig = { frictionKgM: 0.05 * GMM, borePlayM: 0, largestM: 0.4, inertiaKgM2: 1e-7 };
  test('the shake of the whole craft decides, and the rig where it cannot show that much', () => {
    const good = unbalanceTarget(craft, 'good', rig, 0.0079);
    expect(shakeOf(good.unbalanceKgM, craft)).toBeCloseTo(shakeTargets.good, 9);
    expect(good.isRigLimited).toBe(false);
    const played = unbalanceTarget(craft, 'fine', { ...rig, borePlayM: 0.0003 }, 0.0079);
    expect(played).toMatchObject({ isRigLimited: true, unbalanceKgM: expect.closeTo(1.5 * 0.0079 * 0.0003, 12) });
  });
  test('8.4 g with 0.05 mm of play is 0.42 g·mm', () =>
    expect(rigFloorKgM({ ...rig, borePlayM: 0.00005 }, 0.0084) / GMM).toBeCloseTo(0.42, 9));
  test('nothing is told smaller than the rig shows', () => {
    const floor = 0.2 * GMM;
    expect(residualOf(0, craft, 0.03, floor)).toMatchObject({ isBelowRig: true, unbalanceKgM: floor });
    expect(residualOf(GMM, craft, 0.03, floor).forceN).toBeCloseTo(GMM * ((2 * Math.PI * 9800) / 60) ** 2, 9);
  });
  test('small props are not worth it by force, and are by decree', () => {
    const small = { massKg: 0.0006, diameterM: 0.05 };
    const tiny = { massKg: 0.04, hoverSpeedRpm: 9000 };
    expect(needsBalancing({ kind: 'byForce', shareRatio: 2 }, small, tiny, (0.04 * GRAVITY_M_PER_S2) / 4)).toBe(false);
    expect(needsBalancing({ kind: 'byForce', shareRatio: 0.05 }, { massKg: 0.0079, diameterM: 0.18 }, craft, 4.7)).toBe(
      true,
    );
    expect(needsBalancing({ kind: 'all' }, small, tiny, 0.1)).toBe(true);
    expect(needsBalancing({ kind: 'fromDiameter', diameterM: 0.1 }, small, tiny, 0.1)).toBe(false);
  });
});

test('a spin test tells the friction of a rig', () => {
  // 8 g·cm² slowing from 2 turns a second over 10 s: 10 turns, a torque of I·ω/t.
  const torque = (8e-7 * 2 * 2 * Math.PI) / 10;
  expect(spinTestFrictionKgM(8e-7, 10, 10)).toBeCloseTo(torque / GRAVITY_M_PER_S2, 12);
  expect(() => spinTestFrictionKgM(8e-7, 0, 10)).toThrow(/turnCount/);
});

describe('corrections', () => {
  test('lacquer crazes polycarbonate, carbon dust wants a mask, cracks are never worked on', () => {
    expect(correctionAdvice('lacquer', 'polycarbonate', false, false)).toEqual({ isAllowed: false, reason: 'crazes' });
    expect(correctionAdvice('sand', 'carbon', false, false)).toEqual({ isAllowed: true, caution: 'wet' });
    expect(correctionAdvice('drill', 'wood', false, false)).toMatchObject({ isAllowed: false });
    expect(correctionAdvice('tape', 'wood', true, false)).toEqual({ isAllowed: false, reason: 'unsound' });
  });
  test('washers hold a single blade, its thrust stays beside the shaft', () => {
    const result = singleBladeBalance(
      { bladeMassKg: 0.004, centreOfMassM: 0.05, washerMassKg: 0.0008, washerRadiusM: 0.02, washerCount: 10 },
      2,
      0.07,
    );
    expect(Math.abs(result.washerCount - 12.5)).toBe(0.5);
    expect(Math.abs(result.leftKgM)).toBeLessThanOrEqual(0.5001 * 0.0008 * 0.02);
    expect(result.thrustMomentNm).toBeCloseTo(0.14, 9);
  });
});

describe('a spinner on its prop', () => {
  test('two alike cancel when they face each other', () => {
    const [best, worst] = spinnerPositions(fromPolar(2e-6, 30), fromPolar(2e-6, 30), 2);
    expect(best).toMatchObject({ position: 1, turnDegrees: 180, unbalanceKgM: expect.closeTo(0, 12) });
    expect(worst!.unbalanceKgM).toBeCloseTo(4e-6, 12);
  });
  test('the best is never worse than mark on mark, nor better than the difference of the two', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5e-6, noNaN: true }),
        fc.double({ min: 0, max: 5e-6, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 1, max: 12 }),
        (u, s, degrees, count) => {
          const all = spinnerPositions(fromPolar(u, 0), fromPolar(s, degrees), count);
          const onMark = all.find((p) => p.position === 0)!;
          expect(all).toHaveLength(count);
          expect(all[0]!.unbalanceKgM).toBeLessThanOrEqual(onMark.unbalanceKgM + 1e-15);
          expect(all[0]!.unbalanceKgM).toBeGreaterThanOrEqual(Math.abs(u - s) - 1e-15);
        },
      ),
    );
  });
  test('needs at least one position', () =>
    expect(() => spinnerPositions(fromPolar(1, 0), fromPolar(1, 0), 0)).toThrow(/positionCount/));
});

describe('vibration', () => {
  const truth = { before: fromPolar(3, 70), influence: fromPolar(2500, 200) };
  test('one trial with phase takes all of it out, left on or taken off', () => {
    const random = seededRandom('none');
    const trial = fromPolar(0.001, 90);
    const withTrial = readVibration(truth, trial, 0, 0, random);
    expect(
      residualAfter(truth.before, truth.influence, onePlaneCorrection(truth.before, trial, withTrial).correction),
    ).toBeLessThan(1e-9);
    const more = onePlaneCorrection(truth.before, trial, withTrial, true).correction;
    expect(residualAfter(truth.before, truth.influence, add(trial, more))).toBeLessThan(1e-9);
    expect(() => onePlaneCorrection(truth.before, { re: 0, im: 0 }, withTrial)).toThrow();
    expect(() => onePlaneCorrection(truth.before, trial, truth.before)).toThrow(/influence/);
  });
  test('planes that act alike are told by their condition', () => {
    const reading = (a: number, b: number) => [fromPolar(a, 0), fromPolar(b, 0)];
    expect(
      planeCorrections({
        before: reading(2, 2),
        trials: [
          { mass: fromPolar(1, 0), readings: reading(3, 3) },
          { mass: fromPolar(1, 0), readings: reading(3, 3.02) },
        ],
      }).condition,
    ).toBeGreaterThan(100);
    expect(() =>
      planeCorrections({
        before: [fromPolar(1, 0)],
        trials: [
          { mass: fromPolar(1, 0), readings: [fromPolar(2, 0)] },
          { mass: fromPolar(1, 0), readings: [fromPolar(2, 0)] },
        ],
      }),
    ).toThrow();
  });
  test('without phase: four readings give mass and place, and say how well', () => {
    const places = [0, 120, 240];
    const amplitudes = places.map((d) => amountOf(add(truth.before, fromPolar(2500 * 0.001, 200 + d))));
    const runs = { originalAmplitude: 3, trialKg: 0.001, trialDegrees: places, trialAmplitudes: amplitudes };
    const refined = refineWithoutPhase(runs);
    expect(refined.correctionKg).toBeCloseTo(3 / 2500, 6);
    expect(degreesBetween(refined.correctionDegrees, degreesOf(scale(fromPolar(1, 70 - 200), -1)))).toBeLessThan(0.1);
    expect(refined.massRatio).toBeGreaterThan(0);
    expect(balanceWithoutPhase(runs).consistency).toBeCloseTo(1, 6);
    expect(() => balanceWithoutPhase({ ...runs, trialDegrees: [0, 0, 0] })).toThrow();
    expect(() => balanceWithoutPhase({ ...runs, trialDegrees: [0, 120], trialAmplitudes: [1, 2] })).toThrow();
  });
  test('a change inside the noise is inconclusive', () => {
    const random = seededRandom('noise');
    const noisy = (mass: { re: number; im: number }) =>
      Array.from({ length: 4 }, () => readVibration(truth, mass, 0.05, 3, random));
    expect(trialVerdict(noisy({ re: 0, im: 0 }), noisy(fromPolar(0.00001, 0))).status).toBe('inconclusive');
    expect(trialVerdict(noisy({ re: 0, im: 0 }), noisy(fromPolar(0.001, 0))).status).toBe('tells');
    expect(meanReading(noisy({ re: 0, im: 0 })).spreadRatio).toBeGreaterThan(0.01);
  });
  test('a trial mass pulls at most 15 % of the weight', () => {
    const kg = largestTrialKg(18.8, 0.08, 6000);
    expect(kg * 0.08 * ((2 * Math.PI * 6000) / 60) ** 2).toBeCloseTo(0.15 * 18.8, 9);
  });
});

describe('the part that turns with the shaft', () => {
  const rateHz = 4000;
  const turnHz = 97;
  const samples = Float64Array.from(
    { length: 8000 },
    (_, i) =>
      9.8 +
      2.5 * Math.cos((2 * Math.PI * turnHz * i) / rateHz - 0.6) +
      1.2 * Math.cos((2 * Math.PI * 3 * turnHz * i) / rateHz),
  );
  const marksS = Array.from({ length: Math.floor(2 * turnHz) }, (_, k) => k / turnHz);
  test('amplitude and phase with a tacho, amplitude alone without', () => {
    expect(onceAround({ samples, rateHz, marksS, speedRpm: null })).toMatchObject({
      amplitudeMPerS2: expect.closeTo(2.5, 2),
      phaseDegrees: expect.closeTo((0.6 * 180) / Math.PI, 0),
      speedRpm: expect.closeTo(5820, 6),
    });
    expect(onceAround({ samples, rateHz, marksS: null, speedRpm: 5700 })).toMatchObject({
      amplitudeMPerS2: expect.closeTo(2.5, 1),
      phaseDegrees: null,
      speedRpm: expect.closeTo(5820, -1),
    });
  });
  test('a line above 0.4 of the sampling rate is refused, and too few turns too', () => {
    expect(() => onceAround({ samples, rateHz: 200, marksS, speedRpm: null })).toThrow(/lineHz/);
    expect(() => onceAround({ samples, rateHz, marksS: marksS.slice(0, 5), speedRpm: null })).toThrow();
    expect(() => onceAround({ samples, rateHz, marksS: null, speedRpm: null })).toThrow();
  });
});

describe('slots', () => {
  test('six slots and four blades: balanced is more than evenly spaced', () => {
    const { classes, evenlySpacedCount } = balancedSubsets(6, 4);
    expect(classes).toEqual([[0, 1, 3, 4]]);
    expect(evenlySpacedCount).toBe(0);
    expect(balancedSubsets(6, 3).evenlySpacedCount).toBe(2);
  });
  test('the best placing is never worse than as they came; many slots are searched', () => {
    const random = seededRandom('slots');
    const moments = Array.from({ length: 7 }, () => (50 + 2 * random.normal()) * GMM);
    const found = placeBlades(moments, 7);
    expect(found.isExact).toBe(true);
    expect(found.residualKgM).toBeLessThanOrEqual(found.identityKgM);
    expect(new Set(found.slots).size).toBe(7);
    const many = placeBlades(
      Array.from({ length: 16 }, () => (50 + 2 * random.normal()) * GMM),
      18,
    );
    expect(many.isExact).toBe(false);
    expect(many.residualKgM).toBeLessThan(many.identityKgM);
    expect(() => placeBlades([1, 2, 3], 2)).toThrow();
  });
});
