import { useWork, type RemoteWork, type WorkPort } from '../../shared/worker/remoteWork.ts';
import type { SamplesWork } from './samplesWork.ts';

const makeWorker = (): WorkPort => new Worker(new URL('./samples.worker.ts', import.meta.url), { type: 'module' });

/** The worker that reads a logger's samples, for one page. */
export const useSamplesWork = (): RemoteWork<SamplesWork> => useWork<SamplesWork>(makeWorker);
