import { NotEnoughReadingsError } from '../errors/coreError.ts';
import { requireFinite, requirePositive } from '../errors/guards.ts';
import { wrapDegrees } from '../numerics/complex.ts';
import { rotorAction, type FittedRotor } from './rotorAction.ts';

export interface LayoutMoments {
  thrustN: number;
  /** Positive: right side down. */
  rollNm: number;
  /** Positive: nose up. */
  pitchNm: number;
  /** Positive: nose right. */
  yawNm: number;
  /** Independent ways of steering, of thrust, roll, pitch and yaw. */
  rank: number;
  /** Toward which the craft tips down, clockwise from the nose [degrees]; null when it does not. */
  tipsDegrees: number | null;
  yaws: 'right' | 'left' | 'none';
}

const LEVEL = 1e-9;
const RANK_TOLERANCE = 1e-9;

/**
 * Forces and moments of a multirotor when every motor gets the same command.
 *
 *   T_i = t·T₀, Q_i = ±q·Q₀; roll = −Σ y·T, pitch = Σ x·T, yaw = Σ Q (a counter-clockwise rotor turns the nose right);
 *   a canted shaft lifts with T·cos κ and turns the nose with x·T·sin κ beside
 *
 * @param rotors - each with a known hand; 1 to 24
 * @param thrustN - of one right rotor, > 0
 * @param torqueNm - of one right rotor, > 0
 * @throws {OutOfRangeError} if a position is not finite or a force not positive
 * @throws {NotEnoughReadingsError} without a rotor, or where a hand is unknown
 */
export function layoutMoments(rotors: readonly FittedRotor[], thrustN: number, torqueNm: number): LayoutMoments {
  if (rotors.length === 0) throw new NotEnoughReadingsError('rotors', 0, 1);
  requirePositive('thrustN', thrustN);
  requirePositive('torqueNm', torqueNm);
  let [thrust, roll, pitch, yaw] = [0, 0, 0, 0];
  const rows: [number[], number[], number[], number[]] = [[], [], [], []];
  for (const { xM, yM, spin, hand, isLabelForward, cantDegrees = 0 } of rotors) {
    requireFinite('xM', xM);
    requireFinite('yM', yM);
    if (hand === null) throw new NotEnoughReadingsError('hand', 0, 1);
    const { thrustRatio, torqueRatio } = rotorAction(spin, hand, isLabelForward);
    const cant = (cantDegrees * Math.PI) / 180;
    const lift = thrustRatio * thrustN * Math.cos(cant);
    const turn =
      torqueRatio * torqueNm * (spin === 'ccw' ? 1 : -1) * Math.cos(cant) + xM * thrustRatio * thrustN * Math.sin(cant);
    thrust += lift;
    roll -= yM * lift;
    pitch += xM * lift;
    yaw += turn;
    rows[0].push(lift / thrustN);
    rows[1].push((-yM * lift) / thrustN);
    rows[2].push((xM * lift) / thrustN);
    rows[3].push(turn / thrustN);
  }
  const isLevel = Math.hypot(roll, pitch) < LEVEL * thrustN;
  return {
    thrustN: thrust,
    rollNm: roll,
    pitchNm: pitch,
    yawNm: yaw,
    rank: rankOf(rows),
    tipsDegrees: isLevel ? null : wrapDegrees((Math.atan2(roll, -pitch) * 180) / Math.PI),
    yaws: yaw > LEVEL ? 'right' : yaw < -LEVEL ? 'left' : 'none',
  };
}

/** Rank by elimination, each row scaled by its largest entry first. */
export function rankOf(matrix: readonly (readonly number[])[]): number {
  const rows = matrix.map((row) => {
    const most = Math.max(...row.map(Math.abs));
    return most > 0 ? row.map((v) => v / most) : [...row];
  });
  const columns = rows[0]?.length ?? 0;
  let rank = 0;
  for (let column = 0; column < columns && rank < rows.length; column++) {
    let pivot = rank;
    for (let i = rank + 1; i < rows.length; i++)
      if (Math.abs(rows[i]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = i;
    if (Math.abs(rows[pivot]![column]!) <= RANK_TOLERANCE) continue;
    [rows[rank], rows[pivot]] = [rows[pivot]!, rows[rank]!];
    for (let i = rank + 1; i < rows.length; i++) {
      const factor = rows[i]![column]! / rows[rank]![column]!;
      for (let j = column; j < columns; j++) rows[i]![j]! -= factor * rows[rank]![j]!;
    }
    rank++;
  }
  return rank;
}
