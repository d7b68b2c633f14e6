import { OutOfRangeError } from '../errors/coreError.ts';
import { requireFinite, requirePositive } from '../errors/guards.ts';

/** One measured coefficient against the model's, for one propeller model. */
export interface CalibrationReading {
  /** Pitch over diameter. */
  pitchRatio: number;
  /** ln(measured coefficient / model's). */
  logRatio: number;
}

/** What is believed before any reading, and how readings scatter. */
export interface CalibrationPrior {
  /** Standard deviations of offset and pitch slope, in logarithms. */
  offset: number;
  slope: number;
  /** Scatter of one reading, in logarithms. */
  noise: number;
  /** How many readings the scatter counts for. */
  noiseCount: number;
}

export const CALIBRATION_PRIOR: CalibrationPrior = { offset: 0.1, slope: 0.06, noise: 0.03, noiseCount: 4 };

const CENTRE = 0.5;
const SPREAD = 0.2;

/** A fitted correction of one coefficient. */
export interface Calibration {
  offset: number;
  slope: number;
  /** Standard deviations of the two, and their covariance. */
  offsetDeviation: number;
  slopeDeviation: number;
  covariance: number;
  /** Scatter left over, in logarithms. */
  residual: number;
  readingCount: number;
}

/**
 * Corrects a model's coefficient by measured ones: Bayesian ridge on logarithms.
 *
 *   ln(measured/model) = θ0 + θ1·z, z = (P/D − 0.5)/0.2;  A = XᵀX/s² + diag(1/σ0², 1/σ1²), θ = A⁻¹·Xᵀy/s²
 *
 * Without readings the correction is 1 with the prior's spread. Thrust and power are corrected apart.
 *
 * @param readings - at most 10,000
 * @throws {OutOfRangeError} if a reading or the prior is not finite, or a spread not positive
 */
export function calibrate(
  readings: readonly CalibrationReading[],
  prior: CalibrationPrior = CALIBRATION_PRIOR,
): Calibration {
  if (readings.length > 10_000) throw new OutOfRangeError('readings', readings.length, 'at most 10,000');
  for (const [what, value] of Object.entries(prior)) requirePositive(what, value as number);
  let sumZ = 0;
  let sumZz = 0;
  let sumY = 0;
  let sumZy = 0;
  for (const { pitchRatio, logRatio } of readings) {
    requireFinite('pitchRatio', pitchRatio);
    requireFinite('logRatio', logRatio);
    const z = scaled(pitchRatio);
    sumZ += z;
    sumZz += z * z;
    sumY += logRatio;
    sumZy += z * logRatio;
  }
  const weight = 1 / prior.noise ** 2;
  const a = readings.length * weight + 1 / prior.offset ** 2;
  const b = sumZ * weight;
  const d = sumZz * weight + 1 / prior.slope ** 2;
  const determinant = a * d - b * b;
  const offset = (weight * (d * sumY - b * sumZy)) / determinant;
  const slope = (weight * (a * sumZy - b * sumY)) / determinant;
  const squares = readings.reduce((sum, r) => sum + (r.logRatio - offset - slope * scaled(r.pitchRatio)) ** 2, 0);
  return {
    offset,
    slope,
    offsetDeviation: Math.sqrt(d / determinant),
    slopeDeviation: Math.sqrt(a / determinant),
    covariance: -b / determinant,
    residual: Math.sqrt((prior.noiseCount * prior.noise ** 2 + squares) / (prior.noiseCount + readings.length)),
    readingCount: readings.length,
  };
}

/** How far one prop model, or a maker's, lies from the correction around it, in logarithms: shapes of its own. */
const OWN_PRIOR: CalibrationPrior = { offset: 0.05, slope: 1e-3, noise: 0.03, noiseCount: 4 };

/**
 * Corrects one prop model within what is known of all: its readings are held against the whole correction, and what is
 * left over is believed as far as there are readings.
 *
 * @param readings - of this model alone, all at its pitch ratio
 * @returns the correction at that pitch ratio; elsewhere it keeps the slope of the whole
 */
export function calibrateWithin(whole: Calibration, readings: readonly CalibrationReading[]): Calibration {
  const left = readings.map(({ pitchRatio, logRatio }) => ({
    pitchRatio: CENTRE,
    logRatio: logRatio - whole.offset - whole.slope * scaled(pitchRatio),
  }));
  const { offset, offsetDeviation, residual, readingCount } = calibrate(left, OWN_PRIOR);
  return {
    offset: whole.offset + offset,
    slope: whole.slope,
    offsetDeviation,
    slopeDeviation: 0,
    covariance: 0,
    residual,
    readingCount,
  };
}

/** A correction at one pitch ratio: the factor and its standard deviation in logarithms. */
export interface CalibrationFactor {
  factor: number;
  deviationLog: number;
}

/**
 * The correction at a pitch ratio, with its own uncertainty and the scatter of readings.
 *
 * @throws {OutOfRangeError} if the pitch ratio is not finite
 */
export function calibrationFactor(calibration: Calibration, pitchRatio: number): CalibrationFactor {
  requireFinite('pitchRatio', pitchRatio);
  const z = scaled(pitchRatio);
  const variance =
    calibration.offsetDeviation ** 2 + 2 * z * calibration.covariance + z * z * calibration.slopeDeviation ** 2;
  return {
    factor: Math.exp(calibration.offset + calibration.slope * z),
    deviationLog: Math.sqrt(variance + calibration.residual ** 2),
  };
}

/** The pitch ratio of a centred and scaled one, z = (P/D − 0.5)/0.2. */
export function pitchRatioOf(z: number): number {
  return CENTRE + SPREAD * z;
}

function scaled(pitchRatio: number): number {
  return (pitchRatio - CENTRE) / SPREAD;
}
