import {
  analyseWav,
  bladeCombs,
  decodeWav,
  heardSound,
  readWavHeader,
  requireTrackable,
  SoundAnalyser,
  spinDownOf,
  spectrumLevel,
  aWeightingDb,
  trackSpeed,
  WAV_HEAD_BYTES,
  type BladeComb,
  type CombAsk,
  type HeardSound,
  type SoundAnalysis,
  type SoundLevels,
  type SoundPicture,
  type SpeedAt,
  type SpinDown,
} from '@zivvo/core';

/** What was heard in a file, its levels of full scale. */
export interface HeardFile {
  rateHz: number;
  channelCount: number;
  isTruncated: boolean;
  levels: SoundLevels;
  picture: SoundPicture;
  clippedRatio: number;
  /** What is kept of it, the blades not asked for. */
  sound: HeardSound;
}

/** What the blades say in it, and what is kept of it with them. */
export interface HeardBlades {
  combs: BladeComb[];
  sound: HeardSound;
}

/** A moment of a live sound. */
export interface LiveSound {
  aDb: number;
  comb: BladeComb | null;
}

/** What the worker of Listen does; the sound that was heard last stays with it. */
export class ListenWork {
  private analysis: SoundAnalysis | null = null;

  /** @throws {CoreError} where the file is no sound that can be read, with what stands in the way */
  async hear(file: File, onProgress: ((share: number) => void) | null): Promise<HeardFile> {
    this.analysis = null;
    const read = async (from: number, to: number): Promise<Uint8Array> =>
      new Uint8Array(await file.slice(from, to).arrayBuffer());
    const { format, analysis } = await analyseWav({ byteCount: file.size, read }, null, onProgress ?? undefined);
    this.analysis = analysis;
    return {
      rateHz: format.rateHz,
      channelCount: format.channelCount,
      isTruncated: format.isTruncated,
      levels: analysis.levels,
      picture: analysis.picture,
      clippedRatio: analysis.clippedRatio,
      sound: heardSound(analysis, null),
    };
  }

  /** Rotors in the sound that was heard last, for blades and speeds that were said since. */
  blades(ask: CombAsk): HeardBlades | null {
    if (!this.analysis) return null;
    const combs = bladeCombs(this.analysis.spectrum, ask);
    const comb = combs[0] ? { comb: combs[0], bladeCount: ask.bladeCount } : null;
    return { combs, sound: heardSound(this.analysis, comb) };
  }

  /** Speed of one rotor over time in a file, and how it runs down. */
  async follow(file: File, ask: CombAsk): Promise<{ track: SpeedAt[]; spinDown: SpinDown | null }> {
    const head = new Uint8Array(await file.slice(0, WAV_HEAD_BYTES).arrayBuffer());
    const format = readWavHeader(head, file.size);
    // Before it is read: an hour does not fit into memory.
    requireTrackable(format.frameCount / format.rateHz);
    const { dataOffset, dataByteCount } = format;
    const bytes = new Uint8Array(await file.slice(dataOffset, dataOffset + dataByteCount).arrayBuffer());
    const samples = decodeWav(bytes, format);
    const track = trackSpeed(samples, format.rateHz, ask);
    return { track, spinDown: spinDownOf(track) };
  }

  /** The last moment of a live sound; null where it is too short or nothing is heard. */
  moment(samples: Float32Array, rateHz: number, ask: CombAsk): LiveSound | null {
    const analyser = new SoundAnalyser(rateHz);
    try {
      analyser.push(samples);
      const { spectrum } = analyser.finish();
      return { aDb: spectrumLevel(spectrum, aWeightingDb)!, comb: bladeCombs(spectrum, ask)[0] ?? null };
    } catch {
      // Silence and a moment too short are no faults of a sound that goes on.
      return null;
    }
  }
}
