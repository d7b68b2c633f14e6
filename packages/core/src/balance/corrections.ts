import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';

/** How a piece may be corrected, and what forbids it. */
export const correctionKinds = ['tape', 'sand', 'lacquer', 'drill'] as const;
export type CorrectionKind = (typeof correctionKinds)[number];

export type CorrectionAdvice =
  | { isAllowed: true; caution: 'dust' | 'mask' | 'wet' | null }
  | { isAllowed: false; reason: 'crazes' | 'unsound' | 'notMadeForIt' | 'softSurface' };

/**
 * Whether a way of correcting suits a piece. Lacquer, glue and wet thread lock craze polycarbonate; nothing is put on
 * or taken off a piece that is to be retired; only hubs made for it are drilled; carbon is sanded wet and with a mask.
 */
export function correctionAdvice(
  kind: CorrectionKind,
  material: PropMaterial,
  isUnsound: boolean,
  isHubForDrilling: boolean,
): CorrectionAdvice {
  if (isUnsound) return { isAllowed: false, reason: 'unsound' };
  switch (kind) {
    case 'tape':
      return { isAllowed: true, caution: null };
    case 'lacquer':
      if (material === 'polycarbonate') return { isAllowed: false, reason: 'crazes' };
      return material === 'softPlastic'
        ? { isAllowed: false, reason: 'softSurface' }
        : { isAllowed: true, caution: null };
    case 'sand':
      return {
        isAllowed: true,
        caution:
          material === 'carbon' || material === 'carbonNylon' ? 'wet' : material === 'glassNylon' ? 'mask' : 'dust',
      };
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
export function singleBladeBalance(
  { bladeMassKg, centreOfMassM, washerMassKg, washerRadiusM, washerCount }: SingleBlade,
  thrustN: number,
  thrustRadiusM: number,
): SingleBladeResult {
  for (const [what, value] of Object.entries({ bladeMassKg, centreOfMassM, washerMassKg, washerRadiusM }))
    requirePositive(what, value);
  requireWithin('washerCount', washerCount, 0, 1000);
  const blade = bladeMassKg * centreOfMassM;
  const washer = washerMassKg * washerRadiusM;
  const best = Math.round(blade / washer);
  return {
    washerCount: best,
    leftKgM: blade - best * washer,
    nowKgM: blade - washerCount * washer,
    thrustMomentNm: thrustN * thrustRadiusM,
  };
}
