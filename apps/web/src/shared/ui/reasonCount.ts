import { severities, type Severity } from '@zivvo/core';
import { createContext, useContext, useEffect, useId } from 'react';

/** Hears what a list of reasons holds, by a name of the list; null when the list goes. */
export const ReasonCount = createContext<(list: string, said: readonly Severity[] | null) => void>(() => undefined);

/** Tells the station how many reasons stand in a list, and how grave they are. */
export function useCountReasons(said: readonly Severity[]): void {
  const tell = useContext(ReasonCount);
  const list = useId();
  const text = said.join();
  useEffect(() => {
    tell(list, text === '' ? [] : (text.split(',') as Severity[]));
    return () => tell(list, null);
  }, [tell, list, text]);
}

/** The gravest of several; null where there is none. */
export function gravest(said: readonly Severity[]): Severity | null {
  return severities.find((severity) => said.includes(severity)) ?? null;
}
