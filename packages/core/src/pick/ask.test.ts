import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { INCH_M } from '../label/propLabel.ts';
import { preparedOf, inches, mappingPlane, surveyQuad } from '../test/pickCrafts.ts';
import {
  answerQuestion,
  greatestPayloadKg,
  packsForMinutes,
  questionNames,
  usualPackKg,
  weightForInchKg,
  type QuestionName,
} from './ask.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import { brokenLimits, limitChange, pickLimitNames, type PickMargins } from './pickFigures.ts';

const prepared = preparedOf(surveyQuad);
const plane = preparedOf(mappingPlane);
const present = inches(7.2, 3.9, 3);
const planeProp = inches(11, 6, 2, { material: 'glassNylon' });
const asked = (question: QuestionName, geometry = present, of = prepared) => answerQuestion(of, geometry, question)!;

describe('each question changes what it says, and nothing else', () => {
  test('the prop as it is stands before every answer', () => {
    const { figures } = evaluateCandidate(prepared, present);
    for (const question of questionNames) expect(asked(question).before.figures).toEqual(figures);
  });

  test('an inch of disc grows the arms it stands on: clearance, neighbours and the craft’s weight', () => {
    const { after, prepared: changed, addedKg } = asked('inchMore');
    const growth = 1 / 7.2;
    expect(after.geometry.diameterM).toBeCloseTo(8.2 * INCH_M, 12);
    expect(addedKg).toBeCloseTo(0.2 * 1.92 * growth, 9);
    expect(changed.craft).toMatchObject({
      massKg: expect.closeTo(1.92 + addedKg, 9),
      neighbourDistanceM: expect.closeTo(0.2079 + INCH_M, 9),
      clearanceDiameterM: expect.closeTo(0.2 + INCH_M, 9),
      armM: expect.closeTo(0.147 * (1 + growth), 9),
    });
  });

  test('a craft whose clearance and arms nobody has measured keeps them unknown', () => {
    const { prepared: changed } = asked(
      'inchMore',
      present,
      preparedOf({ ...surveyQuad, clearanceDiameterM: null, armM: null }),
    );
    expect(changed.craft).toMatchObject({ clearanceDiameterM: null, armM: null });
  });

  test.each<[QuestionName, Partial<typeof present>]>([
    ['halfPitchMore', { pitchM: 4.4 * INCH_M }],
    ['bladeMore', { bladeCount: 4 }],
    ['squareTips', { tipShape: 'square' }],
    ['softer', { material: 'softPlastic' }],
  ])('%s', (question, change) => {
    const { after, addedKg, prepared: changed } = asked(question);
    expect(after.geometry).toEqual({
      ...present,
      ...change,
      pitchM: expect.closeTo(change.pitchM ?? present.pitchM, 12),
    });
    expect([addedKg, changed.craft]).toEqual([0, surveyQuad]);
  });

  test('every stiffer material has a softer one, until there is none', () => {
    const chain = ['carbon', 'carbonNylon', 'glassNylon', 'polycarbonate', 'softPlastic'] as const;
    const next = chain.map(
      (material) => answerQuestion(prepared, { ...present, material }, 'softer')?.after.geometry.material ?? null,
    );
    expect(next).toEqual([...chain.slice(1), null]);
    expect(asked('softer', { ...present, material: 'wood' }).after.geometry.material).toBe('glassNylon');
  });

  test('a cell more weighs what a cell weighs, and more throttle is left', () => {
    const { before, after, addedKg, prepared: changed } = asked('cellMore');
    expect(changed.craft.pack.seriesCount).toBe(7);
    expect(addedKg).toBeCloseTo(usualPackKg('lipo', 7, 4) - usualPackKg('lipo', 6, 4), 12);
    expect(after.figures.carryThrottleRatio).toBeLessThan(before.figures.carryThrottleRatio);
  });

  test('another winding turns faster or slower, its resistance with the square', () => {
    const typed = preparedOf({ ...surveyQuad, motor: { ...surveyQuad.motor, resistanceOhm: 0.1, noLoadCurrentA: 1 } });
    const higher = asked('kvHigher', present, typed);
    const lower = asked('kvLower', present, typed);
    expect(higher.prepared.craft.motor).toMatchObject({
      kvRpmPerV: expect.closeTo(1188, 9),
      resistanceOhm: expect.closeTo(0.1 / 1.21, 9),
      noLoadCurrentA: expect.closeTo(1.1, 9),
    });
    expect(lower.prepared.craft.motor).toMatchObject({
      kvRpmPerV: expect.closeTo(972, 9),
      resistanceOhm: expect.closeTo(0.1 / 0.81, 9),
      noLoadCurrentA: expect.closeTo(0.9, 9),
    });
    expect(higher.after.figures.fullThrustN).toBeGreaterThan(lower.after.figures.fullThrustN);
    expect(asked('kvHigher').prepared.craft.motor).toMatchObject({ resistanceOhm: null, noLoadCurrentA: null });
  });

  test('an inch more brings frame, and more minutes; payload costs minutes', () => {
    const inch = answerQuestion(prepared, present, 'inchMore')!;
    expect(inch.addedKg).toBeGreaterThan(0.03);
    expect(inch.after.figures.enduranceS).toBeGreaterThan(inch.before.figures.enduranceS);
    expect(answerQuestion(prepared, present, 'payloadMore')!.after.figures.enduranceS).toBeLessThan(
      inch.before.figures.enduranceS,
    );
  });
  test('a weighed prop grows by its own weight, not by that of another', () => {
    const light = { ...present, massKg: 0.0079 };
    const { before, after } = answerQuestion(prepared, light, 'halfPitchMore')!;
    expect(after.figures.inertiaKgM2 / before.figures.inertiaKgM2).toBeLessThan(1.1);
    expect(answerQuestion(prepared, light, 'bladeMore')!.after.geometry.massKg!).toBeGreaterThan(0.0079);
  });
  test('on a plane an inch brings no frame but comes nearer the ground', () => {
    const answer = answerQuestion(preparedOf(mappingPlane), inches(11, 6, 2), 'inchMore')!;
    expect(answer.addedKg).toBe(0);
    expect(answer.after.margins.ground).toBeGreaterThan(answer.before.margins.ground);
  });
  test('what makes no sense has no answer', () => {
    expect(answerQuestion(prepared, inches(7.2, 3.9, 3, { tipShape: 'square' }), 'squareTips')).toBeNull();
    expect(answerQuestion(prepared, inches(7.2, 3.9, 6), 'bladeMore')).toBeNull();
    expect(answerQuestion(prepared, inches(7, 8.2, 3), 'halfPitchMore')).toBeNull();
    expect(questionNames.map((q) => answerQuestion(prepared, present, q) !== null)).not.toContain(false);
  });
});

describe('backwards', () => {
  test('the weight for an inch brings back the minutes', () => {
    const kg = weightForInchKg(prepared, present)!;
    const today = evaluateCandidate(prepared, present).figures.enduranceS;
    expect(
      evaluateCandidate(preparedOf({ ...surveyQuad, massKg: 1.92 - kg }), inches(6.2, 3.9, 3)).figures.enduranceS /
        today,
    ).toBeCloseTo(1, 2);
  });
  test('packs: the lightest first, each with its own weight', () => {
    const pack = (id: string, capacityAh: number) => ({
      id,
      chemistry: 'lipo' as const,
      seriesCount: 6,
      capacityAh,
      cellResistanceOhm: null,
      cRating: null,
    });
    const answers = packsForMinutes(prepared, present, [
      pack('large', 6),
      pack('small', 3),
      pack('same', 4),
      { ...pack('other', 4), seriesCount: 3 },
    ]);
    expect(answers.map((a) => a.pack.id)).toEqual(['small', 'same', 'large']);
    expect(answers[1]!.massKg).toBeCloseTo(1.92, 9);
    expect(answers[2]!.massKg - 1.92).toBeCloseTo(usualPackKg('lipo', 6, 2), 9);
    expect(answers[2]!.enduranceS).toBeGreaterThan(answers[1]!.enduranceS);
  });
  test('the payload found is the most for any weight of the craft: a little more breaks a bound', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.4, max: 2.4, noNaN: true }), (massKg) => {
        const kg = greatestPayloadKg(preparedOf({ ...surveyQuad, massKg }), present);
        if (kg === null) return;
        const room = (added: number): number => {
          const { margins, figures } = evaluateCandidate(
            preparedOf({ ...surveyQuad, massKg: massKg + added }),
            present,
          );
          return Math.min(0.85 - margins.carry, figures.thrustToWeightRatio - 1.6, 1 - margins.motorHeat);
        };
        expect(room(kg - 0.002)).toBeGreaterThan(0);
        expect(room(kg + 0.002)).toBeLessThan(0);
      }),
      { numRuns: 12 },
    );
    expect(greatestPayloadKg(preparedOf({ ...surveyQuad, massKg: 6 }), present)).toBeNull();
  });

  test('a plane carries by its wing: far less thrust over weight is asked', () => {
    const kg = greatestPayloadKg(plane, planeProp)!;
    const loaded = evaluateCandidate(preparedOf({ ...mappingPlane, massKg: mappingPlane.massKg + kg }), planeProp);
    expect(kg).toBeGreaterThan(0.5);
    expect(loaded.figures.thrustToWeightRatio).toBeGreaterThanOrEqual(0.299);
  });

  test('an inch less pays nothing back where it costs nothing, and is not asked of a prop that has none to give', () => {
    const tooLarge = preparedOf({ ...surveyQuad, massKg: 0.4, pack: { ...surveyQuad.pack, seriesCount: 3 } });
    const large = inches(12, 4, 3);
    const smaller = evaluateCandidate(tooLarge, inches(11, 4, 3)).figures.enduranceS;
    const isDearer = smaller < evaluateCandidate(tooLarge, large).figures.enduranceS;
    expect(weightForInchKg(tooLarge, large)! > 0).toBe(isDearer);
    expect(weightForInchKg(prepared, inches(2.9, 2, 3))).toBeNull();
    expect(weightForInchKg(prepared, inches(6, 5.9, 3))).toBeLessThan(0.66 * 1.92);
    expect(weightForInchKg(prepared, inches(6, 6.1, 3))).toBeNull();
  });

  test('a pack that cannot hold its voltage is no answer, a heavier chemistry weighs in', () => {
    const pack = (id: string, more: object = {}) => ({
      id,
      chemistry: 'lipo' as const,
      seriesCount: 6,
      capacityAh: 4,
      cellResistanceOhm: null,
      cRating: null,
      ...more,
    });
    const answers = packsForMinutes(prepared, present, [
      pack('tired', { cellResistanceOhm: 0.08 }),
      pack('usual'),
      pack('long', { chemistry: 'liIon', capacityAh: 6 }),
      pack('far', { seriesCount: 8 }),
    ]);
    expect(answers.map((a) => a.pack.id)).toEqual(['usual', 'long']);
    expect(answers[1]!.massKg - answers[0]!.massKg).toBeCloseTo(
      usualPackKg('liIon', 6, 6) - usualPackKg('lipo', 6, 4),
      9,
    );
  });
});

describe('limits before and after a change', () => {
  const margin = fc.oneof(fc.double({ min: 0, max: 3, noNaN: true }), fc.constant(1));
  const margins = fc.record(
    Object.fromEntries(pickLimitNames.map((name) => [name, margin])) as Record<
      (typeof pickLimitNames)[number],
      typeof margin
    >,
  ) as fc.Arbitrary<PickMargins>;

  test('every broken limit is named exactly once, whatever was broken before', () => {
    fc.assert(
      fc.property(margins, margins, (before, after) => {
        const { already, fresh, mended } = limitChange(before, after);
        expect([...already, ...fresh].sort()).toEqual(brokenLimits(after).sort());
        expect([...already, ...mended].sort()).toEqual(brokenLimits(before).sort());
        for (const limit of fresh) expect(before[limit]).toBeLessThanOrEqual(1);
      }),
    );
  });

  test('a park plane whose ESC the present prop passes by half: one blade more is never said to fit', () => {
    const present = evaluateCandidate(plane, planeProp);
    const over = preparedOf({ ...mappingPlane, escLimitA: present.figures.fullCurrentA / 1.5 });
    const { before, after } = asked('bladeMore', planeProp, over);
    expect(before.margins.escCurrent).toBeCloseTo(1.5, 1);
    expect(after.margins.escCurrent).toBeGreaterThan(before.margins.escCurrent);
    expect(limitChange(before.margins, after.margins).already).toContain('escCurrent');
    expect(limitChange(before.margins, before.margins)).toMatchObject({ fresh: [], mended: [] });
  });

  test('a craft ten times too heavy is not carried, and no question hides that', () => {
    const heavy = preparedOf({ ...surveyQuad, massKg: 10 * surveyQuad.massKg });
    for (const question of questionNames) {
      const answer = answerQuestion(heavy, present, question);
      if (!answer) continue;
      expect([question, limitChange(answer.before.margins, answer.after.margins).already.includes('carry')]).toEqual([
        question,
        true,
      ]);
    }
    expect([greatestPayloadKg(heavy, present), weightForInchKg(heavy, present)]).toEqual([null, null]);
  });
});
