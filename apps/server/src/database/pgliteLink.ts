import type { PGlite } from '@electric-sql/pglite';
import type { WireLink } from './pgliteStream.ts';

/** The wire within one process. */
export function linkTo(pglite: PGlite): WireLink {
  let queue: Promise<unknown> = Promise.resolve();
  return {
    exchange: (bytes) => {
      const answer = queue.then(() => pglite.execProtocolRaw(bytes, {}));
      queue = answer;
      return answer.then((a) => a.slice());
    },
    onFault: () => undefined,
    close: () => pglite.close(),
  };
}
