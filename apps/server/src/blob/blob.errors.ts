import { FieldError } from '../common/featureError.ts';

const SIGNATURES: [string, (bytes: Buffer) => boolean][] = [
  ['image/png', (b) => b.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))],
  ['image/jpeg', (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff],
  [
    'image/webp',
    (b) => b.subarray(0, 4).toString('latin1') === 'RIFF' && b.subarray(8, 12).toString('latin1') === 'WEBP',
  ],
  [
    'audio/wav',
    (b) => b.subarray(0, 4).toString('latin1') === 'RIFF' && b.subarray(8, 12).toString('latin1') === 'WAVE',
  ],
  ['image/gif', (b) => /^GIF8[79]a/.test(b.subarray(0, 6).toString('latin1'))],
  ['application/x-ulog', (b) => b.subarray(0, 7).equals(Buffer.from([0x55, 0x4c, 0x6f, 0x67, 0x01, 0x12, 0x35]))],
  ['text/plain', (b) => b.length > 0 && !b.includes(0)],
];

/** The type of a file by its own first bytes, whatever its name says. */
export function requireKnownType(bytes: unknown): string {
  const found =
    Buffer.isBuffer(bytes) && bytes.length > 0 ? SIGNATURES.find(([, matches]) => matches(bytes)) : undefined;
  if (!found)
    throw new FieldError(
      'body',
      'mediaType',
      'body must be a PNG, JPEG, WebP or GIF picture, a WAV, a ULog, or plain text',
      null,
      { allowed: 'image/png, image/jpeg, image/webp, image/gif, audio/wav, application/x-ulog, text/plain' },
      415,
    );
  return found[0];
}
