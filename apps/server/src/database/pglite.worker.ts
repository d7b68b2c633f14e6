import { parentPort, workerData } from 'node:worker_threads';
import { openPglite } from './openPglite.ts';

/** Runs the embedded database off the main thread: bytes of the wire protocol in, bytes out, in order. */
const port = parentPort!;
const database = await openPglite((workerData as { folder: string }).folder);
let queue: Promise<void> = Promise.resolve();

port.on('message', (message: Uint8Array | 'close') => {
  queue = queue.then(async () => {
    if (message === 'close') {
      await database.close();
      port.postMessage('closed');
      return;
    }
    const answer = (await database.execProtocolRaw(message, {})).slice();
    port.postMessage(answer, [answer.buffer]);
  });
});
port.postMessage('ready');
