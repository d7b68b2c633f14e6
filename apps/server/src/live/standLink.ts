import { Worker } from 'node:worker_threads';
import type { FromRuntime, ToRuntime } from './live.messages.ts';
import { StandRuntime } from './standRuntime.ts';

/** The wire to the device runtime. */
export interface StandLink {
  send(message: ToRuntime): void;
  onMessage(listener: (message: FromRuntime) => void): void;
  close(): Promise<void>;
}

export const STAND_LINK = Symbol('STAND_LINK');

/** Starts the runtime on a thread of its own, when it is first needed. */
export function startStandLink(): StandLink {
  let worker: Worker | null = null;
  let listener: (message: FromRuntime) => void = () => undefined;
  const started = (): Worker => {
    if (worker) return worker;
    worker = new Worker(new URL('./stand.worker.js', import.meta.url));
    worker.on('message', (message: FromRuntime) => listener(message));
    worker.on('error', (error) => {
      console.error(`The stand's thread stopped: ${error.message}`);
      worker = null;
    });
    return worker;
  };
  return {
    send: (message) => started().postMessage(message),
    onMessage: (l) => (listener = l),
    close: async () => void (await worker?.terminate()),
  };
}

/** The same runtime in this thread, for tests of what is around it. */
export function inlineStandLink(): StandLink {
  let listener: (message: FromRuntime) => void = () => undefined;
  const runtime = new StandRuntime((message) => listener(message));
  return {
    send: (message) => runtime.handle(message),
    onMessage: (l) => (listener = l),
    close: () => {
      runtime.handle({ kind: 'close' });
      return Promise.resolve();
    },
  };
}
