import type { TipShape } from '@zivvo/core';
import { bladeOutline, type GlyphShape } from './bladeOutline.ts';

/** A small silhouette of a prop, drawn from its numbers, so that rows can be told apart without reading. */
export function BladeGlyph({ size = 34, ...shape }: GlyphShape & { size?: number; tipShape: TipShape }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="-50 -50 100 100"
      aria-hidden="true"
      focusable="false"
      style={{ flex: 'none' }}
    >
      <g fill="currentColor">
        <Blades {...shape} />
      </g>
      <circle r={2.6} fill="var(--sheet)" />
    </svg>
  );
}

/** Blades and hub, filled and drawn as whatever surrounds them says. */
export function Blades(shape: GlyphShape) {
  const outline = bladeOutline(shape);
  return (
    <>
      {Array.from({ length: shape.bladeCount }, (_, k) => (
        <path key={k} d={outline} transform={`rotate(${(360 / shape.bladeCount) * k})`} />
      ))}
      <circle r={7.5} />
    </>
  );
}
