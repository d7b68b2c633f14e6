import type { EvidenceMark, Origin } from '@zivvo/core';
import { markNames, originNames } from '@zivvo/words';

/** The four marks of how a figure is known: solid dot, ring with dot, ring, dashed ring. */
export function EvidenceDot({ mark, origin = null }: { mark: EvidenceMark; origin?: Origin | null }) {
  const name = origin === 'simulated' ? `${markNames[mark]}, ${originNames.simulated}` : markNames[mark];
  return (
    <svg width="13" height="13" viewBox="-6.5 -6.5 13 13" role="img" aria-label={name} style={{ flex: 'none' }}>
      <title>{name}</title>
      {mark === 'measured' ? (
        <circle r="4.4" fill="currentColor" />
      ) : (
        <circle
          r="4.6"
          fill="none"
          stroke="currentColor"
          strokeWidth="1.5"
          strokeDasharray={mark === 'extended' ? '2.4 2.2' : undefined}
        />
      )}
      {mark === 'calibrated' && <circle r="1.8" fill="currentColor" />}
    </svg>
  );
}
