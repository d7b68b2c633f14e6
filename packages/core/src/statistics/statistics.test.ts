import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { NotEnoughReadingsError, OutOfRangeError } from '../errors/coreError.ts';
import { mean, median, standardDeviation } from './describe.ts';
import { logGamma } from './logGamma.ts';
import { grubbsOutlier, medianOutliers } from './outliers.ts';
import { pooledHalfWidthRatio, pooledSpread } from './pooledSpread.ts';
import { powerLawCrossing, powerLawFit, predictPowerLaw } from './powerLaw.ts';
import { studentTCdf, studentTQuantile, studentTTwoSided } from './studentT.ts';
import { tInterval } from './tInterval.ts';
import { welchComparison } from './welchComparison.ts';

describe('Student’s t', () => {
  // Fisher's table of the distribution.
  test.each([
    [0.975, 1, 12.7062],
    [0.975, 7, 2.36462],
    [0.995, 30, 2.75],
    [0.95, 120, 1.65765],
    [0.025, 7, -2.36462],
  ])('quantile %p at %p', (p, df, t) => expect(studentTQuantile(p, df)).toBeCloseTo(t, 4));

  test('quantile and distribution undo each other', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.0005, max: 0.9995, noNaN: true }),
        fc.double({ min: 0.6, max: 300, noNaN: true }),
        (p, df) => {
          expect(studentTCdf(studentTQuantile(p, df), df)).toBeCloseTo(p, 9);
        },
      ),
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
        expect(
          pooledSpread([
            [9 * scale, 11 * scale],
            [5, 5.2],
          ])!.spreadRatio,
        ).toBeCloseTo(
          pooledSpread([
            [9, 11],
            [5, 5.2],
          ])!.spreadRatio,
          9,
        );
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
    expect(medianOutliers([5, 5, 5, 9, 5])).toMatchObject({
      scores: null,
      isOutlier: [false, false, false, false, false],
    });
    expect(welchComparison([2, 2], [2, 2])).toMatchObject({ isSignificant: false, probability: 1 });
    expect(welchComparison([2, 2], [3, 3])).toMatchObject({ isSignificant: true });
  });

  test('a power law finds its own exponent, whatever the unit of y', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1.2, max: 3, noNaN: true }),
        fc.double({ min: 1e-3, max: 1e3, noNaN: true }),
        (exponent, scale) => {
          const xs = [4000, 7000, 11_000, 16_000];
          expect(
            powerLawFit(
              xs,
              xs.map((x) => scale * (x / 10_000) ** exponent),
              10_000,
            ).exponent,
          ).toBeCloseTo(exponent, 9);
        },
      ),
    ));

  test('NaN, zero and equal abscissae are refused; parallel laws never meet', () => {
    expect(() => powerLawFit([1, 2, NaN], [1, 2, 3], 1)).toThrow(OutOfRangeError);
    expect(() => powerLawFit([1, 2, 3], [1, 0, 3], 1)).toThrow(OutOfRangeError);
    expect(() => powerLawFit([2, 2, 2], [1, 2, 3], 1)).toThrow(OutOfRangeError);
    const law = powerLawFit([1, 2, 3], [1, 4, 9.1], 1);
    expect(powerLawCrossing(law, law)).toEqual({ status: 'parallel' });
  });
});

describe('published figures', () => {
  test.each([
    ['ln Γ(1)', 1, 0],
    ['ln Γ(½) = ln √π', 0.5, 0.5723649429247001],
    ['ln Γ(5) = ln 24', 5, Math.log(24)],
    ['ln Γ(10.5)', 10.5, 13.940625219403763],
    ['ln Γ(100) = ln 99!', 100, 359.1342053695754],
  ])('%s', (_name, x, value) => expect(logGamma(x)).toBeCloseTo(value, 10));

  test('the gamma function grows by its own argument', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 200, noNaN: true }), (x) =>
        expect(logGamma(x + 1) - logGamma(x)).toBeCloseTo(Math.log(x), 9),
      ),
    ));

  // Two-sided probabilities from the closed forms for one and two degrees of freedom.
  test.each([0.5, 1, 3, 12.7])('two-sided tails of t = %p', (t) => {
    expect(studentTTwoSided(t, 1)).toBeCloseTo(1 - (2 / Math.PI) * Math.atan(t), 9);
    expect(studentTTwoSided(t, 2)).toBeCloseTo(1 - t / Math.sqrt(2 + t * t), 9);
    expect(studentTTwoSided(-t, 2)).toBeCloseTo(studentTTwoSided(t, 2), 12);
  });

  // Grubbs' table for both sides at 5 %.
  test.each([
    [3, 1.1543],
    [4, 1.4812],
    [5, 1.715],
    [6, 1.8871],
    [7, 2.02],
    [10, 2.29],
    [20, 2.7082],
  ])('Grubbs’ critical value of %d', (n, critical) => {
    expect(grubbsOutlier(Array.from({ length: n }, (_, i) => i)).critical).toBeCloseTo(critical, 2);
  });

  // Ten patients on two drugs, extra hours of sleep: difference 1.58, ν = 17.8, p = 0.0794.
  test('the two drugs of 1908 do not differ for certain, unequal spreads allowed', () => {
    const a = [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0, 2];
    const b = [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4];
    const { difference, degreesOfFreedom, probability, low, high, isSignificant } = welchComparison(a, b);
    expect([difference, degreesOfFreedom, probability].map((v) => Number(v.toFixed(4)))).toEqual([
      1.58, 17.7765, 0.0794,
    ]);
    expect([low, high].map((v) => Number(v.toFixed(4)))).toEqual([-0.2055, 3.3655]);
    expect(isSignificant).toBe(false);
  });
});

describe('middles and spreads', () => {
  // Adding zero makes one zero of the two: nobody reads "−0".
  const reading = fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((x) => x + 0);
  const values = fc.array(reading, { minLength: 2, maxLength: 30 });

  test('a shift moves mean and median by itself and leaves the spread', () =>
    fc.assert(
      fc.property(values, fc.double({ min: -1000, max: 1000, noNaN: true }), (xs, by) => {
        const moved = xs.map((x) => x + by);
        expect(mean(moved)).toBeCloseTo(mean(xs) + by, 5);
        expect(median(moved)).toBeCloseTo(median(xs) + by, 5);
        expect(standardDeviation(moved)).toBeCloseTo(standardDeviation(xs), 3);
      }),
    ));

  test('the order of readings does not matter', () =>
    fc.assert(
      fc.property(values, (xs) => {
        const turned = [...xs].reverse();
        expect(median(turned)).toBe(median(xs));
        expect(standardDeviation(turned)).toBeCloseTo(standardDeviation(xs), 6);
        expect(welchComparison(xs, turned).difference).toBeCloseTo(0, 6);
      }),
    ));

  test('half of the readings may be nonsense before the median is', () => {
    expect(median([5, 5.1, 4.9, 1e9, 1e9])).toBe(5.1);
    expect(median([2, 4])).toBe(3);
    expect(medianOutliers([5, 5.1, 4.9, 5.05, 99, -99]).isOutlier).toEqual([false, false, false, false, true, true]);
  });

  test.each([[[]], [[NaN, 1]], [[Infinity, 1]]])('%p has no mean', (xs: number[]) => expect(() => mean(xs)).toThrow());
});

describe('power laws', () => {
  const law = powerLawFit([4000, 7000, 11_000, 16_000], [2.1, 6.3, 15.6, 33.2], 10_000);

  test('what they predict lies on the law, and is least sure far from what was measured', () => {
    const at = (x: number) => predictPowerLaw(law, x);
    for (const x of [5000, 10_000, 15_000])
      expect(at(x).value).toBeCloseTo(law.valueAtReference * (x / 10_000) ** law.exponent, 9);
    const width = (x: number): number => at(x).meanHigh / at(x).meanLow;
    expect(width(60_000)).toBeGreaterThan(width(9000));
    expect(width(600)).toBeGreaterThan(width(9000));
  });

  test('two laws of different steepness cross where both say the same', () => {
    const steep = powerLawFit([4000, 7000, 11_000, 16_000], [1.2, 5.0, 16.4, 44.0], 10_000);
    const crossing = powerLawCrossing(law, steep);
    if (crossing.status !== 'crosses') throw new Error(crossing.status);
    expect(predictPowerLaw(law, crossing.x).value).toBeCloseTo(crossing.y, 6);
    expect(predictPowerLaw(steep, crossing.x).value).toBeCloseTo(crossing.y, 6);
    expect(powerLawCrossing(steep, law)).toMatchObject({ x: expect.closeTo(crossing.x, 3) });
  });
});
