import { useCallback, useEffect, useReducer, useRef, useState } from 'react';
import { FeedEar } from './feedEar.ts';
import { pipedSource, serialSource, type FeedEars, type FeedSource } from './feedSource.ts';

/** How often what is heard is shown [ms]. */
const SHOW_MS = 200;

export type FeedWay = 'piped' | 'serial';

export interface Feed {
  ear: FeedEar;
  way: FeedWay;
  /** Whether the way to the device is open. */
  isThere: boolean;
  /** Why the port was not opened. */
  problem: string | null;
  nowS: number;
  openSerial: (baudRate: number) => Promise<void>;
  listenToPipe: () => void;
}

const clockS = (): number => performance.now() / 1000;

/** Listens to a device: to what is posted to the server, or to a serial port once one is chosen. */
export function useFeed(): Feed {
  const [first] = useState(() => new FeedEar());
  const [ear, setEar] = useState(first);
  const [way, setWay] = useState<FeedWay>('piped');
  const [isThere, setThere] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [nowS, show] = useReducer(clockS, 0, clockS);
  const source = useRef<FeedSource | null>(null);
  const listen = useCallback((opened: FeedSource | null): void => {
    source.current?.close();
    source.current = opened;
  }, []);
  const earsOf = useCallback(
    (own: FeedEar): FeedEars => ({ onLines: (lines) => own.take(lines, clockS()), onThere: setThere }),
    [],
  );
  const hearWith = (own: FeedEar, by: FeedWay): void => {
    setEar(own);
    setWay(by);
    setProblem(null);
  };
  const listenToPipe = (): void => {
    const own = new FeedEar();
    listen(pipedSource(earsOf(own)));
    hearWith(own, 'piped');
  };
  const openSerial = async (baudRate: number): Promise<void> => {
    const own = new FeedEar();
    try {
      listen(await serialSource(baudRate, earsOf(own)));
    } catch (error) {
      setProblem(`No port was opened: ${error instanceof Error ? error.message : 'the browser refused it'}`);
      return;
    }
    hearWith(own, 'serial');
  };
  useEffect(() => {
    listen(pipedSource(earsOf(first)));
    const timer = setInterval(show, SHOW_MS);
    return () => {
      clearInterval(timer);
      listen(null);
    };
  }, [first, listen, earsOf]);
  return { ear, way, isThere, problem, nowS, openSerial, listenToPipe };
}
