import { expose, type Endpoint } from 'comlink';
import { carryProblems } from './workProblem.ts';

/** Offers work to the page; the last line of every worker. */
export function serveWork(work: object, port?: Endpoint): void {
  carryProblems();
  expose(work, port);
}
