import { useState } from 'react';
import { untilAnswered } from './untilAnswered.ts';

/** Sends until the server answers, and says while it does: what is on its way is not sent a second time by a second press. */
export function useAsking(): { ask: <T>(send: () => Promise<T>) => Promise<T>; isAsking: boolean } {
  const [isAsking, setAsking] = useState(false);
  const ask = async <T,>(send: () => Promise<T>): Promise<T> => {
    setAsking(true);
    try {
      return await untilAnswered(send);
    } finally {
      setAsking(false);
    }
  };
  return { ask, isAsking };
}
