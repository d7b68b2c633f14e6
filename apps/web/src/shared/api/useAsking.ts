import { useState } from 'react';
import { untilAnswered } from './untilAnswered.ts';
import type { QueueState } from './useQueuedChanges.ts';

/**
 * Sends until the server answers, and says while it does: what is on its way is not sent a second time by a second
 * press.
 */
export function useAsking(): { ask: <T>(send: () => Promise<T>) => Promise<T>; isAsking: boolean; asking: QueueState } {
  const [asking, setAsking] = useState<QueueState>({ status: 'kept' });
  const ask = async <T>(send: () => Promise<T>): Promise<T> => {
    setAsking({ status: 'sending' });
    try {
      return await untilAnswered(send, () => setAsking({ status: 'waiting', count: 1 }));
    } finally {
      setAsking({ status: 'kept' });
    }
  };
  return { ask, isAsking: asking.status !== 'kept', asking };
}
