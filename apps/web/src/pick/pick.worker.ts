import { serveWork } from '../shared/worker/serveWork.ts';
import { PickWork } from './pickWork.ts';

serveWork(new PickWork());
