import { CoreError, NotEnoughReadingsError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';
import { FastLevel, LEVEL_STEP_S } from './fastLevel.ts';
import { aWeightingDb, cWeightingDb, exceededLevel, levelOfMeanSquare } from './levels.ts';
import { octaveBand, type OctaveBand } from './octaveBands.ts';
import { spectrumLevel, WelchSpectrum, meanSquareBetween, type SoundSpectrum } from './welch.ts';
import { WAV_MAX_RATE_HZ, WAV_MIN_RATE_HZ } from './wav.ts';

/** Length of a window of the spectrum, to the next power of two of samples [s]. */
const WINDOW_S = 0.34;
/** Third octaves from 25 Hz to 16 kHz, counted from 1 kHz. */
const THIRDS = { first: -16, last: 12 };
/** Bands in an octave of the picture over time. */
const PICTURE_PARTS = 12;
const PICTURE_FROM_HZ = 40;
const PICTURE_TO_HZ = 12_000;
/** So many columns at most are kept for the picture over time; beyond it they are joined two by two. */
const MOST_COLUMNS = 256;
/** A sample this near to full scale that repeats the one before it is clipped. */
const CLIPPED_FROM = 0.985;
/** Mean square of a recording in which nothing was heard, as a part of full scale. */
const SILENT = 1e-11;

/** Levels [dB] of full scale 1 Pa: what is added to them once the chain is calibrated is the same for all. */
export interface SoundLevels {
  /** Equivalent, A-, C- and unweighted. */
  aDb: number;
  cDb: number;
  zDb: number;
  /** Highest A-weighted level on *fast*; null for a take that is too short for one. */
  highestADb: number | null;
  /** A-weighted level that is exceeded in a tenth and in nine tenths of the time; null likewise. */
  tenthADb: number | null;
  ninetiethADb: number | null;
}

export interface BandLevel extends OctaveBand {
  levelDb: number | null;
}

/** A sound over time and frequency: rows of bands, columns of windows, levels in dB. */
export interface SoundPicture {
  stepS: number;
  centreHz: number[];
  columns: Float32Array[];
}

export interface SoundAnalysis {
  rateHz: number;
  durationS: number;
  levels: SoundLevels;
  spectrum: SoundSpectrum;
  thirds: BandLevel[];
  /** A-weighted level of each stretch of `stepS`. */
  overTime: { stepS: number; aDb: number[] };
  picture: SoundPicture;
  /** Share of samples that were cut off at full scale. */
  clippedRatio: number;
}

/**
 * Everything that is read from a sound, fed piece by piece, in memory that does not grow with its length but by a
 * number a tenth of a second.
 *
 * Samples are parts of full scale, full scale taken as 1 Pa; levels are absolute once what a known level lacked is
 * added to them (`chainOffsetDb`).
 */
export class SoundAnalyser {
  private readonly welch: WelchSpectrum;
  private readonly fast: FastLevel;
  private readonly bands: OctaveBand[];
  private readonly edges: Int32Array;
  private readonly lineHz: number;
  private columns: Float32Array[] = [];
  private joined = 1;
  private pendingColumns: Float64Array | null = null;
  private pendingCount = 0;
  private count = 0;
  private clipped = 0;
  private last = 0;

  /** @throws {OutOfRangeError} if the rate is not that of a sound, 4 to 384 kHz */
  constructor(private readonly rateHz: number) {
    requireWithin('rateHz', rateHz, WAV_MIN_RATE_HZ, WAV_MAX_RATE_HZ);
    const size = soundWindow(rateHz);
    this.lineHz = rateHz / size;
    this.bands = picturedBands(rateHz, this.lineHz);
    this.edges = Int32Array.from([
      ...this.bands.map((b) => Math.ceil(b.lowerHz / this.lineHz)),
      Math.ceil((this.bands.at(-1)?.upperHz ?? 0) / this.lineHz),
    ]);
    this.fast = new FastLevel(rateHz);
    this.welch = new WelchSpectrum(rateHz, size, (density) => this.addColumn(density));
  }

  /** @throws {CoreError} `notSound` if a sample is no number */
  push(samples: Float32Array): void {
    let sum = 0;
    for (let i = 0; i < samples.length; i++) {
      const value = samples[i]!;
      sum += value;
      if (value === this.last && (value >= CLIPPED_FROM || value <= -CLIPPED_FROM)) this.clipped++;
      this.last = value;
    }
    if (!Number.isFinite(sum)) throw new CoreError('notSound', {});
    this.count += samples.length;
    this.welch.push(samples);
    this.fast.push(samples);
  }

  /**
   * @throws {NotEnoughReadingsError} with less sound than one window
   * @throws {CoreError} `silence` where nothing was heard
   */
  finish(): SoundAnalysis {
    const { rateHz, count } = this;
    const durationS = count / rateHz;
    if (count < soundWindow(rateHz))
      throw new NotEnoughReadingsError('soundS', durationS, soundWindow(rateHz) / rateHz);
    const spectrum = this.welch.finish();
    const heard = meanSquareBetween(spectrum, spectrum.lineHz, rateHz);
    if (!(heard > SILENT)) throw new CoreError('silence', { durationS });
    const steps = this.fast.stepMeanSquares.map((s) => levelOfMeanSquare(s) ?? 0);
    const isLong = this.fast.highestDb !== null && steps.length > 0;
    return {
      rateHz,
      durationS,
      levels: {
        aDb: spectrumLevel(spectrum, aWeightingDb)!,
        cDb: spectrumLevel(spectrum, cWeightingDb)!,
        zDb: spectrumLevel(spectrum)!,
        highestADb: this.fast.highestDb,
        tenthADb: isLong ? exceededLevel(steps, 10) : null,
        ninetiethADb: isLong ? exceededLevel(steps, 90) : null,
      },
      spectrum,
      thirds: thirdOctaves(spectrum),
      overTime: { stepS: LEVEL_STEP_S, aDb: steps },
      picture: {
        stepS: (this.joined * soundWindow(rateHz)) / 2 / rateHz,
        centreHz: this.bands.map((b) => b.centreHz),
        columns: this.columns,
      },
      clippedRatio: this.clipped / count,
    };
  }

  private addColumn(density: Float64Array): void {
    const { edges, bands, lineHz } = this;
    const column = (this.pendingColumns ??= new Float64Array(bands.length));
    for (let b = 0; b < bands.length; b++)
      for (let k = edges[b]!; k < edges[b + 1]!; k++) column[b]! += density[k]! * lineHz;
    if (++this.pendingCount < this.joined) return;
    this.columns.push(Float32Array.from(column, (sum) => levelOfMeanSquare(sum / this.joined) ?? -100));
    this.pendingColumns = null;
    this.pendingCount = 0;
    if (this.columns.length < MOST_COLUMNS) return;
    this.columns = Array.from({ length: MOST_COLUMNS / 2 }, (_, c) =>
      louderOf(this.columns[2 * c]!, this.columns[2 * c + 1]!),
    );
    this.joined *= 2;
  }
}

/** Samples of a window of the spectrum at a sampling rate. */
export function soundWindow(rateHz: number): number {
  return 2 ** Math.round(Math.log2(WINDOW_S * rateHz));
}

/** Analysis of a sound that is at hand as a whole. */
export function analyseSound(samples: Float32Array, rateHz: number): SoundAnalysis {
  const analyser = new SoundAnalyser(rateHz);
  analyser.push(samples);
  return analyser.finish();
}

/** Third-octave levels from 25 Hz as far as the sampling rate reaches. */
export function thirdOctaves(spectrum: SoundSpectrum): BandLevel[] {
  const endHz = spectrum.lineHz * (spectrum.densityPa2PerHz.length - 1);
  return Array.from({ length: THIRDS.last - THIRDS.first + 1 }, (_, i) => octaveBand(THIRDS.first + i, 3))
    .filter((band) => band.upperHz <= endHz)
    .map((band) => ({ ...band, levelDb: levelOfMeanSquare(meanSquareBetween(spectrum, band.lowerHz, band.upperHz)) }));
}

/**
 * A spectrum as it is drawn: so many bands in an octave from 40 Hz, those that hold no line of their own left out.
 *
 * @param bandsPerOctave - 24 shows the lines of a comb apart up to the twelfth
 */
export function drawnSpectrum(spectrum: SoundSpectrum, bandsPerOctave = 24): BandLevel[] {
  const endHz = Math.min(PICTURE_TO_HZ * 1.4, spectrum.lineHz * (spectrum.densityPa2PerHz.length - 1));
  const bands: BandLevel[] = [];
  for (let index = Math.round(bandsPerOctave * Math.log2(PICTURE_FROM_HZ / 1000)); ; index++) {
    const band = octaveBand(index, bandsPerOctave);
    if (band.upperHz > endHz) return bands;
    const levelDb = levelOfMeanSquare(meanSquareBetween(spectrum, band.lowerHz, band.upperHz));
    if (levelDb !== null) bands.push({ ...band, levelDb });
  }
}

/** What is added to the levels of a chain that showed a known level as another one [dB]. */
export function chainOffsetDb(knownADb: number, shownADb: number): number {
  return knownADb - shownADb;
}

/** Bands of the picture that hold at least a line each. */
function picturedBands(rateHz: number, lineHz: number): OctaveBand[] {
  const bands: OctaveBand[] = [];
  const first = Math.round(PICTURE_PARTS * Math.log2(PICTURE_FROM_HZ / 1000));
  for (let index = first; ; index++) {
    const band = octaveBand(index, PICTURE_PARTS);
    if (band.upperHz > Math.min(PICTURE_TO_HZ, rateHz / 2)) return bands;
    if (band.upperHz - band.lowerHz >= lineHz) bands.push(band);
  }
}

function louderOf(a: Float32Array, b: Float32Array): Float32Array {
  return a.map((value, i) => Math.max(value, b[i]!));
}
