import type { Remote } from 'comlink';
import type { WorkDesk } from '../shared/worker/remoteWork.ts';

/** A worker that computes in the test's own thread, each question in a turn of its own as a real one would hear it. */
export class OwnThreadDesk<T extends object> implements WorkDesk<T> {
  waitingCount = 0;

  constructor(private readonly work: T) {}

  wake(): void {}

  async ask<R>(question: (work: Remote<T>) => Promise<R>): Promise<R> {
    this.waitingCount++;
    try {
      await new Promise((resolve) => setTimeout(resolve));
      return await question(this.work as unknown as Remote<T>);
    } finally {
      this.waitingCount--;
    }
  }

  stop(): void {}
}

/** One question that was put to a worker, to be answered by the test. */
export interface HeldQuestion {
  name: string;
  args: unknown[];
  answer: (value: unknown) => void;
  refuse: (error: Error) => void;
}

/** A worker that only listens: the test answers for it. */
export class HeldDesk<T> implements WorkDesk<T> {
  readonly asked: HeldQuestion[] = [];
  waitingCount = 0;
  isEnded = false;

  wake(): void {}

  ask<R>(question: (work: Remote<T>) => Promise<R>): Promise<R> {
    const work = new Proxy(
      {},
      {
        get:
          (_, name) =>
          (...args: unknown[]) =>
            new Promise((answer, refuse) => this.asked.push({ name: String(name), args, answer, refuse })),
      },
    );
    this.waitingCount++;
    return question(work as Remote<T>).finally(() => this.waitingCount--);
  }

  stop(): void {
    this.isEnded = true;
  }
}
