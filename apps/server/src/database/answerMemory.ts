/** Answers in memory take no more than this, and no single one more than that. */
const MEMORY_BYTES = 48 * 2 ** 20;
const ANSWER_BYTES = 256 * 2 ** 10;

interface Answer {
  /** Tables that it was read from, and how often each had changed by then. */
  versions: readonly (readonly [table: string, version: number])[];
  result: unknown;
  bytes: number;
}

/**
 * Answers of the database to questions that were asked before, good until one of their tables is written to. Only for a
 * database that nobody else writes to, and whose every statement is told here in the order in which it is run.
 *
 * What it cannot read for sure it does not keep, and what may have changed anything makes it forget everything.
 */
export class AnswerMemory {
  /** The least used first. */
  private readonly answers = new Map<string, Answer>();
  private readonly versions = new Map<string, number>();
  /** Counts what forgets everything: part of every version. */
  private era = 0;
  private bytes = 0;

  /** The answer to a question, or undefined. */
  find(text: string, values: readonly unknown[]): unknown {
    const key = keyOf(text, values);
    const answer = this.answers.get(key);
    if (!answer) return undefined;
    this.answers.delete(key);
    if (answer.versions.some(([table, version]) => this.versionOf(table) !== version)) {
      this.bytes -= answer.bytes;
      return undefined;
    }
    this.answers.set(key, answer);
    return answer.result;
  }

  /**
   * What a question is read from as it stands now: to be taken before it is asked, and given back with its answer. Null
   * where its answer may not be kept.
   */
  sourcesOf(text: string): Answer['versions'] | null {
    if (!isRepeatable(text)) return null;
    return [...new Set(text.match(QUOTED))].map((table) => [table, this.versionOf(table)] as const);
  }

  /** Names a question asked of tables as they stand. */
  keyOf(text: string, values: readonly unknown[], versions: Answer['versions']): string {
    return `${keyOf(text, values)}\n${versions.map(([, version]) => version).join()}`;
  }

  /** Keeps an answer, and makes it unchangeable: it is handed out again. */
  keep(text: string, values: readonly unknown[], versions: Answer['versions'], result: { rows: unknown[] }): void {
    const key = keyOf(text, values);
    const bytes = 2 * key.length + freezeWithin(result.rows, ANSWER_BYTES);
    if (bytes > ANSWER_BYTES) return;
    this.bytes -= this.answers.get(key)?.bytes ?? 0;
    this.answers.delete(key);
    this.answers.set(key, { versions, result, bytes });
    this.bytes += bytes;
    for (const [first, oldest] of this.answers) {
      if (this.bytes <= MEMORY_BYTES) break;
      this.answers.delete(first);
      this.bytes -= oldest.bytes;
    }
  }

  /** Hears a statement before it is run: what it may change is read anew from then on. */
  hear(text: string): void {
    if (HARMLESS.test(text)) return;
    const [, table] = ONE_TABLE.exec(text) ?? [];
    if (table === undefined) this.forget();
    else this.versions.set(table, (this.versions.get(table) ?? 0) + 1);
  }

  forget(): void {
    this.era++;
    this.answers.clear();
    this.bytes = 0;
  }

  private versionOf(table: string): number {
    return this.era * 1e9 + (this.versions.get(table) ?? 0);
  }
}

/** Every name that a question quotes: its tables are among them, and a column too many does no harm. */
const QUOTED = /"[^"]+"/g;
/** Adds to or changes one table, and nothing beside: deleting may take rows of other tables along. */
const ONE_TABLE = /^\s*(?:insert\s+into|update)\s+("[^"]+")(?!\s*\.)/i;
/** Changes nothing by itself; a rollback does, as what was written within is not so. */
const HARMLESS =
  /^\s*(?:select|begin|commit|savepoint|release|with|vacuum|analyze)\b(?!.*\b(?:nextval|setval|into|insert|update\s+"|delete|merge)\b)/is;
/** Would answer otherwise the next time although no table has changed, or keeps others out. */
const CHANGING =
  /\b(?:now|random|clock_timestamp|nextval|current_\w+|localtime\w*|pg_\w+|for\s+(?:no\s+key\s+)?update|for\s+(?:key\s+)?share)\b/i;

function isRepeatable(text: string): boolean {
  if (!/^\s*(?:select|with)\b/i.test(text) || !HARMLESS.test(text) || CHANGING.test(text)) return false;
  // Tables that nobody quoted could not be told from words.
  return [...text.matchAll(/\b(?:from|join)\s+(\S)/gi)].every(([, next]) => next === '"' || next === '(');
}

const keyOf = (text: string, values: readonly unknown[]): string =>
  `${text}\n${JSON.stringify(values, (_name, value: unknown) => (typeof value === 'bigint' ? `${value}n` : value))}`;

/** Freezes a value with all that is in it, and tells about how many bytes it takes; beyond the most it stops. */
function freezeWithin(value: unknown, most: number): number {
  if (typeof value === 'string') return 16 + 2 * value.length;
  if (typeof value !== 'object' || value === null) return 8;
  // What is not text, number or a tree of them is left to be read anew.
  if (!Array.isArray(value) && Object.getPrototypeOf(value) !== Object.prototype) return most + 1;
  let bytes = 16;
  for (const part of Object.values(value)) {
    bytes += 8 + freezeWithin(part, most - bytes);
    if (bytes > most) return bytes;
  }
  Object.freeze(value);
  return bytes;
}
