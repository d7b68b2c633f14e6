import type { Dimension } from '../units/dimensions.ts';
import type { EvidenceMark, Figure, Working, WorkingInput, WorkingLine } from './figure.ts';

/** An input of a working; what nobody marks otherwise was entered or measured. */
export function workingInput(
  symbol: string,
  what: string,
  value: number,
  dimension: Dimension = 'number',
  mark: EvidenceMark = 'measured',
): WorkingInput {
  return { symbol, what, value, dimension, mark };
}

/** A line of a working. */
export function workingLine(
  symbol: string,
  formula: string,
  value: number,
  dimension: Dimension = 'number',
): WorkingLine {
  return { symbol, formula, value, dimension };
}

/** What a working is made of beside its figure, which is its last line. */
export interface WorkingParts extends Pick<Working, 'key' | 'title' | 'inputs' | 'lines' | 'source'> {
  mark: EvidenceMark;
  /** Half width of the 95 % interval; null where it is not known. */
  uncertainty?: Figure['uncertainty'];
  origin?: Figure['origin'];
  notes?: Working['notes'];
}

/** A working whose figure is its last line. */
export function workingOf({ mark, uncertainty = null, origin = null, notes = [], ...parts }: WorkingParts): Working {
  const { value, dimension } = parts.lines.at(-1)!;
  return { ...parts, result: { value, dimension, mark, origin, uncertainty, working: parts.key }, notes };
}

/** Formula of the mean of symbols. */
export function meanFormula(symbols: readonly string[]): string {
  return symbols.length === 1 ? symbols[0]! : `(${symbols.join(' + ')}) / ${symbols.length}`;
}
