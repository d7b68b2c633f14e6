import { useWork, type RemoteWork, type WorkPort } from '../shared/worker/remoteWork.ts';
import type { ListenWork } from './listenWork.ts';

const makeWorker = (): WorkPort => new Worker(new URL('./listen.worker.ts', import.meta.url), { type: 'module' });

/** The worker that reads sounds, for one page. */
export const useListenWork = (): RemoteWork<ListenWork> => useWork<ListenWork>(makeWorker);
