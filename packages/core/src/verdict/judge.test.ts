import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changesSince, judge, type JudgeContender, type JudgeInput } from './judge.ts';
import { judgeStop } from './judgeStop.ts';
import { weighEvidence, type JudgedProp, type KnownFigure } from './weighEvidence.ts';
import {
  gainOf,
  gainWidthOf,
  usualJudgeWeights,
  usualMatters,
  wishMeasures,
  wishNames,
  type JudgeWeights,
  type WishName,
} from './wishes.ts';

const figure = (more: Partial<KnownFigure> & { value: number }): KnownFigure => ({
  source: 'model',
  halfWidth: 0.1 * more.value,
  place: null,
  against: null,
  count: 1,
  isExtended: false,
  isSimulated: false,
  ...more,
});
const stand = (value: number, difference: number | null, place = 'evening'): KnownFigure =>
  figure({
    source: 'stand',
    value,
    halfWidth: 0.01 * value,
    place,
    against: difference === null ? null : { difference, halfWidth: 0.012 },
  });
const cellsOf = (props: readonly JudgedProp[], referenceId: string, name: WishName) => {
  const rows = weighEvidence(props, referenceId);
  return (id: string) => rows.get(id)![name];
};

describe('what a difference is worth', () => {
  test('one usual smallest difference of any wish is worth the same, and its sign is that of the better', () => {
    for (const name of wishNames) {
      const { direction, isLogarithmic, smallestDifference } = wishMeasures[name];
      const step = isLogarithmic ? Math.expm1(smallestDifference) : smallestDifference;
      expect(gainOf(name, step) * direction).toBeCloseTo(0.03, 12);
      expect(gainWidthOf(name, 0, usualMatters[name])).toBeCloseTo(0.03, 12);
    }
  });

  test('twice and half are worth the same, one for and one against', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 20, noNaN: true }), (ratio) => {
        expect(gainOf('thrust', ratio - 1)).toBeCloseTo(-gainOf('thrust', 1 / ratio - 1), 9);
      }),
    ));

  test('weights begin with those of the craft, or of its use', () => {
    expect(usualJudgeWeights(null, 'quietNeighbourhood')).toMatchObject({ quiet: 10, thrust: 2, climb: 3, price: 2 });
    const own = { minutes: 1, thrust: 1, answer: 1, quiet: 1, speed: 1, cool: 1, gentle: 1, tough: 9 };
    expect(usualJudgeWeights(own, 'quietNeighbourhood')).toMatchObject({ quiet: 1, tough: 9 });
  });
});

describe('evidence against the reference', () => {
  test('what was read side by side counts as it was read, before all that is predicted', () => {
    const cell = cellsOf(
      [
        { id: 'ref', known: { thrust: [stand(10, null), figure({ value: 11 })] } },
        { id: 'a', known: { thrust: [stand(11, 0.1), figure({ value: 30 })] } },
      ],
      'ref',
      'thrust',
    );
    expect(cell('ref')).toMatchObject({ source: 'stand', gain: 0, deviation: 0, difference: null });
    expect(cell('a')).toMatchObject({ source: 'stand', difference: { value: 0.1, halfWidth: 0.012 } });
    expect(cell('a')!.gain).toBeCloseTo(gainOf('thrust', 0.1), 12);
    expect(cell('a')!.deviation).toBeCloseTo(gainWidthOf('thrust', 0.1, 0.012) / 1.959964, 12);
  });

  test('two evenings lie apart by more than their repeats', () => {
    const props = (place: string): JudgedProp[] => [
      { id: 'ref', known: { thrust: [stand(10, null, 'monday')] } },
      { id: 'a', known: { thrust: [stand(12, null, place)] } },
    ];
    const same = cellsOf(props('monday'), 'ref', 'thrust')('a')!;
    const other = cellsOf(props('friday'), 'ref', 'thrust')('a')!;
    expect(same.difference!.value).toBeCloseTo(0.2, 12);
    expect(same.difference!.halfWidth).toBeCloseTo(1.2 * Math.hypot(0.01, 0.01), 12);
    expect(other.difference!.halfWidth).toBeCloseTo(1.2 * Math.hypot(0.01, 0.01, 0.02), 12);
  });

  test('a prediction is held against a prediction where both are there, and half of what the model errs stays', () => {
    const cell = cellsOf(
      [
        { id: 'ref', known: { thrust: [stand(10, null), figure({ value: 20 })] } },
        { id: 'a', known: { thrust: [figure({ value: 22 })] } },
      ],
      'ref',
      'thrust',
    )('a')!;
    expect(cell).toMatchObject({ source: 'model' });
    expect(cell.difference!.value).toBeCloseTo(0.1, 12);
    expect(cell.difference!.halfWidth).toBeCloseTo(1.1 * 0.5 * Math.hypot(0.1, 0.1), 12);
  });

  test('without anything of the reference the mean of the others stands in, and nobody is told a difference', () => {
    const cell = cellsOf(
      [
        { id: 'ref', known: {} },
        { id: 'a', known: { price: [figure({ source: 'rack', value: 2, halfWidth: 0 })] } },
        { id: 'b', known: { price: [figure({ source: 'rack', value: 4, halfWidth: 0 })] } },
      ],
      'ref',
      'price',
    );
    expect(cell('ref')).toBeUndefined();
    expect(cell('a')).toMatchObject({ difference: null });
    expect(cell('a')!.gain).toBeCloseTo(gainOf('price', 2 / 3 - 1), 12);
    expect(cell('b')!.gain).toBeLessThan(0);
  });

  test('amounts are held against amounts: three decibels less are a gain', () => {
    const ear = (value: number): KnownFigure => figure({ source: 'ear', value, halfWidth: 1, place: 'field' });
    const cell = cellsOf(
      [
        { id: 'ref', known: { quiet: [ear(70)] } },
        { id: 'a', known: { quiet: [ear(67)] } },
      ],
      'ref',
      'quiet',
    )('a')!;
    expect(cell.difference!.value).toBe(-3);
    expect(cell.gain).toBeCloseTo((0.03 * 3) / wishMeasures.quiet.smallestDifference, 12);
  });
});

const only = (weights: Partial<JudgeWeights>): JudgeWeights =>
  ({ ...Object.fromEntries(wishNames.map((n) => [n, 0])), ...weights }) as JudgeWeights;
const cell = (gain: number, deviation = 0.004, source: KnownFigure['source'] = 'stand') => ({
  ...figure({ source, value: 1 }),
  gain,
  deviation,
  difference: { value: gain, halfWidth: 1.96 * deviation },
});
const contender = (id: string, row: JudgeContender['row'], more: Partial<JudgeContender> = {}): JudgeContender => ({
  id,
  name: id.toUpperCase(),
  row,
  bars: [],
  ...more,
});
const input = (
  contenders: JudgeContender[],
  weights: Partial<JudgeWeights> = { thrust: 5, minutes: 5 },
): JudgeInput => ({
  craftName: 'Petrel',
  referenceId: 'ref',
  contenders,
  weights: only(weights),
  matters: usualMatters,
});
const reference = contender('ref', { thrust: cell(0, 0), minutes: cell(0, 0) });
const codesOf = (i: JudgeInput): string[] => judge(i).reasons.map((r) => r.code);

describe('a judgement', () => {
  test('names the one to take, how sure it is, what it gives and what it pays with', () => {
    const found = judge(input([reference, contender('a', { thrust: cell(0.2), minutes: cell(-0.05) })]));
    expect(found.headline).toMatchObject({ code: 'judge.takes', values: { name: 'A', craft: 'Petrel' } });
    expect(found.reasons.map((r) => r.code)).toEqual(
      expect.arrayContaining(['judge.sure', 'judge.gives', 'judge.costs']),
    );
    expect(found.reasons.find((r) => r.code === 'judge.costs')).toMatchObject({
      values: { name: 'A', wish: 'minutes', difference: -0.05, source: 'stand' },
    });
  });

  test('stays with the reference where nothing beats it', () =>
    expect(
      judge(input([reference, contender('a', { thrust: cell(-0.2), minutes: cell(-0.2) })])).headline,
    ).toMatchObject({
      code: 'judge.stays',
      values: { name: 'REF' },
    }));

  test('says who cannot be told apart, and which test would tell most for its work', () => {
    const wide = contender('a', { thrust: cell(0.03, 0.1), minutes: cell(0.03, 0.1) });
    const found = judge(input([reference, wide]));
    expect(found.headline).toMatchObject({ code: 'judge.alike', values: { name: 'A', other: 'REF', more: 0 } });
    expect(found.next[0]).toMatchObject({ contenderId: 'a', way: 'standRun' });
    expect(found.reasons).toContainEqual(
      expect.objectContaining({
        code: 'judge.next',
        severity: 'action',
        values: { name: 'A', way: 'standRun', minutes: 12 },
      }),
    );
  });

  test('what is barred never wins, however good it is, and is told', () => {
    const bars = [{ limit: 'escCurrent', margin: 1.2, isMeasured: true }] as const;
    const hot = contender('hot', { thrust: cell(1), minutes: cell(1) }, { bars });
    const found = judge(input([reference, hot]));
    expect(found.verdict!.standings.map((s) => s.id)).toEqual(['ref']);
    expect(found).toMatchObject({ winnerId: 'ref', headline: { code: 'judge.onlyOne' } });
    expect(judge(input([reference]))).toMatchObject({ winnerId: null, headline: { code: 'judge.alone' } });
    expect(codesOf(input([reference, hot]))).toContain('judge.barred');
    const all = judge(input([{ ...reference, bars }, hot]));
    expect(all).toMatchObject({ verdict: null, headline: { code: 'judge.none', severity: 'caution' } });
  });

  test('a wish of which nothing is known of anybody does not count, and is told', () => {
    const found = judge(
      input([reference, contender('a', { thrust: cell(0.2), minutes: cell(0.1) })], {
        thrust: 5,
        minutes: 5,
        climb: 9,
      }),
    );
    expect(found.unknown).toEqual(['climb']);
    expect(found.verdict!.standings[0]!.score).toBeCloseTo(0.15, 12);
    expect(found.reasons).toContainEqual(expect.objectContaining({ code: 'judge.unknown', values: { wish: 'climb' } }));
  });

  test('predictions alone are told to be so', () => {
    const row = { thrust: cell(0.9, 0.02, 'model'), minutes: cell(0.9, 0.02, 'model') };
    expect(codesOf(input([reference, contender('a', row)]))).toContain('judge.predicted');
  });

  test('nobody wins by the order in which they stand, and chances add up', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.double({ min: -1, max: 1, noNaN: true }), fc.double({ min: 0.001, max: 0.3, noNaN: true })),
          {
            minLength: 1,
            maxLength: 12,
          },
        ),
        (all) => {
          const others = all.map(([gain, deviation], i) =>
            contender(`p${i}`, { thrust: cell(gain, deviation), minutes: cell(-gain / 3, deviation) }),
          );
          const there = judge(input([reference, ...others])).verdict!;
          const back = judge(input([...others.reverse(), reference])).verdict!;
          expect(back.winnerId).toBe(there.winnerId);
          expect(there.standings.reduce((sum, s) => sum + s.bestShare, 0)).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 40 },
    ));
});

describe('what has changed since a verdict was kept', () => {
  const before = input([reference, contender('a', { thrust: cell(0.2), minutes: cell(0.1) })]);

  test('nothing, where nothing that matters has', () => {
    const moved = contender('a', { thrust: cell(0.21), minutes: cell(0.1) });
    expect(changesSince(before, before)).toEqual([]);
    expect(changesSince(before, input([reference, moved]))).toEqual([]);
  });

  test('new evidence, new props, those that left, other weights, another first', () => {
    const now = input(
      [
        reference,
        contender('a', { thrust: cell(-0.2), minutes: cell(0.1), climb: cell(0.1, 0.01, 'air') }),
        contender('b', { thrust: cell(0.4), minutes: cell(0.2) }),
      ],
      { thrust: 9, minutes: 5 },
    );
    expect(changesSince(before, now).map((r) => [r.code, r.values.name ?? null, r.values.wish ?? null])).toEqual([
      ['judge.changed.first', 'B', null],
      ['judge.changed.evidence', 'A', 'thrust'],
      ['judge.changed.evidence', 'A', 'climb'],
      ['judge.changed.joined', 'B', null],
      ['judge.changed.weights', null, null],
    ]);
    expect(changesSince(now, before).map((r) => r.code)).toContain('judge.changed.left');
    // A verdict of a day before there was a wish: nothing changed with it.
    const { life: _life, ...weights } = before.weights;
    expect(changesSince({ ...before, weights: weights as JudgeWeights }, before)).toEqual([]);
  });

  test('a prop that came over a limit', () => {
    const bars = [{ limit: 'motorHeat', margin: 1.1, isMeasured: false }] as const;
    expect(changesSince(before, input([reference, { ...before.contenders[1]!, bars }])).map((r) => r.code)).toEqual([
      'judge.changed.first',
      'judge.barred',
    ]);
  });
});

test.each([
  [0, false, 'empty', 'judge.stop.none'],
  [2, true, 'full', 'judge.stop.frozen'],
  [1, false, 'half', 'judge.stop.open'],
])('judge: %i verdicts, named %s, is %s', (frozenCount, isNamed, state, code) =>
  expect(judgeStop({ frozenCount, isNamed })).toMatchObject({ station: 'judge', state, code }),
);
