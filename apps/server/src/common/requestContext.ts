import { AsyncLocalStorage } from 'node:async_hooks';

/** Who stands behind the request that is being served. */
interface RequestContext {
  personId: string | null;
}

const storage = new AsyncLocalStorage<RequestContext>();

export function runAsPerson<T>(personId: string | null, work: () => T): T {
  return storage.run({ personId }, work);
}

/** The person at work, or null when nobody said who. */
export function currentPersonId(): string | null {
  return storage.getStore()?.personId ?? null;
}
