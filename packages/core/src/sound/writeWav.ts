/** How samples are written. */
export type WavCoding = 'pcm8' | 'pcm16' | 'pcm24' | 'pcm32' | 'float32';

/**
 * A WAV file of channels that are equally long.
 *
 * @param channels - parts of full scale; what lies beyond it is cut off, but in floats
 * @param isExtensible - with the longer header that more than two channels or 16 bits are written with
 */
export function writeWav(
  channels: readonly Float32Array[],
  rateHz: number,
  coding: WavCoding = 'pcm16',
  isExtensible = false,
): Uint8Array {
  const bits = Number(coding.replace(/\D+/, ''));
  const width = bits / 8;
  const count = channels[0]?.length ?? 0;
  const formatBytes = isExtensible ? 40 : 16;
  const dataBytes = count * channels.length * width;
  const bytes = new Uint8Array(28 + formatBytes + dataBytes + (dataBytes % 2));
  const view = new DataView(bytes.buffer);
  const put = (at: number, text: string): void => [...text].forEach((c, i) => (bytes[at + i] = c.charCodeAt(0)));
  const code = coding === 'float32' ? 3 : 1;
  put(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  put(8, 'WAVEfmt ');
  view.setUint32(16, formatBytes, true);
  view.setUint16(20, isExtensible ? 0xfffe : code, true);
  view.setUint16(22, channels.length, true);
  view.setUint32(24, rateHz, true);
  view.setUint32(28, rateHz * channels.length * width, true);
  view.setUint16(32, channels.length * width, true);
  view.setUint16(34, bits, true);
  if (isExtensible) {
    view.setUint16(36, 22, true);
    view.setUint16(38, bits, true);
    view.setUint16(44, code, true);
    bytes.set([0, 0, 0, 0, 16, 0, 128, 0, 0, 170, 0, 56, 155, 113], 46);
  }
  const start = 20 + formatBytes + 8;
  put(start - 8, 'data');
  view.setUint32(start - 4, dataBytes, true);
  channels.forEach((samples, c) => {
    for (let i = 0; i < count; i++) putSample(view, start + (i * channels.length + c) * width, samples[i]!, coding);
  });
  return bytes;
}

function putSample(view: DataView, at: number, value: number, coding: WavCoding): void {
  if (coding === 'float32') return view.setFloat32(at, value, true);
  const bits = Number(coding.slice(3));
  const full = 2 ** (bits - 1);
  const whole = Math.max(-full, Math.min(full - 1, Math.round(value * full)));
  if (coding === 'pcm8') view.setUint8(at, whole + 128);
  else if (coding === 'pcm16') view.setInt16(at, whole, true);
  else if (coding === 'pcm32') view.setInt32(at, whole, true);
  else {
    view.setInt16(at, whole & 0xffff, true);
    view.setInt8(at + 2, whole >> 16);
  }
}
