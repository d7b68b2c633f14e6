import { requireWithin } from '../errors/guards.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';
import { alikeSpeed, fatigueIndex, stateOf, type FatigueLoad, type FatigueState } from './fatigue.ts';

/** Hours after which a piece is rotated out whatever its stress: experience, not physics, and a setting by material. */
export const rotationHours: Record<PropMaterial, number> = {
  printed: 2,
  softPlastic: 25,
  unknown: 30,
  wood: 50,
  polycarbonate: 60,
  glassNylon: 80,
  carbonNylon: 100,
  carbon: 150,
};

/** What a piece has done, and how fast it is used. */
export interface PieceService extends FatigueLoad {
  flightCount: number;
  /** How often its craft flies now [s of flying a day]. */
  secondsPerDay: number;
}

/** What wore a piece, on one line. */
export interface PieceWear extends Omit<FatigueLoad, 'flown'> {
  /** The one speed that wears as much as all that were flown [rev/min]. */
  alikeSpeedRpm: number;
}

export interface PieceLifeLeft {
  flightCount: number;
  durationS: number;
  strikeCount: number;
  /** The larger of the two shares below; 1 is due. */
  usedRatio: number;
  fatigueRatio: number;
  hoursRatio: number;
  /** Which of the two leads. */
  isByFatigue: boolean;
  state: FatigueState;
  /** Days until it is due at the present pace; 0 when it is, null where the craft does not fly. */
  dueInDays: number | null;
  wear: PieceWear;
}

/**
 * Hours that a piece serves at one speed until it is due, by stress or by the hours of its material.
 *
 * @throws {OutOfRangeError} if the diameter is not positive or the speed not finite
 */
export function serviceHours(material: PropMaterial, diameterM: number, speedRpm: number): number {
  const flown = [{ durationS: 3600, speedRpm }];
  const perHour = fatigueIndex({ diameterM, material, flown, strikes: [], hasNick: false }).index;
  return 1 / Math.max(perHour, 1 / rotationHours[material]);
}

const FAR_DAYS = 3650;

/**
 * How much of a piece's life is used, by stress or by hours, and when it is due at the pace its craft flies now.
 *
 * The pace counts what flying adds; strikes come unasked and move the date when they do.
 *
 * @throws {OutOfRangeError} if the pace is not 0 to 24 h a day, or the load makes no sense
 */
export function pieceLifeLeft(service: PieceService): PieceLifeLeft {
  requireWithin('secondsPerDay', service.secondsPerDay, 0, 86_400);
  const { diameterM, material, strikes, hasNick } = service;
  const durationS = service.flown.reduce((sum, f) => sum + f.durationS, 0);
  const fatigueRatio = fatigueIndex(service).index;
  const flownRatio = fatigueIndex({ ...service, strikes: [] }).index;
  const hoursRatio = durationS / 3600 / rotationHours[material];
  const usedRatio = Math.max(fatigueRatio, hoursRatio);
  const left = (used: number, flown: number): number =>
    flown <= 0 || service.secondsPerDay === 0
      ? Infinity
      : Math.max(0, 1 - used) / ((flown / durationS) * service.secondsPerDay);
  const days = durationS === 0 ? Infinity : Math.min(left(fatigueRatio, flownRatio), left(hoursRatio, hoursRatio));
  return {
    flightCount: service.flightCount,
    durationS,
    strikeCount: strikes.length,
    usedRatio,
    fatigueRatio,
    hoursRatio,
    isByFatigue: fatigueRatio >= hoursRatio,
    state: stateOf(usedRatio),
    dueInDays: usedRatio >= 1 ? 0 : Number.isFinite(days) ? Math.min(FAR_DAYS, days) : null,
    wear: { diameterM, material, strikes, hasNick, alikeSpeedRpm: alikeSpeed(service.flown) },
  };
}
