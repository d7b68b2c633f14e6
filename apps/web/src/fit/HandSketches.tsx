/** A blade that points up, its higher edge drawn thick. */
export function BladeSketch({ side }: { side: 'left' | 'right' }) {
  return (
    <svg
      width="34"
      height="56"
      viewBox="-17 -50 34 56"
      aria-hidden="true"
      style={side === 'left' ? { transform: 'scaleX(-1)' } : undefined}
    >
      <path
        d="M-4 0C-9 -14 -9 -34 -3 -47C1 -49 4 -48 5 -45C9 -32 8 -12 4 0Z"
        fill="var(--hatch-ground)"
        stroke="var(--muted)"
        strokeWidth="1"
      />
      <path d="M5 -45C9 -32 8 -12 4 0" fill="none" stroke="var(--ink)" strokeWidth="3.4" />
    </svg>
  );
}

/**
 * A hub between two blade roots with what may be moulded on it: letters, an arrow, marks that bend round the screws.
 */
export function HubSketch({ sign, turn }: { sign: 'letters' | 'arrow' | 'matchesArm'; turn: 'cw' | 'ccw' }) {
  return (
    <svg
      width="62"
      height="46"
      viewBox="-31 -23 62 46"
      aria-hidden="true"
      style={turn === 'ccw' ? { transform: 'scaleX(-1)' } : undefined}
    >
      <path
        d="M-31 -7L-15 -6A16 16 0 0 1 15 -6L31 -7V7L15 6A16 16 0 0 1 -15 6L-31 7Z"
        fill="var(--hatch-ground)"
        stroke="var(--muted)"
        strokeWidth="1"
      />
      <circle r="3.4" fill="var(--sheet)" stroke="var(--muted)" />
      {sign === 'letters' && (
        <text y="-7" textAnchor="middle" fontSize="8.5" fontWeight="700" fill="var(--ink)">
          R
        </text>
      )}
      {sign === 'arrow' && (
        <path
          d="M-10 4A10.5 10.5 0 0 1 7.4 -7.4M8.6 -12L7.6 -7.2L2.8 -7.4"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.2"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
      {sign === 'matchesArm' && (
        <g fill="none" stroke="var(--ink)" strokeWidth="2.2" strokeLinecap="round">
          <path d="M-11 -1A11 11 0 0 1 -4 -10M11 1A11 11 0 0 1 4 10" />
          <path d="M-3.4 -13.4L-4 -10L-7.4 -10.4M3.4 13.4L4 10L7.4 10.4" />
        </g>
      )}
    </svg>
  );
}
