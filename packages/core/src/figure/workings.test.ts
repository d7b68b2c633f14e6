import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { explainLife } from '../care/explainLife.ts';
import { pieceLifeLeft } from '../care/life.ts';
import { strikeSeverities } from '../care/fatigue.ts';
import { layOut } from '../craft/layouts.ts';
import { explainTip } from '../fit/explainTip.ts';
import { takeOff } from '../fit/takeOff.ts';
import { rotorAction } from '../fit/rotorAction.ts';
import { explainFlights } from '../flight/explainFlights.ts';
import { compareFlights, type ComparedCard } from '../flight/compareFlights.ts';
import { explainSound } from '../listen/explainSound.ts';
import { rankSounds, type LevelAtThrust } from '../listen/rankSounds.ts';
import { propMaterials } from '../propeller/propGeometry.ts';
import { explainYield } from '../rack/explainYield.ts';
import { yieldOf } from '../rack/yield.ts';
import { estimateEvening } from '../stand/eveningPlan.ts';
import { explainEvening } from '../stand/explainEvening.ts';
import { usualProtocols } from '../stand/protocol.ts';
import { evaluateWorking } from '../test/evaluateWorking.ts';
import { explainScore } from '../verdict/explainScore.ts';
import { judge, type JudgeContender } from '../verdict/judge.ts';
import type { EvidenceCell } from '../verdict/weighEvidence.ts';
import { usualJudgeWeights, usualMatters } from '../verdict/wishes.ts';
import type { Working } from './figure.ts';

/** Every line that is shown follows from what is shown above it, and the last is the figure. */
function expectItFollows(working: Working): void {
  working.lines.forEach(({ value }, i) => {
    const found = evaluateWorking({ ...working, lines: working.lines.slice(0, i + 1) });
    expect(Math.abs(found - value)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(value)));
  });
  expect(working.lines.at(-1)!.value).toBe(working.result.value);
}

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const seconds = between(1, 40_000);
const speeds = between(1_000, 40_000);

describe('a shown working gives its figure', () => {
  test('the used share of a life, by wear or by hours, over many speeds, strikes and nicks', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...propMaterials),
        fc.array(fc.record({ durationS: seconds, speedRpm: speeds }), { maxLength: 8 }),
        fc.array(fc.constantFrom(...strikeSeverities), { maxLength: 5 }),
        fc.boolean(),
        between(0.03, 0.6),
        (material, flown, strikes, hasNick, diameterM) => {
          const life = pieceLifeLeft({
            diameterM,
            material,
            flown,
            strikes,
            hasNick,
            flightCount: flown.length,
            secondsPerDay: 600,
          });
          const working = explainLife(life);
          expectItFollows(working);
          expect(working.result.value).toBe(life.usedRatio);
          expect(working.notes).toHaveLength(1);
        },
      ),
    ));

  test('a level against the reference, and a level alone, from takes at any thrust', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ soundKey: fc.constantFrom('a', 'b', 'c'), levelDb: between(30, 110), thrustN: between(1, 60) }),
          {
            minLength: 1,
            maxLength: 12,
          },
        ),
        between(1, 60),
        (takes: LevelAtThrust[], thrustN) => {
          const { sounds } = rankSounds(takes, 'a', thrustN);
          const reference = sounds.find((s) => s.soundKey === 'a') ?? null;
          for (const sound of sounds) {
            const working = explainSound(takes, thrustN, sound, reference);
            expectItFollows(working);
            expect(working.result.value).toBe(sound.differenceDb ?? sound.levelDb);
          }
        },
      ),
    ));

  test('a difference in the air, from two flights each, and a mean where nothing is beside it', () => {
    const card = (propId: string, nth: number, hoverCurrentA: number): ComparedCard => ({
      cardId: `${propId}${nth}`,
      propId,
      propName: propId,
      card: {
        protocol: { version: 1, lowerM: 10, upperM: 60, angleDegrees: 45 },
        climbs: [],
        passes: [],
        hoverThrottleRatio: null,
        hoverCurrentA,
        takeOffRollM: null,
        durationS: 300,
        usedAh: null,
        packCapacityAh: null,
        restCellV: null,
        chemistry: 'lipo',
        windMPerS: null,
        hasPack: true,
        payloadKg: 0,
        massKg: 1,
      },
    });
    const { props } = compareFlights(
      [card('new', 1, 8), card('new', 2, 8.2), card('old', 1, 7), card('old', 2, 7.06)],
      'old',
      1,
    );
    const [own, reference] = ['new', 'old'].map((id) => props.find((p) => p.propId === id)!.figures.hoverCurrentA!);
    const working = explainFlights('hoverCurrentA', own!, reference!);
    expectItFollows(working);
    expect(working.inputs.map((i) => i.value)).toEqual([8, 8.2, 7, 7.06]);
    expect(working.result).toMatchObject({ value: expect.closeTo(8.1 / 7.03 - 1, 12), dimension: 'ratio' });
    expect(working.result.uncertainty).toBeGreaterThan(0);
    expectItFollows(explainFlights('hoverCurrentA', own!, null));
    const many = { ...own!, values: Array.from({ length: 30 }, () => 8) };
    expect(explainFlights('hoverCurrentA', many, null).inputs).toHaveLength(1);
  });

  test('a score, also where a wish is open or nothing is known', () => {
    const cell = (gain: number, source: EvidenceCell['source']): EvidenceCell => ({
      gain,
      deviation: 0.01,
      source,
      difference: null,
      value: 1,
      halfWidth: 0.1,
      place: null,
      against: null,
      count: 1,
      isExtended: false,
      isSimulated: false,
    });
    const contender = (id: string, quiet?: number, minutes?: number): JudgeContender => ({
      id,
      name: id,
      bars: [],
      row: {
        ...(quiet === undefined ? {} : { quiet: cell(quiet, 'ear') }),
        ...(minutes === undefined ? {} : { minutes: cell(minutes, 'model') }),
      },
    });
    const input = {
      craftName: 'Tern',
      referenceId: 'a',
      contenders: [contender('a', 0, 0), contender('b', 0.04), contender('c', undefined, -0.1)],
      weights: usualJudgeWeights(null, 'quietNeighbourhood'),
      matters: usualMatters,
    };
    const judgement = judge(input);
    for (const { id } of input.contenders) expectItFollows(explainScore(input, judgement, id)!);
    expect(explainScore(input, judgement, 'b')!.inputs.map((i) => i.what)).toContain('openGain.minutes');
    expect(explainScore(input, judgement, 'nobody')).toBeNull();
    const blank = { ...input, contenders: [contender('a'), contender('b')] };
    expectItFollows(explainScore(blank, judge(blank), 'a')!);
  });

  test('a share of usable pieces', () => {
    const counts = fc.nat({ max: 500 });
    fc.assert(
      fc.property(counts, counts, counts, (goodFromBagCount, goodCorrectedCount, rejectedCount) => {
        const result = yieldOf({ goodFromBagCount, goodCorrectedCount, rejectedCount, notJudgedCount: 3 });
        const working = explainYield(result);
        if (working === null) expect(result.pieceCount).toBe(0);
        else expectItFollows(working);
      }),
    );
  });

  test('how long an evening takes', () => {
    const runs = Array.from({ length: 9 }, () => ({ propId: 'a', isReference: false, kitId: null, packId: null }));
    const protocol = usualProtocols.ladder;
    const working = explainEvening(9, protocol, estimateEvening(runs, protocol, 2, null));
    expectItFollows(working);
    expect(working.result.value).toBe(estimateEvening(runs, protocol, 2, null).durationS);
  });

  test('the moment that turns a craft over, for one arm and for two', () => {
    const rotors = layOut({ layout: 'quadX', diagonalM: 0.4, arms: null });
    for (const wrong of [[0], [0, 2], [1, 3]]) {
      const arms = rotors.map((rotor, i) => ({
        ...rotor,
        expectedSpin: rotor.spin,
        isSpinSeen: true,
        hand: wrong.includes(i) ? (rotor.spin === 'cw' ? ('ccw' as const) : ('cw' as const)) : rotor.spin,
        isLabelForward: true,
      }));
      const { tip } = takeOff(arms, 'multirotor', {
        carry: { thrustN: 4.7, torqueNm: 0.06 },
        most: null,
        hasTailServo: false,
      });
      const pulling = arms.map((arm) => ({
        ...arm,
        pullN: 4.7 * rotorAction(arm.spin, arm.hand, true).thrustRatio,
        rightPullN: 4.7,
      }));
      const working = explainTip(pulling, tip!)!;
      expectItFollows(working);
      expect(working.inputs).toHaveLength(3 * wrong.length);
    }
    expect(explainTip([], { momentNm: 0 })).toBeNull();
  });
});
