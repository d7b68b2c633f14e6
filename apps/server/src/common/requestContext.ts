import { AsyncLocalStorage } from 'node:async_hooks';

/** Who stands behind the request that is being served. */
interface RequestContext {
  personId: string | null;
  /** What a request that only reads has worked out already; null where something may be written in between. */
  answers: Map<string, unknown> | null;
}

const storage = new AsyncLocalStorage<RequestContext>();

export function runAsPerson<T>(personId: string | null, work: () => T, isReading = false): T {
  return storage.run({ personId, answers: isReading ? new Map<string, unknown>() : null }, work);
}

/** Works something out once in a request that only reads, however many of its services ask. */
export function onceWhileReading<T>(key: string, make: () => Promise<T>): Promise<T> {
  const answers = storage.getStore()?.answers ?? null;
  if (answers === null) return make();
  if (!answers.has(key)) answers.set(key, make());
  return answers.get(key) as Promise<T>;
}

/** The person at work, or null when nobody said who. */
export function currentPersonId(): string | null {
  return storage.getStore()?.personId ?? null;
}
