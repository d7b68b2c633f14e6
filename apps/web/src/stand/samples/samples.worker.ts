import { serveWork } from '../../shared/worker/serveWork.ts';
import { SamplesWork } from './samplesWork.ts';

serveWork(new SamplesWork());
