import { useEffect, useState } from 'react';
import type { BenchProblem, BenchTask, BenchTasks, FromBench } from './benchMessages.ts';

/** A refusal of the worker: what was wrong, and what is allowed. */
export class BenchRefusal extends Error {
  constructor(readonly problem: BenchProblem) {
    super(problem.what);
  }
}

/** What of a worker the bench needs. */
export type BenchPort = Pick<Worker, 'postMessage' | 'terminate'> & {
  onmessage: ((event: MessageEvent<FromBench>) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
};

interface Waiting {
  resolve: (value: never) => void;
  reject: (error: unknown) => void;
  onProgress: ((share: number) => void) | undefined;
}

/** Asks the worker of the balancing bench; stopping ends it at once, and the next question starts another. */
export class Bench {
  private port: BenchPort | null = null;
  private last = 0;
  private readonly waiting = new Map<number, Waiting>();

  constructor(private readonly makePort: () => BenchPort) {}

  /** @throws {BenchRefusal} if the worker cannot answer, or was stopped */
  ask<K extends BenchTask>(
    task: K,
    ask: BenchTasks[K]['ask'],
    onProgress?: (share: number) => void,
  ): Promise<BenchTasks[K]['answer']> {
    const port = (this.port ??= this.open());
    const id = ++this.last;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject, onProgress });
      port.postMessage({ id, task, ask });
    });
  }

  /** Ends the worker; whoever waits is told so. */
  stop(problem: BenchProblem = { code: 'stopped', what: 'stopped', allowed: '' }): void {
    this.port?.terminate();
    this.port = null;
    const left = [...this.waiting.values()];
    this.waiting.clear();
    for (const { reject } of left) reject(new BenchRefusal(problem));
  }

  private open(): BenchPort {
    const port = this.makePort();
    port.onerror = (event) =>
      this.stop({
        code: 'workerDied',
        what: `the computation stopped (${event.message || 'no reason given'})`,
        allowed: 'ask again',
      });
    port.onmessage = ({ data }) => {
      const asked = this.waiting.get(data.id);
      if (!asked) return;
      if (data.kind === 'progress') return asked.onProgress?.(data.share);
      this.waiting.delete(data.id);
      if (data.ok) asked.resolve(data.value as never);
      else asked.reject(new BenchRefusal(data.problem));
    };
    return port;
  }
}

const makeWorker = (): BenchPort => new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' });

/** The bench of one page; its worker ends with the page. */
export function useBench(): Bench {
  const [bench] = useState(() => new Bench(makeWorker));
  useEffect(() => () => bench.stop(), [bench]);
  return bench;
}

/** The answer to one question, asked anew when it changes; null while there is none. */
export function useBenchAnswer<K extends BenchTask>(
  task: K,
  ask: BenchTasks[K]['ask'] | null,
): BenchTasks[K]['answer'] | null {
  const bench = useBench();
  const key = ask === null ? null : JSON.stringify(ask);
  const [answer, setAnswer] = useState<{ key: string; value: BenchTasks[K]['answer'] } | null>(null);
  useEffect(() => {
    if (key === null) return;
    let isGone = false;
    bench.ask(task, JSON.parse(key) as BenchTasks[K]['ask']).then(
      (value) => !isGone && setAnswer({ key, value }),
      () => undefined,
    );
    return () => {
      isGone = true;
      bench.stop();
    };
  }, [bench, task, key]);
  return answer !== null && answer.key === key ? answer.value : null;
}
