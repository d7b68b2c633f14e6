import { CoreError } from '@zivvo/core';

/** A number as it is typed at the bench, with a decimal point or comma; NaN where it is none. */
export const numberOf = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

/** Several numbers with spaces between them. */
export const numbersOf = (text: string): number[] =>
  text
    .split(/[\s;]+/)
    .filter((t) => t !== '')
    .map(numberOf);

/** What is worked out from fields as they stand; null while they make no sense together. */
export function workedOut<T>(work: () => T): T | null {
  try {
    return work();
  } catch (error) {
    if (error instanceof CoreError) return null;
    throw error;
  }
}
