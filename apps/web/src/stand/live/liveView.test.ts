import { describe, expect, test } from '@jest/globals';
import type { LiveView } from '@zivvo/contract';
import { findUnit, type LiveCut, type LivePoint, type PlainCutReason } from '@zivvo/core';
import { barShare, cutSentence, liveChart, liveHeadline, phaseWords, type LiveWords } from './liveView.ts';

const words: LiveWords = {
  share: (ratio) => `${Math.round(ratio * 1000) / 10} %`,
  quantity: (channel, value) => `${value} ${channel}`,
};

const view = (more: Partial<LiveView> = {}): LiveView => ({
  runId: 'r',
  recordingId: null,
  campaignId: 'c',
  propModelId: 'p',
  kitId: null,
  packPieceId: null,
  deviceKind: 'simulated',
  deviceName: null,
  isZeroHeld: true,
  isOpen: true,
  phase: 'tared',
  throttleRatio: 0,
  zeroN: 0,
  cut: null,
  fault: null,
  points: [],
  program: null,
  limits: { speedRpm: null, currentA: 40, voltageV: 19.8, powerW: null, temperatureC: 90, vibrationMPerS2: 60 },
  restingCellV: 4.15,
  timeS: 0,
  recordedS: 0,
  pilotTabId: null,
  ...more,
});

const point = (powerW: number, thrustN: number): LivePoint => ({
  atS: 0,
  values: {
    throttleRatio: 0.5,
    thrustN,
    speedRpm: 10_000,
    currentA: powerW / 24,
    voltageV: 24,
    powerW,
    temperatureC: 30,
    vibrationMPerS2: 1,
  },
});

describe('the headline says what is, not where one is', () => {
  test.each<[string, Partial<LiveView>, string]>([
    ['reading', { phase: 'connected' }, 'Tare the scale with nothing turning'],
    ['tared', { phase: 'tared' }, 'Ready to arm'],
    ['armed', { phase: 'armed' }, 'Armed, nothing turns yet'],
    ['turning', { phase: 'running', throttleRatio: 0.35 }, 'Turning at 35 % throttle'],
    ['held with nothing', { phase: 'held' }, 'Held: nothing kept yet'],
    ['held with one point', { phase: 'held', points: [point(100, 4)] }, 'Held: 1 point kept'],
    ['held with points', { phase: 'held', points: [point(100, 4), point(200, 7)] }, 'Held: 2 points kept'],
    [
      'after a restart',
      { phase: 'held', isOpen: false, cut: { reason: 'restart', atS: 0 } },
      'Held: the run stands as it was, its points are kept',
    ],
  ])('%s', (_name, change, said) => expect(liveHeadline(view(change), null, null, words)).toBe(said));

  test('once there is a point, it is held against the reference at the same power', () => {
    const running = view({ phase: 'running', throttleRatio: 0.5 });
    const against = (ratio: number): string =>
      liveHeadline(running, { ratio, powerW: 300, isExtended: false }, 'Orle 9×5', words);
    expect(against(1.062)).toBe('6.2 % more thrust than Orle 9×5 for the same power, so far');
    expect(against(0.95)).toBe('5 % less thrust than Orle 9×5 for the same power, so far');
    expect(against(1.003)).toBe('The same thrust as Orle 9×5 for the same power, so far');
  });

  test('a disk that takes nothing comes before the cut that it caused, a lost device before the run that stands', () => {
    expect(
      liveHeadline(
        view({ phase: 'held', fault: 'writeFailed', cut: { reason: 'writeFailed', atS: 1 } }),
        null,
        null,
        words,
      ),
    ).toMatch(/disk/);
    expect(
      liveHeadline(view({ phase: 'held', isOpen: false, cut: { reason: 'deviceLost', atS: 1 } }), null, null, words),
    ).toMatch(/device is lost.*switch/);
  });

  test('a cut comes before everything else', () => {
    const cut: LiveCut = { reason: 'limit', atS: 3, channel: 'currentA', value: 41.2, limit: 40 };
    expect(
      liveHeadline(view({ phase: 'held', cut }), { ratio: 1.1, powerW: 300, isExtended: false }, 'Orle 9×5', words),
    ).toBe('Cut at 41.2 currentA: the limit is 40 currentA');
  });
});

test.each<PlainCutReason>([
  'pilot',
  'watcher',
  'deadMan',
  'pilotLeft',
  'deviceSilent',
  'deviceLost',
  'writeFailed',
  'restart',
])('a cut by %s has words of its own', (reason) => {
  const said = cutSentence({ reason, atS: 0 }, words);
  expect(said).toMatch(/^(Cut|Held)/);
  expect(said).not.toContain(reason);
});

test('a cut by a trend says which figure left its place, from where to where', () => {
  expect(cutSentence({ reason: 'trend', atS: 9, channel: 'thrustN', from: 8, value: 6.1 }, words)).toBe(
    'Cut: thrust fell from 8 thrustN to 6.1 thrustN at steady throttle',
  );
  expect(cutSentence({ reason: 'trend', atS: 9, channel: 'vibrationMPerS2', from: 2, value: 7 }, words)).toBe(
    'Cut: shake rose from 2 vibrationMPerS2 to 7 vibrationMPerS2 at steady throttle',
  );
});

test('every phase has one word that is read from afar', () => {
  const said = Object.values(phaseWords);
  expect(new Set(said).size).toBe(said.length);
  for (const word of said) expect(word).toMatch(/^[a-z]+$/);
});

describe('bars', () => {
  test('the limit stands at nine tenths, and nothing runs over the end', () => {
    expect(barShare('currentA', 0, 40, 25.2)).toBe(0);
    expect(barShare('currentA', 20, 40, 25.2)).toBeCloseTo(0.45, 12);
    expect(barShare('currentA', 40, 40, 25.2)).toBeCloseTo(0.9, 12);
    expect(barShare('currentA', 80, 40, 25.2)).toBe(1);
    expect(barShare('currentA', -5, 40, 25.2)).toBe(0);
  });

  test('a pack counts down from full to its limit', () => {
    expect(barShare('voltageV', 25.2, 19.8, 25.2)).toBe(0);
    expect(barShare('voltageV', 19.8, 19.8, 25.2)).toBeCloseTo(0.9, 12);
    expect(barShare('voltageV', 22.5, 19.8, 25.2)).toBeCloseTo(0.45, 12);
  });
});

describe('the growing chart', () => {
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
  const base = {
    points: [point(400, 12), point(100, 4)],
    now: { powerW: 200, thrustN: 7 },
    reference: {
      name: 'Orle 9×5',
      line: [
        { powerW: 50, thrustN: 2 },
        { powerW: 900, thrustN: 22 },
      ],
    },
    limitPowerW: 960,
    limitText: 'over the 40 A limit',
    carryThrustN: 4.7,
    carryName: 'hover of Petrel',
    thrustUnit: findUnit('force', 'g')!,
    ink,
  };
  type Series = {
    data: [number, number][];
    markArea?: unknown;
    markLine?: { data: unknown[] };
    lineStyle?: { color: string };
  };
  const seriesOf = (change: Partial<typeof base> = {}): Series[] =>
    liveChart({ ...base, ...change }).series as Series[];
  const ends = (change: Partial<typeof base> = {}): [number, number] => {
    const option = liveChart({ ...base, ...change }) as { xAxis: { max: number }; yAxis: { max: number } };
    return [option.xAxis.max, option.yAxis.max];
  };

  test('points are drawn along power in the reader’s unit, the reference in ink', () => {
    const [, reference, own, now] = seriesOf();
    expect(own!.data.map(([powerW]) => powerW)).toEqual([100, 400]);
    expect(own!.data[0]![1]).toBeCloseTo(4 / 0.00980665, 6);
    expect(reference!.lineStyle!.color).toBe(ink.ink);
    expect(now!.data).toHaveLength(1);
  });

  test('everything that is drawn fits, the limit with it', () => {
    const [endX, endY] = ends();
    expect(endX).toBeGreaterThan(960);
    expect(endY).toBeGreaterThan(22 / 0.00980665);
    expect(ends({ now: { powerW: 2000, thrustN: 40 } })[0]).toBeGreaterThanOrEqual(2000);
  });

  test('without limit, reference, hover or reading the chart stands empty, not broken', () => {
    const [marks, reference, own, now] = seriesOf({
      limitPowerW: null as never,
      reference: null as never,
      carryThrustN: null as never,
      now: null as never,
      points: [],
    });
    expect(marks!.markArea).toBeUndefined();
    expect(marks!.markLine!.data).toEqual([]);
    expect([reference!.data, own!.data, now!.data]).toEqual([[], [], []]);
  });
});
