import type { OnceAround, PlacingRange } from '@zivvo/core';
import type { ShakeColumns } from './shakeFile.ts';

/** What the worker of the balancing bench answers. */
export interface BenchTasks {
  /** Which weighed blade into which slot. */
  slots: { ask: { momentsKgM: readonly number[]; slotCount: number }; answer: PlacingRange };
  /** The columns of a recording; the file stays with the worker for the next question. */
  open: { ask: { file: File }; answer: { names: string[]; rowCount: number } };
  /** The part of the opened recording that turns with the shaft. */
  onceAround: { ask: { columns: ShakeColumns; roughRpm: number }; answer: OnceAround };
}
export type BenchTask = keyof BenchTasks;

export interface BenchProblem {
  code: string;
  what: string;
  allowed: string;
}

export type ToBench = { [K in BenchTask]: { id: number; task: K; ask: BenchTasks[K]['ask'] } }[BenchTask];
export type FromBench =
  | { id: number; kind: 'progress'; share: number }
  | { id: number; kind: 'answer'; ok: true; value: unknown }
  | { id: number; kind: 'answer'; ok: false; problem: BenchProblem };
