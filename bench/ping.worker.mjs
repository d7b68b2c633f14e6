// Asks the server for next to nothing over and over: how long it takes is how long everything else is kept waiting.
import http from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import { parentPort, workerData } from 'node:worker_threads';

const agent = new http.Agent({ keepAlive: true, maxSockets: 1 });
let worstMs = 0;
parentPort.on('message', () => {
  parentPort.postMessage(worstMs);
  worstMs = 0;
});

const ping = () =>
  new Promise((resolve) => {
    const startMs = performance.now();
    http
      .get(`${workerData.address}/icon.svg`, { agent }, (answer) => {
        answer.resume();
        answer.once('end', () => resolve(performance.now() - startMs));
      })
      .once('error', () => resolve(performance.now() - startMs));
  });

for (;;) {
  worstMs = Math.max(worstMs, await ping());
  await pause(workerData.everyMs);
}
