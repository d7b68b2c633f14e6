import { serveWork } from '../shared/worker/serveWork.ts';
import type { WorkPort } from '../shared/worker/remoteWork.ts';

/** A worker in the test's own thread: the real protocol over a channel, what it does in the hand of the test. */
export class ChannelWorker implements WorkPort {
  onerror: WorkPort['onerror'] = null;
  isEnded = false;
  private readonly channel = new MessageChannel();

  constructor(work: object) {
    serveWork(work, this.channel.port2);
  }

  addEventListener: WorkPort['addEventListener'] = (...args) => this.channel.port1.addEventListener(...args);
  removeEventListener: WorkPort['removeEventListener'] = (...args) => this.channel.port1.removeEventListener(...args);
  postMessage: WorkPort['postMessage'] = (message, transfer = []) => this.channel.port1.postMessage(message, transfer);
  start = (): void => this.channel.port1.start();

  terminate(): void {
    this.isEnded = true;
    this.channel.port1.close();
  }

  die(message: string): void {
    this.onerror?.({ message } as ErrorEvent);
  }
}
