/**
 * A browser completes addresses from its page; outside of one it is done by hand. Import it before anything that asks.
 */
const PlainRequest = globalThis.Request;
globalThis.Request = class extends PlainRequest {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://127.0.0.1') : input, init);
  }
};
