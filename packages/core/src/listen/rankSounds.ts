import { requirePositive } from '../errors/guards.ts';
import { solveLinear } from '../numerics/solveLinear.ts';
import { studentTQuantile } from '../statistics/studentT.ts';

/** A level with the thrust it was heard at. */
export interface LevelAtThrust {
  soundKey: string;
  levelDb: number;
  thrustN: number;
}

/** What one prop sounds like at a thrust, beside the reference. */
export interface RankedSound {
  soundKey: string;
  levelDb: number;
  /** Half width of 95 % of the level, and of its difference to the reference [dB]. */
  halfWidthDb: number;
  /** Of its line: so many dB for ten times the thrust. */
  slopeDb: number;
  differenceDb: number | null;
  differenceHalfWidthDb: number | null;
  verdict: 'reference' | 'quieter' | 'louder' | 'same' | 'noReference';
  /** The thrust lies beyond those that it was heard at. */
  isExtended: boolean;
  takeCount: number;
}

export interface SoundRanking {
  /** Quietest first. */
  sounds: RankedSound[];
  /** Spread of one take about the lines [dB], what was known before counted in. */
  spreadDb: number;
  /** Level over thrust of all props together: so many dB for ten times the thrust. */
  slopeDb: number;
  slopeHalfWidthDb: number;
}

/** Level over ten times the thrust that rotors follow, and how far they differ [dB]: dipoles of 6th power of speed. */
const USUAL_SLOPE_DB = 30;
const SLOPE_SPREAD_DB = 6;
/** How far the slopes of one craft's props lie apart [dB]. */
const OWN_SLOPE_SPREAD_DB = 4;
/** Spread of a take that is repeated at the same place [dB], worth so many repeats of the user's own. */
const USUAL_SPREAD_DB = 0.8;
const USUAL_SPREAD_COUNT = 4;
/** A thrust beyond the heard ones by more than this part is extended. */
const BESIDE_RATIO = 1.1;

/**
 * Levels of props at one thrust, each a straight line over the logarithm of thrust whose slope is shared as far as the
 * takes allow.
 *
 *   L = a_p + (b + δ_p)·log10(T/T₀) + e; b ~ N(30, 6²), δ_p ~ N(0, 4²), e with the spread of the takes
 *
 * Solved as one system with what is known beforehand as readings more; half widths by Student's t with the degrees of
 * freedom that spread has. A difference that its interval does not tell from nothing is `same`.
 *
 * @param takes - those that count; none gives an empty ranking
 * @param thrustN - at which they are compared, > 0
 * @throws {OutOfRangeError} if a thrust is not positive
 */
export function rankSounds(
  takes: readonly LevelAtThrust[],
  referenceKey: string | null,
  thrustN: number,
): SoundRanking {
  requirePositive('thrustN', thrustN);
  takes.forEach((t) => requirePositive('takes.thrustN', t.thrustN));
  const keys = [...new Set(takes.map((t) => t.soundKey))];
  const usual = {
    sounds: [],
    spreadDb: USUAL_SPREAD_DB,
    slopeDb: USUAL_SLOPE_DB,
    slopeHalfWidthDb: 2 * SLOPE_SPREAD_DB,
  };
  if (keys.length === 0) return usual;
  // Unknowns: a level each at the wanted thrust, a slope's deviation each, and the common slope.
  const count = keys.length;
  const size = 2 * count + 1;
  const rowOf = (take: LevelAtThrust): number[] => {
    const row = new Array<number>(size).fill(0);
    const at = keys.indexOf(take.soundKey);
    const decades = Math.log10(take.thrustN / thrustN);
    row[at] = 1;
    row[count + at] = decades;
    row[size - 1] = decades;
    return row;
  };
  const rows = takes.map(rowOf);
  const levels = takes.map((t) => t.levelDb - USUAL_SLOPE_DB * Math.log10(t.thrustN / thrustN));
  const freedom = USUAL_SPREAD_COUNT + Math.max(0, takes.length - count);
  let spreadDb = USUAL_SPREAD_DB;
  let matrix: number[][] = [];
  let found: number[] = [];
  for (let pass = 0; pass < 4; pass++) {
    matrix = normalMatrix(rows, size, count, spreadDb);
    found = solveLinear(matrix, columnSums(rows, levels, size))!;
    const squares = rows.reduce((sum, row, i) => sum + (levels[i]! - dot(row, found)) ** 2, 0);
    spreadDb = Math.sqrt((USUAL_SPREAD_COUNT * USUAL_SPREAD_DB ** 2 + squares) / freedom);
  }
  const t = studentTQuantile(0.975, freedom);
  const halfWidth = (contrast: readonly number[]): number =>
    t * spreadDb * Math.sqrt(Math.max(0, dot(contrast, solveLinear(matrix, contrast)!)));
  const unit = (...parts: [number, number][]): number[] => {
    const contrast = new Array<number>(size).fill(0);
    for (const [at, value] of parts) contrast[at]! += value;
    return contrast;
  };
  const reference = referenceKey === null ? -1 : keys.indexOf(referenceKey);
  const sounds = keys.map((soundKey, at): RankedSound => {
    const own = takes.filter((take) => take.soundKey === soundKey);
    const thrusts = own.map((take) => take.thrustN);
    const isOther = reference >= 0 && at !== reference;
    const differenceDb = isOther ? found[at]! - found[reference]! : null;
    const differenceHalfWidthDb = isOther ? halfWidth(unit([at, 1], [reference, -1])) : null;
    return {
      soundKey,
      levelDb: found[at]!,
      halfWidthDb: halfWidth(unit([at, 1])),
      slopeDb: USUAL_SLOPE_DB + found[size - 1]! + found[count + at]!,
      differenceDb,
      differenceHalfWidthDb,
      verdict: verdictOf(at === reference, differenceDb, differenceHalfWidthDb),
      isExtended: thrustN > BESIDE_RATIO * Math.max(...thrusts) || thrustN < Math.min(...thrusts) / BESIDE_RATIO,
      takeCount: own.length,
    };
  });
  return {
    sounds: sounds.sort((a, b) => a.levelDb - b.levelDb),
    spreadDb,
    slopeDb: USUAL_SLOPE_DB + found[size - 1]!,
    slopeHalfWidthDb: halfWidth(unit([size - 1, 1])),
  };
}

function verdictOf(
  isReference: boolean,
  differenceDb: number | null,
  halfWidthDb: number | null,
): RankedSound['verdict'] {
  if (isReference) return 'reference';
  if (differenceDb === null || halfWidthDb === null) return 'noReference';
  if (Math.abs(differenceDb) <= halfWidthDb) return 'same';
  return differenceDb < 0 ? 'quieter' : 'louder';
}

/** XᵀX with what is known beforehand, in the takes' own spread. */
function normalMatrix(rows: readonly number[][], size: number, count: number, spreadDb: number): number[][] {
  return Array.from({ length: size }, (_, a) =>
    Array.from({ length: size }, (_, b) => {
      const sum = rows.reduce((s, row) => s + row[a]! * row[b]!, 0);
      if (a !== b || a < count) return sum;
      return sum + (spreadDb / (a === size - 1 ? SLOPE_SPREAD_DB : OWN_SLOPE_SPREAD_DB)) ** 2;
    }),
  );
}

function columnSums(rows: readonly number[][], values: readonly number[], size: number): number[] {
  return Array.from({ length: size }, (_, a) => rows.reduce((sum, row, i) => sum + row[a]! * values[i]!, 0));
}

function dot(a: readonly number[], b: readonly number[]): number {
  return a.reduce((sum, value, i) => sum + value * b[i]!, 0);
}
