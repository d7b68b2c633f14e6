import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { NotEnoughReadingsError, OutOfRangeError } from '../errors/coreError.ts';
import { grubbsOutlier, medianOutliers } from './outliers.ts';
import { pooledHalfWidthRatio, pooledSpread } from './pooledSpread.ts';
import { powerLawCrossing, powerLawFit } from './powerLaw.ts';
import { studentTCdf, studentTQuantile } from './studentT.ts';
import { tInterval } from './tInterval.ts';
import { welchComparison } from './welchComparison.ts';

describe('Student’s t', () => {
  // Fisher's table of the distribution.
  test.each([[0.975, 1, 12.7062], [0.975, 7, 2.36462], [0.995, 30, 2.75], [0.95, 120, 1.65765], [0.025, 7, -2.36462]])('quantile %p at %p', (p, df, t) => expect(studentTQuantile(p, df)).toBeCloseTo(t, 4));

  test('quantile and distribution undo each other', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.0005, max: 0.9995, noNaN: true }), fc.double({ min: 0.6, max: 300, noNaN: true }), (p, df) => {
        expect(studentTCdf(studentTQuantile(p, df), df)).toBeCloseTo(p, 9);
      }),
    ));

  test('refuses what has no meaning', () => {
    for (const p of [0, 1, -1, NaN]) expect(() => studentTQuantile(p, 5)).toThrow(OutOfRangeError);
    expect(() => studentTQuantile(0.5, 0)).toThrow(OutOfRangeError);
    expect(studentTCdf(Infinity, 3)).toBe(1);
  });
});

describe('spread of repeats', () => {
  test('seven props with two runs each are seven degrees of freedom', () => {
    const groups = Array.from({ length: 7 }, (_, i) => [100 + i, 101 + i]);
    expect(pooledSpread(groups)?.degreesOfFreedom).toBe(7);
  });

  test('pooled with one group of two is that group’s own spread', () => {
    const spread = pooledSpread([[99, 101]])!;
    expect(spread.spreadRatio).toBeCloseTo(Math.SQRT2 / 100, 12);
    expect(pooledHalfWidthRatio(spread, 2)).toBeCloseTo(tInterval([99, 101], 0.95).halfWidth / 100, 12);
  });

  test('nothing repeated is nothing known', () => expect(pooledSpread([[1], [2], []])).toBeNull());

  test('does not depend on how large a prop pulls', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1000, noNaN: true }), (scale) => {
        expect(pooledSpread([[9 * scale, 11 * scale], [5, 5.2]])!.spreadRatio).toBeCloseTo(pooledSpread([[9, 11], [5, 5.2]])!.spreadRatio, 9);
      }),
    ));
});

describe('edges', () => {
  test('too few readings are named', () => {
    expect(() => tInterval([1], 0.95)).toThrow(NotEnoughReadingsError);
    expect(() => grubbsOutlier([1, 2])).toThrow(NotEnoughReadingsError);
    expect(() => powerLawFit([1, 2], [1, 2], 1)).toThrow(NotEnoughReadingsError);
  });

  test('no spread is no outlier and no division by zero', () => {
    expect(grubbsOutlier([5, 5, 5])).toMatchObject({ distance: 0, isOutlier: false });
    expect(medianOutliers([5, 5, 5, 9, 5])).toMatchObject({ scores: null, isOutlier: [false, false, false, false, false] });
    expect(welchComparison([2, 2], [2, 2])).toMatchObject({ isSignificant: false, probability: 1 });
    expect(welchComparison([2, 2], [3, 3])).toMatchObject({ isSignificant: true });
  });

  test('a power law finds its own exponent, whatever the unit of y', () =>
    fc.assert(
      fc.property(fc.double({ min: 1.2, max: 3, noNaN: true }), fc.double({ min: 1e-3, max: 1e3, noNaN: true }), (exponent, scale) => {
        const xs = [4000, 7000, 11_000, 16_000];
        expect(powerLawFit(xs, xs.map((x) => scale * (x / 10_000) ** exponent), 10_000).exponent).toBeCloseTo(exponent, 9);
      }),
    ));

  test('NaN, zero and equal abscissae are refused; parallel laws never meet', () => {
    expect(() => powerLawFit([1, 2, NaN], [1, 2, 3], 1)).toThrow(OutOfRangeError);
    expect(() => powerLawFit([1, 2, 3], [1, 0, 3], 1)).toThrow(OutOfRangeError);
    expect(() => powerLawFit([2, 2, 2], [1, 2, 3], 1)).toThrow(OutOfRangeError);
    const law = powerLawFit([1, 2, 3], [1, 4, 9.1], 1);
    expect(powerLawCrossing(law, law)).toEqual({ status: 'parallel' });
  });
});
