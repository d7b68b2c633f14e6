import { requireWithin } from '../errors/guards.ts';

/** Letters and digits that cannot be taken for each other on a greasy hub: no 0 O, 1 I L, 2 Z, 5 S, 8 B. */
const SIGNS = '34679ACDEFGHJKMNPQRTUVWXY';

export const TAG_LENGTH = 4;

/**
 * A short tag to write on a hub, from a running number: three signs and a fourth that checks them, so that one sign
 * misread is noticed.
 *
 * @param number - 0 to 15,624
 * @throws {OutOfRangeError} outside that range
 * @example pieceTag(0) // => '3337'
 */
export function pieceTag(number: number): string {
  requireWithin('number', number, 0, SIGNS.length ** 3 - 1);
  const digits = [
    Math.floor(number / SIGNS.length ** 2),
    Math.floor(number / SIGNS.length) % SIGNS.length,
    Math.floor(number) % SIGNS.length,
  ];
  return [...digits, checkOf(digits)].map((d) => SIGNS[d]).join('');
}

/** The sign that makes the weighted sum vanish; weights prime to 25 see each single misreading and most swaps. */
function checkOf(digits: readonly number[]): number {
  return digits.reduce((sum, digit, i) => sum + digit * [3, 7, 11][i]!, 4) % SIGNS.length;
}

/** Whether a text is a tag of this workshop's form whose last sign agrees; case and spaces do not matter. */
export function isPieceTag(text: string): boolean {
  const digits = [...text.trim().toUpperCase()].map((sign) => SIGNS.indexOf(sign));
  return digits.length === TAG_LENGTH && !digits.includes(-1) && checkOf(digits.slice(0, 3)) === digits[3];
}
