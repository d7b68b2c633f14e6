import { CoreError, OpenedLog, type LoggedSegment, type LogReport, type SegmentKind } from '@zivvo/core';
import {
  guessColumns,
  LOG_MOST_BYTES,
  logOfTable,
  readGpx,
  readTable,
  readUlog,
  type LogColumns,
  type LogTable,
} from './logFiles.ts';

/** A file that was opened: a table wants its columns said, the others speak for themselves. */
export type OpenedFile =
  { kind: 'table'; names: string[]; guess: LogColumns; rowCount: number } | { kind: 'log'; report: LogReport };

const FIRST_TIMES = 50;

/** What the worker of Fly does; the file that was opened last stays with it. */
export class FlyWork {
  private table: LogTable | null = null;
  private opened: OpenedLog | null = null;

  /** @throws {CoreError} where the file is no flight that can be read, with what stands in the way */
  async openFile(file: File, onProgress: (share: number) => void): Promise<OpenedFile> {
    this.table = null;
    this.opened = null;
    if (file.size > LOG_MOST_BYTES) throw new CoreError('tooLarge', { most: LOG_MOST_BYTES });
    const head = await file.slice(0, 400).arrayBuffer();
    const bytes = new Uint8Array(head);
    if (String.fromCharCode(...bytes.slice(0, 4)) === 'ULog') return this.report(await readUlog(file, onProgress));
    const text = new TextDecoder().decode(head);
    if (/^\uFEFF?\s*<\?xml|^\uFEFF?\s*<gpx/i.test(text)) return this.report(await readGpx(file, onProgress));
    if (bytes.some((b) => b === 0)) throw new CoreError('notText', {});
    this.table = await readTable(file, onProgress);
    const { names, columns, rowCount } = this.table;
    const guess = guessColumns(names, []);
    const time = guess.columns.time;
    const first = time === null ? [] : Array.from(columns[time]!.slice(0, FIRST_TIMES));
    return { kind: 'table', names, guess: guessColumns(names, first), rowCount };
  }

  /** The flight in the opened table, its columns said. */
  read(columns: LogColumns): OpenedFile {
    if (!this.table) throw new CoreError('noFile', {});
    return this.report(logOfTable(this.table, columns));
  }

  /** A stretch of the opened log as a person marked it. */
  mark(kind: SegmentKind, fromS: number, toS: number): LoggedSegment {
    if (!this.opened) throw new CoreError('noFile', {});
    return this.opened.mark(kind, fromS, toS);
  }

  private report(log: ConstructorParameters<typeof OpenedLog>[0]): OpenedFile {
    this.opened = new OpenedLog(log);
    return { kind: 'log', report: this.opened.report() };
  }
}
