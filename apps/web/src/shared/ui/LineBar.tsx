import type { LineStop } from '@zivvo/core';
import { stopSentence } from '@zivvo/words';
import { useFormat } from '../format/useFormat.ts';

/** A stop of the line: a short bar, empty, half, full or notched. */
export function LineBar({ stop }: { stop: LineStop | undefined }) {
  const { choices } = useFormat();
  const state = stop?.state ?? 'empty';
  const name = stop ? stopSentence(stop, choices) : 'nothing in hand';
  const colour = state === 'notched' ? 'var(--rust)' : 'var(--fjord)';
  return (
    <svg
      width="18"
      height="10"
      viewBox="0 0 18 10"
      role="img"
      aria-label={name}
      data-state={state}
      style={{ flex: 'none' }}
    >
      <title>{name}</title>
      {state === 'notched' ? (
        <path d="M1 1H17L13.5 5 17 9H1Z" fill={colour} />
      ) : (
        <>
          <rect
            x="1.75"
            y="1.75"
            width="14.5"
            height="6.5"
            rx="1.5"
            fill="var(--ground)"
            stroke={state === 'empty' ? 'var(--field)' : colour}
            strokeWidth="1.5"
          />
          {state !== 'empty' && (
            <rect x="1.75" y="1.75" width={state === 'half' ? 7.25 : 14.5} height="6.5" rx="1" fill={colour} />
          )}
        </>
      )}
    </svg>
  );
}
