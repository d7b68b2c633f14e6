import { dimensions, findUnit, type Dimension } from './dimensions.ts';
import { readNumber, type DecimalMark } from './readNumber.ts';
import { toSi, type Unit } from './unit.ts';

export type ReadQuantity =
  | { status: 'read'; valueSi: number; unit: Unit }
  | { status: 'empty' }
  | { status: 'notANumber'; text: string }
  | { status: 'unknownUnit'; text: string; written: string; allowed: string[] }
  | { status: 'ambiguous'; text: string; asDecimal: number; asThousands: number };

const PARTS =
  /^([+\-−]?[\d.,'’\s  ]*\d[.,]?(?:e[+-]?\d{1,3}(?![\w]))?(?:[\s-]+\d{1,3}\/\d{1,3}|\/\d{1,3})?|[+\-−]?[.,]\d+)\s*(.*)$/i;

/**
 * Reads a typed quantity, with or without its unit: `5.1in`, `129,5 mm`, `5 1/2"`, `27.2`.
 *
 * @param text - what was typed; nothing but space is `empty`
 * @param dimension - what is being entered
 * @param defaultUnit - unit of a bare number
 * @param mark - what a single comma means
 * @returns the SI value, or why it could not be read, with the text as typed
 * @example readQuantity('5.1in', 'length', mm) // => { status: 'read', valueSi: 0.12954, … }
 */
export function readQuantity(
  text: string,
  dimension: Dimension,
  defaultUnit: Unit,
  mark: DecimalMark = 'open',
): ReadQuantity {
  const trimmed = text.trim();
  if (trimmed === '') return { status: 'empty' };
  const parts = PARTS.exec(trimmed);
  if (!parts) return { status: 'notANumber', text: trimmed };
  const number = readNumber(parts[1]!, mark);
  if (number.status === 'notANumber') return { status: 'notANumber', text: trimmed };
  const written = parts[2]!.trim();
  const unit = written === '' ? defaultUnit : findUnit(dimension, written);
  if (!unit) {
    const allowed = dimensions[dimension].units.map((u) => u.symbol);
    return { status: 'unknownUnit', text: trimmed, written, allowed };
  }
  if (number.status === 'ambiguous') return { ...number, text: trimmed };
  return { status: 'read', valueSi: toSi(unit, number.value), unit };
}
