import { CoreError, NotEnoughReadingsError, onceAround, placeBlades } from '@zivvo/core';
import Papa from 'papaparse';
import { delimiterOf } from '../shared/table/parseDelimited.ts';
import type { BenchProblem, BenchTask, BenchTasks, FromBench, ToBench } from './benchMessages.ts';
import { recordingOf, SHAKE_ROWS_MOST, ShakeTable } from './shakeFile.ts';

const CHUNK_BYTES = 500_000;

let opened: ShakeTable | null = null;

function post(message: FromBench): void {
  self.postMessage(message);
}

/** Reads a recording piece by piece, and tells how far it is. */
async function open(
  { file }: BenchTasks['open']['ask'],
  onProgress: (share: number) => void,
): Promise<BenchTasks['open']['answer']> {
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
  if (table.rowCount < 20) throw new NotEnoughReadingsError('rows', table.rowCount, 20);
  opened = table;
  return { names: table.names, rowCount: table.rowCount };
}

const tasks: {
  [K in BenchTask]: (
    ask: BenchTasks[K]['ask'],
    onProgress: (share: number) => void,
  ) => BenchTasks[K]['answer'] | Promise<BenchTasks[K]['answer']>;
} = {
  slots: ({ momentsKgM, slotCount }) => placeBlades(momentsKgM, slotCount),
  open,
  onceAround: ({ columns, roughRpm }) => {
    if (!opened) throw new NotEnoughReadingsError('rows', 0, 20);
    return onceAround(recordingOf(opened, columns, roughRpm));
  },
};

function problemOf(error: unknown): BenchProblem {
  if (!(error instanceof CoreError))
    return { code: 'failed', what: error instanceof Error ? error.message : 'unknown', allowed: '' };
  const { what, allowed } = error.details as { what?: unknown; allowed?: unknown };
  return {
    code: error.code,
    what: typeof what === 'string' ? what : '',
    allowed: typeof allowed === 'string' ? allowed : '',
  };
}

self.onmessage = async ({ data: { id, task, ask } }: MessageEvent<ToBench>): Promise<void> => {
  try {
    const value = await tasks[task](ask as never, (share) => post({ id, kind: 'progress', share }));
    post({ id, kind: 'answer', ok: true, value });
  } catch (error) {
    post({ id, kind: 'answer', ok: false, problem: problemOf(error) });
  }
};
