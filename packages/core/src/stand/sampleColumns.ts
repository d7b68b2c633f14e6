import { recognizeColumns, type ColumnMapping, type RecognizedColumn } from './recognizeColumns.ts';

/** How a time column is written. */
export const timeUnits = ['s', 'ms', 'µs', 'min', 'clock'] as const;
export type TimeUnit = (typeof timeUnits)[number];

/** Seconds of one of each; a clock is read as hours, minutes and seconds, or as a date. */
export const timeUnitS: Readonly<Record<TimeUnit, number>> = { s: 1, ms: 1e-3, µs: 1e-6, min: 60, clock: 1 };

export interface SampleColumns {
  /** Which column is the time; null where none is. */
  time: number | null;
  timeUnit: TimeUnit;
  columns: ColumnMapping[];
}

export interface RecognizedSampleColumns extends SampleColumns {
  columns: RecognizedColumn[];
}

const TIME = /^(?:time\w*|t|zeit|temps|tiempo|tempo|tid|tijd|czas|elapsed|clock|uhrzeit|timestamp)\b/i;

/**
 * Says what each column of a logger's table most likely holds, the time among them.
 *
 * @param names - headers, in any language that {@link recognizeColumns} reads
 * @param firstTimes - texts of the first cells below each header, by which the unit of the time is told where its
 * header
 *   does not say it
 */
export function recognizeSampleColumns(
  names: readonly string[],
  firstCells: readonly (readonly string[])[],
): RecognizedSampleColumns {
  const columns = recognizeColumns(names);
  const found = names.findIndex((name) => TIME.test(name.trim()));
  const time = found < 0 ? null : found;
  if (time === null) return { time, timeUnit: 's', columns };
  return {
    time,
    timeUnit: timeUnitOf(names[time]!, firstCells[time] ?? []),
    columns: columns.map((c, i) => (i === time ? { ...c, quantity: null } : c)),
  };
}

function timeUnitOf(name: string, cells: readonly string[]): TimeUnit {
  if (/\b(?:us|µs)\b|micro/i.test(name)) return 'µs';
  if (/\bms\b|milli/i.test(name)) return 'ms';
  if (/\b(?:min|minutes?)\b/i.test(name)) return 'min';
  if (cells.some((cell) => /\d:\d\d/.test(cell))) return 'clock';
  const times = cells.map((cell) => Number(cell.trim().replace(',', '.'))).filter(Number.isFinite);
  const steps = times.slice(1).map((t, i) => t - times[i]!);
  const middle = [...steps].sort((a, b) => a - b)[steps.length >> 1] ?? 0;
  // A logger writes faster than once in five seconds.
  return middle >= 5000 ? 'µs' : middle >= 5 ? 'ms' : 's';
}

/** Seconds of a cell of time; NaN where it is none. */
export function readTime(cell: string, unit: TimeUnit): number {
  const text = cell.trim();
  if (text === '') return NaN;
  if (unit !== 'clock') {
    const plain = Number(text);
    return (Number.isNaN(plain) ? Number(text.replace(',', '.')) : plain) * timeUnitS[unit];
  }
  const [, hours = '', minutes = '', seconds = '0'] = /(\d{1,2}):(\d\d)(?::(\d\d(?:[.,]\d+)?))?\s*$/.exec(text) ?? [];
  const day = /\d{4}-\d\d-\d\d/.exec(text)?.[0];
  if (hours !== '') {
    const ofDay = 3600 * Number(hours) + 60 * Number(minutes) + Number(seconds.replace(',', '.'));
    return (day === undefined ? 0 : Date.parse(day) / 1000) + ofDay;
  }
  return (day === undefined ? NaN : Date.parse(text)) / 1000;
}
