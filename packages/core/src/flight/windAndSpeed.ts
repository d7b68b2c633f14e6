import { CoreError } from '../errors/coreError.ts';
import { requireFinite, requirePositive, requireReadings, requireWithin } from '../errors/guards.ts';
import { solveLinear } from '../numerics/solveLinear.ts';

/** Velocity over ground or of the air [m/s]: to the east and to the north. */
export interface GroundVelocity {
  eastMPerS: number;
  northMPerS: number;
}

/** A straight pass: speed over ground and the track it made good [° clockwise from north]. */
export interface Pass {
  groundSpeedMPerS: number;
  trackDegrees: number;
}

const RADIANS = Math.PI / 180;

/** Velocity over ground of a pass. */
export function velocityOfPass({ groundSpeedMPerS, trackDegrees }: Pass): GroundVelocity {
  return {
    eastMPerS: groundSpeedMPerS * Math.sin(trackDegrees * RADIANS),
    northMPerS: groundSpeedMPerS * Math.cos(trackDegrees * RADIANS),
  };
}

/** Where a wind comes from [° clockwise from north, 0 to 360). */
export function windFromDegrees({ eastMPerS, northMPerS }: GroundVelocity): number {
  return (Math.atan2(-eastMPerS, -northMPerS) / RADIANS + 360) % 360;
}

/**
 * Airspeed and headwind from two passes on opposite tracks.
 *
 *   along = (v₁ + v₂)/2, V = √(along² + w²), headwind of the first = (v₂ − v₁)/2
 *
 * Speeds are averaged, never times; in a crosswind the plain mean is low, so the crosswind is put back.
 *
 * @param crosswindMPerS - wind across the tracks, 0 where it is not known
 * @throws {OutOfRangeError} if a speed is not positive
 */
export function twoPasses(
  firstMPerS: number,
  secondMPerS: number,
  crosswindMPerS = 0,
): { airspeedMPerS: number; headwindMPerS: number } {
  requirePositive('firstMPerS', firstMPerS);
  requirePositive('secondMPerS', secondMPerS);
  requireFinite('crosswindMPerS', crosswindMPerS);
  const along = (firstMPerS + secondMPerS) / 2;
  return { airspeedMPerS: Math.hypot(along, crosswindMPerS), headwindMPerS: (secondMPerS - firstMPerS) / 2 };
}

/**
 * Mean speed over a timed course flown both ways: each speed by itself, then their mean.
 *
 * @throws {OutOfRangeError} if the length or a time is not positive
 */
export function timedCourse(lengthM: number, timesS: readonly number[]): number {
  requirePositive('lengthM', lengthM);
  requireReadings('timesS', timesS, 1);
  for (const time of timesS) requirePositive('timesS', time);
  return timesS.reduce((sum, time) => sum + lengthM / time, 0) / timesS.length;
}

/** Airspeed and wind of passes that were flown at one airspeed. */
export interface AirspeedAndWind {
  airspeedMPerS: number;
  wind: GroundVelocity;
  windMPerS: number;
  windFromDegrees: number;
  /** Standard error of the airspeed [m/s]; null where there is no pass more than unknowns. */
  standardErrorMPerS: number | null;
  /** Scatter of the passes about what was found [m/s]; null as above. */
  scatterMPerS: number | null;
  /** Smallest arc that holds all tracks [°]. */
  spreadDegrees: number;
  /** True where the tracks lie within 120°: along them and across them cannot be told apart. */
  isIllConditioned: boolean;
}

/** Tracks within a smaller arc do not tell wind from airspeed. */
export const LEAST_SPREAD_DEGREES = 120;

/**
 * Airspeed and wind from three passes or more whose headings are known.
 *
 *   vᵢ = V·(sin hᵢ, cos hᵢ) + w, least squares for V and w
 *
 * @param headingsDegrees - where the nose pointed, one for each pass
 * @throws {NotEnoughReadingsError} with fewer than three passes
 * @throws {CoreError} `passesAlike` where the headings do not tell the unknowns
 */
export function windByHeadings(passes: readonly Pass[], headingsDegrees: readonly number[]): AirspeedAndWind {
  requirePasses(passes);
  requireWithin('headingsDegrees', headingsDegrees.length, passes.length, passes.length);
  requireReadings('headingsDegrees', headingsDegrees, 3);
  const velocities = passes.map(velocityOfPass);
  const rows = headingsDegrees.flatMap((heading, i) => [
    { row: [Math.sin(heading * RADIANS), 1, 0], value: velocities[i]!.eastMPerS },
    { row: [Math.cos(heading * RADIANS), 0, 1], value: velocities[i]!.northMPerS },
  ]);
  const [airspeed, east, north] = leastSquares(rows);
  const wind = { eastMPerS: east!, northMPerS: north! };
  const residuals = rows.map(({ row, value }) => value - row[0]! * airspeed! - row[1]! * east! - row[2]! * north!);
  return found(airspeed!, wind, residuals, rows.length - 3, spreadOf(headingsDegrees), passes.length);
}

/**
 * Airspeed and wind from the ground velocities of three passes or more, headings unknown: the circle through their
 * tips, first by the algebraic fit, then refined on true distances.
 *
 *   minimise Σ(|vᵢ − w| − V)²
 *
 * @throws {NotEnoughReadingsError} with fewer than three passes
 * @throws {CoreError} `passesAlike` where the tips lie on a line or on each other
 * @see I. Kåsa, IEEE Transactions on Instrumentation and Measurement 25 (1976)
 */
export function windByTracks(passes: readonly Pass[]): AirspeedAndWind & { algebraic: AirspeedAndWindCircle } {
  requirePasses(passes);
  const velocities = passes.map(velocityOfPass);
  const algebraic = circleThrough(velocities);
  const refined = refineCircle(velocities, algebraic);
  const residuals = velocities.map((v) => distance(v, refined.wind) - refined.airspeedMPerS);
  const tracks = passes.map((p) => p.trackDegrees);
  return {
    ...found(refined.airspeedMPerS, refined.wind, residuals, passes.length - 3, spreadOf(tracks), passes.length),
    algebraic,
  };
}

/** A circle of ground velocities: the wind is its middle, the airspeed its radius. */
export interface AirspeedAndWindCircle {
  airspeedMPerS: number;
  wind: GroundVelocity;
}

/** Kåsa's circle: minimise Σ(v² + p·v_E + q·v_N + c)². */
function circleThrough(velocities: readonly GroundVelocity[]): AirspeedAndWindCircle {
  const [p, q, c] = leastSquares(
    velocities.map(({ eastMPerS, northMPerS }) => ({
      row: [eastMPerS, northMPerS, 1],
      value: -(eastMPerS ** 2 + northMPerS ** 2),
    })),
  );
  const wind = { eastMPerS: -p! / 2, northMPerS: -q! / 2 };
  const square = wind.eastMPerS ** 2 + wind.northMPerS ** 2 - c!;
  if (!(square > 0)) throw new CoreError('passesAlike', {});
  return { airspeedMPerS: Math.sqrt(square), wind };
}

const ROUNDS = 60;
const SETTLED_M_PER_S = 1e-12;

/** Gauss–Newton steps on the true distances. */
function refineCircle(velocities: readonly GroundVelocity[], start: AirspeedAndWindCircle): AirspeedAndWindCircle {
  let { airspeedMPerS, wind } = start;
  for (let round = 0; round < ROUNDS; round++) {
    const rows = velocities.map((v) => {
      const reach = Math.max(distance(v, wind), 1e-9);
      return {
        row: [(v.eastMPerS - wind.eastMPerS) / reach, (v.northMPerS - wind.northMPerS) / reach, 1],
        value: reach - airspeedMPerS,
      };
    });
    const [east, north, speed] = leastSquares(rows);
    wind = { eastMPerS: wind.eastMPerS + east!, northMPerS: wind.northMPerS + north! };
    airspeedMPerS += speed!;
    if (Math.hypot(east!, north!, speed!) < SETTLED_M_PER_S) break;
  }
  return { airspeedMPerS, wind };
}

function found(
  airspeedMPerS: number,
  wind: GroundVelocity,
  residuals: readonly number[],
  freedom: number,
  spreadDegrees: number,
  passCount: number,
): AirspeedAndWind {
  const sum = residuals.reduce((s, r) => s + r ** 2, 0);
  const scatterMPerS = freedom > 0 ? Math.sqrt(sum / freedom) : null;
  return {
    airspeedMPerS,
    wind,
    windMPerS: Math.hypot(wind.eastMPerS, wind.northMPerS),
    windFromDegrees: windFromDegrees(wind),
    standardErrorMPerS: scatterMPerS === null ? null : scatterMPerS / Math.sqrt(passCount),
    scatterMPerS,
    spreadDegrees,
    isIllConditioned: spreadDegrees < LEAST_SPREAD_DEGREES,
  };
}

function requirePasses(passes: readonly Pass[]): void {
  requireReadings(
    'passes',
    passes.map((p) => p.groundSpeedMPerS),
    3,
  );
  for (const { groundSpeedMPerS, trackDegrees } of passes) {
    requirePositive('groundSpeedMPerS', groundSpeedMPerS);
    requireFinite('trackDegrees', trackDegrees);
  }
}

function leastSquares(rows: readonly { row: readonly number[]; value: number }[]): number[] {
  const size = rows[0]!.row.length;
  const matrix = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (_, k) => rows.reduce((sum, { row }) => sum + row[i]! * row[k]!, 0)),
  );
  const right = Array.from({ length: size }, (_, i) => rows.reduce((sum, { row, value }) => sum + row[i]! * value, 0));
  const solved = solveLinear(matrix, right);
  if (solved === null) throw new CoreError('passesAlike', {});
  return solved;
}

const distance = (a: GroundVelocity, b: GroundVelocity): number =>
  Math.hypot(a.eastMPerS - b.eastMPerS, a.northMPerS - b.northMPerS);

/** The smallest arc that holds all directions [°]: the turn without its widest gap. */
export function spreadOf(degrees: readonly number[]): number {
  const sorted = degrees.map((d) => ((d % 360) + 360) % 360).sort((a, b) => a - b);
  const gaps = sorted.map((d, i) => (i === 0 ? d + 360 - sorted.at(-1)! : d - sorted[i - 1]!));
  return 360 - Math.max(...gaps);
}
