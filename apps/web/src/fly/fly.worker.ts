import { serveWork } from '../shared/worker/serveWork.ts';
import { FlyWork } from './flyWork.ts';

serveWork(new FlyWork());
