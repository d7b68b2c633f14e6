import { requirePositive } from '../errors/guards.ts';
import {
  LEAST_ABOVE_BACKGROUND_DB,
  levelAtDistance,
  levelOfAll,
  withoutBackground,
  type ClearedLevel,
} from '../sound/levels.ts';

/** How a listening was done: read from a meter, recorded, or by walking away until nothing is heard. */
export const listenMethods = ['meter', 'recording', 'walkAway'] as const;
export type ListenMethod = (typeof listenMethods)[number];

/**
 * Whether levels are those of a meter: read from one, or recorded by a chain whose offset is known.
 *
 * @param chainOffsetDb - what the chain's levels lack; null where nobody knows
 */
export function areLevelsAbsolute(method: ListenMethod, chainOffsetDb: number | null): boolean {
  return method === 'meter' || (method === 'recording' && chainOffsetDb !== null);
}

/** One take of a listening. */
export interface SoundTake {
  id: string;
  /** What was heard: a prop with its pattern of blades; null for the place alone. */
  soundKey: string | null;
  /** A-weighted [dB], or of full scale where the chain is not calibrated; null where it was walked away from. */
  levelDb: number | null;
  /** From the hub to the ear [m]; how far one walked until nothing was heard. */
  distanceM: number;
  /** Of everything that turned [N]; null where nobody knows. */
  thrustN: number | null;
  /** Share of samples that were cut off; 0 for a meter. */
  clippedRatio: number;
}

/** Why a take does not count. */
export type TakeFault = 'underBackground' | 'clipped' | 'noThrust';

/** A take of a prop, with the place taken out and brought to one distance. */
export interface HeardTake {
  id: string;
  soundKey: string;
  levelDb: number;
  thrustN: number | null;
  status: ClearedLevel['status'] | 'unknown';
  fault: TakeFault | null;
}

/** From this share of cut samples on the level is too low by more than the rest of its error. */
export const MOST_CLIPPED_RATIO = 0.001;

/** What the place sounded like [dB]: the energies of its takes; null where it was not listened to. */
export function backgroundDb(takes: readonly SoundTake[]): number | null {
  const levels = takes.filter((t) => t.soundKey === null && t.levelDb !== null).map((t) => t.levelDb!);
  return levels.length === 0 ? null : levelOfAll(levels) - 10 * Math.log10(levels.length);
}

/**
 * Takes of props at one distance with the background taken out. A distance at which nothing is heard any more stands
 * for the level that it takes to be heard from there, 20·log10(d), from which differences follow and no level.
 *
 * @param distanceM - of the listening, > 0
 */
export function hearTakes(takes: readonly SoundTake[], distanceM: number): HeardTake[] {
  requirePositive('distanceM', distanceM);
  const background = backgroundDb(takes);
  return takes.flatMap((take): HeardTake[] => {
    if (take.soundKey === null) return [];
    const { id, soundKey, thrustN } = take;
    if (take.levelDb === null)
      return [
        { id, soundKey, thrustN, levelDb: 20 * Math.log10(take.distanceM), status: 'clear', fault: faultOf(take) },
      ];
    const cleared = background === null ? null : withoutBackground(take.levelDb, background);
    return [
      {
        id,
        soundKey,
        thrustN,
        levelDb: levelAtDistance(cleared?.levelDb ?? take.levelDb, take.distanceM, distanceM),
        status: cleared?.status ?? 'unknown',
        fault: cleared?.status === 'upperBound' ? 'underBackground' : faultOf(take),
      },
    ];
  });
}

/** Takes that count, each with the thrust it was heard at [N] and its level at the listening's distance [dB]. */
export function countingTakes(heard: readonly HeardTake[]): (HeardTake & { thrustN: number })[] {
  return heard.flatMap((t) => (t.fault === null && t.thrustN !== null ? [{ ...t, thrustN: t.thrustN }] : []));
}

function faultOf(take: SoundTake): TakeFault | null {
  if (take.clippedRatio > MOST_CLIPPED_RATIO) return 'clipped';
  return take.thrustN === null ? 'noThrust' : null;
}

/** Least level that a prop must have to be told from the place [dB]. */
export function leastHeardDb(background: number): number {
  return background + LEAST_ABOVE_BACKGROUND_DB;
}
