import { describe, expect, test } from '@jest/globals';
import { findUnit } from '@zivvo/core';
import { propMark } from '../shared/ui/propColour.ts';
import type { ResultRow } from './resultsView.ts';
import { niceEnd, thrustPowerChart } from './thrustPowerChart.ts';

const ink = {
  isDark: false,
  ink: '#000',
  muted: '#555',
  hairline: '#ddd',
  sheet: '#fff',
  moss: '#050',
  fjord: '#066',
  ochre: '#960',
  rust: '#a00',
  fontText: 's',
  fontMono: 'm',
  hatch: {} as HTMLCanvasElement,
};

/** A row whose curve ends at a thrust [N] and a power [W]. */
function row(id: string, topN: number, topW: number, more: Partial<ResultRow> = {}): ResultRow {
  const curve = [0.2, 0.5, 1].map((u) => ({
    throttleRatio: u,
    thrustN: topN * u,
    powerW: topW * u,
    speedRpm: null,
    currentA: null,
  }));
  return {
    id,
    name: id,
    model: null,
    seriesIndex: 3,
    isReference: false,
    figures: {},
    hover: null,
    breaches: [],
    result: { curve, line: curve } as never,
    ...more,
  };
}

const base = {
  results: { carryThrustN: 4.7, escLimitPowerW: 800 },
  rows: [
    row('reference', 22, 850, { isReference: true }),
    row('close', 22.1, 860),
    row('closer', 22.05, 855),
    row('far', 12, 400),
  ],
  strong: new Set<string>(),
  thrustUnit: findUnit('force', 'g')!,
  ink,
  carryName: 'hover of Petrel',
  escLimit: '40 A',
  isNarrow: false,
  width: 800,
  height: 316,
};
interface Drawn {
  name?: string;
  data: [number, number][];
  markArea?: { data: [{ xAxis: number }, { xAxis: number }][] };
  lineStyle?: { color: string; opacity: number };
  endLabel?: { show: boolean };
  labelLayout?: () => { y: number };
}
const draw = (change: Partial<typeof base> = {}): { series: Drawn[]; xAxis: { max: number }; yAxis: { max: number } } =>
  thrustPowerChart({ ...base, ...change }) as never;
const lineOf = (name: string, change: Partial<typeof base> = {}): Drawn =>
  draw(change).series.find((s) => s.name === name)!;

test('the reference is the ink line, the others have the colour of their prop', () => {
  expect(lineOf('reference').lineStyle!.color).toBe(ink.ink);
  expect(lineOf('far').lineStyle!.color).toBe(propMark(3, false).colour);
});

test('what is marked stands out, the reference always', () => {
  const strong = new Set(['far']);
  expect(lineOf('far', { strong }).lineStyle!.opacity).toBe(1);
  expect(lineOf('reference', { strong }).lineStyle!.opacity).toBe(1);
  expect(lineOf('close', { strong }).lineStyle!.opacity).toBeLessThan(0.5);
});

describe('limits', () => {
  const area = (change: Partial<typeof base> = {}): Drawn['markArea'] => draw(change).series[0]!.markArea;

  test('what is over the ESC’s limit is hatched to the end', () => {
    const [from, to] = area()!.data[0]!;
    expect(from.xAxis).toBe(800);
    expect(to.xAxis).toBe(draw().xAxis.max);
  });

  test('without a limit nothing is hatched', () =>
    expect(area({ results: { carryThrustN: null as never, escLimitPowerW: null as never } })).toBeUndefined());
});

describe('names', () => {
  const heights = (change: Partial<typeof base> = {}): number[] =>
    base.rows.map((r) => lineOf(r.name, change).labelLayout!().y).sort((a, b) => a - b);

  test('never touch each other, even where the lines end at one place', () => {
    const ys = heights();
    for (let i = 1; i < ys.length; i++) expect(ys[i]! - ys[i - 1]!).toBeGreaterThanOrEqual(17);
  });

  test('stay inside the chart', () => {
    for (const y of heights()) {
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(base.height);
    }
  });

  test('are left out where there is no room', () => {
    for (const r of base.rows) expect(lineOf(r.name, { isNarrow: true }).endLabel!.show).toBe(false);
  });
});

test.each([
  [1, 1],
  [840, 1000],
  [637, 800],
  [1010, 1250],
  [2241, 2500],
  [99, 100],
])('an axis for %d ends at %d', (value, end) => {
  expect(niceEnd(value)).toBeGreaterThanOrEqual(value);
  expect(niceEnd(value)).toBe(end);
});

test('a figure in another unit moves the numbers, not the picture', () => {
  const grams = lineOf('far').data;
  const newtons = lineOf('far', { thrustUnit: findUnit('force', 'N')! }).data;
  expect(grams.map(([x]) => x)).toEqual(newtons.map(([x]) => x));
  for (let i = 0; i < grams.length; i++) expect(grams[i]![1] / newtons[i]![1]).toBeCloseTo(1 / 0.00980665, 6);
});
