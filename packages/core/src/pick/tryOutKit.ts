import type { PropGeometry } from '../propeller/propGeometry.ts';

/** A prop that could go into a kit. */
export interface KitProp {
  id: string;
  geometry: PropGeometry;
  /** What a set of it costs; null where no price is known. */
  cost: number | null;
  /** Score for the use; barred props are not offered. */
  score: number;
}

export interface TryOutKit {
  ids: string[];
  cost: number | null;
  /** How far the kit spreads, least and most. */
  diametersM: [number, number];
  pitchRatios: [number, number];
  bladeCounts: number[];
}

/** What is learnt about: size, steepness, blades; each on the scale of a difference that a flyer feels. */
function features({ diameterM, pitchM, bladeCount }: PropGeometry): number[] {
  return [1, Math.log(diameterM) / 0.08, pitchM / diameterM / 0.12, bladeCount];
}

/** Points of score that a prop may lie behind the best and still be worth flying. */
const WORTH_FLYING = 30;
const RIDGE = 0.05;

/**
 * Which three or four props teach most about a craft: those whose sizes, pitches and blades spread widest around what
 * suits it, so that the difference of each can be told apart (the largest determinant of the information matrix,
 * chosen one after another, the present prop first).
 *
 * @param present - flown today, always in the kit; null without one
 * @param count - props to choose in all, 2 to 5
 * @returns null where fewer than two are offered
 */
export function tryOutKit(present: KitProp | null, offered: readonly KitProp[], count: number): TryOutKit | null {
  const best = Math.max(...offered.map((p) => p.score));
  const pool = offered.filter((p) => p.id !== present?.id && p.score >= best - WORTH_FLYING);
  const kit: KitProp[] = present ? [present] : [];
  while (kit.length < Math.min(5, Math.max(2, count))) {
    const left = pool.filter((p) => !kit.includes(p));
    if (left.length === 0) break;
    const worth = (p: KitProp): number => Math.log(information([...kit, p])) + p.score / 100;
    kit.push(left.reduce((a, b) => (worth(b) > worth(a) ? b : a)));
  }
  if (kit.length < 2) return null;
  const ratios = kit.map((p) => p.geometry.pitchM / p.geometry.diameterM);
  const diameters = kit.map((p) => p.geometry.diameterM);
  return {
    ids: kit.map((p) => p.id),
    cost: kit.some((p) => p.cost === null) ? null : kit.reduce((sum, p) => sum + p.cost!, 0),
    diametersM: [Math.min(...diameters), Math.max(...diameters)],
    pitchRatios: [Math.min(...ratios), Math.max(...ratios)],
    bladeCounts: [...new Set(kit.map((p) => p.geometry.bladeCount))].sort((a, b) => a - b),
  };
}

/** Determinant of the information matrix XᵀX + ridge. */
function information(kit: readonly KitProp[]): number {
  const rows = kit.map((p) => features(p.geometry));
  const width = rows[0]!.length;
  const centre = Array.from({ length: width }, (_, k) =>
    k === 0 ? 0 : rows.reduce((sum, r) => sum + r[k]!, 0) / rows.length,
  );
  const matrix = Array.from({ length: width }, (_, i) =>
    Array.from(
      { length: width },
      (_, j) => rows.reduce((sum, r) => sum + (r[i]! - centre[i]!) * (r[j]! - centre[j]!), 0) + (i === j ? RIDGE : 0),
    ),
  );
  return determinant(matrix);
}

function determinant(matrix: number[][]): number {
  let result = 1;
  for (let k = 0; k < matrix.length; k++) {
    const pivot = matrix[k]![k]!;
    result *= pivot;
    for (let i = k + 1; i < matrix.length; i++) {
      const factor = matrix[i]![k]! / pivot;
      for (let j = k; j < matrix.length; j++) matrix[i]![j]! -= factor * matrix[k]![j]!;
    }
  }
  return result;
}
