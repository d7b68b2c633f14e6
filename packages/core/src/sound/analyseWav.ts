import { requireWithin } from '../errors/guards.ts';
import { SoundAnalyser, type SoundAnalysis } from './soundAnalysis.ts';
import { decodeWav, readWavHeader, WAV_HEAD_BYTES, type WavFormat } from './wav.ts';

/** Bytes of a file, read where they are wanted. */
export interface ByteSource {
  byteCount: number;
  read: (from: number, to: number) => Promise<Uint8Array>;
}

/** A WAV file and what was heard in it. */
export interface HeardWav {
  format: WavFormat;
  analysis: SoundAnalysis;
}

/** Longer files are refused before a byte is read: an hour of two channels fits. */
export const WAV_MAX_BYTES = 2 ** 30;
const PIECE_BYTES = 2 ** 21;

/**
 * Analyses a WAV file piece by piece, so that its length costs time and no memory.
 *
 * @param channel - from 0; null for the mean of all
 * @param onProgress - is told the share that was read and stops the work by throwing
 * @throws {OutOfRangeError} if the file is longer than a gibibyte or has no such channel
 * @throws {CoreError} what `readWavHeader` and `SoundAnalyser` throw
 */
export async function analyseWav(
  source: ByteSource,
  channel: number | null = null,
  onProgress: (ratio: number) => void = () => undefined,
): Promise<HeardWav> {
  requireWithin('fileBytes', source.byteCount, 0, WAV_MAX_BYTES);
  const format = readWavHeader(await source.read(0, Math.min(WAV_HEAD_BYTES, source.byteCount)), source.byteCount);
  if (channel !== null) requireWithin('channel', channel, 0, format.channelCount - 1);
  const analyser = new SoundAnalyser(format.rateHz);
  const frameBytes = (format.channelCount * format.bitsPerSample) / 8;
  const pieceBytes = Math.max(1, Math.floor(PIECE_BYTES / frameBytes)) * frameBytes;
  const end = format.dataOffset + format.dataByteCount;
  for (let at = format.dataOffset; at < end; at += pieceBytes) {
    onProgress((at - format.dataOffset) / format.dataByteCount);
    analyser.push(decodeWav(await source.read(at, Math.min(end, at + pieceBytes)), format, channel));
  }
  return { format, analysis: analyser.finish() };
}
