import { failureOf, type ApiProblem } from './api.ts';

/** How soon a server that did not answer is asked again [ms]. */
const RETRY_MS = 1000;

/** Whether a failure means that nobody was there; anything else is an answer. */
export function isUnanswered({ status }: Pick<ApiProblem, 'status'>): boolean {
  return status === 0 || status >= 502;
}

export function waitToAskAgain(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, RETRY_MS));
}

/**
 * Sends again and again until the server answers; what it answers with a refusal is thrown.
 *
 * @param send - one trial; made so that the same sent twice is done once
 * @param onUnanswered - called after every trial that nobody answered
 */
export async function untilAnswered<T>(send: () => Promise<T>, onUnanswered?: () => void): Promise<T> {
  for (;;) {
    try {
      return await send();
    } catch (error) {
      if (!isUnanswered(failureOf(error))) throw error;
      onUnanswered?.();
      await waitToAskAgain();
    }
  }
}
