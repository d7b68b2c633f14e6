import { useEffect, useState } from 'react';
import type { ApiProblem } from '../../shared/api/api.ts';
import { readSamples, type Stretch } from '../../shared/api/recordingApi.ts';
import type { Span } from './readingsView.ts';

/** While a hand zooms, it is asked once it rests [ms]. */
const REST_MS = 120;

export interface Samples {
  /** What was read last; stays while the next is on its way. */
  stretches: Stretch[] | null;
  problem: ApiProblem | null;
  isReading: boolean;
  again: () => void;
}

/** The samples of a span, at most a point a pixel. */
export function useSamples(recordingId: string, { fromS, toS }: Span, count: number): Samples {
  const [stretches, setStretches] = useState<Stretch[] | null>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [readKey, setReadKey] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);
  const key = `${fromS}/${toS}/${count}/${attempt}`;
  useEffect(() => {
    if (count < 1) return;
    const control = new AbortController();
    const timer = setTimeout(() => {
      void readSamples(recordingId, { track: 0, fromS, toS, count }, control.signal).then((answer) => {
        if (control.signal.aborted) return;
        if ('problem' in answer) setProblem(answer.problem);
        else {
          setProblem(null);
          setStretches(answer.stretches);
        }
        setReadKey(key);
      });
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      control.abort();
    };
  }, [recordingId, fromS, toS, count, key]);
  return { stretches, problem, isReading: readKey !== key, again: () => setAttempt(attempt + 1) };
}
