import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';
import { tapeLengthM, type TapeStrip } from './staticUnbalance.ts';

/** A roll of tape that is balanced with. */
export type TapeRoll = Omit<TapeStrip, 'lengthM'>;

/** Clear office tape, narrow: 12 mm by 0.05 mm. */
export const USUAL_TAPE: TapeRoll = { widthM: 0.012, thicknessM: 0.00005, densityKgPerM3: 1150 };

/** Where tape goes: three quarters of the radius, on the face without the label. */
export const TAPE_RADIUS_RATIO = 0.75;

export interface TapePiece {
  blade: number;
  /** Of each layer [m]. */
  lengthM: number;
  layerCount: number;
  momentKgM: number;
}

/** The most layers that lie well on a blade. */
export const MOST_LAYERS = 3;

/**
 * Strips that give a moment on a blade, in as few layers as their longest length allows.
 *
 * @param longestM - a strip's longest length before it reaches too far along the blade
 * @returns null where even three layers are not enough
 */
export function tapePieces(momentKgM: number, blade: number, radiusM: number, roll: TapeRoll, longestM: number): TapePiece | null {
  requirePositive('longestM', longestM);
  if (momentKgM <= 0) return null;
  const whole = tapeLengthM(momentKgM, radiusM, roll);
  const layerCount = Math.ceil(whole / longestM - 1e-9);
  return layerCount > MOST_LAYERS ? null : { blade, lengthM: whole / layerCount, layerCount, momentKgM };
}

/** Moment of the most tape that a blade may carry [kg·m]. */
export function mostTapeKgM(radiusM: number, roll: TapeRoll, longestM: number): number {
  requirePositive('radiusM', radiusM);
  return MOST_LAYERS * longestM * roll.widthM * roll.thicknessM * roll.densityKgPerM3 * radiusM;
}

/** What a side of the hub may carry, over what a blade may: less lever, but lacquer lies thicker there. */
export const HUB_SHARE = 0.35;

/** How a piece may be corrected, and what forbids it. */
export const correctionKinds = ['tape', 'sand', 'lacquer', 'drill'] as const;
export type CorrectionKind = (typeof correctionKinds)[number];

export type CorrectionAdvice = { isAllowed: true; caution: 'dust' | 'mask' | 'wet' | null } | { isAllowed: false; reason: 'crazes' | 'unsound' | 'notMadeForIt' | 'softSurface' };

/**
 * Whether a way of correcting suits a piece. Lacquer, glue and wet thread lock craze polycarbonate; nothing is put on or
 * taken off a piece that is to be retired; only hubs made for it are drilled; carbon is sanded wet and with a mask.
 */
export function correctionAdvice(kind: CorrectionKind, material: PropMaterial, isUnsound: boolean, isHubForDrilling: boolean): CorrectionAdvice {
  if (isUnsound) return { isAllowed: false, reason: 'unsound' };
  switch (kind) {
    case 'tape':
      return { isAllowed: true, caution: null };
    case 'lacquer':
      if (material === 'polycarbonate') return { isAllowed: false, reason: 'crazes' };
      return material === 'softPlastic' ? { isAllowed: false, reason: 'softSurface' } : { isAllowed: true, caution: null };
    case 'sand':
      return { isAllowed: true, caution: material === 'carbon' || material === 'carbonNylon' ? 'wet' : material === 'glassNylon' ? 'mask' : 'dust' };
    case 'drill':
      return isHubForDrilling ? { isAllowed: true, caution: 'dust' } : { isAllowed: false, reason: 'notMadeForIt' };
  }
}

/** A single blade held against a counterweight of washers. */
export interface SingleBlade {
  bladeMassKg: number;
  centreOfMassM: number;
  washerMassKg: number;
  washerRadiusM: number;
  washerCount: number;
}

export interface SingleBladeResult {
  /** Washers that balance best, and what they leave [kg·m, + toward the blade]. */
  washerCount: number;
  leftKgM: number;
  /** What the washers that are on now leave. */
  nowKgM: number;
  /** A blade alone still pulls once a turn: its thrust acts beside the shaft [N·m]. */
  thrustMomentNm: number;
}

/**
 * A single blade with a counterweight: how many washers, and what remains. Mass balance leaves a once-per-turn moment
 * of its thrust, so it runs in the cage only.
 *
 * @param thrustN - of the blade at the speed in question
 * @throws {OutOfRangeError} if a mass or radius is not positive
 */
export function singleBladeBalance({ bladeMassKg, centreOfMassM, washerMassKg, washerRadiusM, washerCount }: SingleBlade, thrustN: number, thrustRadiusM: number): SingleBladeResult {
  for (const [what, value] of Object.entries({ bladeMassKg, centreOfMassM, washerMassKg, washerRadiusM })) requirePositive(what, value);
  requireWithin('washerCount', washerCount, 0, 1000);
  const blade = bladeMassKg * centreOfMassM;
  const washer = washerMassKg * washerRadiusM;
  const best = Math.round(blade / washer);
  return { washerCount: best, leftKgM: blade - best * washer, nowKgM: blade - washerCount * washer, thrustMomentNm: thrustN * thrustRadiusM };
}
