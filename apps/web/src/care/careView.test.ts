import { expect, test } from '@jest/globals';
import { carePlaces } from '@zivvo/core';
import {
  dueWords,
  headlineOf,
  isWalked,
  newWalk,
  nextSide,
  outcomeHeadline,
  placesOfSide,
  SIDES,
  toWalkaround,
  withBack,
  withFinding,
  withSeen,
  type Walk,
} from './careView.ts';

const arms = [
  { place: 'frontLeft' as const, level: 0 },
  { place: 'frontRight' as const, level: 0 },
];
const taps = (walk: Walk, count: number, atMs = 1000): Walk =>
  Array.from({ length: count }).reduce<Walk>((w) => withSeen(w, atMs), walk);

test('three taps a prop, and the next one is there by itself', () => {
  const walk = newWalk(arms);
  expect(nextSide(walk.looks[0]!)).toBe('top');
  expect(taps(walk, 2)).toMatchObject({ at: 0, tappedMs: expect.any(Number) });
  expect(taps(walk, 3).at).toBe(1);
  expect(isWalked(taps(walk, 5))).toBe(false);
  expect(isWalked(taps(walk, 6))).toBe(true);
});

test('a tap back opens the last side again, across props too', () => {
  const walk = taps(newWalk(arms), 4);
  expect(withBack(walk).looks[1]!.seen).toEqual([]);
  expect(withBack(withBack(walk))).toMatchObject({ at: 0, looks: [{ seen: ['top', 'underside'] }, { seen: [] }] });
  expect(withBack(newWalk(arms))).toEqual(newWalk(arms));
});

test('a finding is added once and taken back by the same key', () => {
  const walk = withFinding(newWalk(arms), 'tip', 'nick');
  expect(walk.looks[0]!.findings).toEqual([{ place: 'tip', what: 'nick' }]);
  expect(withFinding(walk, 'tip', 'nick').looks[0]!.findings).toEqual([]);
});

test('time runs from the first tap', () => {
  expect(toWalkaround('w', taps(newWalk(arms), 6), 46_000)).toMatchObject({
    id: 'w',
    durationS: 45,
    looks: [{ seen: [...SIDES] }, { seen: [...SIDES] }],
  });
  expect(toWalkaround('w', newWalk(arms), 46_000).durationS).toBe(0);
  // Taken up again after lunch it is no longer a look for that: two minutes of a pause count at most.
  const half = taps(newWalk(arms), 3, 1000);
  expect(toWalkaround('w', taps(half, 3, 3_600_000), 3_610_000).durationS).toBe(130);
});

test('every side offers all eleven places', () => {
  for (const side of SIDES) expect([...placesOfSide[side]].sort()).toEqual([...carePlaces].sort());
});

test('how a craft stands, in words', () => {
  const life = { usedRatio: 0.5, dueInDays: 12.4 };
  expect([
    dueWords(life),
    dueWords({ ...life, usedRatio: 1.2, dueInDays: 0 }),
    dueWords({ ...life, dueInDays: null }),
    dueWords({ ...life, dueInDays: 200 }),
    dueWords({ ...life, dueInDays: 2000 }),
    dueWords({ ...life, dueInDays: 1 }),
  ]).toEqual(['in 12 days', 'due now', 'not flown lately', 'in 7 months', 'years away', 'due tomorrow']);
  expect(headlineOf('Petrel', { verdict: 'grounded' })).toBe('Petrel stays on the ground');
  const look = {
    place: 'rearLeft' as const,
    level: 0,
    seen: [],
    findings: [],
    photoSha256: null,
    pieceId: 'p',
    isTruingVoid: false,
    reasons: [],
  };
  expect(
    outcomeHeadline(
      'Petrel',
      {
        outcome: 'retire',
        looks: [
          { ...look, tag: 'AB12', outcome: 'retire' },
          { ...look, tag: 'CD34', outcome: 'fly' },
        ],
      },
      { verdict: 'grounded' },
    ),
  ).toBe('AB12: retire');
  expect(
    outcomeHeadline(
      'Petrel',
      {
        outcome: 'retirePair',
        looks: [
          { ...look, tag: 'AB12', outcome: 'clean' },
          { ...look, tag: 'CD34', outcome: 'retirePair' },
        ],
      },
      { verdict: 'grounded' },
    ),
  ).toBe('CD34: retire the pair; AB12: clean up, true again');
  expect(outcomeHeadline('Petrel', { outcome: 'fly', looks: [] }, { verdict: 'fit' })).toBe('Petrel is fit to fly');
  expect(outcomeHeadline('Petrel', { outcome: 'fly', looks: [] }, { verdict: 'unsigned' })).toBe(
    'Nothing found, but Petrel is not signed for',
  );
});
