import { wrap, type Endpoint, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { carryProblems, WorkRefusal, type WorkProblem } from './workProblem.ts';

/** What a page needs of a worker. */
export type WorkPort = Endpoint & Pick<Worker, 'terminate'> & { onerror: ((event: ErrorEvent) => void) | null };

/** Who does work of one kind when asked; stopped at once, and started anew by the next question. */
export interface WorkDesk<T> {
  /** How many questions are not answered yet. */
  readonly waitingCount: number;
  /** Starts the worker before anything is asked. */
  wake(): void;
  ask<R>(question: (work: Remote<T>) => Promise<R>): Promise<R>;
  stop(problem?: WorkProblem): void;
}

const STOPPED: WorkProblem = { code: 'stopped', what: 'stopped', allowed: '' };

/**
 * The one way in which pages speak to a worker. The worker starts with the first question; one that dies answers nobody
 * any more, so whoever waits is told, and the next question has another.
 */
export class RemoteWork<T> implements WorkDesk<T> {
  private open: { port: WorkPort; work: Remote<T> } | null = null;
  private readonly waiting = new Set<(refusal: WorkRefusal) => void>();

  constructor(private readonly makePort: () => WorkPort) {
    carryProblems();
  }

  get waitingCount(): number {
    return this.waiting.size;
  }

  wake(): void {
    this.open ??= this.start();
  }

  /** @throws {WorkRefusal} if the worker cannot answer, died or was stopped */
  ask<R>(question: (work: Remote<T>) => Promise<R>): Promise<R> {
    const { work } = (this.open ??= this.start());
    return new Promise<R>((resolve, reject) => {
      this.waiting.add(reject);
      question(work)
        .then(resolve, reject)
        .finally(() => this.waiting.delete(reject));
    });
  }

  /** Ends the worker; whoever waits is told why. */
  stop(problem: WorkProblem = STOPPED): void {
    this.open?.port.terminate();
    this.open = null;
    const left = [...this.waiting];
    this.waiting.clear();
    for (const refuse of left) refuse(new WorkRefusal(problem));
  }

  private start(): { port: WorkPort; work: Remote<T> } {
    const port = this.makePort();
    port.onerror = (event) => {
      if (this.open?.port !== port) return;
      this.stop({
        code: 'workerDied',
        what: `the computation stopped (${event.message || 'no reason given'})`,
        allowed: 'ask again',
      });
    };
    return { port, work: wrap<T>(port) };
  }
}

/** A worker of one page; it ends with the page. */
export function useWork<T>(makePort: () => WorkPort): RemoteWork<T> {
  const [desk] = useState(() => new RemoteWork<T>(makePort));
  useEffect(() => () => desk.stop(), [desk]);
  return desk;
}
