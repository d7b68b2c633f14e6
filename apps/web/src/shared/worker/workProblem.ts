import { CoreError } from '@zivvo/core';
import { transferHandlers, type TransferHandler } from 'comlink';

/** Why a worker gives no answer: what was wrong, and what is allowed. */
export interface WorkProblem {
  code: string;
  what: string;
  allowed: string;
}

/** A refusal of a worker, as the page hears it. */
export class WorkRefusal extends Error {
  constructor(readonly problem: WorkProblem) {
    super(problem.what);
  }
}

/** The problem in whatever was thrown. */
export function workProblemOf(error: unknown): WorkProblem {
  if (error instanceof WorkRefusal) return error.problem;
  if (!(error instanceof CoreError))
    return { code: 'failed', what: error instanceof Error ? error.message : String(error), allowed: '' };
  const { what, allowed } = error.details as { what?: unknown; allowed?: unknown };
  return {
    code: error.code,
    what: typeof what === 'string' ? what : '',
    allowed: typeof allowed === 'string' ? allowed : '',
  };
}

/** What is thrown crosses as its problem: its class and its details would be lost on the way. */
export function carryProblems(): void {
  const usual = transferHandlers.get('throw')!;
  const own: TransferHandler<{ value: unknown }, WorkProblem> = {
    canHandle: (value): value is { value: unknown } => usual.canHandle(value),
    serialize: ({ value }) => [workProblemOf(value), []],
    deserialize: (problem) => {
      throw new WorkRefusal(problem);
    },
  };
  transferHandlers.set('throw', own);
}
