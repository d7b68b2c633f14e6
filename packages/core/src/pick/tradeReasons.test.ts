import { describe, expect, test } from '@jest/globals';
import { preparedOf, inches, mappingPlane, surveyQuad } from '../test/pickCrafts.ts';
import { evaluateCandidate, MOST_PICK_MACH, type PropFacts } from './evaluateCandidate.ts';
import type { PickCraft } from './pickCraft.ts';
import { pickLimitNames, type PickLimit } from './pickFigures.ts';
import { limitReason, limitValues } from './tradeReasons.ts';

/** A craft and prop at which each limit has something to say. */
const cases: Record<PickLimit, { craft: PickCraft; facts?: Partial<PropFacts> }> = {
  clearance: { craft: surveyQuad },
  neighbours: { craft: surveyQuad },
  ground: { craft: mappingPlane },
  boom: { craft: { ...mappingPlane, boomClearanceM: 0.15 } },
  carry: { craft: surveyQuad },
  escCurrent: { craft: surveyQuad },
  motorCurrent: { craft: { ...surveyQuad, motorLimitA: 30 } },
  motorHeat: { craft: surveyQuad },
  packSag: { craft: surveyQuad },
  tipSpeed: { craft: surveyQuad },
  makerSpeed: { craft: surveyQuad, facts: { makerLimitRpm: 20_000 } },
  bore: { craft: { ...surveyQuad, shaftDiameterM: 0.005 }, facts: { boreDiameterM: 0.00498 } },
  stock: { craft: surveyQuad, facts: { stock: { cwCount: 5, ccwCount: 1 } } },
};

describe('a limit in numbers of this craft', () => {
  const worked = (limit: PickLimit) => {
    const { craft, facts } = cases[limit];
    const prepared = preparedOf(craft);
    const candidate = evaluateCandidate(
      prepared,
      craft.kind === 'plane' ? inches(11, 6, 2) : inches(7.2, 3.9, 3),
      facts,
    );
    return { prepared, candidate, ...limitValues(prepared, candidate, limit) };
  };

  test.each(pickLimitNames.filter((l) => !['packSag', 'motorHeat', 'bore', 'stock', 'ground', 'boom'].includes(l)))(
    '%s: the value over what is allowed is the margin',
    (limit) => {
      const { value, allowed, candidate } = worked(limit);
      expect(value / allowed).toBeCloseTo(candidate.margins[limit], 6);
    },
  );

  test.each([
    ['clearance', 0.2],
    ['escCurrent', 42],
    ['motorCurrent', 30],
    ['ground', 0.17],
    ['boom', 0.15],
    ['bore', 0.00498],
    ['makerSpeed', 20_000],
  ] as const)('%s allows what was entered', (limit, entered) => expect(worked(limit).allowed).toBeCloseTo(entered, 9));

  test('ground and boom are measured from the shaft', () =>
    expect(['ground', 'boom'].map((l) => worked(l as PickLimit).value)).toEqual([
      expect.closeTo(5.5 * 0.0254, 9),
      expect.closeTo(5.5 * 0.0254, 9),
    ]));

  test('heat is counted from the air, the pack’s power climbs toward all it can give', () => {
    const { value, allowed, candidate } = worked('motorHeat');
    expect((value - surveyQuad.airC) / (allowed - surveyQuad.airC)).toBeCloseTo(candidate.margins.motorHeat, 9);
    const sag = worked('packSag');
    expect(sag.value / sag.allowed).toBeCloseTo(sag.candidate.margins.packSag, 9);
  });

  test('of the stock counts what the arms can use: two and one of five and one', () =>
    expect(worked('stock')).toMatchObject({ value: 4, allowed: 3 }));

  test('a tip past the speed that was computed still has a value', () => {
    const prepared = preparedOf(surveyQuad);
    const candidate = evaluateCandidate(prepared, inches(7.2, 3.9, 3));
    const fast = {
      ...candidate,
      figures: { ...candidate.figures, tipSpeedMPerS: Infinity },
      margins: { ...candidate.margins, tipSpeed: 1.2 },
    };
    const sound = MOST_PICK_MACH * prepared.air.soundSpeedMPerS;
    expect(limitValues(prepared, fast, 'tipSpeed')).toEqual({ value: expect.closeTo(1.2 * sound, 6), allowed: sound });
  });

  test('without the frame’s own measure the room is unknown', () => {
    const prepared = preparedOf({ ...mappingPlane, groundClearanceM: null, boomClearanceM: null });
    const candidate = evaluateCandidate(prepared, inches(11, 6, 2));
    expect([
      limitValues(prepared, candidate, 'ground').allowed,
      limitValues(prepared, candidate, 'boom').allowed,
    ]).toEqual([NaN, NaN]);
  });
});

test('the code tells nearest, barred and cannot apart', () => {
  const prepared = preparedOf(surveyQuad);
  const candidate = evaluateCandidate(prepared, inches(7.2, 3.9, 3));
  expect(limitReason(prepared, candidate, 'A', 'clearance')).toMatchObject({
    code: 'pick.closest.clearance',
    severity: 'note',
    values: { name: 'A', leftRatio: expect.closeTo(1 - (7.2 * 0.0254) / 0.2, 9) },
  });
  const tight = { ...candidate, margins: { ...candidate.margins, clearance: 1.1 } };
  expect(limitReason(prepared, tight, 'A', 'clearance')).toMatchObject({
    code: 'pick.barred.clearance',
    severity: 'danger',
    values: { overRatio: expect.closeTo(0.1, 9) },
  });
  const lost = {
    ...candidate,
    figures: { ...candidate.figures, carryThrottleRatio: NaN },
    margins: { ...candidate.margins, carry: 1.4 },
  };
  expect(limitReason(prepared, lost, 'A', 'carry').code).toBe('pick.cannot.carry');
});
