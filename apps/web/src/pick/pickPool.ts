import type { PickFamily, PickGrid, PickSetting, RotorAir } from '@zivvo/core';
import type { FromWorker, PickTask, PickTasks, ToWorker, WorkerProblem } from './pickMessages.ts';

/** What the pool needs of a worker; tests put one of their own. */
export interface PoolWorker {
  postMessage(message: ToWorker): void;
  onmessage: ((event: MessageEvent<FromWorker>) => void) | null;
  terminate(): void;
}

/** How a map job tells what it has. */
export interface MapListener {
  onMap: (key: string, values: Float64Array, state: 'coarse' | 'fine') => void;
  onProgress: (done: number, total: number) => void;
  onFailure: (problem: WorkerProblem) => void;
}

/** What a task was refused for. */
export class PickProblem extends Error {
  constructor(readonly problem: WorkerProblem) {
    super(problem.what);
  }
}

const POOL_SIZE = 2;

/**
 * Two workers that share the maps of a craft. The first map asked for is worked out at once by one of them; the others
 * are dealt out between both. Tasks go to the worker with less to do.
 */
export class PickPool {
  private readonly workers: PoolWorker[];
  private readonly waiting = new Map<number, { resolve: (value: unknown) => void; reject: (error: Error) => void; worker: number }>();
  private readonly done = [0, 0];
  private job = 0;
  private nextId = 1;
  private listener: MapListener | null = null;
  private families = 0;

  constructor(makeWorker: () => PoolWorker) {
    this.workers = Array.from({ length: POOL_SIZE }, (_, i) => {
      const worker = makeWorker();
      worker.onmessage = ({ data }) => this.hear(i, data);
      return worker;
    });
  }

  /** Lets the worker of the first map compute that family's table while the craft is still being asked for. */
  warm(air: RotorAir, family: PickFamily): void {
    this.workers[0]!.postMessage({ kind: 'warm', air, family });
  }

  /** Starts working out the maps of a craft; whatever was under way is dropped. */
  startMaps(setting: PickSetting, grid: PickGrid, families: { key: string; family: PickFamily }[], listener: MapListener): void {
    this.listener = listener;
    this.families = families.length;
    this.job++;
    this.done.fill(0);
    this.workers.forEach((worker, i) => worker.postMessage({ kind: 'map', job: this.job, setting, grid, families: families.filter((_, k) => k % POOL_SIZE === i) }));
  }

  stop(): void {
    this.job++;
    this.listener = null;
    for (const worker of this.workers) worker.postMessage({ kind: 'stop' });
  }

  ask<K extends PickTask>(setting: PickSetting, task: K, ask: PickTasks[K]['ask']): Promise<PickTasks[K]['answer']> {
    const id = this.nextId++;
    const busy = this.workers.map((_, i) => [...this.waiting.values()].filter((w) => w.worker === i).length);
    const worker = busy[1]! < busy[0]! ? 1 : 0;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve as (value: unknown) => void, reject, worker });
      this.workers[worker]!.postMessage({ kind: 'task', id, setting, task, ask } as ToWorker);
    });
  }

  end(): void {
    for (const worker of this.workers) worker.terminate();
  }

  private hear(worker: number, message: FromWorker): void {
    if (message.kind === 'answer') {
      const asked = this.waiting.get(message.id);
      this.waiting.delete(message.id);
      if (message.result.ok) asked?.resolve(message.result.value);
      else asked?.reject(new PickProblem(message.result.problem));
      return;
    }
    if (message.job !== this.job || !this.listener) return;
    if (message.kind === 'map') this.listener.onMap(message.key, message.values, message.state);
    else if (message.kind === 'mapFailed') this.listener.onFailure(message.problem);
    else {
      this.done[worker] = message.done;
      this.listener.onProgress(this.done[0]! + this.done[1]!, this.families);
    }
  }
}

let shared: PickPool | null = null;

/** Puts another pool in the place of this tab's; tests work without workers. */
export function replacePickPool(pool: PickPool): void {
  shared = pool;
}

/** The pool of this tab; its workers keep their tables from page to page. */
export function pickPool(): PickPool {
  shared ??= new PickPool(() => new Worker(new URL('./pick.worker.ts', import.meta.url), { type: 'module' }));
  return shared;
}
