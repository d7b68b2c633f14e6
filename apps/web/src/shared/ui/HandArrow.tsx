import { handNames } from '@zivvo/words';

/** A hand: curved arrow in its colour, always with the word. */
export function HandArrow({ hand, hasWord = true }: { hand: 'cw' | 'ccw' | 'either'; hasWord?: boolean }) {
  const colour = hand === 'cw' ? 'var(--indigo)' : hand === 'ccw' ? 'var(--plum)' : 'var(--ink)';
  return (
    <span style={{ display: 'inline-flex', alignItems: 'center', gap: 4, color: colour, whiteSpace: 'nowrap' }}>
      <svg
        width="18"
        height="14"
        viewBox="0 0 18 14"
        aria-hidden="true"
        style={hand === 'ccw' ? { transform: 'scaleX(-1)' } : undefined}
      >
        <path
          d={
            hand === 'either'
              ? 'M2.4 5.4A7.5 7.5 0 0 1 15.6 5.4M15.6 .8V5.6H11M2.4 .8V5.6H7'
              : 'M2 11A7.5 7.5 0 0 1 15 8.5M15.6 3.6 15.2 8.9 10.4 7'
          }
          fill="none"
          stroke="currentColor"
          strokeWidth="1.8"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      </svg>
      {hasWord && handNames[hand]}
    </span>
  );
}
