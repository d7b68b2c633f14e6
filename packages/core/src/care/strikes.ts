import { requireWithin } from '../errors/guards.ts';
import type { StrikeSeverity } from './fatigue.ts';

/** What a prop hits. */
export const struckThings = [
  'grass',
  'net',
  'twigs',
  'water',
  'soil',
  'branch',
  'wire',
  'gravel',
  'wood',
  'otherCraft',
  'concrete',
] as const;
export type StruckThing = (typeof struckThings)[number];

/** How hard each is to a turning blade, 0 to 1. */
const HARDNESS: Record<StruckThing, number> = {
  grass: 0.18,
  net: 0.3,
  twigs: 0.4,
  water: 0.45,
  soil: 0.5,
  branch: 0.65,
  wire: 0.75,
  gravel: 0.85,
  wood: 0.85,
  otherCraft: 0.9,
  concrete: 1,
};
/** From here on a thing is hard: a strike on it is never light, however slow. */
const HARD_THING = 0.6;
const IDLE_SHARE = 0.35;
const MEDIUM = 0.33;
const HARD = 0.62;

/**
 * How hard a strike was, from what was hit and the throttle at that moment.
 *
 * A judgement in three classes: energy of the blade goes with speed squared and speed roughly with the root of
 * throttle, so throttle counts linearly above what idling already does. A hard thing is never a light strike: what a
 * wire does to an edge cannot be seen from the throttle.
 *
 * @param throttleRatio - 0 idling to 1 full
 * @throws {OutOfRangeError} outside that range
 * @example strikeSeverity('concrete', 1) // => 'hard'
 */
export function strikeSeverity(thing: StruckThing, throttleRatio: number): StrikeSeverity {
  requireWithin('throttleRatio', throttleRatio, 0, 1);
  const blow = HARDNESS[thing] * (IDLE_SHARE + (1 - IDLE_SHARE) * throttleRatio);
  if (blow >= HARD) return 'hard';
  return blow >= MEDIUM || HARDNESS[thing] >= HARD_THING ? 'medium' : 'light';
}
