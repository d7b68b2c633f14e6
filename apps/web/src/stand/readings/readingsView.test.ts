import { describe, expect, test } from '@jest/globals';
import { floatChannel, type LiveLimits, type RecordingTrack } from '@zivvo/core';
import { defaultUnits } from '@zivvo/words';
import fc from 'fast-check';
import type { Stretch } from '../../shared/api/recordingApi.ts';
import type { Ink } from '../../shared/charts/useInk.ts';
import { clockText, closestToLimit, firstSpan, moved, readingsChart, samplesAPoint, zoomed } from './readingsView.ts';

const track: RecordingTrack = {
  name: 'stand',
  rateHz: 100,
  channels: [
    floatChannel('thrustN', 'force'),
    floatChannel('currentA', 'current'),
    floatChannel('voltageV', 'voltage'),
  ],
};
const limits: LiveLimits = {
  speedRpm: null,
  currentA: 40,
  voltageV: 19.8,
  powerW: null,
  temperatureC: 100,
  vibrationMPerS2: null,
};
const stretch = (most: number[][], more: Partial<Stretch> = {}): Stretch => {
  const lists = most.map((m) => Float32Array.from(m));
  return {
    segment: 0,
    isRaw: true,
    timesS: Float64Array.from(most[0]!, (_, i) => i / 100),
    least: lists,
    most: lists,
    ...more,
  };
};

describe('a span', () => {
  const whole = { fromS: 0, toS: 600 };

  test('stays inside the whole and no shorter than a tenth of a second, however it is zoomed and moved', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            factor: fc.double({ min: 0.1, max: 10, noNaN: true }),
            share: fc.double({ min: -2, max: 2, noNaN: true }),
          }),
          { maxLength: 30 },
        ),
        (hands) => {
          let span = whole;
          for (const { factor, share } of hands) span = moved(zoomed(span, factor, whole), share, whole);
          expect(span.fromS).toBeGreaterThanOrEqual(-1e-9);
          expect(span.toS).toBeLessThanOrEqual(600 + 1e-9);
          expect(span.toS - span.fromS).toBeGreaterThan(0.1 - 1e-9);
        },
      ),
    );
  });

  test('keeps the time under the hand where it is', () => {
    const span = zoomed({ fromS: 100, toS: 200 }, 0.5, whole, 180);
    expect([span.fromS, span.toS]).toEqual([140, 190]);
  });

  test('opens on all of it, or on the last time that it went on where the gap is longer than what was read', () => {
    expect(
      firstSpan([
        { startS: 0, endS: 60 },
        { startS: 70, endS: 130 },
      ]),
    ).toEqual({ fromS: 0, toS: 130 });
    expect(
      firstSpan([
        { startS: 0, endS: 60 },
        { startS: 90_000, endS: 90_060 },
      ]),
    ).toEqual({ fromS: 90_000, toS: 90_060 });
    expect(firstSpan([])).toEqual({ fromS: 0, toS: 0 });
  });
});

test.each<[number, number, string]>([
  [0, 60, '0:00'],
  [247, 60, '4:07'],
  [59.96, 10, '1:00.0'],
  [4.257, 1, '0:04.26'],
  [3725, 9000, '1:02:05'],
])('%s s in a span of %s s is %s', (timeS, spanS, text) => {
  expect(clockText(timeS, spanS)).toBe(text);
});

describe('the limit that came closest', () => {
  test('is found among floors and ceilings, in every stretch', () => {
    const calm = stretch([[5], [20], [24]]);
    expect(closestToLimit(track, [calm, stretch([[5], [38], [22]])], limits)).toMatchObject({
      channel: 'currentA',
      value: 38,
      limit: 40,
      isOver: false,
    });
    expect(closestToLimit(track, [calm, stretch([[5], [30], [19.5]])], limits)).toMatchObject({
      channel: 'voltageV',
      value: 19.5,
      isOver: true,
    });
  });

  test('is nothing where nothing was read or nothing is limited', () => {
    expect(closestToLimit(track, [], limits)).toBeNull();
    expect(closestToLimit(track, [stretch([[NaN], [NaN], [NaN]])], limits)).toBeNull();
    expect(
      closestToLimit(track, [stretch([[5], [38], [22]])], { ...limits, currentA: null, voltageV: null }),
    ).toBeNull();
  });
});

describe('the chart', () => {
  const ink = {
    ink: '#000',
    muted: '#555',
    hairline: '#ddd',
    moss: '#050',
    fjord: '#066',
    rust: '#a00',
    fontText: 's',
    fontMono: 'm',
  } as Ink;
  const option = (stretches: Stretch[]) =>
    readingsChart({
      track,
      stretches,
      span: { fromS: 0, toS: 1 },
      whole: { fromS: 0, toS: 600 },
      limits,
      pointsS: [0.5],
      choices: defaultUnits,
      ink,
      height: 600,
    }) as {
      series: { data: [number, number | null][]; markLine: { data: object[] } }[];
      yAxis: { min: number; max: number }[];
    };

  test('has a strip a channel, in the reader’s units, with points on all and the limit on its own', () => {
    const { series, yAxis } = option([
      stretch([
        [9.80665, 19.6133],
        [1, 2],
        [24, 24],
      ]),
    ]);
    expect(series.map((s) => s.markLine.data.length)).toEqual([1, 2, 2]);
    expect(series[0]!.data[0]![1]).toBeCloseTo(1000, 3);
    expect([yAxis[0]!.min, yAxis[0]!.max].map(Math.round)).toEqual([1000, 2000]);
    // A channel that stands still has an axis all the same.
    expect(yAxis[2]!.max).toBeGreaterThan(yAxis[2]!.min);
  });

  test('draws a point that stands for many from its least to its greatest, and nothing over a gap', () => {
    const wide = stretch(
      [
        [3, 4],
        [3, 4],
        [3, 4],
      ],
      { isRaw: false, least: [0, 0, 0].map(() => Float32Array.of(1, 2)) },
    );
    const { data } = option([wide, stretch([[5], [5], [5]])]).series[1]!;
    expect(data.map(([, value]) => value)).toEqual([1, 3, 2, 4, null, 5, null]);
  });
});

test('how many samples a point stands for', () => {
  expect(samplesAPoint([stretch([[1, 2]])], 100)).toBe(1);
  expect(samplesAPoint([stretch([[1, 2]], { isRaw: false, timesS: Float64Array.of(0, 0.64) })], 100)).toBe(64);
  expect(samplesAPoint([], 100)).toBe(1);
});
