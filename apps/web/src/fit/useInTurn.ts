import type { FittingView, UpdateFittingDto } from '@zivvo/contract';
import { useEffect, useRef } from 'react';

/** Sends changes one after the other, each made on the answer to the one before: quick hands lose nothing. */
export function useInTurn(view: FittingView, send: (body: UpdateFittingDto) => Promise<FittingView>): (change: (latest: FittingView) => UpdateFittingDto) => void {
  const latest = useRef(view);
  const queue = useRef<Promise<void>>(Promise.resolve());
  useEffect(() => {
    if (view.revision >= latest.current.revision) latest.current = view;
  }, [view]);
  return (change) => {
    queue.current = queue.current.then(async () => {
      try {
        latest.current = await send(change(latest.current));
      } catch {
        // The note above the map says what went wrong; the next change starts from what the page shows.
      }
    });
  };
}
