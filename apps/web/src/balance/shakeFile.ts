import { readNumber, shakeRecording, type ShakeRecording } from '@zivvo/core';

/** Which column of a file is what. */
export interface ShakeColumns {
  time: number;
  acceleration: number;
  tacho: number | null;
}

/** Rows that are read of one recording: ten minutes at 650 readings a second. */
export const SHAKE_ROWS_MOST = 400_000;
const COLUMNS_MOST = 24;

/** The numbers of a file, column by column; a cell without a number is NaN, and the first row gives the names. */
export class ShakeTable {
  readonly names: string[] = [];
  readonly columns: number[][] = [];
  rowCount = 0;

  /** Takes more rows; what lies beyond the most is left out. */
  add(rows: readonly (readonly string[])[]): void {
    for (const row of rows) {
      if (this.names.length === 0) {
        this.names.push(
          ...row.slice(0, COLUMNS_MOST).map((cell, i) => (/\p{L}/u.test(cell) ? cell.trim() : `column ${i + 1}`)),
        );
        for (const _ of this.names) this.columns.push([]);
      }
      if (this.rowCount >= SHAKE_ROWS_MOST) return;
      this.columns.forEach((column, i) => column.push(numberOf(row[i])));
      this.rowCount++;
    }
  }
}

/**
 * A recording from the columns of a file: rows without a time or an acceleration are headings and passed over.
 *
 * @throws {NotEnoughReadingsError} if fewer than twenty rows hold a time and an acceleration
 */
export function recordingOf({ columns, rowCount }: ShakeTable, chosen: ShakeColumns, roughRpm: number): ShakeRecording {
  const times: number[] = [];
  const samples: number[] = [];
  const tacho: number[] = [];
  const at = (column: number, row: number): number => columns[column]?.[row] ?? NaN;
  for (let row = 0; row < rowCount; row++) {
    const [t, a] = [at(chosen.time, row), at(chosen.acceleration, row)];
    if (!Number.isFinite(t) || !Number.isFinite(a)) continue;
    times.push(t);
    samples.push(a);
    if (chosen.tacho !== null) tacho.push(at(chosen.tacho, row) || 0);
  }
  return shakeRecording(times, samples, chosen.tacho === null ? null : tacho, roughRpm);
}

function numberOf(cell: string | undefined): number {
  if (cell === undefined) return NaN;
  const read = readNumber(cell);
  return read.status === 'read' ? read.value : NaN;
}
