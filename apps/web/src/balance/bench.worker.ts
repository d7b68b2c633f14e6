import { serveWork } from '../shared/worker/serveWork.ts';
import { BenchWork } from './benchWork.ts';

serveWork(new BenchWork());
