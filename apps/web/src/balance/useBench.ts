import type { PlacingRange } from '@zivvo/core';
import { useEffect, useState } from 'react';
import { useWork, type RemoteWork, type WorkPort } from '../shared/worker/remoteWork.ts';
import type { BenchWork } from './benchWork.ts';

const makeWorker = (): WorkPort => new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' });

/** The worker of the balancing bench, for one page. */
export const useBench = (): RemoteWork<BenchWork> => useWork<BenchWork>(makeWorker);

/** Which weighed blade goes into which slot, worked out anew when the blades change; null meanwhile. */
export function usePlacing(momentsKgM: readonly number[] | null, slotCount: number): PlacingRange | null {
  const bench = useBench();
  const key = momentsKgM && JSON.stringify([momentsKgM, slotCount]);
  const [found, setFound] = useState<{ key: string; placing: PlacingRange } | null>(null);
  useEffect(() => {
    if (key === null) return;
    const [moments, slots] = JSON.parse(key) as [number[], number];
    bench
      .ask((work) => work.slots(moments, slots))
      .then(
        (placing) => setFound({ key, placing }),
        () => undefined,
      );
    return () => bench.stop();
  }, [bench, key]);
  return found !== null && found.key === key ? found.placing : null;
}
