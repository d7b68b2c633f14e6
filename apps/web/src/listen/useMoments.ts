import type { CombAsk } from '@zivvo/core';
import { useCallback, useRef, useState } from 'react';
import type { LiveSound } from './listenWork.ts';
import { useListenWork } from './useListenWork.ts';

/** A moment that was listened to; without a sound where it was too quiet to say anything. */
export interface Moment {
  timeS: number;
  sound: LiveSound | null;
}

/** So long is listened to at once [s]. */
const MOMENT_S = 0.9;
/** Moments that are kept, four minutes or so. */
const KEPT_MOMENTS = 240;

/** The last samples of a live sound, and what is heard in them again and again, as fast as the worker answers. */
interface Ring {
  samples: Float32Array;
  heardS: number;
  isAsked: boolean;
}

/** Listens to a live sound moment by moment; `feed` takes its samples as they come. */
export function useMoments(ask: CombAsk) {
  const work = useListenWork();
  const [moments, setMoments] = useState<Moment[]>([]);
  const ring = useRef<Ring | null>(null);
  const feed = (piece: Float32Array, rateHz: number): void => {
    const now = (ring.current ??= {
      samples: new Float32Array(Math.round(MOMENT_S * rateHz)),
      heardS: 0,
      isAsked: false,
    });
    now.samples.copyWithin(0, piece.length);
    now.samples.set(piece, now.samples.length - piece.length);
    now.heardS += piece.length / rateHz;
    if (now.isAsked || now.heardS < MOMENT_S) return;
    now.isAsked = true;
    const timeS = now.heardS;
    work
      .ask((w) => w.moment(now.samples.slice(), rateHz, ask))
      .then(
        (sound) =>
          ring.current === now && setMoments((before) => [...before.slice(1 - KEPT_MOMENTS), { timeS, sound }]),
        () => undefined,
      )
      .finally(() => (now.isAsked = false));
  };
  const forget = useCallback((): void => {
    ring.current = null;
    setMoments([]);
  }, []);
  return { moments, feed, forget };
}
