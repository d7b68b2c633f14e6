import { dimensions, findUnit } from '../units/dimensions.ts';
import type { Unit } from '../units/unit.ts';
import { standQuantities, type ReadingKind, type StandQuantity } from './quantities.ts';

/** What one column of a table is taken to hold; null quantity: left out until the reader says. */
export interface ColumnMapping {
  quantity: StandQuantity | null;
  /** Symbol of the unit of a bare number in this column. */
  unitSymbol: string;
  readingKind: ReadingKind;
}

export interface RecognizedColumn extends ColumnMapping {
  header: string;
  /** How the unit was found: in the header, or the one usually meant. */
  unitFrom: 'header' | 'usual';
}

/**
 * Words that name a quantity in the languages that loggers are sold with, most telling first; unit of a bare number.
 */
const NAMES: Record<StandQuantity, { words: RegExp; usual: string }> = {
  vibrationMPerS2: { words: /\b(?:[vw]ib\w*|shake|accel(?!eratore)\w*|trilling\w*|schwing\w*)\b/, usual: 'g' },
  torqueNm: { words: /\b(?:torque|drehmoment|couple|momento|coppia|koppel)\b/, usual: 'N·m' },
  speedRpm: {
    words:
      /\b(?:rpm|speed|revs?|rotation\w*|r\/min|drehzahl|touren|u\/min|tours|r[ée]gime|revoluciones|rota[çc][ãa]o|giri|toeren\w*|obroty)\b/,
    usual: 'rpm',
  },
  throttleRatio: {
    words: /\b(?:throttle|thr|stick|esc|pwm|signal|gas|gaz|manette|acelerador|acceleratore)\b/,
    usual: '%',
  },
  temperatureC: { words: /\b(?:temp\w*|bell|heat)\b/, usual: '°C' },
  powerW: {
    words: /\b(?:power|watts?|pwr|leistung|puissance|potencia|pot[êe]ncia|potenza|vermogen|moc)\b/,
    usual: 'W',
  },
  thrustN: {
    words: /\b(?:thrust|lift|pull|scale|load|weight|schub\w*|zug|pouss[ée]e|empuje|empuxo|spinta|stuwkracht|ci[ąa]g)\b/,
    usual: 'g',
  },
  currentA: {
    words: /\b(?:current|amps?|amperes?|strom|courant|corriente|corrente|stroom|pr[ąa]d)\b/,
    usual: 'A',
  },
  voltageV: {
    words: /\b(?:volt\w*|pack|battery|bat|spannung|akku|tension|tensi[óo]n|tensione|tens[ãa]o|spanning|napi[ęe]cie)\b/,
    usual: 'V',
  },
  levelDb: { words: /\b(?:noise|sound|level|spl|l[äa]rm|pegel|bruit|ruido|ru[íi]do|rumore|geluid)\b/, usual: 'dB(A)' },
};

/** Units that give a quantity away even when its name does not. */
const TELLING_UNITS: Partial<Record<string, StandQuantity>> = {
  rpm: 'speedRpm',
  a: 'currentA',
  v: 'voltageV',
  w: 'powerW',
  'n·m': 'torqueNm',
  nm: 'torqueNm',
  '°c': 'temperatureC',
  'db(a)': 'levelDb',
  db: 'levelDb',
};

/** The unit of a bare number of a quantity in a table, unless its header says another. */
export function usualUnitSymbol(quantity: StandQuantity): string {
  return NAMES[quantity].usual;
}

/**
 * Says what each header of a stand table most likely holds: quantity, unit, settled mean or peak hold.
 *
 * A quantity is given to the first column that names it; a second one stays open for the reader to map, unless one
 * of the two holds peaks. Headers are read without case: `Thrust (g)`, `current [A]`, `ESC %`, `Peak power / W`.
 *
 * @param headers - the first row of a table, at most as many as a table may have columns
 */
export function recognizeColumns(headers: readonly string[]): RecognizedColumn[] {
  const taken = new Set<StandQuantity>();
  return headers.map((header) => {
    const column = recognize(header);
    if (column.quantity === null || taken.has(column.quantity)) return { ...column, quantity: null };
    taken.add(column.quantity);
    return column;
  });
}

function recognize(header: string): RecognizedColumn {
  const text = header.toLowerCase().replace(/[_]/g, ' ').trim();
  const readingKind: ReadingKind = /\b(?:peak|max|maximum|hold)\b/.test(text) ? 'peakHold' : 'settledMean';
  const bracketed = /[([]\s*([^)\]]+?)\s*[)\]]|[/,;:]\s*([^\s/]+)\s*$|\s(%)$/.exec(header.trim());
  const written = bracketed?.[1] ?? bracketed?.[2] ?? bracketed?.[3] ?? lastWord(header);
  const named = (Object.keys(NAMES) as StandQuantity[]).find((name) => NAMES[name].words.test(text));
  const quantity = named ?? TELLING_UNITS[written.toLowerCase()] ?? null;
  if (quantity === null) return { header, quantity, unitSymbol: '', readingKind, unitFrom: 'usual' };
  const unit = findUnit(standQuantities[quantity], written) ?? unitInWords(text, quantity);
  return unit
    ? { header, quantity, unitSymbol: unit.symbol, readingKind, unitFrom: 'header' }
    : { header, quantity, unitSymbol: NAMES[quantity].usual, readingKind, unitFrom: 'usual' };
}

/** A unit that stands in the header as a word: `amps`, `thrust grams`, `RPM (smoothed)`. */
function unitInWords(text: string, quantity: StandQuantity): Unit | undefined {
  const words = text.split(/[^\p{L}°]+/u).filter((w) => w.length >= 3);
  return words.map((w) => findUnit(standQuantities[quantity], w)).find((u) => u !== undefined);
}

function lastWord(header: string): string {
  return (
    header
      .trim()
      .split(/[\s_]+/)
      .at(-1) ?? ''
  );
}

/**
 * The unit of a throttle column, by its figures: up to one they are shares, to two hundred percent.
 *
 * @returns null where they say neither, as microseconds do
 */
export function throttleUnit(cells: readonly string[]): '%' | '1' | null {
  const numbers = cells.filter((c) => c.trim() !== '').map((c) => Number(c.trim().replace('%', '').replace(',', '.')));
  const most = Math.max(...numbers);
  if (numbers.length === 0 || !numbers.every((n) => n >= 0)) return null;
  return most <= 1 ? '1' : most > 1.5 && most <= 200 ? '%' : null;
}

/** Whether a row looks like headers: no cell of it is a bare number, and one at least has letters. */
export function isHeaderRow(cells: readonly string[]): boolean {
  const filled = cells.map((c) => c.trim()).filter((c) => c !== '');
  return filled.some((c) => /\p{L}|%/u.test(c)) && !filled.some((c) => /^[+-]?[\d.,]+$/.test(c));
}

/** Units that a column of a quantity may be given. */
export function unitSymbols(quantity: StandQuantity): string[] {
  return dimensions[standQuantities[quantity]].units.map((u) => u.symbol);
}
