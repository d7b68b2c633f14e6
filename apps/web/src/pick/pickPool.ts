import type { PickFamily, PickGrid, PickSetting } from '@zivvo/core';
import type { FromWorker, PickTask, PickTasks, ToWorker, WorkerProblem } from './pickMessages.ts';

/** What the pool needs of a worker; tests put one of their own. */
export interface PoolWorker {
  postMessage(message: ToWorker): void;
  onmessage: ((event: MessageEvent<FromWorker>) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
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
 * Two workers that share the maps of a craft. The first map asked for is worked out at once by one of them; then the
 * others are dealt out between both. Tasks go to the worker with less to do.
 */
export class PickPool {
  /** The first is made at once, the others when they are needed. */
  private readonly workers: (PoolWorker | undefined)[] = [];
  private readonly waiting = new Map<
    number,
    { resolve: (value: unknown) => void; reject: (error: Error) => void; worker: number }
  >();
  private readonly done = [0, 0];
  private job = 0;
  private nextId = 1;
  private listener: MapListener | null = null;
  private families = 0;
  /** Starts the others once the first map is there: until then they would only take the time it needs. */
  private startOthers: (() => void) | null = null;

  constructor(private readonly makeWorker: () => PoolWorker) {
    this.worker(0);
  }

  /** Lets the worker of the first map get ready for it, while what corrects it is still being asked for. */
  warm(setting: PickSetting, grid: PickGrid, family: PickFamily): void {
    this.worker(0).postMessage({ kind: 'warm', setting, grid, family });
  }

  /** Starts working out the maps of a craft; whatever was under way is dropped. */
  startMaps(
    setting: PickSetting,
    grid: PickGrid,
    families: { key: string; family: PickFamily }[],
    listener: MapListener,
  ): void {
    this.listener = listener;
    this.families = families.length;
    this.job++;
    this.done.fill(0);
    const start = (i: number): void =>
      this.worker(i).postMessage({
        kind: 'map',
        job: this.job,
        setting,
        grid,
        families: families.filter((_, k) => k % POOL_SIZE === i),
      });
    start(0);
    this.startOthers = () => {
      for (let i = 1; i < POOL_SIZE; i++) start(i);
    };
  }

  stop(): void {
    this.job++;
    this.listener = null;
    this.startOthers = null;
    for (const worker of this.workers) worker?.postMessage({ kind: 'stop' });
  }

  ask<K extends PickTask>(setting: PickSetting, task: K, ask: PickTasks[K]['ask']): Promise<PickTasks[K]['answer']> {
    const id = this.nextId++;
    const worker = this.startOthers ? 0 : this.leastBusy();
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve as (value: unknown) => void, reject, worker });
      this.worker(worker).postMessage({ kind: 'task', id, setting, task, ask } as ToWorker);
    });
  }

  end(): void {
    for (const worker of this.workers) worker?.terminate();
  }

  private worker(i: number): PoolWorker {
    const known = this.workers[i];
    if (known) return known;
    const made = this.makeWorker();
    made.onmessage = ({ data }) => this.hear(i, data);
    made.onerror = (event) => this.lose(i, made, event.message);
    return (this.workers[i] = made);
  }

  /** A worker that died answers nobody any more: whoever waits for it is told, and the next question starts another. */
  private lose(i: number, dead: PoolWorker, why: string): void {
    dead.terminate();
    if (this.workers[i] === dead) this.workers[i] = undefined;
    const problem: WorkerProblem = {
      code: 'workerDied',
      what: `the computation stopped (${why || 'no reason given'})`,
      allowed: 'load the page again',
    };
    for (const [id, { worker, reject }] of this.waiting) {
      if (worker !== i) continue;
      this.waiting.delete(id);
      reject(new PickProblem(problem));
    }
    this.listener?.onFailure(problem);
  }

  private leastBusy(): number {
    const busy = new Array<number>(POOL_SIZE).fill(0);
    for (const { worker } of this.waiting.values()) busy[worker]!++;
    return busy.indexOf(Math.min(...busy));
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
    if (message.kind === 'map') {
      if (message.state === 'fine') {
        this.startOthers?.();
        this.startOthers = null;
      }
      this.listener.onMap(message.key, message.values, message.state);
    } else if (message.kind === 'mapFailed') this.listener.onFailure(message.problem);
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
