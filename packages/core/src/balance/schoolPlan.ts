import { amountOf, degreesOf, scale, type Complex } from '../numerics/complex.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';
import type { CorrectionKind } from './corrections.ts';
import { sanding, splitCorrection } from './staticUnbalance.ts';
import type { TapeSpot } from './tapePlan.ts';

/** Ways of correcting that change the piece itself. */
export type School = Exclude<CorrectionKind, 'tape'>;
export const schools = ['sand', 'lacquer', 'drill'] as const satisfies readonly School[];

/** Usual densities [kg/m³], of handbooks: moulded plastics by their filling, beech, laid-up carbon, printed plastic. */
const DENSITIES: Readonly<Record<PropMaterial, number>> = {
  polycarbonate: 1200,
  glassNylon: 1350,
  carbonNylon: 1250,
  carbon: 1550,
  wood: 700,
  softPlastic: 1100,
  printed: 1150,
  unknown: 1200,
};

/** One place of a school's work. */
export interface SchoolStep {
  kind: 'blade' | 'hub';
  /** As the places of tape count: blades, then the two sides of a two-blade hub. */
  place: number;
  /** To take off or to put on [kg]. */
  massKg: number;
  momentKgM: number;
  /** Over the patch that a strip of tape would cover [m]; null where nothing is sanded. */
  depthM: number | null;
}

export interface SchoolPlan {
  school: School;
  steps: SchoolStep[];
  /** What lies across two blades and is left to the hub's lighter side [kg·m]; 0 where nothing is. */
  acrossKgM: number;
  /** Where a made hub is drilled, from the first blade [degrees]; null for the other schools. */
  drillDegrees: number | null;
}

/**
 * What a school asks for: sanding takes from the heavy blade or the two beside the heavy side, lacquer is put on the
 * light ones and a two-blade hub, drilling takes from the heavy side of the hub. Nothing is ever done between blades.
 *
 *   m = U/r; depth = m/(ρ·length·width) over the patch that a strip of tape would cover
 *
 * @param left - the unbalance as it is now, toward the heavy side [kg·m]
 * @param bladeCount - 2 to 8
 * @param spots - where tape would lie on a blade and at the hub
 * @param targetKgM - what may stay: less than a quarter of it is not worked on
 * @throws {OutOfRangeError} if a spot has no size or the blades are none
 */
export function schoolPlan(
  school: School,
  left: Complex,
  bladeCount: number,
  spots: Record<'blade' | 'hub', TapeSpot>,
  material: PropMaterial,
  targetKgM: number,
): SchoolPlan {
  const heavy = degreesOf(left);
  if (school === 'drill') {
    const momentKgM = amountOf(left);
    return {
      school,
      steps: [{ kind: 'hub', place: bladeCount, massKg: momentKgM / spots.hub.radiusM, momentKgM, depthM: null }],
      acrossKgM: 0,
      drillDegrees: heavy,
    };
  }
  const toward = school === 'sand' ? left : scale(left, -1);
  const { parts, hubKgM } = splitCorrection(amountOf(toward), degreesOf(toward), bladeCount);
  const least = targetKgM / 4;
  const blades = parts
    .filter((p) => p.momentKgM > least)
    .map(({ blade, momentKgM }): SchoolStep => {
      const massKg = momentKgM / spots.blade.radiusM;
      const depthM =
        school === 'sand'
          ? sanding(momentKgM, spots.blade.radiusM, {
              lengthM: spots.blade.longestM,
              widthM: spots.blade.widthM,
              densityKgPerM3: DENSITIES[material],
            }).depthM
          : null;
      return { kind: 'blade', place: blade, massKg, momentKgM, depthM };
    });
  const acrossKgM = Math.abs(hubKgM) > least ? Math.abs(hubKgM) : 0;
  const side = hubKgM >= 0 ? bladeCount : bladeCount + 1;
  const hub: SchoolStep[] =
    school === 'lacquer' && acrossKgM > 0
      ? [{ kind: 'hub', place: side, massKg: acrossKgM / spots.hub.radiusM, momentKgM: acrossKgM, depthM: null }]
      : [];
  return { school, steps: [...blades, ...hub], acrossKgM: school === 'sand' ? acrossKgM : 0, drillDegrees: null };
}
