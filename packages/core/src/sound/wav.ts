import { CoreError } from '../errors/coreError.ts';

/** What the header of a WAV file says. */
export interface WavFormat {
  rateHz: number;
  channelCount: number;
  bitsPerSample: number;
  encoding: 'pcm' | 'float';
  /** Where the samples begin, and how many bytes of them there are. */
  dataOffset: number;
  dataByteCount: number;
  frameCount: number;
  /** The header promised more than the file holds; what is there is read. */
  isTruncated: boolean;
}

/** So much of a file holds every header that is read [bytes]. */
export const WAV_HEAD_BYTES = 2 ** 20;
export const WAV_MAX_CHANNELS = 16;
export const WAV_MIN_RATE_HZ = 4000;
export const WAV_MAX_RATE_HZ = 384_000;

const PCM = 1;
const FLOAT = 3;
const EXTENSIBLE = 0xfffe;

/**
 * Reads the header of a WAV file: PCM of 8, 16, 24 or 32 bits and 32-bit floats, plain or extensible.
 *
 * Chunks that are not known are stepped over. A length of nothing or of everything, as a recorder writes that was cut
 * off, means as far as the file goes.
 *
 * @param head - first bytes of the file, up to WAV_HEAD_BYTES
 * @param fileByteCount - length of the whole file
 * @throws {CoreError} `notWav` with what it is instead, `noSamples` where none follow, `soundKind` for a coding that is
 *   not read, `soundRate` for a sampling rate that no sound has
 */
export function readWavHeader(head: Uint8Array, fileByteCount: number): WavFormat {
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  const text = (at: number): string => String.fromCharCode(...head.subarray(at, at + 4));
  if (head.length < 12 || text(0) !== 'RIFF' || text(8) !== 'WAVE')
    throw new CoreError('notWav', { what: kindOf(head) });
  let format: Omit<WavFormat, 'dataOffset' | 'dataByteCount' | 'frameCount' | 'isTruncated'> | null = null;
  for (let at = 12; at + 8 <= head.length;) {
    const name = text(at);
    const length = view.getUint32(at + 4, true);
    const body = at + 8;
    if (name === 'fmt ') {
      if (length < 16 || body + length > head.length) break;
      format = formatOf(view, body, length);
    }
    if (name === 'data') {
      if (!format) break;
      const rest = Math.max(0, fileByteCount - body);
      const isOpen = length === 0 || length >= 0xfffffff0;
      const frameBytes = (format.channelCount * format.bitsPerSample) / 8;
      const frameCount = Math.floor((isOpen ? rest : Math.min(length, rest)) / frameBytes);
      if (frameCount === 0) throw new CoreError('noSamples', {});
      const isTruncated = !isOpen && length > rest;
      return { ...format, dataOffset: body, dataByteCount: frameCount * frameBytes, frameCount, isTruncated };
    }
    at = body + length + (length % 2);
  }
  throw new CoreError('noSamples', {});
}

function formatOf(view: DataView, at: number, length: number) {
  let code = view.getUint16(at, true);
  const channelCount = view.getUint16(at + 2, true);
  const rateHz = view.getUint32(at + 4, true);
  const bitsPerSample = view.getUint16(at + 14, true);
  // The extensible header keeps the real code in the first two bytes of its long name.
  if (code === EXTENSIBLE && length >= 40) code = view.getUint16(at + 24, true);
  const isRead = (code === PCM && [8, 16, 24, 32].includes(bitsPerSample)) || (code === FLOAT && bitsPerSample === 32);
  if (!isRead || channelCount < 1 || channelCount > WAV_MAX_CHANNELS)
    throw new CoreError('soundKind', { code, bitsPerSample, channelCount });
  if (rateHz < WAV_MIN_RATE_HZ || rateHz > WAV_MAX_RATE_HZ) throw new CoreError('soundRate', { rateHz });
  return { rateHz, channelCount, bitsPerSample, encoding: code === FLOAT ? ('float' as const) : ('pcm' as const) };
}

/** What a file that is no WAV begins like. */
function kindOf(head: Uint8Array): string {
  const begins = (text: string, at = 0): boolean => [...text].every((c, i) => head[at + i] === c.charCodeAt(0));
  if (begins('ID3') || (head[0] === 0xff && (head[1]! & 0xe0) === 0xe0)) return 'mp3';
  if (begins('OggS')) return 'ogg';
  if (begins('fLaC')) return 'flac';
  if (begins('ftyp', 4)) return 'm4a';
  return begins('RIFF') || head.length < 12 ? 'broken' : 'unknown';
}

/**
 * Samples of whole frames, one channel or the mean of all, as parts of full scale.
 *
 * @param bytes - whole frames; a rest that is no frame is left out
 * @param channel - from 0; null for the mean of all
 */
export function decodeWav(bytes: Uint8Array, format: WavFormat, channel: number | null = null): Float32Array {
  const { channelCount, bitsPerSample } = format;
  const width = bitsPerSample / 8;
  const stride = width * channelCount;
  const count = Math.floor(bytes.length / stride);
  const samples = new Float32Array(count);
  const channels = channel === null ? [...Array(channelCount).keys()] : [channel];
  for (const c of channels) addChannel(bytes, format, c * width, stride, samples, 1 / channels.length);
  return samples;
}

function addChannel(
  bytes: Uint8Array,
  { bitsPerSample, encoding }: WavFormat,
  offset: number,
  stride: number,
  samples: Float32Array,
  share: number,
): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const scale = share / 2 ** (bitsPerSample - 1);
  const count = samples.length;
  if (encoding === 'float')
    for (let i = 0, at = offset; i < count; i++, at += stride) samples[i]! += view.getFloat32(at, true) * share;
  else if (bitsPerSample === 8)
    for (let i = 0, at = offset; i < count; i++, at += stride) samples[i]! += (bytes[at]! - 128) * scale;
  else if (bitsPerSample === 16)
    for (let i = 0, at = offset; i < count; i++, at += stride) samples[i]! += view.getInt16(at, true) * scale;
  else if (bitsPerSample === 24)
    for (let i = 0, at = offset; i < count; i++, at += stride)
      samples[i]! += ((bytes[at + 2]! << 24) | (bytes[at + 1]! << 16) | (bytes[at]! << 8)) * (scale / 256);
  else for (let i = 0, at = offset; i < count; i++, at += stride) samples[i]! += view.getInt32(at, true) * scale;
}
