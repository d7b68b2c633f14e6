import { Worker } from 'node:worker_threads';
import type { FromRuntime, ToRuntime } from './live.messages.ts';
import { StandRuntime } from './standRuntime.ts';

/** The wire to the device runtime. */
export interface StandLink {
  /** Starts the runtime where there is none. */
  send(message: ToRuntime): void;
  onMessage(listener: (message: FromRuntime) => void): void;
  /** Hears that the runtime ended without being asked to; the next message starts another. */
  onLost(listener: (why: string) => void): void;
  /** Ends the runtime, whatever it does; nobody hears of it. */
  end(): Promise<void>;
}

export const STAND_LINK = Symbol('STAND_LINK');

/** The runtime on a thread of its own, started when it is first needed. */
export function startStandLink(program: URL = new URL('./stand.worker.js', import.meta.url)): StandLink {
  let worker: Worker | null = null;
  let hear: (message: FromRuntime) => void = () => undefined;
  let lose: (why: string) => void = () => undefined;
  const started = (): Worker => {
    if (worker) return worker;
    const thread = new Worker(program);
    worker = thread;
    const isOver = (why: string): void => {
      if (worker !== thread) return;
      worker = null;
      lose(why);
    };
    thread.on('message', (message: FromRuntime) => {
      if (worker === thread) hear(message);
    });
    thread.on('error', (error) => isOver(error.message));
    thread.on('exit', (code) => isOver(`its thread ended with ${code}`));
    return thread;
  };
  return {
    send: (message) => started().postMessage(message),
    onMessage: (listener) => (hear = listener),
    onLost: (listener) => (lose = listener),
    end: async () => {
      const thread = worker;
      worker = null;
      await thread?.terminate();
    },
  };
}

/** The same runtime in this thread, for tests of what is around it, which can make it vanish or fall silent. */
export interface InlineStandLink extends StandLink {
  kill(): void;
  isSilent: boolean;
}

export function inlineStandLink(): InlineStandLink {
  let hear: (message: FromRuntime) => void = () => undefined;
  let lose: (why: string) => void = () => undefined;
  let runtime: StandRuntime | null = null;
  const started = (): StandRuntime => {
    if (runtime) return runtime;
    const made: StandRuntime = new StandRuntime((message) => {
      if (runtime === made && !link.isSilent) hear(message);
    });
    runtime = made;
    return made;
  };
  const drop = (): void => {
    const gone = runtime;
    runtime = null;
    gone?.handle({ kind: 'close' });
  };
  const link: InlineStandLink = {
    isSilent: false,
    send: (message) => started().handle(message),
    onMessage: (listener) => (hear = listener),
    onLost: (listener) => (lose = listener),
    end: () => {
      drop();
      return Promise.resolve();
    },
    kill: () => {
      drop();
      lose('it was killed');
    },
  };
  return link;
}
