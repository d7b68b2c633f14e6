import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OutOfRangeError } from '../errors/coreError.ts';
import { normalCdf, normalDensity } from '../statistics/normal.ts';
import { nextTests, withReading, type TestWay } from './nextTest.ts';
import { verdict, type Contender, type Wish } from './verdict.ts';

const wishes: Wish[] = [
  { name: 'thrust', weight: 5, matters: 0.03 },
  { name: 'minutes', weight: 5, matters: 0.03 },
];
const prop = (id: string, thrust: number | null, minutes: number | null, deviation = 0.01): Contender => ({
  id,
  evidence: {
    ...(thrust === null ? {} : { thrust: { gain: thrust, deviation } }),
    ...(minutes === null ? {} : { minutes: { gain: minutes, deviation } }),
  },
});
const ways: TestWay[] = [
  { name: 'standRun', tells: { thrust: 0.01, minutes: 0.015 }, minutes: 7 },
  { name: 'flight', tells: { minutes: 0.04 }, minutes: 20 },
];

test('the normal distribution at its tabled places', () => {
  for (const [z, share] of [
    [0, 0.5],
    [1, 0.841345],
    [1.644854, 0.95],
    [-1.959964, 0.025],
    [3, 0.99865],
  ] as const)
    expect(normalCdf(z)).toBeCloseTo(share, 5);
  expect(normalDensity(0)).toBeCloseTo(0.398942, 6);
});

describe('a verdict', () => {
  test('two that are known well: the better by more than matters is named, and how sure it is follows', () => {
    const found = verdict([prop('a', 0, 0), prop('b', 0.1, 0.06)], wishes);
    expect(found).toMatchObject({ winnerId: 'b', alikeIds: [] });
    expect(found.standings.map((s) => s.id)).toEqual(['b', 'a']);
    expect(found.standings[0]!.score).toBeCloseTo(0.08, 12);
    expect(found.standings[0]!.deviation).toBeCloseTo(0.01 / Math.SQRT2, 9);
    expect(found.standings[0]!.bestShare).toBeGreaterThan(0.999);
    expect(found.standings[1]!.dominatedBy).toBe('b');
  });

  test('how sure it is of two agrees with the difference of two normals', () => {
    const found = verdict([prop('a', 0, 0, 0.05), prop('b', 0.02, 0.02, 0.05)], wishes);
    // Each score has 0.05/√2, their difference 0.05.
    expect(found.standings[0]!.bestShare).toBeCloseTo(normalCdf(0.02 / 0.05), 3);
    expect(found).toMatchObject({ winnerId: null, alikeIds: ['a'] });
  });

  test('what differs by less than matters is alike, however well it is known, and the first may be taken', () => {
    const found = verdict([prop('a', 0, 0, 0.0001), prop('b', 0.01, 0.01, 0.0001)], wishes);
    expect(found).toMatchObject({ winnerId: 'b', alikeIds: ['a'] });
    expect(found.risk).toBeLessThan(0.01);
  });

  test('a wish of which nothing is known stays open, is named, and makes the score unsure', () => {
    const found = verdict([prop('a', 0, 0), prop('b', 0.05, null)], wishes);
    const b = found.standings.find((s) => s.id === 'b')!;
    expect(b.open).toEqual(['minutes']);
    expect(b.deviation).toBeGreaterThan(0.05);
    expect(b.dominatedBy).toBeNull();
    expect(found.winnerId).toBeNull();
  });

  test('how far a weight may move before another wins', () => {
    const found = verdict([prop('a', 0.1, 0), prop('b', 0, 0.06)], wishes);
    // a leads by 0.1 in thrust and trails by 0.06 in minutes.
    expect(found.standings[0]!.id).toBe('a');
    const swing = (name: string) => found.swings.find((s) => s.wish === name)!;
    expect(swing('thrust').downTo).toBeCloseTo(0.6, 9);
    expect(swing('minutes').upTo).toBeCloseTo(0.1 / 0.06, 9);
    expect([swing('thrust').upTo, swing('minutes').downTo]).toEqual([null, null]);
  });

  test('whatever is known: shares add up to one, the order is by score, who is named is first', () => {
    const gain = fc.double({ min: -0.5, max: 0.5, noNaN: true });
    const deviation = fc.double({ min: 0, max: 0.3, noNaN: true });
    const contender = fc.record({ thrust: fc.option(gain), minutes: fc.option(gain), deviation });
    fc.assert(
      fc.property(fc.array(contender, { minLength: 1, maxLength: 20 }), (all) => {
        const found = verdict(
          all.map((c, i) => prop(`p${i}`, c.thrust, c.minutes, c.deviation)),
          wishes,
        );
        expect(found.standings.reduce((sum, s) => sum + s.bestShare, 0)).toBeCloseTo(1, 6);
        for (let i = 1; i < found.standings.length; i++)
          expect(found.standings[i]!.score).toBeLessThanOrEqual(found.standings[i - 1]!.score);
        if (found.winnerId !== null) expect(found.winnerId).toBe(found.standings[0]!.id);
        expect(found.risk).toBeGreaterThanOrEqual(-1e-9);
        expect(found.risk).toBeLessThanOrEqual(1);
      }),
      { numRuns: 60 },
    );
  });

  test('what cannot be judged is refused by name', () => {
    expect(() => verdict([], wishes)).toThrow(OutOfRangeError);
    expect(() => verdict([prop('a', 0, 0)], [{ name: 'thrust', weight: 0, matters: 0.03 }])).toThrow(/weights/);
    expect(() => verdict([prop('a', 0, 0)], [{ name: 'thrust', weight: 11, matters: 0.03 }])).toThrow(/weight.thrust/);
    expect(() => verdict([prop('a', 0, 0)], [{ name: 'thrust', weight: 1, matters: 0 }])).toThrow(/matters.thrust/);
    expect(() => verdict([prop('a', NaN, 0)], wishes)).toThrow(/a.thrust/);
  });
});

describe('what to measure next', () => {
  test('the contenders for the first place are measured, not who is far behind; nothing once it is decided', () => {
    const close = [prop('a', 0.05, 0.05, 0.08), prop('b', 0.06, 0.04, 0.08), prop('far', -0.9, -0.9, 0.08)];
    const tests = nextTests(close, wishes, ways);
    expect(tests[0]!.way).toBe('standRun');
    expect(['a', 'b']).toContain(tests[0]!.contenderId);
    expect(tests.some((t) => t.contenderId === 'far')).toBe(false);
    for (let i = 1; i < tests.length; i++)
      expect(tests[i]!.gainPerMinute).toBeLessThanOrEqual(tests[i - 1]!.gainPerMinute);
    expect(nextTests([prop('a', 0, 0), prop('b', 0.2, 0.2)], wishes, ways)).toEqual([]);
    expect(nextTests([prop('a', 0, 0)], wishes, ways)).toEqual([]);
  });

  test('a test that tells nothing of what counts is never asked for', () => {
    const close = [prop('a', 0.05, 0.05, 0.08), prop('b', 0.06, 0.04, 0.08)];
    const smell: TestWay[] = [{ name: 'smell', tells: { smell: 0.01 }, minutes: 1 }];
    expect(nextTests(close, wishes, smell)).toEqual([]);
    expect(() => nextTests(close, wishes, [{ name: 'free', tells: { thrust: 0.1 }, minutes: 0 }])).toThrow(
      /minutes.free/,
    );
  });

  test('readings are joined by what each is sure of', () => {
    expect(withReading(undefined, 0.1, 0.02)).toEqual({ gain: 0.1, deviation: 0.02 });
    const joined = withReading({ gain: 0, deviation: 0.02 }, 0.1, 0.02);
    expect(joined.gain).toBeCloseTo(0.05, 12);
    expect(joined.deviation).toBeCloseTo(0.02 / Math.SQRT2, 12);
  });
});
