import { useWork, type RemoteWork, type WorkPort } from '../shared/worker/remoteWork.ts';
import type { FlyWork } from './flyWork.ts';

const makeWorker = (): WorkPort => new Worker(new URL('./fly.worker.ts', import.meta.url), { type: 'module' });

/** The worker that reads flight logs, for one page. */
export const useFlyWork = (): RemoteWork<FlyWork> => useWork<FlyWork>(makeWorker);
