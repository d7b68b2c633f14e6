import type { PickFamily, PickGrid, PickSetting } from '@zivvo/core';
import { proxy } from 'comlink';
import { RemoteWork, type WorkDesk } from '../shared/worker/remoteWork.ts';
import { workProblemOf, type WorkProblem } from '../shared/worker/workProblem.ts';
import type { MapListener, PickTask, PickTasks } from './pickMessages.ts';
import type { PickWork } from './pickWork.ts';

/** How a page hears of its maps. */
export interface MapsListener extends MapListener {
  onFailure: (problem: WorkProblem) => void;
}

const POOL_SIZE = 2;
/** Who asked for maps hears of their failure; what only wakes or stops a worker has nothing to tell. */
const unheard = (): void => undefined;

/**
 * Two workers that share the maps of a craft. The first map asked for is worked out at once by one of them; then the
 * others are dealt out between both. Questions go to the worker with less to do.
 */
export class PickPool {
  /** The first is made at once, the others when they are needed. */
  private readonly desks: WorkDesk<PickWork>[] = [];
  /** The maps in force: what is told of earlier ones is dropped. */
  private job = 0;
  /** Starts the others once the first map is there: until then they would only take the time it needs. */
  private startOthers: (() => void) | null = null;

  constructor(private readonly makeDesk: () => WorkDesk<PickWork>) {
    this.desk(0).wake();
  }

  /** Lets the worker of the first map get ready for it, while what corrects it is still being asked for. */
  warm(setting: PickSetting, grid: PickGrid, family: PickFamily): void {
    this.desk(0)
      .ask((work) => work.warm(setting, grid, family))
      .catch(unheard);
  }

  /** Starts working out the maps of a craft; whatever was under way is dropped. */
  startMaps(
    setting: PickSetting,
    grid: PickGrid,
    families: readonly { key: string; family: PickFamily }[],
    listener: MapsListener,
  ): void {
    const job = ++this.job;
    const done = new Array<number>(POOL_SIZE).fill(0);
    const start = (i: number): void => {
      const own = families.filter((_, k) => k % POOL_SIZE === i);
      const ears = proxy<MapListener>({
        onMap: (key, values, state) => {
          if (job !== this.job) return;
          if (state === 'fine') {
            this.startOthers?.();
            this.startOthers = null;
          }
          listener.onMap(key, values, state);
        },
        onProgress: (count) => {
          if (job !== this.job) return;
          done[i] = count;
          listener.onProgress(
            done.reduce((sum, n) => sum + n, 0),
            families.length,
          );
        },
      });
      this.desk(i)
        .ask((work) => work.maps(setting, grid, own, ears))
        .catch((error: unknown) => job === this.job && listener.onFailure(workProblemOf(error)));
    };
    start(0);
    this.startOthers = () => {
      for (let i = 1; i < POOL_SIZE; i++) start(i);
    };
  }

  stop(): void {
    this.job++;
    this.startOthers = null;
    for (const desk of this.desks) desk.ask((work) => work.stop()).catch(unheard);
  }

  /** @throws {WorkRefusal} if the core refuses, or the worker died */
  ask<K extends PickTask>(setting: PickSetting, task: K, ask: PickTasks[K]['ask']): Promise<PickTasks[K]['answer']> {
    return this.desk(this.startOthers ? 0 : this.leastBusy()).ask(
      (work) => work.answer(setting, task, ask) as Promise<PickTasks[K]['answer']>,
    );
  }

  end(): void {
    for (const desk of this.desks) desk.stop();
  }

  private desk(i: number): WorkDesk<PickWork> {
    return (this.desks[i] ??= this.makeDesk());
  }

  private leastBusy(): number {
    const busy = Array.from({ length: POOL_SIZE }, (_, i) => this.desks[i]?.waitingCount ?? 0);
    return busy.indexOf(Math.min(...busy));
  }
}

let shared: PickPool | null = null;

/** Puts another pool in the place of this tab's; tests work without workers. */
export function replacePickPool(pool: PickPool): void {
  shared = pool;
}

const makeWorker = (): Worker => new Worker(new URL('./pick.worker.ts', import.meta.url), { type: 'module' });

/** The pool of this tab; its workers keep their tables from page to page. */
export function pickPool(): PickPool {
  shared ??= new PickPool(() => new RemoteWork<PickWork>(makeWorker));
  return shared;
}
