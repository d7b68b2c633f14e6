import {
  readingLimits,
  SAMPLE_COLUMN_MAX_COUNT,
  SAMPLE_ROW_MAX_COUNT,
  SAMPLES_AT_ONCE,
  STEP_MAX_COUNT,
} from '@zivvo/contract';
import {
  CoreError,
  findSteps,
  findUnit,
  isGraveFault,
  isHeaderRow,
  readNumber,
  readTime,
  recognizeSampleColumns,
  sampleFaults,
  settleDecimalMark,
  spreadEqualTimes,
  standQuantities,
  summarize,
  throttleUnit,
  type ColumnSummary,
  type DecimalMark,
  type FoundSteps,
  type SampleColumns,
  type SampleFault,
  type SampleTable,
  type StandQuantity,
} from '@zivvo/core';
import { sendSamples } from '../../shared/api/sendSamples.ts';
import { eachRows } from '../../shared/table/eachRows.ts';

/** The first rows of a file, and what its columns seem to be. */
export interface SamplesPreview {
  /** Headers, or the place of the column where it has none. */
  names: string[];
  hasHeader: boolean;
  /** Texts of the first rows. */
  rows: string[][];
  mark: DecimalMark;
  guess: SampleColumns;
}

/** What a person says of the columns. */
export interface SamplesMapping extends SampleColumns {
  hasHeader: boolean;
  mark: DecimalMark;
  /** Pairs of poles by which the turns are counted; 1 where they are the shaft's own. */
  polePairs: number;
}

/** What stands in a file once all of it is read. */
export interface SamplesReport extends FoundSteps {
  rowCount: number;
  durationS: number;
  columns: ColumnSummary[];
  faults: SampleFault[];
  /** Cells with something in them that is no number: left open. */
  unreadable: { count: number; row: number; text: string } | null;
}

const PREVIEW_ROWS = 2000;
const PREVIEW_BYTES = 400_000;
const SHOWN_ROWS = 8;
const TEXT_KEPT = 40;

/** What the worker of an import does; the file that was read last stays with it until it is saved. */
export class SamplesWork {
  private table: SampleTable | null = null;

  /** @throws {CoreError} where there is no table in it */
  async preview(file: Blob): Promise<SamplesPreview> {
    const head = file.slice(0, PREVIEW_BYTES);
    const bytes = new Uint8Array(await head.slice(0, 400).arrayBuffer());
    if (bytes.some((b) => b === 0)) throw new CoreError('notText', {});
    const rows: string[][] = [];
    await eachRows(
      head,
      () => undefined,
      (more) => rows.push(...more.slice(0, PREVIEW_ROWS)) < PREVIEW_ROWS,
    );
    const first = rows[0];
    if (!first) throw new CoreError('notEnoughReadings', { what: 'rows' });
    if (first.length > SAMPLE_COLUMN_MAX_COUNT)
      throw new CoreError('tooManyColumns', { what: `${first.length} columns`, allowed: `${SAMPLE_COLUMN_MAX_COUNT}` });
    const hasHeader = isHeaderRow(first);
    const body = rows.slice(hasHeader ? 1 : 0, PREVIEW_ROWS);
    const names = first.map((cell, i) => (hasHeader ? cell.trim() : '') || `column ${i + 1}`);
    const cells = names.map((_, i) => body.map((row) => row[i] ?? ''));
    const guess = recognizeSampleColumns(
      hasHeader ? names : names.map(() => ''),
      cells.map((c) => c.slice(0, 50)),
    );
    return {
      names,
      hasHeader,
      rows: body.slice(0, SHOWN_ROWS).map((row) => row.map((cell) => cell.slice(0, TEXT_KEPT))),
      mark: settleDecimalMark(body),
      guess: {
        ...guess,
        columns: guess.columns.map((column, i) =>
          column.quantity === 'throttleRatio' && column.unitFrom === 'usual'
            ? { ...column, unitSymbol: throttleUnit(cells[i]!) ?? 'µs' }
            : column,
        ),
      },
    };
  }

  /** Reads every row; the columns that nobody mapped are left. */
  async read(file: Blob, mapping: SamplesMapping, onProgress: (share: number) => void): Promise<SamplesReport> {
    this.table = null;
    const { table, unreadable } = await readSamples(file, mapping, onProgress);
    const faults = sampleFaults(table, readingLimits);
    const columns = [...table.channels].map(([quantity, values]) => summarize(quantity, values));
    const report = { rowCount: table.timesS.length, durationS: table.timesS.at(-1) ?? 0, columns, unreadable };
    if (faults.some(isGraveFault)) return { ...report, faults, steps: [], zeroBeforeN: null, zeroAfterN: null };
    const goesOn = { ...table, timesS: spreadEqualTimes(table.timesS) };
    const found = findSteps(goesOn);
    this.table = goesOn;
    if (found.steps.length === 0) faults.push({ code: 'noSteps' });
    if (found.steps.length > STEP_MAX_COUNT)
      faults.push({ code: 'tooManySteps', count: found.steps.length, most: STEP_MAX_COUNT });
    return { ...report, ...found, faults };
  }

  /**
   * Sends what was read, a part at a time; a part that got lost on the way is sent again.
   *
   * @param address - that takes the samples, without their place
   * @throws {CoreError} `refused` with what the server says
   */
  async save(address: string, onProgress: (share: number) => void): Promise<void> {
    if (!this.table) throw new CoreError('noFile', {});
    const { timesS, channels } = this.table;
    for (let first = 0; first < timesS.length;) {
      const to = Math.min(timesS.length, first + SAMPLES_AT_ONCE);
      const { count } = await sendSamples(
        `${address}?first=${first}`,
        bodyOf(timesS, [...channels.values()], first, to),
      );
      first = count;
      onProgress(first / timesS.length);
    }
  }
}

/** Times, then each channel, of the samples between two places. */
function bodyOf(timesS: Float64Array, channels: readonly Float32Array[], first: number, to: number): ArrayBuffer {
  const rows = to - first;
  const body = new ArrayBuffer(rows * (8 + 4 * channels.length));
  new Float64Array(body, 0, rows).set(timesS.subarray(first, to));
  channels.forEach((values, c) =>
    new Float32Array(body, 8 * rows + 4 * rows * c, rows).set(values.subarray(first, to)),
  );
  return body;
}

async function readSamples(
  file: Blob,
  { columns, time, timeUnit, hasHeader, mark, polePairs }: SamplesMapping,
  onProgress: (share: number) => void,
): Promise<{ table: SampleTable; unreadable: SamplesReport['unreadable'] }> {
  if (time === null) throw new CoreError('noColumn', { what: 'time' });
  const taken = columns.flatMap(({ quantity, unitSymbol }, at) => {
    if (quantity === null || at === time) return [];
    const unit = findUnit(standQuantities[quantity], unitSymbol);
    if (!unit) throw new CoreError('noUnit', { what: quantity });
    const factor = quantity === 'speedRpm' ? unit.factor / polePairs : unit.factor;
    return [{ quantity, at, factor, offset: unit.offset ?? 0, values: new GrowingFloats() }];
  });
  const times: number[] = [];
  let unreadable: SamplesReport['unreadable'] = null;
  const numberOf = (cell: string, row: number): number => {
    if (cell === '') return NaN;
    const plain = Number(mark === 'comma' ? cell.replace(',', '.') : cell);
    if (!Number.isNaN(plain)) return plain;
    const read = readNumber(cell, mark);
    if (read.status === 'read') return read.value;
    if (cell.trim() === '') return NaN;
    if (unreadable) unreadable.count++;
    else unreadable = { count: 1, row, text: cell.slice(0, TEXT_KEPT) };
    return NaN;
  };
  let isHead = hasHeader;
  await eachRows(file, onProgress, (rows) => {
    for (const row of rows) {
      if (isHead) {
        isHead = false;
        continue;
      }
      if (times.length >= SAMPLE_ROW_MAX_COUNT)
        throw new CoreError('tooManyRows', { allowed: String(SAMPLE_ROW_MAX_COUNT) });
      times.push(readTime(row[time] ?? '', timeUnit));
      for (const { at, factor, offset, values } of taken)
        values.push((numberOf(row[at] ?? '', times.length) + offset) * factor);
    }
    return true;
  });
  const startS = times[0] ?? 0;
  return {
    table: {
      timesS: Float64Array.from(times, (t) => t - startS),
      channels: new Map<StandQuantity, Float32Array>(taken.map(({ quantity, values }) => [quantity, values.all()])),
    },
    unreadable,
  };
}

/** Floats that come one by one. */
class GrowingFloats {
  private floats = new Float32Array(65_536);
  private count = 0;

  push(value: number): void {
    if (this.count === this.floats.length) {
      const longer = new Float32Array(2 * this.count);
      longer.set(this.floats);
      this.floats = longer;
    }
    this.floats[this.count++] = value;
  }

  all(): Float32Array {
    return this.floats.subarray(0, this.count);
  }
}
