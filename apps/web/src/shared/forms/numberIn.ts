import { formatNumber } from '@zivvo/words';

/**
 * A number as it is typed, with a decimal point or comma, held to its range; nothing typed is no number and no fault.
 */
export function numberIn(
  text: string,
  { min, max }: { min: number; max: number },
): { value: number | null; error: string | undefined } {
  const trimmed = text.trim();
  if (trimmed === '') return { value: null, error: undefined };
  const value = Number(trimmed.replace(',', '.'));
  return Number.isFinite(value) && value >= min && value <= max
    ? { value, error: undefined }
    : { value: null, error: `${formatNumber(min, decimalsOf(min))} to ${formatNumber(max, decimalsOf(max))}` };
}

const decimalsOf = (value: number): number => (Number.isInteger(value) ? 0 : 1);
