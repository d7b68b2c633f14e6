import FFT from 'fft.js';
import { requireWithin } from '../errors/guards.ts';

const MOST_SIZE = 2 ** 20;

/**
 * Spectra of windows of real samples, weighted by a periodic Hann window; its arrays are kept from window to window.
 */
export class HannSpectrum {
  /** Σw² of the window. */
  readonly squares: number;
  private readonly weights: Float64Array;
  private readonly fft: FFT;
  private readonly input: Float64Array;
  private readonly output: Float64Array;

  /** @param size - a power of two, 4 to 2^20 */
  constructor(readonly size: number) {
    requireWithin('size', size, 4, MOST_SIZE);
    this.fft = new FFT(size);
    this.weights = Float64Array.from({ length: size }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / size));
    this.squares = this.weights.reduce((sum, w) => sum + w * w, 0);
    this.input = new Float64Array(size);
    this.output = new Float64Array(2 * size);
  }

  /**
   * Adds |X|² of a window to the lines 0 to size/2.
   *
   * @param mean - taken from every sample first
   * @param power - size/2 + 1 lines
   */
  addPower(samples: ArrayLike<number>, from: number, mean: number, power: Float64Array): void {
    const { size, weights, input, output } = this;
    for (let i = 0; i < size; i++) input[i] = (samples[from + i]! - mean) * weights[i]!;
    this.fft.realTransform(output, input);
    for (let k = 0; k <= size / 2; k++) power[k]! += output[2 * k]! ** 2 + output[2 * k + 1]! ** 2;
  }
}
