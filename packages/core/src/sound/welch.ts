import { NotEnoughReadingsError } from '../errors/coreError.ts';
import { requirePositive } from '../errors/guards.ts';
import { HannSpectrum } from '../numerics/hannSpectrum.ts';
import { levelOfMeanSquare } from './levels.ts';

/** Pressures one after the other [Pa]. */
export type SoundSamples = Float32Array | Float64Array;

/** Power of a sound by frequency. */
export interface SoundSpectrum {
  /** From one line to the next [Hz]. */
  lineHz: number;
  /** One-sided density of each line from 0 Hz to half the sampling rate [Pa²/Hz]. */
  densityPa2PerHz: Float64Array;
  windowCount: number;
}

/** Lines on either side of a tone that its power leaks into. */
const TONE_REACH_LINES = 3;

/**
 * Welch's average of overlapping Hann windows, fed piece by piece.
 *
 * One-sided: every line but the first and the last counts twice; divided by the rate and Σw², so that the sum of the
 * densities times the line's width is the mean square. Windows overlap by half; a rest shorter than a window is left
 * out.
 */
export class WelchSpectrum {
  private readonly hann: HannSpectrum;
  private readonly pending: Float64Array;
  private readonly power: Float64Array;
  private readonly sum: Float64Array;
  private filled = 0;
  private windowCount = 0;

  /**
   * @param size - samples of a window, a power of two
   * @param onWindow - is shown the density of every single window; its array is used again
   */
  constructor(
    private readonly rateHz: number,
    size: number,
    private readonly onWindow: ((densityPa2PerHz: Float64Array) => void) | null = null,
  ) {
    requirePositive('rateHz', rateHz);
    this.hann = new HannSpectrum(size);
    this.pending = new Float64Array(size);
    this.power = new Float64Array(size / 2 + 1);
    this.sum = new Float64Array(size / 2 + 1);
  }

  push(samples: SoundSamples): void {
    const { pending } = this;
    for (let at = 0; at < samples.length;) {
      const taken = Math.min(samples.length - at, pending.length - this.filled);
      pending.set(samples.subarray(at, at + taken), this.filled);
      this.filled += taken;
      at += taken;
      if (this.filled < pending.length) return;
      this.readWindow();
      pending.copyWithin(0, pending.length / 2);
      this.filled = pending.length / 2;
    }
  }

  /** @throws {NotEnoughReadingsError} if no whole window was fed */
  finish(): SoundSpectrum {
    if (this.windowCount === 0) throw new NotEnoughReadingsError('samples', this.filled, this.hann.size);
    return {
      lineHz: this.rateHz / this.hann.size,
      densityPa2PerHz: this.sum.map((s) => s / this.windowCount),
      windowCount: this.windowCount,
    };
  }

  private readWindow(): void {
    const { power, sum, hann } = this;
    power.fill(0);
    hann.addPower(this.pending, 0, 0, power);
    const scale = 2 / (this.rateHz * hann.squares);
    const last = power.length - 1;
    for (let k = 0; k <= last; k++) {
      power[k]! *= k === 0 || k === last ? scale / 2 : scale;
      sum[k]! += power[k]!;
    }
    this.windowCount++;
    this.onWindow?.(power);
  }
}

/**
 * @param samples - pressures [Pa]
 * @param size - samples of a window, a power of two
 * @throws {NotEnoughReadingsError} with fewer samples than a window
 */
export function welchSpectrum(samples: SoundSamples, rateHz: number, size: number): SoundSpectrum {
  const welch = new WelchSpectrum(rateHz, size);
  welch.push(samples);
  return welch.finish();
}

/** Mean square of the lines from `lowHz` up to and without `highHz` [Pa²]. */
export function meanSquareBetween(spectrum: SoundSpectrum, lowHz: number, highHz: number): number {
  const { lineHz, densityPa2PerHz } = spectrum;
  let sum = 0;
  const end = Math.min(densityPa2PerHz.length, Math.ceil(highHz / lineHz - 1e-9));
  for (let k = Math.max(0, Math.ceil(lowHz / lineHz - 1e-9)); k < end; k++) sum += densityPa2PerHz[k]!;
  return sum * lineHz;
}

/**
 * Level of a spectrum under a weighting [dB]; the line at 0 Hz is left out; null for silence.
 *
 * @param weightingDb - what the curve adds at a frequency; nothing where it is left out
 */
export function spectrumLevel(
  { lineHz, densityPa2PerHz }: SoundSpectrum,
  weightingDb: (frequencyHz: number) => number = () => 0,
): number | null {
  let sum = 0;
  for (let k = 1; k < densityPa2PerHz.length; k++) sum += densityPa2PerHz[k]! * 10 ** (weightingDb(k * lineHz) / 10);
  return levelOfMeanSquare(sum * lineHz);
}

/** Mean square of a tone, the lines that it leaks into counted [Pa²]. */
export function toneMeanSquare({ lineHz, densityPa2PerHz }: SoundSpectrum, frequencyHz: number): number {
  const middle = Math.round(frequencyHz / lineHz);
  let sum = 0;
  for (let k = middle - TONE_REACH_LINES; k <= middle + TONE_REACH_LINES; k++) sum += densityPa2PerHz[k] ?? 0;
  return sum * lineHz;
}

/** The highest line between two frequencies, and where between the lines its top lies. */
export interface SpectrumPeak {
  line: number;
  frequencyHz: number;
}

/**
 * Top of the highest line in [lowHz, highHz], by a parabola through the logarithms of it and its neighbours.
 *
 * @returns null where no line lies between them, or all are silent
 */
export function peakBetween(spectrum: SoundSpectrum, lowHz: number, highHz: number): SpectrumPeak | null {
  const { lineHz, densityPa2PerHz: density } = spectrum;
  const last = Math.min(density.length - 2, Math.floor(highHz / lineHz));
  let line = 0;
  for (let k = Math.max(1, Math.ceil(lowHz / lineHz)); k <= last; k++)
    if (density[k]! > (line === 0 ? 0 : density[line]!)) line = k;
  if (line === 0) return null;
  const [left, top, right] = [line - 1, line, line + 1].map((k) => Math.log(Math.max(density[k]!, 1e-300)));
  const bend = left! - 2 * top! + right!;
  const off = bend < 0 ? Math.max(-1, Math.min(1, (0.5 * (left! - right!)) / bend)) : 0;
  return { line, frequencyHz: (line + off) * lineHz };
}
