const AGAIN_MS = 3000;

/**
 * Fetches a part that stands beside the page, and tries again until it is there: a server that is away must not take
 * the page down with it.
 */
export function patiently<T>(load: () => Promise<T>): () => Promise<T> {
  const fetchIt = (): Promise<T> =>
    load().catch(async () => {
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
      return fetchIt();
    });
  return fetchIt;
}
