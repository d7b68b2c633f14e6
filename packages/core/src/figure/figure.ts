import type { Dimension } from '../units/dimensions.ts';

/** How a figure came to be known; the four words and marks of every screen. */
export type EvidenceMark = 'measured' | 'calibrated' | 'estimated' | 'extended';

/** Where the readings behind it came from. */
export type Origin = 'typed' | 'imported' | 'stand' | 'simulated';

/** A headline number as it crosses the rooms. */
export interface Figure {
  value: number;
  dimension: Dimension;
  mark: EvidenceMark;
  /** Null when nothing but labels and entries stand behind it. */
  origin: Origin | null;
  /** Half width of the 95 % interval in the unit of the value; null where it is not known. */
  uncertainty: number | null;
  /** Key by which its working is asked for; null where it is an entry itself. */
  working: string | null;
}

/** One input of a shown working. */
export interface WorkingInput {
  /** Name used in the formula. */
  symbol: string;
  /** Code of what it is; words turn it into the reader's language. */
  what: string;
  value: number;
  dimension: Dimension;
  mark: EvidenceMark;
}

/** One line of a working: a named value and the formula that gives it from inputs and earlier lines. */
export interface WorkingLine {
  symbol: string;
  formula: string;
  value: number;
  dimension: Dimension;
}

/**
 * How a figure follows from its inputs. Evaluating the formulas of `lines` in order on the inputs (all SI) gives the
 * values beside them, and the last is the figure: operators + − * / ^, parentheses, sqrt, ln, exp, names.
 */
export interface Working {
  key: string;
  /** Code of the figure's name. */
  title: string;
  inputs: WorkingInput[];
  lines: WorkingLine[];
  result: Figure;
  /** Code of the source: a law, a definition, a standard. */
  source: string;
  /** Coded remarks, such as how many runs count. */
  notes: { code: string; values: Readonly<Record<string, number | string>> }[];
}
