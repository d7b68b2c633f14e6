import { NotEnoughReadingsError, OutOfRangeError } from './coreError.ts';

/** Refuses NaN and infinities at the door. */
export function requireFinite(what: string, value: number): void {
  if (!Number.isFinite(value)) throw new OutOfRangeError(what, value, 'a finite number');
}

/** Refuses everything that is not a finite number above zero. */
export function requirePositive(what: string, value: number): void {
  if (!(Number.isFinite(value) && value > 0)) throw new OutOfRangeError(what, value, '> 0');
}

/** Refuses everything outside the closed range. */
export function requireWithin(what: string, value: number, low: number, high: number): void {
  if (!(value >= low && value <= high)) throw new OutOfRangeError(what, value, `${low} to ${high}`);
}

/** Refuses a list that is too short, or that holds a value which is not finite. */
export function requireReadings(what: string, values: readonly number[], needed: number): void {
  if (values.length < needed) throw new NotEnoughReadingsError(what, values.length, needed);
  for (const value of values) requireFinite(what, value);
}
