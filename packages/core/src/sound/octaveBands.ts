import { requirePositive, requireWithin } from '../errors/guards.ts';

/** A band of a fractional-octave analysis. */
export interface OctaveBand {
  /** Counted from the band at 1 kHz. */
  index: number;
  centreHz: number;
  lowerHz: number;
  upperHz: number;
}

/** Ratio of an octave, base ten. */
const OCTAVE = 10 ** 0.3;
const MOST_PARTS = 96;

/**
 * A band of an analysis with so many bands in an octave.
 *
 *   odd b: f = 1000·G^(x/b); even b: f = 1000·G^((2x+1)/(2b)); edges f·G^(±1/(2b)), G = 10^0.3
 *
 * @param bandsPerOctave - whole, 1 to 96; 3 for third octaves
 * @see IEC 61260-1
 */
export function octaveBand(index: number, bandsPerOctave: number): OctaveBand {
  requireWithin('bandsPerOctave', bandsPerOctave, 1, MOST_PARTS);
  const exponent = bandsPerOctave % 2 === 1 ? index / bandsPerOctave : (2 * index + 1) / (2 * bandsPerOctave);
  const centreHz = 1000 * OCTAVE ** exponent;
  const half = OCTAVE ** (1 / (2 * bandsPerOctave));
  return { index, centreHz, lowerHz: centreHz / half, upperHz: centreHz * half };
}

/**
 * The band in which a frequency lies; a band holds its lower edge and not its upper one.
 *
 * @throws {OutOfRangeError} if the frequency is not positive
 */
export function octaveBandOf(frequencyHz: number, bandsPerOctave: number): OctaveBand {
  requirePositive('frequencyHz', frequencyHz);
  const steps = (bandsPerOctave * Math.log(frequencyHz / 1000)) / Math.log(OCTAVE);
  const near = Math.round(bandsPerOctave % 2 === 1 ? steps : steps - 0.5);
  const band = octaveBand(near, bandsPerOctave);
  if (frequencyHz < band.lowerHz) return octaveBand(near - 1, bandsPerOctave);
  return frequencyHz >= band.upperHz ? octaveBand(near + 1, bandsPerOctave) : band;
}
