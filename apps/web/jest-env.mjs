import { TestEnvironment } from 'jest-environment-jsdom';

// A port that somebody listens to keeps Node running, which a closed page would not.
for (const name of ['addEventListener', 'start']) {
  const usual = MessagePort.prototype[name];
  MessagePort.prototype[name] = function (...args) {
    usual.apply(this, args);
    this.unref();
  };
}

/** jsdom with what browsers have and it lacks. */
export default class BrowserEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    Object.assign(this.global, {
      fetch,
      Request,
      Response,
      Headers,
      AbortController,
      AbortSignal,
      TextEncoder,
      TextDecoder,
      TextDecoderStream,
      structuredClone,
      Blob,
      MessageChannel,
      MessagePort,
      Uint8Array,
      ArrayBuffer,
    });
  }
}
