import { betweenPassesDb, type BladeComb } from '../sound/bladeComb.ts';
import { drawnSpectrum, type BandLevel, type SoundAnalysis } from '../sound/soundAnalysis.ts';

/** A band with its level [dB]. */
export interface HeardBand {
  centreHz: number;
  levelDb: number;
}

/**
 * What is kept of a recording beside its level, so that it is drawn and compared without the file; levels of full
 * scale.
 */
export interface HeardSound {
  durationS: number;
  cLevelDb: number;
  highestDb: number | null;
  ninetiethDb: number | null;
  thirds: HeardBand[];
  spectrum: HeardBand[];
  /** Lines of the first rotor's comb; none of a place alone. */
  lines: { order: number; frequencyHz: number; levelDb: number; prominenceDb: number | null }[];
  betweenDb: number | null;
}

/** @param comb - the first rotor's, with its blades; null where none was found or asked for */
export function heardSound(
  { durationS, levels, thirds, spectrum }: SoundAnalysis,
  comb: { comb: BladeComb; bladeCount: number } | null,
): HeardSound {
  return {
    durationS,
    cLevelDb: levels.cDb,
    highestDb: levels.highestADb,
    ninetiethDb: levels.ninetiethADb,
    thirds: thirds.flatMap(withLevel),
    spectrum: drawnSpectrum(spectrum).flatMap(withLevel),
    lines: (comb?.comb.lines ?? []).map(({ order, frequencyHz, levelDb, prominence }) => ({
      order,
      frequencyHz,
      levelDb,
      prominenceDb: prominence?.ratioDb ?? null,
    })),
    betweenDb: comb ? betweenPassesDb(spectrum, comb.comb, comb.bladeCount) : null,
  };
}

const withLevel = ({ centreHz, levelDb }: BandLevel): HeardBand[] => (levelDb === null ? [] : [{ centreHz, levelDb }]);
