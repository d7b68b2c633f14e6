import { useCallback } from 'react';
import { useNavigate, useSearchParams } from 'react-router';

/** What the work is done with: the address owns it, so a page can be reloaded, kept, or opened twice. */
export interface InHand {
  craftId: string | null;
  propModelId: string | null;
  /** An address inside the app that keeps what is in hand. */
  to: (path: string, change?: InHandChange) => string;
  take: (change: InHandChange) => void;
}

export interface InHandChange {
  craftId?: string | null;
  propModelId?: string | null;
}

const NAMES = { craftId: 'craft', propModelId: 'prop' } as const;

export function useInHand(): InHand {
  const [params, setParams] = useSearchParams();
  const craftId = params.get(NAMES.craftId);
  const propModelId = params.get(NAMES.propModelId);
  const to = useCallback(
    (path: string, change: InHandChange = {}): string => {
      const kept = applyChange(new URLSearchParams(), { craftId, propModelId, ...change });
      const text = kept.toString();
      return text === '' ? path : `${path}${path.includes('?') ? '&' : '?'}${text}`;
    },
    [craftId, propModelId],
  );
  const take = useCallback(
    (change: InHandChange) =>
      setParams((before) => applyChange(new URLSearchParams(before), change), { replace: true }),
    [setParams],
  );
  return { craftId, propModelId, to, take };
}

function applyChange(params: URLSearchParams, change: InHandChange): URLSearchParams {
  for (const [name, key] of Object.entries(NAMES)) {
    const value = change[name as keyof InHandChange];
    if (value === undefined) continue;
    if (value === null) params.delete(key);
    else params.set(key, value);
  }
  return params;
}

/** Goes to a page and keeps what is in hand. */
export function useGo(): (path: string, change?: InHandChange) => void {
  const navigate = useNavigate();
  const { to } = useInHand();
  return useCallback((path, change) => void navigate(to(path, change)), [navigate, to]);
}
