import { Duplex } from 'node:stream';

/** Whatever answers PostgreSQL's wire protocol: a worker thread in the product, the same process in tests. */
export interface WireLink {
  /** Sends messages; each sending is answered exactly once, in order, perhaps with nothing. */
  exchange(bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array>;
  onFault(listener: (error: Error) => void): void;
  /** Ends the database behind it. */
  close(): Promise<void>;
}

const TERMINATE = 'X'.charCodeAt(0);

/**
 * The socket that the `pg` driver believes it speaks through.
 *
 * The driver drops a connection after some errors and opens another; behind both is the same session, so the old one
 * ends with a rollback instead of a goodbye, and answers go only to the stream that asked. One that the driver ends in
 * order closes like a socket whose other end hangs up: the pool waits for that before it is done.
 */
export class PgliteStream extends Duplex {
  constructor(private readonly link: WireLink) {
    super();
    link.onFault((error) => this.destroy(error));
  }

  connect(): this {
    queueMicrotask(() => this.emit('connect'));
    return this;
  }

  setNoDelay(): this {
    return this;
  }

  setKeepAlive(): this {
    return this;
  }

  ref(): this {
    return this;
  }

  unref(): this {
    return this;
  }

  override _read(): void {
    // Answers are pushed as they come.
  }

  override _write(chunk: Buffer, _encoding: BufferEncoding, done: () => void): void {
    this.send(chunk);
    done();
  }

  /** What the driver corks together is executed together, so that an error skips to the end of its batch. */
  override _writev(chunks: { chunk: Buffer }[], done: () => void): void {
    this.send(Buffer.concat(chunks.map((c) => c.chunk)));
    done();
  }

  override _final(done: () => void): void {
    this.push(null);
    done();
  }

  override _destroy(error: Error | null, done: (error: Error | null) => void): void {
    if (!this.writableFinished) void this.link.exchange(simpleQuery('rollback'));
    done(error);
  }

  private send(bytes: Buffer): void {
    if (bytes[0] === TERMINATE) return;
    void this.link.exchange(new Uint8Array(bytes)).then((answer) => {
      if (!this.destroyed && answer.length > 0)
        this.push(Buffer.from(answer.buffer, answer.byteOffset, answer.byteLength));
    });
  }
}

function simpleQuery(sql: string): Uint8Array<ArrayBuffer> {
  const text = Buffer.from(`${sql}\0`);
  const message = Buffer.alloc(5 + text.length);
  message.write('Q');
  message.writeInt32BE(4 + text.length, 1);
  text.copy(message, 5);
  return new Uint8Array(message);
}
