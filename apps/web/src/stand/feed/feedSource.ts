import { STREAM_WATCHDOG_MS, type FeedLinesView } from '@zivvo/contract';

/** Where the lines of a device come from, until it is closed. */
export interface FeedSource {
  close(): void;
}

export interface FeedEars {
  onLines: (lines: string[]) => void;
  /** The way to the device is there, or it is gone. */
  onThere: (isThere: boolean) => void;
}

/** Lines that some program posts to Zivvo's server. */
export function pipedSource({ onLines, onThere }: FeedEars): FeedSource {
  const source = new EventSource('/api/feed/stream');
  let heardMs = performance.now();
  const heard = (): void => {
    heardMs = performance.now();
    onThere(true);
  };
  source.addEventListener('lines', (event) => {
    heard();
    onLines((JSON.parse((event as MessageEvent<string>).data) as FeedLinesView).lines);
  });
  source.addEventListener('beat', heard);
  const watchdog = setInterval(() => onThere(performance.now() - heardMs < STREAM_WATCHDOG_MS), 500);
  return {
    close: () => {
      clearInterval(watchdog);
      source.close();
    },
  };
}

/** The part of a browser's serial port that is used here. */
interface SerialPort {
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}

const serialOf = (): Serial | null => (navigator as { serial?: Serial }).serial ?? null;

/** Whether this browser reads serial ports at all. */
export const hasSerial = (): boolean => serialOf() !== null;

/** Text of a device without line ends is not kept for ever [characters]. */
const MOST_REST = 4000;

/**
 * Lines of a device on a serial port, which the person chooses in the browser's own window.
 *
 * @throws {DOMException} if no port was chosen, or it is in use
 */
export async function serialSource(baudRate: number, ears: FeedEars): Promise<FeedSource> {
  const port = await serialOf()!.requestPort();
  await port.open({ baudRate });
  const reader = port
    .readable!.pipeThrough(new TextDecoderStream() as unknown as TransformStream<Uint8Array, string>)
    .getReader();
  ears.onThere(true);
  let isOpen = true;
  const read = async (): Promise<void> => {
    let rest = '';
    while (isOpen) {
      const { value, done } = await reader.read();
      if (done) break;
      const parts = (rest + value).split(/\r\n|[\r\n]/);
      rest = parts.pop()!.slice(-MOST_REST);
      if (parts.length > 0) ears.onLines(parts);
    }
  };
  // A cable that is pulled ends the reading.
  void read()
    .catch(() => undefined)
    .finally(() => ears.onThere(false));
  return {
    close: () => {
      isOpen = false;
      void reader
        .cancel()
        .catch(() => undefined)
        .then(() => port.close())
        .catch(() => undefined);
    },
  };
}
