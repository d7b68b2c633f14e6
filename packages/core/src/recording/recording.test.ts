import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../numerics/seededRandom.ts';
import { evenTimes, foldBins, joinBins, noBins, sampleBins, sliceBins, type Bins } from './bins.ts';
import { GrowingPyramid, levelFor, PYRAMID_FACTOR, PYRAMID_ROW_COUNT, type PyramidRow } from './growingPyramid.ts';
import { floatChannel, requireTracks, segmentStartS, type RecordingTrack } from './recordingTrack.ts';
import { bytesToColumns, columnsToBytes, fromSteps, toSteps } from './sampleBytes.ts';

const noise = (count: number, seed = 'noise'): Float32Array => {
  const random = seededRandom(seed);
  return Float32Array.from({ length: count }, () => random.normal());
};
const bins = (values: Float32Array, rateHz = 100): Bins => sampleBins(evenTimes(0, values.length, rateHz), [values]);

describe('bins', () => {
  test('folding keeps every extreme, at every factor and length', () => {
    fc.assert(
      fc.property(
        fc.array(fc.float({ noNaN: true }), { minLength: 1, maxLength: 300 }),
        fc.integer({ min: 1, max: 40 }),
        (list, factor) => {
          const values = Float32Array.from(list);
          const folded = foldBins(bins(values), factor);
          expect(folded.timesS).toHaveLength(Math.ceil(values.length / factor));
          for (let bin = 0; bin < folded.timesS.length; bin++) {
            const span = values.subarray(bin * factor, (bin + 1) * factor);
            expect(folded.least[0]![bin]).toBe(span.reduce((a, b) => Math.min(a, b)));
            expect(folded.most[0]![bin]).toBe(span.reduce((a, b) => Math.max(a, b)));
            expect(folded.timesS[bin]).toBeCloseTo((bin * factor) / 100, 9);
          }
        },
      ),
    );
  });

  test('what was not read is passed over; where nothing was read at all it stays so', () => {
    const folded = foldBins(bins(Float32Array.of(NaN, 3, NaN, 1, NaN, NaN, NaN, NaN)), 4);
    expect([...folded.least[0]!, ...folded.most[0]!]).toEqual([1, NaN, 3, NaN]);
  });

  test('a cut and a join give back what was there', () => {
    const whole = bins(noise(100));
    const joined = joinBins([sliceBins(whole, 0, 37), noBins(1), sliceBins(whole, 37)], 1);
    expect(joined).toEqual(whole);
    expect(joined.least).toBe(joined.most);
  });

  test('columns of unlike length and odd factors are refused', () => {
    expect(() => sampleBins(new Float64Array(3), [new Float32Array(2)])).toThrow('unlikeLengths');
    for (const factor of [0, -1, 1.5, NaN]) expect(() => foldBins(bins(noise(9)), factor)).toThrow('outOfRange');
  });
});

describe('the growing pyramid', () => {
  /** Everything that a pyramid wrote, however its samples came in. */
  function grown(values: Float32Array, portion: number): PyramidRow[] {
    const pyramid = new GrowingPyramid(1);
    const rows: PyramidRow[] = [];
    const all = bins(values);
    for (let i = 0; i < values.length; i += portion) rows.push(...pyramid.push(sliceBins(all, i, i + portion)));
    return rows;
  }

  test('has the same rows whether samples come one second or one hour at a time', () => {
    const values = noise(100_000);
    const order = (rows: PyramidRow[]): PyramidRow[] =>
      [...rows].sort((a, b) => a.level - b.level || a.bins.timesS[0]! - b.bins.timesS[0]!);
    expect(order(grown(values, 100))).toEqual(order(grown(values, values.length)));
  });

  test('each row holds the extremes of all that it stands for', () => {
    const values = noise(70_000);
    values[41_234] = 99;
    values[3] = -99;
    const rows = grown(values, 100);
    expect(rows.filter((r) => r.level === 1)).toHaveLength(Math.floor(70_000 / (PYRAMID_ROW_COUNT * PYRAMID_FACTOR)));
    const second = rows.filter((r) => r.level === 2);
    expect(second).toHaveLength(2);
    expect(Math.min(...second[0]!.bins.least[0]!)).toBe(-99);
    expect(Math.max(...second[1]!.bins.most[0]!)).toBe(99);
    for (const { bins: b } of rows) expect(b.timesS).toHaveLength(PYRAMID_ROW_COUNT);
  });

  test('a stretch is read from the level that has at least as many bins as are wanted, and fewer than eight times as many', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), fc.integer({ min: 1, max: 5000 }), (samples, wanted) => {
        const level = levelFor(samples, wanted);
        const count = samples / PYRAMID_FACTOR ** level;
        if (samples >= wanted) expect(count).toBeGreaterThanOrEqual(wanted);
        expect(count).toBeLessThan(Math.max(samples >= wanted ? 8 * wanted : wanted, 1 + 8 * wanted));
      }),
    );
    expect(levelFor(1000, 1000)).toBe(0);
    expect(levelFor(8000, 1000)).toBe(1);
  });
});

describe('stored columns', () => {
  test('come back bit for bit, whatever the values', () => {
    fc.assert(
      fc.property(
        fc.array(fc.float(), { maxLength: 60 }),
        fc.array(fc.double(), { minLength: 0, maxLength: 60 }),
        (floats, doubles) => {
          const count = Math.min(floats.length, doubles.length);
          const columns = [
            Float64Array.from(doubles.slice(0, count)),
            Float32Array.from(floats.slice(0, count)),
            Int16Array.from({ length: count }, (_, i) => 7 * i - 300),
          ];
          expect(bytesToColumns(columnsToBytes(columns), ['float64', 'float32', 'int16'], count)).toEqual(columns);
        },
      ),
    );
  });

  test('only those that are wanted are read', () => {
    const columns = [Float32Array.of(1, 2), Float32Array.of(3, 4), Float32Array.of(5, 6)];
    expect(bytesToColumns(columnsToBytes(columns), ['float32', 'float32', 'float32'], 2, [1])).toEqual([columns[1]]);
  });

  test('a block that is torn is refused', () => {
    expect(() => bytesToColumns(new Uint8Array(7), ['float32'], 2)).toThrow('tornBlock');
  });

  test('whole steps hold half a step, the ends and what was not read', () => {
    const values = Float32Array.of(0.26, -1, NaN, 1e9, -1e9);
    expect([...fromSteps(toSteps(values, 0.5), 0.5)]).toEqual([0.5, -1, NaN, 16_383.5, -16_383.5]);
  });
});

describe('tracks and segments', () => {
  const track = (more: Partial<RecordingTrack> = {}): RecordingTrack => ({
    name: 'stand',
    rateHz: 100,
    channels: [floatChannel('thrustN', 'force')],
    ...more,
  });

  test('channels of two tracks may have one name, two of one track may not', () => {
    expect(() => requireTracks([track(), track({ name: 'air' })])).not.toThrow();
    expect(() => requireTracks([track({ channels: [floatChannel('a', null), floatChannel('a', null)] })])).toThrow(
      'twoOfAName',
    );
  });

  test.each<[string, RecordingTrack[], string]>([
    ['none', [], 'noTrack'],
    ['one without a channel', [track({ channels: [] })], 'noTrack'],
    ['a rate of nothing', [track({ rateHz: 0 })], 'outOfRange'],
    ['a rate that is no number', [track({ rateHz: NaN })], 'outOfRange'],
    ['a step of nothing', [track({ channels: [{ ...floatChannel('a', null), step: 0 }] })], 'outOfRange'],
    ['too many', Array.from({ length: 65 }, (_, i) => track({ name: String(i) })), 'outOfRange'],
  ])('%s is refused', (_what, tracks, code) => expect(() => requireTracks(tracks)).toThrow(code));

  test('a segment begins as long after the first as the wall says, but never inside what is there', () => {
    expect(segmentStartS(null, 0, 5_000_000)).toBe(0);
    expect(segmentStartS({ startedAtMs: 5_000_000 }, 60, 5_000_000 + 600_000)).toBe(600);
    expect(segmentStartS({ startedAtMs: 5_000_000 }, 60, 5_000_000 + 30_000)).toBe(60);
    // A clock that was set back in between.
    expect(segmentStartS({ startedAtMs: 5_000_000 }, 60, 4_000_000)).toBe(60);
  });
});
