import { planformWidths, type BladePlanform, type TipShape } from '@zivvo/core';

export interface GlyphShape {
  diameterM: number;
  pitchM: number;
  bladeCount: number;
  tipShape: TipShape;
  planform?: BladePlanform | null;
}

/** Chord along the blade as a share of the widest, root to tip. */
const PLANFORMS: Record<TipShape, readonly number[]> = {
  pointed: [0.5, 0.86, 1, 0.94, 0.78, 0.55, 0.16],
  standard: [0.48, 0.8, 1, 1, 0.9, 0.74, 0.34],
  square: [0.46, 0.74, 0.96, 1, 1, 1, 0.98],
};

/**
 * Outline of one blade pointing up, in a box of ±50: longer for a larger prop, wider for fewer blades, slim or broad as
 * they look, bent forward the more pitch it has.
 */
export function bladeOutline({ diameterM, pitchM, bladeCount, tipShape, planform }: GlyphShape): string {
  const size = Math.min(1, Math.max(0, Math.log(diameterM / 0.05) / Math.log(0.4 / 0.05)));
  const tip = 27 + 21 * size;
  const root = 5;
  const widest = (planformWidths[planform ?? 'usual'] * tip * 0.42) / Math.sqrt(Math.max(2, bladeCount) / 2);
  const bend = Math.min(1.2, pitchM / diameterM) * 0.3 * tip;
  const stations = PLANFORMS[tipShape].map((share, i, all) => {
    const along = i / (all.length - 1);
    const y = -(root + (tip - root) * along);
    const lean = bend * (along - along ** 2) * 1.6 - bend * 0.25 * along;
    return { y, leading: lean + share * widest * 0.42, trailing: lean - share * widest * 0.58 };
  });
  const edge = (side: 'leading' | 'trailing', order: typeof stations): string =>
    order.map((s) => `${s[side].toFixed(1)} ${s.y.toFixed(1)}`).join('L');
  return `M${edge('trailing', stations)}L${edge('leading', [...stations].reverse())}Z`;
}
