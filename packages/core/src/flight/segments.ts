import { requireWithin } from '../errors/guards.ts';
import { slopeBetween, type FlightTrack } from './flightTrack.ts';
import type { Pass } from './windAndSpeed.ts';

/** What a stretch of a flight is taken for. */
export const segmentKinds = ['climb', 'pass', 'hover'] as const;
export type SegmentKind = (typeof segmentKinds)[number];

/** A stretch that was flown steadily, and what it says. */
export interface FlightSegment {
  kind: SegmentKind;
  fromS: number;
  toS: number;
  /** Over ground [m/s], and the track made good [° from north]. */
  groundSpeedMPerS: number;
  trackDegrees: number;
  climbRateMPerS: number;
  /** Of the path above the horizon [°]. */
  angleDegrees: number;
  /** Height at its beginning and its end, above the first fix [m]. */
  fromHeightM: number;
  toHeightM: number;
  /** How sure it is one, 0 to 1: how steadily it was flown, and how long. */
  confidence: number;
}

interface Stretch {
  first: number;
  last: number;
}

/** Velocity of a stretch, and how far a moment may lie off it [m/s]. */
interface SteadyState {
  east: number;
  north: number;
  climb: number;
  level: number;
  upright: number;
}

/** A seed is a window this long that is flown most steadily [s]. */
const SEED_S = 3;
/** Windows are tried this far apart at least [s]. */
const SEED_STEP_S = 0.4;
/** A stretch ends where it is left for longer than this [s]. */
const LEFT_S = 1.5;
const LEAST_S: Record<SegmentKind, number> = { climb: 3, pass: 5, hover: 6 };
/** What makes a stretch a sure one [s]. */
const FULL_S: Record<SegmentKind, number> = { climb: 5, pass: 10, hover: 12 };
const HOVER_M_PER_S = 1.5;
const PASS_LEAST_M_PER_S = 4;
const CLIMB_LEAST_M_PER_S = 1;
const CLIMB_LEAST_DEGREES = 10;
const LEVEL_DEGREES = 8;
/** Band about the mean in which a stretch stays: gusts pass, a turn does not. */
const BAND_M_PER_S = 3;
const BAND_RATIO = 0.16;
const CLIMB_BAND_M_PER_S = 1.1;
const CLIMB_BAND_RATIO = 0.25;
/** An end lies where the way out has reached this share of the band. */
const EDGE_RATIO = 0.45;

/** Time that the way out of a stretch takes at most [s]: what is off its mean before is a gust. */
const WAY_OUT_S = 0.8;
/** Neighbours whose velocities differ by less than this share of their band are one. */
const JOINED_RATIO = 0.8;

/**
 * Finds climbs, passes and hovers in a track: the steadiest moments first, each grown both ways for as long as the
 * velocity stays in its band, then told apart by speed and angle. What is neither is not reported.
 *
 * @returns in order of time; none overlaps another
 */
export function findSegments(track: FlightTrack): FlightSegment[] {
  const taken = new Uint8Array(track.timeS.length);
  const stretches: Stretch[] = [];
  for (const seed of seedsOf(track)) {
    if (isTaken(taken, seed)) continue;
    const stretch = trimmed(track, grow(track, seed, taken));
    taken.fill(1, stretch.first, stretch.last + 1);
    stretches.push(stretch);
  }
  return joined(
    track,
    stretches.sort((a, b) => a.first - b.first),
  ).flatMap((stretch) => segmentBetween(track, stretch) ?? []);
}

/** Puts together what a gust has cut in two: neighbours of nearly one velocity. */
function joined(track: FlightTrack, stretches: readonly Stretch[]): Stretch[] {
  const out: Stretch[] = [];
  for (const next of stretches) {
    const before = out.at(-1);
    if (before && track.timeS[next.first]! - track.timeS[before.last]! <= LEFT_S) {
      const [a, b] = [stateOf(track, before), stateOf(track, next)];
      const level = Math.hypot(a.east - b.east, a.north - b.north) / Math.min(a.level, b.level);
      if (level < JOINED_RATIO && Math.abs(a.climb - b.climb) / Math.min(a.upright, b.upright) < JOINED_RATIO) {
        before.last = next.last;
        continue;
      }
    }
    out.push({ ...next });
  }
  return out;
}

/**
 * The stretch between two times as a person marked it, whatever is flown there.
 *
 * @throws {OutOfRangeError} if fewer than three fixes lie between them
 */
export function segmentOf(track: FlightTrack, kind: SegmentKind, fromS: number, toS: number): FlightSegment {
  const first = track.timeS.findIndex((t) => t >= fromS);
  let last = track.timeS.length - 1;
  while (last >= 0 && track.timeS[last]! > toS) last--;
  requireWithin('fixes', first < 0 ? 0 : last - first + 1, 3, track.timeS.length);
  return described(track, { first, last }, kind);
}

/** A pass as {@link twoPasses} and its like take it. */
export const passOf = ({ groundSpeedMPerS, trackDegrees }: FlightSegment): Pass => ({ groundSpeedMPerS, trackDegrees });

/** Windows from the steadiest to the least steady; those that turn or speed up are none. */
function seedsOf(track: FlightTrack): Stretch[] {
  const { timeS } = track;
  const seeds: (Stretch & { unrest: number })[] = [];
  let last = 0;
  let nextS = -Infinity;
  for (let first = 0; first < timeS.length; first++) {
    if (timeS[first]! < nextS) continue;
    nextS = timeS[first]! + SEED_STEP_S;
    while (last < timeS.length - 1 && timeS[last]! - timeS[first]! < SEED_S) last++;
    if (timeS[last]! - timeS[first]! < SEED_S || last - first < 4) continue;
    const state = stateOf(track, { first, last });
    const unrest = unrestOf(track, { first, last }, state);
    if (unrest < 0.5) seeds.push({ first, last, unrest });
  }
  return seeds.sort((a, b) => a.unrest - b.unrest);
}

const isTaken = (taken: Uint8Array, { first, last }: Stretch): boolean => {
  for (let i = first; i <= last; i++) if (taken[i]) return true;
  return false;
};

function stateOf({ eastMPerS, northMPerS, climbMPerS }: FlightTrack, { first, last }: Stretch): SteadyState {
  let [east, north, climb] = [0, 0, 0];
  const count = last - first + 1;
  for (let i = first; i <= last; i++) {
    east += eastMPerS[i]! / count;
    north += northMPerS[i]! / count;
    climb += climbMPerS[i]! / count;
  }
  return {
    east,
    north,
    climb,
    level: Math.max(BAND_M_PER_S, BAND_RATIO * Math.hypot(east, north)),
    upright: Math.max(CLIMB_BAND_M_PER_S, CLIMB_BAND_RATIO * Math.abs(climb)),
  };
}

/** How far a moment lies off a state, in bands: 1 is on its edge. */
function distanceAt({ eastMPerS, northMPerS, climbMPerS }: FlightTrack, i: number, state: SteadyState): number {
  return Math.max(
    Math.hypot(eastMPerS[i]! - state.east, northMPerS[i]! - state.north) / state.level,
    Math.abs(climbMPerS[i]! - state.climb) / state.upright,
  );
}

/** Root mean square distance of a stretch from its own state, in bands. */
function unrestOf(track: FlightTrack, { first, last }: Stretch, state: SteadyState): number {
  let sum = 0;
  for (let i = first; i <= last; i++) sum += distanceAt(track, i, state) ** 2;
  return Math.sqrt(sum / (last - first + 1));
}

/** Grows a seed both ways until the velocity has left its band for good; the mean follows as it grows. */
function grow(track: FlightTrack, seed: Stretch, taken: Uint8Array): Stretch {
  let stretch = seed;
  for (let round = 0; round < 4; round++) {
    const state = stateOf(track, stretch);
    const next = {
      first: reach(track, stretch.first, -1, state, taken),
      last: reach(track, stretch.last, 1, state, taken),
    };
    if (next.first === stretch.first && next.last === stretch.last) break;
    stretch = next;
  }
  return stretch;
}

function reach(track: FlightTrack, from: number, step: 1 | -1, state: SteadyState, taken: Uint8Array): number {
  let inside = from;
  for (let i = from + step; i >= 0 && i < track.timeS.length && !taken[i]; i += step) {
    if (distanceAt(track, i, state) <= 1) inside = i;
    else if (Math.abs(track.timeS[i]! - track.timeS[inside]!) > LEFT_S) break;
  }
  return inside;
}

/** Cuts off the way out at both ends, where the velocity already moves away. */
function trimmed(track: FlightTrack, stretch: Stretch): Stretch {
  let { first, last } = stretch;
  const state = stateOf(track, stretch);
  const isOut = (i: number): boolean => distanceAt(track, i, state) > EDGE_RATIO;
  const isLeaving = (i: number, inner: number): boolean =>
    distanceAt(track, i, state) >= distanceAt(track, inner, state);
  const { timeS } = track;
  const mayCut = (i: number, end: number): boolean =>
    end > 0 && end < timeS.length - 1 && Math.abs(timeS[i]! - timeS[end]!) < WAY_OUT_S;
  while (first < last - 2 && mayCut(first, stretch.first) && isOut(first) && isLeaving(first, first + 1)) first++;
  while (last > first + 2 && mayCut(last, stretch.last) && isOut(last) && isLeaving(last, last - 1)) last--;
  return { first, last };
}

function segmentBetween(track: FlightTrack, stretch: Stretch): FlightSegment | null {
  const state = stateOf(track, stretch);
  const speed = Math.hypot(state.east, state.north);
  const angle = (Math.atan2(state.climb, speed) * 180) / Math.PI;
  const kind: SegmentKind | null =
    state.climb >= CLIMB_LEAST_M_PER_S && angle >= CLIMB_LEAST_DEGREES
      ? 'climb'
      : speed <= HOVER_M_PER_S && Math.abs(state.climb) < CLIMB_LEAST_M_PER_S / 2
        ? 'hover'
        : speed >= PASS_LEAST_M_PER_S && Math.abs(angle) <= LEVEL_DEGREES
          ? 'pass'
          : null;
  if (kind === null || track.timeS[stretch.last]! - track.timeS[stretch.first]! < LEAST_S[kind]) return null;
  return described(track, stretch, kind);
}

/** What a stretch says: speeds are slopes of positions over all of it. */
function described(track: FlightTrack, { first, last }: Stretch, kind: SegmentKind): FlightSegment {
  const { timeS, upM } = track;
  const east = slopeBetween(timeS, track.eastM, first, last);
  const north = slopeBetween(timeS, track.northM, first, last);
  const climb = slopeBetween(timeS, upM, first, last);
  const speed = Math.hypot(east, north);
  const durationS = timeS[last]! - timeS[first]!;
  const unrest = unrestOf(track, { first, last }, stateOf(track, { first, last }));
  return {
    kind,
    fromS: timeS[first]!,
    toS: timeS[last]!,
    groundSpeedMPerS: speed,
    trackDegrees: ((Math.atan2(east, north) * 180) / Math.PI + 360) % 360,
    climbRateMPerS: climb,
    angleDegrees: (Math.atan2(climb, speed) * 180) / Math.PI,
    fromHeightM: upM[first]!,
    toHeightM: upM[last]!,
    confidence: Math.min(1, durationS / FULL_S[kind]) * Math.exp(-((unrest / 0.8) ** 2)),
  };
}
