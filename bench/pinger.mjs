import { once } from 'node:events';
import { Worker } from 'node:worker_threads';

/** Asks the server for next to nothing all the time; `worstMs` tells the longest wait since it was last asked. */
export function startPinger(address, everyMs) {
  const worker = new Worker(new URL('./ping.worker.mjs', import.meta.url), { workerData: { address, everyMs } });
  return {
    async worstMs() {
      worker.postMessage(null);
      return (await once(worker, 'message'))[0];
    },
    stop: () => worker.terminate(),
  };
}
