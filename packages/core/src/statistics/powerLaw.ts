import { OutOfRangeError } from '../errors/coreError.ts';
import { requirePositive, requireReadings } from '../errors/guards.ts';
import { mean } from './describe.ts';
import { studentTQuantile } from './studentT.ts';

/** y = valueAtReference · (x / referenceX)^exponent, fitted on logarithms. */
export interface PowerLawFit {
  referenceX: number;
  valueAtReference: number;
  exponent: number;
  /** Standard deviation of the log residuals, n − 2. */
  residualLog: number;
  /** Share of the log variance that the fit explains. */
  determination: number;
  count: number;
  lowX: number;
  highX: number;
  /** Mean of ln(x/referenceX) and the sum of squares about it. */
  centreLog: number;
  squaresLog: number;
}

/**
 * Fits y = a·(x/x0)^b by ordinary least squares on ln y against ln(x/x0).
 *
 * Centred on the mean of the logs, which keeps the slope's digits when x spans little.
 *
 * @param xs - at least 3 positive values, not all equal (rpm for a thrust law, watts for thrust against power)
 * @param ys - as many positive values
 * @param referenceX - x0, where the coefficient is read, > 0; 10,000 rpm for a rotor law
 * @throws {NotEnoughReadingsError} with fewer than three points
 * @throws {OutOfRangeError} if a value is not positive, lengths differ or all xs are equal
 * @example powerLawFit([1000, 2000, 4000], [1, 4, 16], 1000).exponent // => 2
 */
export function powerLawFit(xs: readonly number[], ys: readonly number[], referenceX: number): PowerLawFit {
  requireReadings('xs', xs, 3);
  if (xs.length !== ys.length) throw new OutOfRangeError('ys.length', ys.length, `${xs.length}`);
  requirePositive('referenceX', referenceX);
  xs.forEach((x) => requirePositive('x', x));
  ys.forEach((y) => requirePositive('y', y));
  const logX = xs.map((x) => Math.log(x / referenceX));
  const logY = ys.map((y) => Math.log(y));
  const centreLog = mean(logX);
  const centreY = mean(logY);
  const squaresLog = logX.reduce((sum, l) => sum + (l - centreLog) ** 2, 0);
  if (squaresLog < 1e-18) throw new OutOfRangeError('spread of xs', squaresLog, 'at least two different values');
  const exponent = logX.reduce((sum, l, i) => sum + (l - centreLog) * (logY[i]! - centreY), 0) / squaresLog;
  const intercept = centreY - exponent * centreLog;
  const residuals = logX.reduce((sum, l, i) => sum + (logY[i]! - intercept - exponent * l) ** 2, 0);
  const total = logY.reduce((sum, l) => sum + (l - centreY) ** 2, 0);
  return {
    referenceX,
    valueAtReference: Math.exp(intercept),
    exponent,
    residualLog: Math.sqrt(residuals / (xs.length - 2)),
    determination: total === 0 ? 1 : 1 - residuals / total,
    count: xs.length,
    lowX: Math.min(...xs),
    highX: Math.max(...xs),
    centreLog,
    squaresLog,
  };
}

export interface PowerLawPrediction {
  value: number;
  /** 95 % interval of the mean. */
  meanLow: number;
  meanHigh: number;
  /** 95 % interval of one further reading. */
  readingLow: number;
  readingHigh: number;
  isExtended: boolean;
}

/**
 * Value of a fitted power law with its 95 % intervals.
 *
 *   e^(c + bL ± t·s·√(1/n + (L − L̄)²/Sxx)), and 1 more under the root for one further reading
 *
 * @param x - > 0, same unit as the fit
 * @throws {OutOfRangeError} if x is not positive
 */
export function predictPowerLaw(fit: PowerLawFit, x: number): PowerLawPrediction {
  requirePositive('x', x);
  const l = Math.log(x / fit.referenceX);
  const value = fit.valueAtReference * Math.exp(fit.exponent * l);
  const t = studentTQuantile(0.975, fit.count - 2);
  const variance = 1 / fit.count + (l - fit.centreLog) ** 2 / fit.squaresLog;
  const meanFactor = Math.exp(t * fit.residualLog * Math.sqrt(variance));
  const readingFactor = Math.exp(t * fit.residualLog * Math.sqrt(1 + variance));
  return {
    value,
    meanLow: value / meanFactor,
    meanHigh: value * meanFactor,
    readingLow: value / readingFactor,
    readingHigh: value * readingFactor,
    isExtended: x < fit.lowX || x > fit.highX,
  };
}

/** Where two laws meet, or why nothing can be said: equal slopes never meet. */
export type PowerLawCrossing =
  | { status: 'parallel' }
  | {
      status: 'crosses';
      x: number;
      y: number;
      xLow: number;
      xHigh: number;
      /** Whether the slopes differ by more than their t-interval. */
      isSlopeDifferent: boolean;
      isInsideBothRanges: boolean;
    };

/**
 * Crossing of two fitted power laws with its 95 % interval by the delta method.
 *
 *   L* = (c2 − c1)/(b1 − b2), var L* = gᵀ(Cov1 ⊕ Cov2)g, Cov = s²(XᵀX)⁻¹
 *
 * Trust it only when `isSlopeDifferent` and `isInsideBothRanges` are both true.
 *
 * @throws {OutOfRangeError} if the fits have different reference points
 */
export function powerLawCrossing(first: PowerLawFit, second: PowerLawFit): PowerLawCrossing {
  if (first.referenceX !== second.referenceX)
    throw new OutOfRangeError('referenceX', second.referenceX, `${first.referenceX}`);
  const slope = first.exponent - second.exponent;
  if (slope === 0) return { status: 'parallel' };
  const c1 = Math.log(first.valueAtReference);
  const l = (Math.log(second.valueAtReference) - c1) / slope;
  // g = (−1, −L)/slope for the first fit and (+1, +L)/slope for the second, so both add the same quadratic form.
  const variance = (varianceAt(first, l) + varianceAt(second, l)) / slope ** 2;
  const t = studentTQuantile(0.975, first.count + second.count - 4);
  const slopeError = Math.sqrt(first.residualLog ** 2 / first.squaresLog + second.residualLog ** 2 / second.squaresLog);
  const x = first.referenceX * Math.exp(l);
  const factor = Math.exp(t * Math.sqrt(variance));
  return {
    status: 'crosses',
    x,
    y: Math.exp(c1 + first.exponent * l),
    xLow: x / factor,
    xHigh: x * factor,
    isSlopeDifferent: Math.abs(slope) > t * slopeError,
    isInsideBothRanges: [first, second].every((fit) => x >= fit.lowX && x <= fit.highX),
  };
}

/** Variance of a fitted line at L: s²·(1/n + (L − L̄)²/Sxx). */
function varianceAt(fit: PowerLawFit, l: number): number {
  return fit.residualLog ** 2 * (1 / fit.count + (l - fit.centreLog) ** 2 / fit.squaresLog);
}
