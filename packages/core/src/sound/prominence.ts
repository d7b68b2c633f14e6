import { requirePositive } from '../errors/guards.ts';
import { meanSquareBetween, type SoundSpectrum } from './welch.ts';

/** How far a tone stands out of the bands on either side of it. */
export interface Prominence {
  ratioDb: number;
  /** From which ratio on it is heard as a tone of its own [dB]. */
  thresholdDb: number;
  isProminent: boolean;
}

const LEAST_TONE_HZ = 89.1;

/** Width of the band in which the ear adds up sound, around a frequency [Hz]. @see ECMA-418-1, after Zwicker */
export function criticalBandwidthHz(frequencyHz: number): number {
  requirePositive('frequencyHz', frequencyHz);
  return 25 + 75 * (1 + 1.4 * (frequencyHz / 1000) ** 2) ** 0.69;
}

/**
 * Prominence of a tone from the levels of three critical bands that touch each other.
 *
 *   ratio = 10·log10(P_middle / ((P_lower + P_upper)/2)); 9 dB from 1 kHz, 9 + 10·log10(1000/f) below
 *
 * @see ECMA-418-1, prominence ratio
 */
export function prominenceOf(frequencyHz: number, lowerDb: number, middleDb: number, upperDb: number): Prominence {
  requirePositive('frequencyHz', frequencyHz);
  const sides = (10 ** (lowerDb / 10) + 10 ** (upperDb / 10)) / 2;
  const ratioDb = middleDb - 10 * Math.log10(sides);
  const thresholdDb = frequencyHz >= 1000 ? 9 : 9 + 10 * Math.log10(1000 / frequencyHz);
  return { ratioDb, thresholdDb, isProminent: ratioDb >= thresholdDb };
}

/**
 * Prominence of a tone in a spectrum; null where its bands reach under the hearing of tones or over the spectrum's end,
 * or hold nothing.
 */
export function toneProminence(spectrum: SoundSpectrum, frequencyHz: number): Prominence | null {
  if (frequencyHz < LEAST_TONE_HZ) return null;
  const half = criticalBandwidthHz(frequencyHz) / 2;
  const [low, high] = [frequencyHz - half, frequencyHz + half];
  const lower = meanSquareBetween(spectrum, Math.max(0, low - 2 * half), low);
  const upper = meanSquareBetween(spectrum, high, high + 2 * half);
  const middle = meanSquareBetween(spectrum, low, high);
  const isInside = high + 2 * half < spectrum.lineHz * (spectrum.densityPa2PerHz.length - 1);
  if (!isInside || !(lower > 0 && middle > 0 && upper > 0)) return null;
  return prominenceOf(frequencyHz, 10 * Math.log10(lower), 10 * Math.log10(middle), 10 * Math.log10(upper));
}
