import { NotEnoughReadingsError, onceAround, placeBlades, type OnceAround, type PlacingRange } from '@zivvo/core';
import Papa from 'papaparse';
import { delimiterOf } from '../shared/table/parseDelimited.ts';
import { recordingOf, SHAKE_ROWS_MOST, ShakeTable, type ShakeColumns } from './shakeFile.ts';

const CHUNK_BYTES = 500_000;
const ROWS_LEAST = 20;

/** What the worker of the balancing bench does. */
export class BenchWork {
  private opened: ShakeTable | null = null;

  /** Which weighed blade into which slot. */
  slots(momentsKgM: readonly number[], slotCount: number): PlacingRange {
    return placeBlades(momentsKgM, slotCount);
  }

  /** Reads a recording piece by piece, and tells how far it is; it stays here for the next question. */
  async openFile(file: File, onProgress: (share: number) => void): Promise<{ names: string[]; rowCount: number }> {
    const table = new ShakeTable();
    const delimiter = delimiterOf(await file.slice(0, 5000).text());
    await new Promise<void>((resolve, reject) => {
      Papa.parse<string[], File>(file, {
        delimiter,
        skipEmptyLines: 'greedy',
        chunkSize: CHUNK_BYTES,
        chunk: ({ data, meta }, parser) => {
          table.add(data);
          onProgress(Math.min(1, meta.cursor / Math.max(1, file.size)));
          if (table.rowCount < SHAKE_ROWS_MOST) return;
          parser.abort();
          resolve();
        },
        complete: () => resolve(),
        error: reject,
      });
    });
    if (table.rowCount < ROWS_LEAST) throw new NotEnoughReadingsError('rows', table.rowCount, ROWS_LEAST);
    this.opened = table;
    return { names: table.names, rowCount: table.rowCount };
  }

  /** The part of the opened recording that turns with the shaft. */
  onceAround(columns: ShakeColumns, roughRpm: number): OnceAround {
    if (!this.opened) throw new NotEnoughReadingsError('rows', 0, ROWS_LEAST);
    return onceAround(recordingOf(this.opened, columns, roughRpm));
  }
}
