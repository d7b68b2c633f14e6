import { requirePositive } from '../errors/guards.ts';
import { tapeMassKg, type TapeStrip } from './staticUnbalance.ts';
import { TRIAL_FACTOR } from './tapeTrials.ts';

/** A roll of tape that is balanced with. */
export type TapeRoll = Omit<TapeStrip, 'lengthM'>;

/** Clear office tape, narrow: 12 mm by 0.05 mm. */
export const USUAL_TAPE: TapeRoll = { widthM: 0.012, thicknessM: 0.00005, densityKgPerM3: 1150 };

/** Where tape goes: three quarters of the radius, on the face without the label. */
export const TAPE_RADIUS_RATIO = 0.75;

/** A place as tape sees it: how far out, how long and wide a strip may be there, how many lie well on each other. */
export interface TapeSpot {
  radiusM: number;
  longestM: number;
  widthM: number;
  mostLayers: number;
}

const SHAPES = {
  /** A strip reaches at most so far along the radius, three lie well on each other. */
  blade: { radiusRatio: TAPE_RADIUS_RATIO, longestRatio: 0.35, mostLayers: 3 },
  /** At a side of the hub there is no length: the tape is folded. */
  hub: { radiusRatio: 0.12, longestRatio: 0.16, mostLayers: 15 },
} as const;
/** A strip is no wider than this share of the diameter: a narrow blade takes a strip that is cut along. */
const WIDEST_RATIO = 0.09;
const MILLIMETRE_M = 0.001;

/**
 * The spot for tape on a blade, or on a side of a two-blade hub; shares of the radius are those of the trade.
 *
 * @throws {OutOfRangeError} if the diameter is not positive
 */
export function tapeSpot(kind: 'blade' | 'hub', diameterM: number, roll: TapeRoll): TapeSpot {
  requirePositive('diameterM', diameterM);
  const { radiusRatio, longestRatio, mostLayers } = SHAPES[kind];
  const radiusM = diameterM / 2;
  return {
    radiusM: radiusRatio * radiusM,
    longestM: floorMillimetres(longestRatio * radiusM),
    widthM: Math.min(roll.widthM, floorMillimetres(WIDEST_RATIO * diameterM)),
    mostLayers,
  };
}

/** Strips of one length on each other. */
export interface TapePiece {
  /** Of each layer [m], whole millimetres. */
  lengthM: number;
  layerCount: number;
  /** What those strips give [kg·m]. */
  momentKgM: number;
  /** More layers than may stay: put on to find out, and taken off again. */
  isTrial: boolean;
}

/** Moment of a length of tape at a spot [kg·m]: length · width · thickness · density · radius. */
export function tapeMomentKgM(
  lengthM: number,
  { radiusM, widthM }: TapeSpot,
  { thicknessM, densityKgPerM3 }: TapeRoll,
): number {
  return lengthM === 0 ? 0 : radiusM * tapeMassKg({ lengthM, widthM, thicknessM, densityKgPerM3 });
}

/** Moment of the most tape that a spot takes [kg·m]. */
export function mostTapeKgM(spot: TapeSpot, roll: TapeRoll): number {
  return tapeMomentKgM(spot.mostLayers * spot.longestM, spot, roll);
}

/**
 * The strips nearest to a moment at a spot: as few layers as their longest length allows, whole millimetres. More than
 * may be tried at a spot becomes the most that may be.
 *
 * @returns null where not even half a millimetre is wanted
 */
export function tapePiece(momentKgM: number, spot: TapeSpot, roll: TapeRoll): TapePiece | null {
  return pieceOf(momentKgM / tapeMomentKgM(1, spot, roll), spot, roll);
}

/** The strips at a spot with each layer a millimetre longer or shorter; null where nothing is left. */
export function resizedPiece(
  momentKgM: number,
  byMillimetres: number,
  spot: TapeSpot,
  roll: TapeRoll,
): TapePiece | null {
  const { lengthM = 0, layerCount = 1 } = tapePiece(momentKgM, spot, roll) ?? {};
  return pieceOf(layerCount * (lengthM + byMillimetres * MILLIMETRE_M), spot, roll);
}

function pieceOf(wholeM: number, spot: TapeSpot, roll: TapeRoll): TapePiece | null {
  const layersOf = (lengthM: number): number =>
    Math.min(TRIAL_FACTOR * spot.mostLayers, Math.max(1, Math.ceil(lengthM / spot.longestM - 1e-9)));
  const layerCount = layersOf(wholeM);
  const lengthM = Math.min(spot.longestM, Math.round(wholeM / layerCount / MILLIMETRE_M) * MILLIMETRE_M);
  // Rounding may have saved a layer; what is read back from the moment must be the same strips.
  if (layersOf(layerCount * lengthM) < layerCount) return pieceOf(layerCount * lengthM, spot, roll);
  return lengthM > 0
    ? {
        lengthM,
        layerCount,
        momentKgM: tapeMomentKgM(layerCount * lengthM, spot, roll),
        isTrial: layerCount > spot.mostLayers,
      }
    : null;
}

function floorMillimetres(lengthM: number): number {
  return Math.max(1, Math.floor(lengthM / MILLIMETRE_M + 1e-9)) * MILLIMETRE_M;
}

/** What is on a place, and what should be. */
export interface TapeStep {
  place: number;
  on: TapePiece | null;
  want: TapePiece | null;
}

/**
 * The tape that should be on a piece in all, place by place, beside what is on: said, drawn and booked from here alone.
 *
 * @param onKgM - moments that are on, by place
 * @param wantedKgM - moments that are wanted, by place
 * @returns places that have tape or should have
 */
export function tapePlan(
  spots: readonly TapeSpot[],
  onKgM: readonly number[],
  wantedKgM: readonly number[],
  roll: TapeRoll,
): TapeStep[] {
  return spots
    .map((spot, place) => ({
      place,
      on: tapePiece(onKgM[place] ?? 0, spot, roll),
      want: tapePiece(wantedKgM[place] ?? 0, spot, roll),
    }))
    .filter(({ on, want }) => on !== null || want !== null);
}
