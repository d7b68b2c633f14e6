import type { TipShape } from '@zivvo/core';
import { Blades } from '../shared/ui/BladeGlyph.tsx';
import type { GlyphShape } from '../shared/ui/bladeOutline.ts';
import type { Side } from './careView.ts';

/**
 * The prop with the side that is looked at: the top as it lies, the underside mirrored and hatched, edges and root as a
 * line.
 */
export function SideGlyph({ side, ...shape }: GlyphShape & { side: Side | null; tipShape: TipShape }) {
  const isEdges = side === 'edges';
  return (
    <svg width={190} height={190} viewBox="-50 -50 100 100" aria-hidden="true" focusable="false">
      <defs>
        <pattern id="underside" width={3} height={3} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V3" stroke="var(--ink)" strokeWidth={1.4} />
        </pattern>
      </defs>
      <g
        transform={side === 'underside' ? 'scale(-1 1)' : undefined}
        fill={side === 'underside' ? 'url(#underside)' : isEdges ? 'var(--hatch-ground)' : 'var(--ink)'}
        stroke={isEdges ? 'var(--rust)' : 'var(--ink)'}
        strokeWidth={isEdges ? 2 : 0.7}
      >
        <Blades {...shape} />
      </g>
      <circle r={2.6} fill="var(--sheet)" />
    </svg>
  );
}
