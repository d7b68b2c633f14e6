import { useEffect, useState } from 'react';

/** Whether something has been so for a while, not just for a moment. */
export function useStays(isSo: boolean, forMs: number): boolean {
  const [stays, setStays] = useState(false);
  useEffect(() => {
    if (!isSo) return undefined;
    const timer = setTimeout(() => setStays(true), forMs);
    return () => {
      clearTimeout(timer);
      setStays(false);
    };
  }, [isSo, forMs]);
  return isSo && stays;
}
