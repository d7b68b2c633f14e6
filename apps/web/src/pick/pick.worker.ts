import type { ToWorker } from './pickMessages.ts';
import { PickWork } from './pickWork.ts';

const work = new PickWork((message) => self.postMessage(message));

self.onmessage = ({ data }: MessageEvent<ToWorker>): void => work.hear(data);
