import { useCallback, useEffect, useRef, useState } from 'react';
import { failureOf, type ApiProblem } from './api.ts';
import { isUnanswered, waitToAskAgain } from './untilAnswered.ts';

/** How a page's changes stand: *waiting* while the server does not answer, *refused* with its reason. */
export type QueueState =
  | { status: 'kept' }
  | { status: 'sending' }
  | { status: 'waiting'; count: number }
  | { status: 'refused'; problem: ApiProblem };

interface Row {
  revision: number;
}

/** How a page reaches a row; each way throws the problem. */
export interface RowWays<R, Change> {
  /** Sends a change of the newest row. */
  send: (newest: R, change: Change) => Promise<R>;
  reread: () => Promise<R>;
  /** Whether the row already is as a change would leave it: then it was that change whose answer got lost. */
  has: (row: R, change: Change) => boolean;
}

/**
 * Sends changes of one row after another. Each is worked out from what the one before it left, so a quick second entry
 * waits for the first instead of meeting its revision. A server that does not answer is asked again until it does, and
 * a change whose answer got lost is not made twice. Whoever leaves the page leaves the queue to run on.
 *
 * @param row - as the page has it
 */
export function useQueuedChanges<R extends Row, Change>(
  row: R,
  rowWays: RowWays<R, Change>,
): { add: (work: (newest: R) => Change) => void; state: QueueState } {
  const newest = useRef(row);
  const queue = useRef<((newest: R) => Change)[]>([]);
  const isRunning = useRef(false);
  const ways = useRef(rowWays);
  const [state, setState] = useState<QueueState>({ status: 'kept' });
  useEffect(() => {
    ways.current = rowWays;
    if (row.revision >= newest.current.revision) newest.current = row;
  });
  const run = useCallback(async (): Promise<void> => {
    if (isRunning.current) return;
    isRunning.current = true;
    setState({ status: 'sending' });
    let refused: ApiProblem | null = null;
    let unanswered: Change | null = null;
    while (queue.current.length > 0) {
      try {
        // After a lost answer nobody knows whether the change was made: read first.
        if (unanswered !== null) newest.current = await ways.current.reread();
        const isMade = unanswered !== null && ways.current.has(newest.current, unanswered);
        if (!isMade) {
          unanswered = queue.current[0]!(newest.current);
          newest.current = await ways.current.send(newest.current, unanswered);
        }
        unanswered = null;
        queue.current.shift();
      } catch (error) {
        const problem = failureOf(error);
        if (isUnanswered(problem)) {
          setState({ status: 'waiting', count: queue.current.length });
          await waitToAskAgain();
        } else if (problem.code !== 'revisionConflict') {
          refused = problem;
          unanswered = null;
          queue.current.shift();
        }
      }
    }
    isRunning.current = false;
    setState(refused ? { status: 'refused', problem: refused } : { status: 'kept' });
  }, []);

  const add = useCallback(
    (work: (newest: R) => Change) => {
      queue.current.push(work);
      void run();
    },
    [run],
  );
  return { add, state };
}
