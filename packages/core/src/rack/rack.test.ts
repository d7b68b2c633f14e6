import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { layOut } from '../craft/layouts.ts';
import { boreFitOf, checkInFindings } from './checkIn.ts';
import {
  boreFits,
  lived,
  newPiece,
  refusalOf,
  retirements,
  type PieceAction,
  type PieceFacts,
  type PieceLife,
} from './pieceLife.ts';
import { isPieceTag, pieceTag } from './pieceTag.ts';
import { byHand, changesLeft, handsNeeded, handsWanted, setState, type SetPiece } from './setNeeds.ts';
import { doesMostFail, judgeFate, sumOfYields, yieldOf, type PieceFate } from './yield.ts';

const anyAction: fc.Arbitrary<PieceAction> = fc.oneof(
  fc.constant<PieceAction>({ action: 'checkIn' }),
  fc.boolean().map((isDynamic): PieceAction => ({ action: 'true', isDynamic })),
  fc.constant<PieceAction>({ action: 'fit', craftId: 'c', place: 'frontLeft', level: 0 }),
  fc.constant<PieceAction>({ action: 'remove' }),
  fc.constant<PieceAction>({ action: 'dress' }),
  fc.constantFrom(...retirements).map((as): PieceAction => ({ action: 'retire', as })),
  fc.constant<PieceAction>({ action: 'unretire' }),
  fc.constant<PieceAction>({ action: 'move', location: 'drawer 3' }),
  fc.constant<PieceAction>({ action: 'joinSet', setId: 's' }),
  fc.constant<PieceAction>({ action: 'leaveSet' }),
);
const anyFacts: fc.Arbitrary<PieceFacts> = fc.record({
  boreFit: fc.option(fc.constantFrom(...boreFits)),
  isUnsound: fc.boolean(),
});

describe('the life of a piece', () => {
  test('no path fits a retired, cracked or open-bored piece, or one that was never checked in', () => {
    fc.assert(
      fc.property(fc.array(anyAction, { maxLength: 40 }), anyFacts, (actions, facts) => {
        let life: PieceLife = newPiece;
        let wasCheckedIn = false;
        for (const act of actions) {
          if (refusalOf(life, act, facts) !== null) continue;
          life = lived(life, act);
          wasCheckedIn ||= act.action === 'checkIn';
          if (life.state === 'fitted') {
            expect([
              wasCheckedIn,
              life.retiredAs,
              life.craftId,
              facts.boreFit === 'needsRing' || facts.boreFit === 'needsReaming',
              facts.isUnsound,
            ]).toEqual([true, null, 'c', false, false]);
          } else expect([life.craftId, life.place, life.isTruedDynamic]).toEqual([null, null, false]);
          expect(life.state === 'retired').toBe(life.retiredAs !== null);
          if (life.state === 'retired') expect(life.setId).toBeNull();
        }
      }),
      { numRuns: 400, seed: 11 },
    );
  });

  test('static balancing travels with the piece, a dynamic one ends when it comes off', () => {
    const balanced = lived(lived(newPiece, { action: 'checkIn' }), { action: 'true', isDynamic: false });
    const fitted = lived(lived(balanced, { action: 'fit', craftId: 'c', place: 'rearLeft', level: 0 }), {
      action: 'true',
      isDynamic: true,
    });
    expect(fitted).toMatchObject({ state: 'fitted', isTruedStatic: true, isTruedDynamic: true });
    expect(lived(fitted, { action: 'dress' })).toMatchObject({
      state: 'fitted',
      isTruedStatic: false,
      isTruedDynamic: false,
    });
    expect(lived(balanced, { action: 'dress' })).toMatchObject({ state: 'checkedIn', isTruedStatic: false });
    expect(lived(fitted, { action: 'remove' })).toMatchObject({
      state: 'resting',
      isTruedStatic: true,
      isTruedDynamic: false,
    });
  });

  test('retiring is taken back to the state before, never onto a craft', () => {
    const fitted: PieceLife = { ...newPiece, state: 'fitted', craftId: 'c', place: 'rear' };
    expect(lived(lived(fitted, { action: 'retire', as: 'scrapped' }), { action: 'unretire' })).toMatchObject({
      state: 'resting',
      craftId: null,
      retiredAs: null,
    });
    const trued: PieceLife = { ...newPiece, state: 'trued', isTruedStatic: true };
    expect(lived(lived(trued, { action: 'retire', as: 'display' }), { action: 'unretire' }).state).toBe('trued');
  });

  test.each<[Partial<PieceLife>, PieceAction['action'], Partial<PieceFacts>, string | null]>([
    [{ state: 'retired' }, 'fit', {}, 'retired'],
    [{ state: 'new' }, 'true', {}, 'notCheckedIn'],
    [{ state: 'checkedIn' }, 'true', { boreFit: 'needsReaming' }, 'boreOpen'],
    [{ state: 'checkedIn' }, 'true', { boreFit: 'reamed' }, null],
    [{ state: 'resting' }, 'fit', { isUnsound: true }, 'unsound'],
    [{ state: 'fitted' }, 'fit', {}, 'alreadyFitted'],
    [{ state: 'trued' }, 'remove', {}, 'notFitted'],
    [{ state: 'trued' }, 'checkIn', {}, 'alreadyCheckedIn'],
    [{ state: 'trued' }, 'unretire', {}, 'notRetired'],
  ])('%j, %s, %j: %s', (life, action, facts, refusal) =>
    expect(refusalOf({ ...newPiece, ...life }, { action }, { boreFit: null, isUnsound: false, ...facts })).toBe(
      refusal,
    ),
  );
});

describe('tags', () => {
  test('each number has its own, of four signs that cannot be mistaken', () => {
    const tags = Array.from({ length: 15_625 }, (_, i) => pieceTag(i));
    expect(new Set(tags).size).toBe(tags.length);
    expect(tags.every((t) => /^[3467-9ACDEFGHJKMNPQRTUVWXY]{4}$/.test(t) && isPieceTag(t))).toBe(true);
  });
  test('one sign misread is noticed', () => {
    fc.assert(
      fc.property(fc.nat(15_624), fc.nat(2), fc.constantFrom(...'34679ACDEFGHJKMNPQRTUVWXY'), (number, at, sign) => {
        const tag = pieceTag(number);
        const wrong = tag.slice(0, at) + sign + tag.slice(at + 1);
        expect(isPieceTag(wrong)).toBe(wrong === tag);
      }),
      { seed: 3 },
    );
  });
  test('case and spaces do not matter, other texts are none', () => {
    expect([
      isPieceTag(` ${pieceTag(812).toLowerCase()} `),
      isPieceTag(''),
      isPieceTag('0OIL'),
      isPieceTag('34679'),
    ]).toEqual([true, false, false, false]);
    expect(() => pieceTag(15_625)).toThrow();
  });
});

describe('check-in', () => {
  const batch = (masses: (number | null)[]) =>
    masses.map((massG, i) => ({ id: String(i), massKg: massG === null ? null : massG / 1000, diameterM: null }));
  test('a piece unlike its batch stands out; ordinary spread does not', () => {
    expect(checkInFindings(batch([7.9, 7.92, 7.88, 7.95, 8.6, 7.9]), 0.183, 1e-5)).toEqual([
      { code: 'massOutlier', id: '4', massKg: 0.0086, medianKg: expect.closeTo(0.00791, 6) },
    ]);
    expect(checkInFindings(batch([7.9, 7.93, 7.88, 7.95, 7.97, 7.9]), 0.183, 1e-5)).toEqual([]);
    expect(checkInFindings(batch([7.9, 9.9, 7.8]), 0.183, 1e-5)).toEqual([]);
    expect(checkInFindings(batch([null, null]), 0.183, 1e-5)).toEqual([]);
  });
  test('a mass within five counts of the scale is too coarse', () => {
    expect(checkInFindings(batch([0.3]), 0.04, 1e-4)).toEqual([
      { code: 'massTooCoarse', id: '0', massKg: 0.0003, resolutionKg: 1e-4 },
    ]);
  });
  test('a diameter unlike the label is told', () => {
    expect(checkInFindings([{ id: 'a', massKg: null, diameterM: 0.1765 }], 0.18288, 1e-5)).toEqual([
      { code: 'diameterOffLabel', id: 'a', diameterM: 0.1765, labelM: 0.18288 },
    ]);
    expect(() => checkInFindings([], 0, 1e-5)).toThrow(/labelM/);
  });
  test('a wide bore needs a ring, a narrow one reaming', () => {
    expect([
      boreFitOf(0.008, 0.006),
      boreFitOf(0.005, 0.006),
      boreFitOf(0.006, 0.006),
      boreFitOf(0.00604, 0.006),
    ]).toEqual(['needsRing', 'needsReaming', 'fits', 'fits']);
    expect(() => boreFitOf(0, 0.005)).toThrow();
  });
});

describe('how a piece turned out', () => {
  const checkedIn: PieceFate = {
    isCheckedIn: true,
    isUnsound: false,
    isRetired: false,
    hasFlown: false,
    isTrued: false,
    isCorrected: false,
    isSentBack: false,
  };
  test.each<[string, Partial<PieceFate>, string]>([
    ['still in its bag', { isCheckedIn: false }, 'notJudged'],
    ['checked in, nobody had it on a shaft', {}, 'notJudged'],
    ['stays as it is on the shaft', { isTrued: true }, 'goodFromBag'],
    ['taped until it stayed', { isTrued: true, isCorrected: true }, 'goodCorrected'],
    ['flown without the shaft: too small to need it', { hasFlown: true }, 'goodFromBag'],
    ['cracked when it was checked in', { isUnsound: true }, 'rejected'],
    ['sent back from the shaft', { isSentBack: true }, 'rejected'],
    ['sent back, and balanced at an earlier try', { isTrued: true, isCorrected: true, isSentBack: true }, 'rejected'],
    ['thrown out unflown', { isRetired: true }, 'rejected'],
    ['worn out after its flights', { isRetired: true, hasFlown: true, isTrued: true }, 'goodFromBag'],
  ])('%s', (_name, fate, judgement) => expect(judgeFate({ ...checkedIn, ...fate })).toBe(judgement));

  test('a bag of ten, one cracked and six sent back, is three tenths usable, and most of it fails', () => {
    const bag = [checkedIn, checkedIn, checkedIn]
      .map((f) => ({ ...f, isTrued: true }))
      .concat(
        { ...checkedIn, isUnsound: true },
        Array.from({ length: 6 }, () => ({ ...checkedIn, isSentBack: true })),
      );
    const count = (judgement: string): number => bag.filter((f) => judgeFate(f) === judgement).length;
    const result = yieldOf({
      goodFromBagCount: count('goodFromBag'),
      goodCorrectedCount: 0,
      rejectedCount: count('rejected'),
      notJudgedCount: count('notJudged'),
    });
    expect(result).toMatchObject({ pieceCount: 10, rejectedCount: 7, usable: { ratio: 0.3 } });
    expect(doesMostFail(result)).toBe(true);
  });

  test('a supplier is blamed when most fails, not for half, and not for two pieces of three', () => {
    const of = (good: number, bad: number) =>
      doesMostFail(yieldOf({ goodFromBagCount: good, goodCorrectedCount: 0, rejectedCount: bad, notJudgedCount: 9 }));
    expect([of(2, 3), of(3, 3), of(1, 2), of(0, 0), of(0, 4)]).toEqual([true, false, false, false, true]);
  });

  test('what is not judged counts in no share, and sums are sums', () => {
    const counts = fc.record({
      goodFromBagCount: fc.nat(50),
      goodCorrectedCount: fc.nat(50),
      rejectedCount: fc.nat(50),
      notJudgedCount: fc.nat(50),
    });
    fc.assert(
      fc.property(counts, counts, (a, b) => {
        const both = yieldOf(sumOfYields([a, b]));
        expect(both.pieceCount).toBe(yieldOf(a).pieceCount + yieldOf(b).pieceCount);
        expect(both.usable?.ratio ?? null).toEqual(
          yieldOf({ ...sumOfYields([a, b]), notJudgedCount: 0 }).usable?.ratio ?? null,
        );
      }),
    );
  });
});

describe('yield', () => {
  test('Wilson’s interval: 8 of 10 is 0.49 to 0.94', () => {
    expect(yieldOf({ goodFromBagCount: 6, goodCorrectedCount: 2, rejectedCount: 2, notJudgedCount: 0 }).usable).toEqual(
      { ratio: 0.8, lowRatio: expect.closeTo(0.4902, 4), highRatio: expect.closeTo(0.9433, 4) },
    );
  });
  test('all good is not certainty, no piece is no share', () => {
    expect(
      yieldOf({ goodFromBagCount: 4, goodCorrectedCount: 0, rejectedCount: 0, notJudgedCount: 0 }).usable,
    ).toMatchObject({ ratio: 1, lowRatio: expect.closeTo(0.5101, 4), highRatio: 1 });
    expect(
      yieldOf({ goodFromBagCount: 0, goodCorrectedCount: 0, rejectedCount: 0, notJudgedCount: 0 }).usable,
    ).toBeNull();
    expect(() =>
      yieldOf({ goodFromBagCount: -1, goodCorrectedCount: 0, rejectedCount: 0, notJudgedCount: 0 }),
    ).toThrow();
  });
});

describe('sets', () => {
  const quad = layOut({ layout: 'quadX', diagonalM: 0.3, arms: null });
  const piece = (id: string, hand: SetPiece['hand'], propModelId = 'm'): SetPiece => ({ id, hand, propModelId });
  test('a quad needs two of each hand, a tractor plane one that is CCW seen from its label', () => {
    expect(handsNeeded(quad, 'multirotor')).toEqual({ cwCount: 2, ccwCount: 2 });
    expect(handsWanted(8, handsNeeded(quad, 'multirotor'))).toEqual({ cwCount: 4, ccwCount: 4 });
    expect(handsWanted(5, { cwCount: 1, ccwCount: 2 })).toEqual({ cwCount: 2, ccwCount: 3 });
    expect(handsWanted(3, { cwCount: 0, ccwCount: 1 })).toEqual({ cwCount: 0, ccwCount: 3 });
    expect(handsWanted(0, { cwCount: 0, ccwCount: 0 })).toEqual({ cwCount: 0, ccwCount: 0 });
    expect(handsNeeded(layOut({ layout: 'tractor', diagonalM: null, arms: null }), 'plane')).toEqual({
      cwCount: 0,
      ccwCount: 1,
    });
  });
  test('what is missing is named by hand; pieces that suit both fill gaps', () => {
    const needed = { cwCount: 2, ccwCount: 2 };
    expect(setState([piece('a', 'cw'), piece('b', 'cw')], needed)).toMatchObject({
      missing: { cwCount: 0, ccwCount: 2 },
      isComplete: false,
    });
    expect(
      setState([piece('a', 'cw'), piece('b', 'either'), piece('c', 'either'), piece('d', 'ccw')], needed),
    ).toMatchObject({ missing: { cwCount: 0, ccwCount: 0 }, isComplete: true });
    expect(
      setState([piece('a', 'cw'), piece('b', 'cw', 'n'), piece('c', 'ccw'), piece('d', 'ccw')], needed),
    ).toMatchObject({ strangers: ['b'], isComplete: false });
  });
  test('full changes left and the hand that ends first', () => {
    expect(changesLeft({ cwCount: 7, ccwCount: 4 }, { cwCount: 2, ccwCount: 2 })).toEqual({
      count: 2,
      firstOut: 'ccw',
      left: { cwCount: 3, ccwCount: 0 },
    });
    expect(changesLeft({ cwCount: 4, ccwCount: 4 }, { cwCount: 2, ccwCount: 2 }).firstOut).toBeNull();
    expect(changesLeft({ cwCount: 3, ccwCount: 4 }, { cwCount: 0, ccwCount: 1 })).toMatchObject({
      count: 4,
      firstOut: 'ccw',
    });
  });

  test.each([
    [
      { cwCount: 2, ccwCount: 2, eitherCount: 0 },
      { cwCount: 2, ccwCount: 2 },
    ],
    [
      { cwCount: 0, ccwCount: 0, eitherCount: 4 },
      { cwCount: 2, ccwCount: 2 },
    ],
    [
      { cwCount: 1, ccwCount: 3, eitherCount: 2 },
      { cwCount: 3, ccwCount: 3 },
    ],
    [
      { cwCount: 5, ccwCount: 0, eitherCount: 2 },
      { cwCount: 5, ccwCount: 2 },
    ],
    [
      { cwCount: 0, ccwCount: 5, eitherCount: 2 },
      { cwCount: 2, ccwCount: 5 },
    ],
    [
      { cwCount: 1, ccwCount: 1, eitherCount: 1 },
      { cwCount: 2, ccwCount: 1 },
    ],
  ])('pieces that fit either way serve the hand that has fewer: %j', (pieces, served) =>
    expect(byHand(pieces)).toEqual(served),
  );

  test('no piece is counted twice or lost, and none changes its hand', () => {
    fc.assert(
      fc.property(fc.nat(40), fc.nat(40), fc.nat(40), (cwCount, ccwCount, eitherCount) => {
        const served = byHand({ cwCount, ccwCount, eitherCount });
        expect(served.cwCount + served.ccwCount).toBe(cwCount + ccwCount + eitherCount);
        expect(served.cwCount >= cwCount && served.ccwCount >= ccwCount).toBe(true);
        // Nothing else would serve more full pairs.
        const pairs = (cw: number): number => Math.min(cw, cwCount + ccwCount + eitherCount - cw);
        for (let cw = cwCount; cw <= cwCount + eitherCount; cw++)
          expect(pairs(cw)).toBeLessThanOrEqual(pairs(served.cwCount));
      }),
    );
  });
});
