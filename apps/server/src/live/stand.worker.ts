import { parentPort } from 'node:worker_threads';
import type { FromRuntime, ToRuntime } from './live.messages.ts';
import { StandRuntime } from './standRuntime.ts';

/** The thread of the device runtime. */
const port = parentPort!;
const runtime = new StandRuntime((message: FromRuntime) =>
  port.postMessage(message, message.kind === 'chunk' ? [message.samples.buffer as ArrayBuffer] : []),
);
port.on('message', (message: ToRuntime) => runtime.handle(message));
