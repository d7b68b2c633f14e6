import { emptyStep, standQuantityNames, type StandStep } from './quantities.ts';
import { readReading, type ReadingLimits } from './readRunTable.ts';
import { isHeaderRow, recognizeColumns, type RecognizedColumn } from './recognizeColumns.ts';

/** A longer line is no reading of a stand [characters]. */
export const FEED_LINE_MAX_LENGTH = 1000;
/** More columns than any stand prints. */
export const FEED_COLUMN_MAX_COUNT = 64;

/** What is wrong with a line of a feed. */
export type FeedFault =
  /** Longer than any reading. */
  | 'tooLong'
  /** Figures before anything said what they are. */
  | 'noHeader'
  /** A header that names no thrust. */
  | 'noThrust'
  /** A header that names a quantity without its unit. */
  | 'noUnit'
  /** Not as many cells as the header names. */
  | 'cellCount'
  /** A cell that is no number, or one that cannot be. */
  | 'unreadable';

export type FeedLine =
  | { kind: 'silent' }
  | { kind: 'header'; columns: RecognizedColumn[] }
  | { kind: 'reading'; step: StandStep; cells: string[] }
  | { kind: 'fault'; fault: FeedFault; text: string };

/** So many lines on end that do not fit are another device's. */
const MOST_MISFITS = 5;

const SEPARATORS = ['\t', ';', ','] as const;

/** Columns of which a person has to say what they hold. */
export interface AskedColumns {
  /** The header, or how many columns there are: under this the answer may be remembered. */
  key: string;
  /** What could be made of them; the unit is empty where none is named. */
  columns: RecognizedColumn[];
  /** The cells of the last line, so that a person sees what to name; empty before any came. */
  cells: string[];
}

/**
 * A stand that prints: one line a reading, a line of headers with units before the first. Cells are parted by tabs,
 * semicolons, commas or blanks, whichever the header is parted by; decimal commas are read where commas part nothing.
 * Empty lines and those that begin with `#` say nothing. A new line of headers may come at any time. A line that cannot
 * be read is a fault and no reading; the next one is read again.
 *
 * The quantities and their header words are those of stand tables; see `recognizeColumns`. Where a header names no
 * thrust or no unit, or figures come without any header, `asked` says what a person may answer.
 */
export class LineFeed {
  /** What the last header named; null before the first good one. */
  columns: RecognizedColumn[] | null = null;
  /** What has to be said before readings are read; null where nothing is open. */
  asked: AskedColumns | null = null;
  private separator: string | RegExp = ',';
  /** Whether figures came without a header. */
  private isBare = false;
  /** Lines on end that have another number of cells than the header. */
  private misfitCount = 0;

  /** @param remembered - answers that were given before, by key */
  constructor(
    private readonly limits: ReadingLimits,
    private readonly remembered: (key: string) => RecognizedColumn[] | null = () => null,
  ) {}

  /** Takes one line, without its end. */
  take(line: string): FeedLine {
    if (line.length > FEED_LINE_MAX_LENGTH) return fault('tooLong', `${line.slice(0, 40)}…`);
    const text = line.trim();
    if (text === '' || text.startsWith('#')) return { kind: 'silent' };
    const separator = SEPARATORS.find((s) => text.includes(s)) ?? /\s+/;
    const cells = cellsOf(text, separator);
    if (isHeaderRow(cells)) return this.takeHeader(text, cells, separator);
    if (this.columns !== null) {
      const taken = this.takeReading(text, this.columns);
      this.misfitCount = taken.kind === 'fault' && taken.fault === 'cellCount' ? this.misfitCount + 1 : 0;
      if (this.misfitCount < MOST_MISFITS) return taken;
      // Another device prints now, without a header: what the last one said holds no more.
      this.columns = null;
    }
    // One stray line of another shape is not asked about for ever: the latest shape is.
    const key = `${cells.length} columns`;
    if (this.asked === null || (this.isBare && this.asked.key !== key)) {
      this.separator = separator;
      this.isBare = true;
      this.misfitCount = 0;
      this.ask(key, recognizeColumns(cells.map((_, i) => `Column ${i + 1}`)));
    }
    if (this.asked?.columns.length === cells.length) this.asked = { ...this.asked, cells };
    return this.columns === null ? fault('noHeader', text) : this.takeReading(text, this.columns);
  }

  /** Says what the columns that were asked for hold. */
  answer(columns: RecognizedColumn[]): void {
    this.columns = columns;
    this.asked = null;
  }

  private takeHeader(text: string, headers: string[], separator: string | RegExp): FeedLine {
    this.separator = separator;
    this.isBare = false;
    this.columns = null;
    this.asked = null;
    const columns = recognizeColumns(headers);
    const open = columns.find((c) => c.quantity !== null && c.unitFrom === 'usual');
    const hasThrust = columns.some((c) => c.quantity === 'thrustN');
    if (hasThrust && !open) this.columns = columns;
    else this.ask(text, columns);
    if (this.columns !== null) return { kind: 'header', columns: this.columns };
    return hasThrust ? fault('noUnit', open!.header.trim()) : fault('noThrust', text);
  }

  private ask(key: string, columns: RecognizedColumn[]): void {
    const known = this.remembered(key);
    this.asked = null;
    if (known?.length === columns.length) this.columns = known;
    else
      this.asked = {
        key,
        columns: columns.map((c) => (c.unitFrom === 'header' ? c : { ...c, unitSymbol: '' })),
        cells: [],
      };
  }

  private takeReading(text: string, columns: RecognizedColumn[]): FeedLine {
    const cells = cellsOf(text, this.separator);
    if (cells.length !== columns.length) return fault('cellCount', text);
    const step = emptyStep();
    for (const [i, { quantity, unitSymbol }] of columns.entries()) {
      const cell = cells[i]!;
      // A quantity that is not read this time is an empty cell or a dash.
      if (quantity === null || cell === '' || cell === '-') continue;
      const mark = this.separator === ',' || cell.includes('.') ? 'point' : 'comma';
      const read = readReading(cell, quantity, unitSymbol, mark, this.limits);
      if (typeof read !== 'number') return fault('unreadable', cell);
      step[quantity] = read;
    }
    return { kind: 'reading', step, cells };
  }
}

function cellsOf(text: string, separator: string | RegExp): string[] {
  return text.split(separator, FEED_COLUMN_MAX_COUNT).map((cell) =>
    cell
      .trim()
      .replace(/^"(.*)"$/, '$1')
      .trim(),
  );
}

const fault = (name: FeedFault, text: string): FeedLine => ({ kind: 'fault', fault: name, text });

/** How far back a mean goes [s]. */
export const FEED_WINDOW_S = 1;
/** Fewer readings in the window are no mean. */
const LEAST_IN_WINDOW = 3;
/** Thrust that lies within this share of its mean has settled. */
const SETTLED_RATIO = 0.03;
/** Readings kept in the window at most, however fast they come. */
const MOST_IN_WINDOW = 1000;

/** The last second of a feed. */
export class FeedWindow {
  private readonly readings: { atS: number; step: StandStep }[] = [];

  /** @param atS - when it was heard, on any clock [s] */
  take(step: StandStep, atS: number): void {
    this.readings.push({ atS, step });
    while (this.readings.length > MOST_IN_WINDOW || this.readings[0]!.atS < atS - FEED_WINDOW_S) this.readings.shift();
  }

  /** Readings a second, over the window. */
  get rateHz(): number {
    return this.readings.length / FEED_WINDOW_S;
  }

  /**
   * Means over the window that ends now; a quantity is there where every reading of the window has it.
   *
   * @returns null while fewer than three readings are in it
   */
  meanAt(nowS: number): { step: StandStep; isSettled: boolean } | null {
    const inside = this.readings.filter((r) => r.atS >= nowS - FEED_WINDOW_S).map((r) => r.step);
    if (inside.length < LEAST_IN_WINDOW) return null;
    const step = emptyStep();
    for (const quantity of standQuantityNames) {
      const values = inside.map((s) => s[quantity]).filter((v) => v !== null);
      if (values.length === inside.length) step[quantity] = values.reduce((a, b) => a + b, 0) / values.length;
    }
    const thrusts = inside.map((s) => s.thrustN).filter((v) => v !== null);
    const apart = Math.max(...thrusts) - Math.min(...thrusts);
    const isSettled = step.thrustN !== null && apart <= 2 * SETTLED_RATIO * Math.abs(step.thrustN);
    return { step, isSettled };
  }
}

/** A feed held against what Zivvo reads. */
export interface FeedReport {
  lineCount: number;
  readingCount: number;
  /** Names of what is read and in which unit, from the last header. */
  columns: RecognizedColumn[];
  /** Each fault with how often it came, and the first line that has it, from 1. */
  faults: { fault: FeedFault | 'noReading' | 'tooSlow' | 'tooFast'; count: number; line: number; text: string }[];
}

/** Between these a feed is drawn and averaged well [readings a second]. */
const RATE_HZ = { min: 3, max: 200 } as const;

/**
 * Holds what a program prints against the line feed's rules.
 *
 * @param lines - with the second at which each was heard; null where that is not known, as from a file
 */
export function checkFeed(lines: Iterable<{ text: string; atS: number | null }>, limits: ReadingLimits): FeedReport {
  const feed = new LineFeed(limits);
  const faults = new Map<string, FeedReport['faults'][number]>();
  const count = (name: FeedReport['faults'][number]['fault'], line: number, text: string): void => {
    const known = faults.get(name);
    if (known) known.count++;
    else faults.set(name, { fault: name, count: 1, line, text });
  };
  let [lineCount, readingCount] = [0, 0];
  const heard: number[] = [];
  for (const { text, atS } of lines) {
    lineCount++;
    const taken = feed.take(text);
    if (taken.kind === 'fault') count(taken.fault, lineCount, taken.text);
    if (taken.kind !== 'reading') continue;
    readingCount++;
    if (atS !== null) heard.push(atS);
  }
  if (readingCount === 0) count('noReading', lineCount, '');
  const spanS = heard.length > 1 ? heard.at(-1)! - heard[0]! : 0;
  if (spanS >= FEED_WINDOW_S) {
    const rateHz = (heard.length - 1) / spanS;
    if (rateHz < RATE_HZ.min) count('tooSlow', lineCount, rateHz.toFixed(1));
    if (rateHz > RATE_HZ.max) count('tooFast', lineCount, rateHz.toFixed(0));
  }
  return { lineCount, readingCount, columns: feed.columns ?? [], faults: [...faults.values()] };
}
