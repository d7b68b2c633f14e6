import { INCH_M, type BladePlanform, type TipShape } from '../label/propLabel.ts';
import { effectivePitchM, type PropGeometry } from './propGeometry.ts';

/** Stations along the blade; finer toward the tip, where the load is. */
export const STATION_COUNT = 16;
const DEFAULT_ROOT_RATIO = 0.14;
/** The root vortex sits a little inside the first station. */
const ROOT_LOSS_RATIO = 0.85;
const LARGEST_ANGLE_RAD = (40 * Math.PI) / 180;

/** Chord at 75 % of the radius by blade count, relative to two blades. */
const CHORD_BY_BLADES = [0, 1, 1, 1.1, 1.01, 0.94, 0.88, 0.83, 0.79];
/** Per tip: chord factor, widest chord, chord left at the tip, where it starts to round off, and how sharply. */
const TIPS = {
  pointed: { chord: 0.94, widest: 1.32, end: 0.3, from: 0.7, power: 1.6 },
  standard: { chord: 1, widest: 1.22, end: 0.45, from: 0.82, power: 2.2 },
  square: { chord: 1.06, widest: 1.1, end: 0.93, from: 0.9, power: 2 },
} as const;
const SQUARE_LEAST_CHORD = 0.93;
/** Chord of slim and broad blades over a usual one's. */
export const planformWidths: Readonly<Record<BladePlanform, number>> = { slim: 0.82, usual: 1, broad: 1.15 };

/** One blade seen from the front, cut into stations. */
export interface BladePlan {
  radiusM: number;
  bladeCount: number;
  /** Where the root loss starts, as a share of the radius. */
  rootLossRatio: number;
  /** Middle of each station, as a share of the radius; shared by blades alike, never to be written to. */
  positions: Float64Array;
  /** Width of each station, as a share of the radius; shared like the positions. */
  widths: Float64Array;
  chordsM: Float64Array;
}

/** A blade plan with its twist. */
export interface BladeShape extends BladePlan {
  /** Angle of the section to the disc plane, unloaded [rad]. */
  anglesRad: Float64Array;
}

/**
 * Shapes a usual blade for a label.
 *
 *   c75/R = 0.212·S·C_B·(D_in/8)^−0.15, S × 0.82 slim, × 1.15 broad;  β = atan(p_eff/(π·x·D)), at most 40°
 *
 * A measured width or angle at three quarters of the radius replaces the guess. The plan form follows the tip shape;
 * the constants were fitted to usual moulded propellers of 2 to 18 inches.
 *
 * @param geometry - a checked geometry
 * @see docs/physics.md, Propeller
 */
export function shapeBlade(geometry: PropGeometry): BladeShape {
  const plan = planBlade(geometry);
  const slope = effectivePitchM(geometry) / (geometry.diameterM * Math.PI);
  return { ...plan, anglesRad: plan.positions.map((x) => Math.min(Math.atan(slope / x), LARGEST_ANGLE_RAD)) };
}

/** Width of a usual blade of that kind at three quarters of the radius [m]. */
export function usualChord75M({
  diameterM,
  bladeCount,
  tipShape,
  planform,
}: Pick<PropGeometry, 'diameterM' | 'bladeCount' | 'tipShape' | 'planform'>): number {
  return (
    (planformWidths[planform] *
      0.212 *
      TIPS[tipShape].chord *
      CHORD_BY_BLADES[bladeCount]! *
      (diameterM / INCH_M / 8) ** -0.15 *
      diameterM) /
    2
  );
}

/** The plan form of a usual blade: all that area and volume need. */
export function planBlade({
  diameterM,
  bladeCount,
  tipShape,
  rootCutOutRatio,
  planform,
  chord75M: measuredM,
}: PropGeometry): BladePlan {
  const radiusM = diameterM / 2;
  const root = rootCutOutRatio ?? DEFAULT_ROOT_RATIO;
  const { positions, widths, chordRatios } =
    root === DEFAULT_ROOT_RATIO ? USUAL_OUTLINES[tipShape] : outlineOf(root, tipShape);
  const chord75M = measuredM ?? usualChord75M({ diameterM, bladeCount, tipShape, planform });
  return {
    radiusM,
    bladeCount,
    rootLossRatio: ROOT_LOSS_RATIO * root,
    positions,
    widths,
    chordsM: chordRatios.map((ratio) => ratio * chord75M),
  };
}

/** What blades of one root and tip share, whatever their size: stations and chords relative to the one at 75 %. */
interface BladeOutline {
  positions: Float64Array;
  widths: Float64Array;
  chordRatios: Float64Array;
}

function outlineOf(root: number, tipShape: TipShape): BladeOutline {
  const edges = Float64Array.from(
    { length: STATION_COUNT + 1 },
    (_, k) => root + (1 - root) * (1 - (1 - k / STATION_COUNT) ** 1.5),
  );
  const positions = Float64Array.from({ length: STATION_COUNT }, (_, k) => (edges[k]! + edges[k + 1]!) / 2);
  return {
    positions,
    widths: positions.map((_, k) => edges[k + 1]! - edges[k]!),
    chordRatios: positions.map((x) => planForm(x, tipShape)),
  };
}

const USUAL_OUTLINES: Readonly<Record<TipShape, BladeOutline>> = {
  pointed: outlineOf(DEFAULT_ROOT_RATIO, 'pointed'),
  standard: outlineOf(DEFAULT_ROOT_RATIO, 'standard'),
  square: outlineOf(DEFAULT_ROOT_RATIO, 'square'),
};

/** Chord at a share of the radius, relative to the one at 75 %. */
function planForm(x: number, tipShape: TipShape): number {
  const { widest, end, from, power } = TIPS[tipShape];
  const outer = widest + ((1 - widest) * (x - 0.42)) / 0.33;
  let chord =
    x < 0.42
      ? widest - (widest - 0.62) * ((0.42 - x) / 0.3) ** 2
      : tipShape === 'square'
        ? Math.max(outer, SQUARE_LEAST_CHORD)
        : outer;
  if (x > from) chord *= 1 - (1 - end) * ((x - from) / (1 - from)) ** power;
  return chord;
}

/** Area of one blade seen from the front, flat [m²]. */
export function bladeAreaM2({ chordsM, widths, radiusM }: BladePlan): number {
  return chordsM.reduce((sum, chord, k) => sum + chord * widths[k]! * radiusM, 0);
}

/** Share of a section's bounding box that its material fills, and its thickness over chord, of usual blades. */
const SECTION_FILL = 0.68;
const THICKNESS_RATIO = 0.09;

/** Volume of one blade [m³], of usual thickness; good to about ±30 %. */
export function bladeVolumeM3({ chordsM, widths, radiusM }: BladePlan): number {
  return chordsM.reduce((sum, chord, k) => sum + SECTION_FILL * THICKNESS_RATIO * chord ** 2 * widths[k]! * radiusM, 0);
}
