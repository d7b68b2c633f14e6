// The device runtime with readings that pass a limit now and then; tells how long each took until the throttle was
// zero.
import { parentPort, workerData } from 'node:worker_threads';
import { StandRuntime } from '../apps/server/dist/live/standRuntime.js';

const { device, limits, cutCount } = workerData;
const delaysMs = [];
let overMs = null;
let answerId = 0;
const runtime = new StandRuntime(() => undefined);
const command = (c) => runtime.handle({ kind: 'command', id: ++answerId, command: c });
runtime.handle({ kind: 'open', device, limits, points: [], timeFactor: 1 });
const { stand } = runtime;
const exchange = stand.exchange.bind(stand);
let sinceCut = 0;
stand.exchange = (throttleRatio) => {
  const reading = exchange(throttleRatio);
  if (overMs !== null && throttleRatio === 0) {
    delaysMs.push(performance.now() - overMs);
    overMs = null;
    sinceCut = 0;
    if (delaysMs.length >= cutCount) {
      runtime.handle({ kind: 'close' });
      parentPort.postMessage(delaysMs);
      return null;
    }
    return reading;
  }
  sinceCut++;
  if (throttleRatio > 0 && sinceCut > 12) {
    overMs = performance.now();
    return { ...reading, currentA: limits.currentA + 1 };
  }
  return reading;
};
setTimeout(() => command({ name: 'tare' }), 200);
setInterval(() => {
  runtime.handle({ kind: 'heartbeat' });
  if (overMs === null) {
    command({ name: 'arm' });
    command({ name: 'throttle', throttleRatio: 0.5 });
  }
}, 40).unref?.();
