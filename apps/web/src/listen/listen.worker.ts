import { serveWork } from '../shared/worker/serveWork.ts';
import { ListenWork } from './listenWork.ts';

serveWork(new ListenWork());
