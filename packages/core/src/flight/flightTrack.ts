import { CoreError, NotEnoughReadingsError } from '../errors/coreError.ts';

/** Where a craft was, as a log tells it; all lists are as long as the times. */
export interface LoggedTrack {
  /** Seconds on the log's own axis, rising. */
  timeS: ArrayLike<number>;
  latitudeDegrees: ArrayLike<number>;
  longitudeDegrees: ArrayLike<number>;
  /** Above any level that stays. */
  heightM: ArrayLike<number>;
}

/** A track on a plane at its beginning, with velocities worked out of it. */
export interface FlightTrack {
  timeS: Float64Array;
  eastM: Float64Array;
  northM: Float64Array;
  upM: Float64Array;
  eastMPerS: Float64Array;
  northMPerS: Float64Array;
  climbMPerS: Float64Array;
}

export const FIX_MAX_COUNT = 2_000_000;
/** Mean radius of the earth [m] (IUGG). */
const EARTH_RADIUS_M = 6_371_008.8;
/** Positions to either side that a velocity is drawn through [s]. */
const REACH_S = 0.9;
const LEAST_POINTS = 10;

/**
 * A track with velocities: each the slope of the line through the positions around it, so that the noise of single
 * fixes does not show as speed.
 *
 * @throws {NotEnoughReadingsError} with fewer than ten fixes
 * @throws {CoreError} `timeBackwards` with the index where time does not rise, `tooManyFixes`, `noSuchPlace` where a
 *   latitude or longitude is none
 */
export function flightTrack({ timeS, latitudeDegrees, longitudeDegrees, heightM }: LoggedTrack): FlightTrack {
  const count = timeS.length;
  if (count < LEAST_POINTS) throw new NotEnoughReadingsError('fixes', count, LEAST_POINTS);
  if (count > FIX_MAX_COUNT) throw new CoreError('tooManyFixes', { count, most: FIX_MAX_COUNT });
  const metres = (EARTH_RADIUS_M * Math.PI) / 180;
  const track: FlightTrack = {
    timeS: Float64Array.from(timeS),
    eastM: new Float64Array(count),
    northM: new Float64Array(count),
    upM: new Float64Array(count),
    eastMPerS: new Float64Array(count),
    northMPerS: new Float64Array(count),
    climbMPerS: new Float64Array(count),
  };
  const narrowing = Math.cos((latitudeDegrees[0]! * Math.PI) / 180);
  for (let i = 0; i < count; i++) {
    const [latitude, longitude] = [latitudeDegrees[i]!, longitudeDegrees[i]!];
    if (!(Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180)) throw new CoreError('noSuchPlace', { row: i + 1 });
    if (!Number.isFinite(timeS[i]!) || (i > 0 && !(timeS[i]! > timeS[i - 1]!)))
      throw new CoreError('timeBackwards', { row: i + 1 });
    track.eastM[i] = (longitude - longitudeDegrees[0]!) * metres * narrowing;
    track.northM[i] = (latitude - latitudeDegrees[0]!) * metres;
    track.upM[i] = heightM[i]! - heightM[0]!;
  }
  track.eastMPerS = slopes(track.timeS, track.eastM);
  track.northMPerS = slopes(track.timeS, track.northM);
  track.climbMPerS = slopes(track.timeS, track.upM);
  return track;
}

/** Slope of the line through the values within reach of each. */
function slopes(timeS: Float64Array, values: Float64Array): Float64Array {
  const out = new Float64Array(values.length);
  let from = 0;
  let to = 0;
  for (let i = 0; i < values.length; i++) {
    while (timeS[i]! - timeS[from]! > REACH_S) from++;
    while (to < values.length && timeS[to]! - timeS[i]! <= REACH_S) to++;
    // Fixes that come more rarely than the reach: the two neighbours serve.
    const [first, last] = to - from >= 3 ? [from, to - 1] : [Math.max(0, i - 1), Math.min(values.length - 1, i + 1)];
    out[i] = slopeBetween(timeS, values, first, last);
  }
  return out;
}

/** Least-squares slope over a stretch of readings, both ends counted. */
export function slopeBetween(timeS: ArrayLike<number>, values: ArrayLike<number>, first: number, last: number): number {
  const count = last - first + 1;
  let meanT = 0;
  let meanV = 0;
  for (let i = first; i <= last; i++) {
    meanT += timeS[i]! / count;
    meanV += values[i]! / count;
  }
  let over = 0;
  let under = 0;
  for (let i = first; i <= last; i++) {
    const t = timeS[i]! - meanT;
    over += t * (values[i]! - meanV);
    under += t * t;
  }
  return under > 0 ? over / under : 0;
}
