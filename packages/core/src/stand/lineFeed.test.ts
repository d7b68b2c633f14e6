import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { checkFeed, FEED_LINE_MAX_LENGTH, FeedWindow, LineFeed } from './lineFeed.ts';
import { emptyStep, standQuantityNames } from './quantities.ts';
import type { ReadingLimits } from './readRunTable.ts';

const limits = Object.fromEntries(
  standQuantityNames.map((q) => [q, { min: q === 'thrustN' ? -20 : 0, max: 200_000 }]),
) as ReadingLimits;
const feedOf = (...lines: string[]): LineFeed => {
  const feed = new LineFeed(limits);
  for (const line of lines) feed.take(line);
  return feed;
};
const reading = (feed: LineFeed, line: string) => {
  const taken = feed.take(line);
  if (taken.kind !== 'reading') throw new Error(JSON.stringify(taken));
  return taken.step;
};

describe('layouts', () => {
  test.each([
    ['commas', 'time (s),Thrust (g),Current (A),rpm', '0.10,512.5,12.4,8210', 5.0259],
    ['semicolons and decimal commas', 'Thrust [g];current [A]', '512,5;12,4', 5.0259],
    ['semicolons and decimal points', 'Thrust [g];current [A]', '512.5;12.4', 5.0259],
    ['tabs', 'thrust / N\tvoltage / V', '5.0259\t24.1', 5.0259],
    ['blanks', 'thrust(N) amps rpm', '5.0259   12.4  8210', 5.0259],
    ['kilograms', 'load (kg),rpm', '0.5125,8210', 5.0259],
    ['quotes', '"Thrust (g)","Current (A)"', '"512.5","12.4"', 5.0259],
  ])('parted by %s', (_, header, line, thrustN) => {
    expect(reading(feedOf(header), line).thrustN).toBeCloseTo(thrustN, 3);
  });

  test('what is not known is passed over, what is not read this time stays open', () => {
    const step = reading(feedOf('sequence,Thrust (g),Current (A),Throttle (%)'), '17,512.5,-,50');
    expect(step.currentA).toBeNull();
    expect(step.throttleRatio).toBeCloseTo(0.5, 9);
  });

  test('a header may come again, with other columns', () => {
    const feed = feedOf('Thrust (g),rpm', '500,8000', 'rpm,Thrust (kg)');
    expect(reading(feed, '8000,0.5').thrustN).toBeCloseTo(4.9033, 3);
  });
});

describe('faults are told, and the next line is read again', () => {
  test.each([
    ['noHeader', [], '512,12'],
    ['noThrust', [], 'rpm,volts (V)'],
    ['noUnit', [], 'thrust,rpm'],
    ['cellCount', ['Thrust (g),rpm'], '512'],
    ['unreadable', ['Thrust (g),rpm'], '512,12x4'],
    ['unreadable', ['Thrust (g),rpm'], '512,-4000'],
    ['tooLong', ['Thrust (g),rpm'], '1'.repeat(FEED_LINE_MAX_LENGTH + 1)],
  ])('%s', (fault, before, line) => {
    const feed = feedOf(...before);
    expect(feed.take(line)).toMatchObject({ kind: 'fault', fault });
    feed.take('Thrust (g),rpm');
    expect(reading(feed, '500,8000').speedRpm).toBe(8000);
  });

  test('what no header says is asked for, and remembered by its name', () => {
    const feed = feedOf('thrust,rpm');
    expect(feed.asked?.key).toBe('thrust,rpm');
    expect(feed.asked?.columns.map((c) => [c.quantity, c.unitSymbol])).toEqual([
      ['thrustN', ''],
      ['speedRpm', 'rpm'],
    ]);
    const said = feed.asked!.columns.map((c) => (c.quantity === 'thrustN' ? { ...c, unitSymbol: 'g' } : c));
    feed.answer(said);
    expect(reading(feed, '500,8000').thrustN).toBeCloseTo(4.9033, 3);
    const next = new LineFeed(limits, (key) => (key === 'thrust,rpm' ? said : null));
    expect(next.take('thrust,rpm').kind).toBe('header');
    expect(reading(next, '500,8000').thrustN).toBeCloseTo(4.9033, 3);
  });

  test('figures without any header are asked for by their count', () => {
    const feed = feedOf('500;8000');
    feed.take('15x,1,2,3');
    expect(feed.asked?.key).toBe('4 columns');
    feed.take('500;8000');
    expect(feed.asked).toMatchObject({
      key: '2 columns',
      cells: ['500', '8000'],
      columns: [{ quantity: null }, { quantity: null }],
    });
    const said = feed.asked!.columns.map((c, i) =>
      i === 0 ? { ...c, quantity: 'thrustN' as const, unitSymbol: 'g' } : c,
    );
    const next = new LineFeed(limits, () => said);
    expect(reading(next, '500;8000').thrustN).toBeCloseTo(4.9033, 3);
    expect(next.asked).toBeNull();
  });

  test('a device without a header after one that had one is asked about, a few broken lines are not', () => {
    const feed = feedOf('Thrust (g),rpm', '500', '500', '500,8000', '500', '500', '500', '500');
    expect([feed.asked, feed.columns?.length]).toEqual([null, 2]);
    feed.take('500 8000 12');
    expect(feed.asked?.key).toBe('3 columns');
  });

  test('empty lines and remarks say nothing', () => {
    const feed = feedOf('Thrust (g),rpm');
    for (const line of ['', '   ', '# warming up', '\r']) expect(feed.take(line)).toEqual({ kind: 'silent' });
  });

  test('whatever a program prints, nothing is thrown and no reading is not a number', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 60 }), { maxLength: 30 }), (lines) => {
        const feed = feedOf('Thrust (g),rpm,Current (A)');
        for (const line of lines) {
          const taken = feed.take(line);
          if (taken.kind !== 'reading') continue;
          for (const value of Object.values(taken.step)) expect(value === null || Number.isFinite(value)).toBe(true);
        }
      }),
    );
  });
});

describe('the last second', () => {
  const step = (thrustN: number, currentA: number | null = 10) => ({ ...emptyStep(), thrustN, currentA });

  test('is averaged; what was before is not in it', () => {
    const window = new FeedWindow();
    for (let i = 0; i < 20; i++) window.take(step(i < 9 ? 1 : 5), i / 10);
    expect(window.meanAt(1.9)).toMatchObject({ isSettled: true, step: { thrustN: 5, currentA: 10 } });
    expect(window.rateHz).toBe(11);
  });

  test('says nothing while too little is heard, or no more', () => {
    const window = new FeedWindow();
    window.take(step(5), 0);
    window.take(step(5), 0.1);
    expect(window.meanAt(0.2)).toBeNull();
    window.take(step(5), 0.2);
    expect(window.meanAt(0.2)).not.toBeNull();
    expect(window.meanAt(5)).toBeNull();
  });

  test('thrust that still climbs has not settled; a quantity that drops out is no mean', () => {
    const window = new FeedWindow();
    for (let i = 0; i < 10; i++) window.take(step(4 + i / 10, i === 5 ? null : 10), i / 20);
    expect(window.meanAt(0.5)).toMatchObject({ isSettled: false, step: { currentA: null } });
  });
});

describe('a program held against the rules', () => {
  const lines = (texts: string[], rateHz: number | null = 20) =>
    texts.map((text, i) => ({ text, atS: rateHz === null ? null : i / rateHz }));

  test('a good one has readings and no fault', () => {
    const report = checkFeed(lines(['Thrust (g),rpm', ...Array.from({ length: 60 }, () => '500,8000')]), limits);
    expect(report).toMatchObject({ lineCount: 61, readingCount: 60, faults: [] });
    expect(report.columns.map((c) => c.quantity)).toEqual(['thrustN', 'speedRpm']);
  });

  test('faults are counted, with the first line of each', () => {
    const { faults } = checkFeed(lines(['9,9', 'Thrust (g),rpm', '5', '500,8000', '6'], null), limits);
    expect(faults).toEqual([
      { fault: 'noHeader', count: 1, line: 1, text: '9,9' },
      { fault: 'cellCount', count: 2, line: 3, text: '5' },
    ]);
  });

  test('too slow to average, too fast to draw, nothing at all', () => {
    const many = ['Thrust (g),rpm', ...Array.from({ length: 900 }, () => '500,8000')];
    expect(checkFeed(lines(many.slice(0, 9), 1), limits).faults[0]).toMatchObject({ fault: 'tooSlow', text: '1.0' });
    expect(checkFeed(lines(many, 500), limits).faults[0]).toMatchObject({ fault: 'tooFast', text: '500' });
    expect(checkFeed([], limits).faults).toEqual([{ fault: 'noReading', count: 1, line: 0, text: '' }]);
  });
});
