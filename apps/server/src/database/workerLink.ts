import { Worker } from 'node:worker_threads';
import type { WireLink } from './pgliteStream.ts';

/** Starts the database worker of a folder and waits until it can be spoken to. */
export async function startWorkerLink(folder: string): Promise<WireLink> {
  const worker = new Worker(new URL('./pglite.worker.js', import.meta.url), { workerData: { folder } });
  worker.setMaxListeners(50);
  await new Promise<void>((resolve, reject) => {
    worker.once('message', () => resolve());
    worker.once('error', reject);
  });
  const waiting: ((answer: Uint8Array) => void)[] = [];
  let whenClosed = (): void => undefined;
  worker.on('message', (message: Uint8Array | 'closed') => {
    if (message === 'closed') whenClosed();
    else waiting.shift()?.(message);
  });
  return {
    exchange: (bytes) =>
      new Promise((resolve) => {
        waiting.push(resolve);
        worker.postMessage(bytes, [bytes.buffer]);
      }),
    onFault: (listener) => worker.on('error', listener),
    close: async () => {
      const closed = new Promise<void>((resolve) => (whenClosed = resolve));
      worker.postMessage('close');
      await closed;
      await worker.terminate();
    },
  };
}
