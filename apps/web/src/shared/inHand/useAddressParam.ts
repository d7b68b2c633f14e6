import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** One parameter of the address, and setting it without a step in the browser's history; null takes it out. */
export function useAddressParam(name: string): [string | null, (value: string | null) => void] {
  const [params, setParams] = useSearchParams();
  const set = useCallback(
    (value: string | null) =>
      setParams(
        (before) => {
          const after = new URLSearchParams(before);
          if (value === null) after.delete(name);
          else after.set(name, value);
          return after;
        },
        { replace: true },
      ),
    [name, setParams],
  );
  return [params.get(name), set];
}
