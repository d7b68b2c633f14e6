// Hands what the microphone hears to the page, some thousand samples at a time.
const PIECE = 4096;

class Microphone extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(PIECE);
    this.filled = 0;
  }

  process([input]) {
    const samples = input?.[0];
    if (samples) {
      this.piece.set(samples, this.filled);
      this.filled += samples.length;
      if (this.filled + samples.length > PIECE) {
        this.port.postMessage(this.piece.slice(0, this.filled));
        this.filled = 0;
      }
    }
    return true;
  }
}

registerProcessor('microphone', Microphone);
