import type { Rotor, Spin } from '../craft/layouts.ts';
import { requirePositive } from '../errors/guards.ts';
import { maximiseLinear, type LinearBound } from '../numerics/linearProgram.ts';

/** A rotor that can be commanded between nothing and its most. */
export interface ControlledRotor {
  xM: number;
  yM: number;
  spin: Spin;
  /** Degrees by which a servo may tilt its thrust sideways, for a tri's tail; 0 for none. */
  tiltDegrees?: number;
  /** Degrees by which its shaft leans to the right for good, as in a V-tail; negative to the left. */
  cantDegrees?: number;
  /** Share of a right rotor's pull that it gives, negative where its air goes the wrong way; 1 when left out. */
  pullRatio?: number;
}

/** Forces of one right rotor of a craft. */
export interface RotorForces {
  /** At full throttle [N]. */
  mostThrustN: number;
  /** Drag torque over thrust [m]. */
  torquePerThrustM: number;
  /** Weight of the craft [N]. */
  weightN: number;
}

/** Ways of steering beside climbing. */
export const controlAxes = ['roll', 'pitch', 'yaw'] as const;
export type ControlAxis = (typeof controlAxes)[number];

/** How far a usual servo tilts the tail of three arms [°]. */
const TAIL_TILT_DEGREES = 25;

/**
 * The rotors of a craft as their controller commands them: three arms steer in yaw by the tail's servo.
 *
 * @param rotors - with the spins that were seen, where somebody saw them
 */
export function controlledRotors(
  rotors: readonly Pick<Rotor, 'xM' | 'yM' | 'spin' | 'place' | 'cantDegrees'>[],
  hasTailServo: boolean,
): ControlledRotor[] {
  return rotors.map(({ xM, yM, spin, place, cantDegrees }) => ({
    xM,
    yM,
    spin,
    cantDegrees: cantDegrees ?? 0,
    tiltDegrees: hasTailServo && place === 'rear' ? TAIL_TILT_DEGREES : 0,
  }));
}

/** What the commands of all rotors, each 0 or more, do together: one row of coefficients each. */
interface Allocation {
  lift: number[];
  moments: Record<ControlAxis, number[]>;
  /** Thrusts at most their full one, tilts at most what the servo gives. */
  bounds: LinearBound[];
}

/**
 * Allocation with bounds: unknowns are the thrusts, and for a tilting rotor its side force to the right and to the
 * left.
 *
 *   lift = Σ T·cos κ;  roll = −Σ y·T·cos κ;  pitch = Σ x·T·cos κ;  yaw = Σ (±c·cos κ + x·sin κ)·T + Σ x·S
 *
 * κ is the lean of a canted shaft, S the side force of a servo's tilt, c drag torque over thrust, + for a
 * counter-clockwise rotor. A rotor that pushes the wrong way lifts with −T. The small tilt of drag torques is left out.
 */
function allocationOf(
  rotors: readonly ControlledRotor[],
  { mostThrustN, torquePerThrustM }: Pick<RotorForces, 'mostThrustN' | 'torquePerThrustM'>,
): Allocation {
  const tilting = rotors.flatMap((r, of) =>
    (r.tiltDegrees ?? 0) > 0 ? [{ of, most: Math.tan(radians(r.tiltDegrees!)) }] : [],
  );
  const width = rotors.length + 2 * tilting.length;
  const row = (each: (r: ControlledRotor) => number, side: (r: ControlledRotor) => number = () => 0): number[] => [
    ...rotors.map(each),
    ...tilting.flatMap(({ of }) => [side(rotors[of]!), -side(rotors[of]!)]),
  ];
  const pull = (r: ControlledRotor): number => r.pullRatio ?? 1;
  const way = (r: ControlledRotor): number => (pull(r) < 0 ? -1 : 1);
  const up = (r: ControlledRotor): number => way(r) * Math.cos(radians(r.cantDegrees ?? 0));
  const bound = (each: (k: number) => number, value: number): LinearBound => ({
    row: Array.from({ length: width }, (_, k) => each(k)),
    bound: value,
  });
  return {
    lift: row(up),
    moments: {
      roll: row((r) => -r.yM * up(r)),
      pitch: row((r) => r.xM * up(r)),
      yaw: row(
        (r) =>
          way(r) *
          ((r.spin === 'ccw' ? 1 : -1) * torquePerThrustM * up(r) + r.xM * Math.sin(radians(r.cantDegrees ?? 0))),
        (r) => r.xM,
      ),
    },
    bounds: [
      ...rotors.map((r, i) => bound((k) => (k === i ? 1 : 0), Math.abs(pull(r)) * mostThrustN)),
      ...tilting.map(({ of, most }, j) =>
        bound((k) => (k === of ? -most : Math.floor((k - rotors.length) / 2) === j && k >= rotors.length ? 1 : 0), 0),
      ),
    ],
  };
}

/**
 * The most weight that rotors hold up level and without turning, over the craft's own: 1 is just hovering.
 *
 *   maximise lift with 0 ≤ T ≤ T_max and roll = pitch = yaw = 0 (a linear program)
 *
 * Rank alone is not enough: an alternating hex with one rotor stopped keeps its rank, yet hovers only on the edge.
 *
 * @throws {OutOfRangeError} if a force is not positive
 */
export function hoverMargin(rotors: readonly ControlledRotor[], forces: RotorForces): number {
  requireForces(forces);
  if (rotors.length === 0) return 0;
  const { lift, moments, bounds } = allocationOf(rotors, forces);
  const found = maximiseLinear({
    objective: lift,
    equal: controlAxes.map((axis) => ({ row: moments[axis], bound: 0 })),
    atMost: bounds,
  });
  return found.status === 'found' ? found.value / forces.weightN : 0;
}

/** Moments that a hovering craft can make about each axis, in its weaker direction [N·m]. */
export interface ControlAuthority {
  rollNm: number;
  pitchNm: number;
  yawNm: number;
  /** Axes about which it can make none: it cannot be flown so. */
  missing: ControlAxis[];
}

/** A moment of less than this share of weight × arm is none. */
const LEAST_MOMENT_RATIO = 1e-4;

/**
 * How hard a craft can be steered while it hovers: for each axis the greatest moment in its weaker direction, the lift
 * equal to the weight and the other two moments nothing.
 *
 * @returns null where no thrusts hold it level at all: it cannot hover
 * @throws {OutOfRangeError} if a force is not positive
 */
export function controlAuthority(rotors: readonly ControlledRotor[], forces: RotorForces): ControlAuthority | null {
  requireForces(forces);
  if (rotors.length === 0) return null;
  const { lift, moments, bounds } = allocationOf(rotors, forces);
  const most = (axis: ControlAxis, sign: 1 | -1): number | null => {
    const equal = [
      { row: lift, bound: forces.weightN },
      ...controlAxes.filter((other) => other !== axis).map((other) => ({ row: moments[other], bound: 0 })),
    ];
    const found = maximiseLinear({ objective: moments[axis].map((m) => sign * m), equal, atMost: bounds });
    return found.status === 'found' ? found.value : null;
  };
  const weaker = controlAxes.map((axis) => {
    const [one, other] = [most(axis, 1), most(axis, -1)];
    return one === null || other === null ? null : Math.min(one, other);
  });
  if (weaker.some((m) => m === null) || hoverMargin(rotors, forces) < 1) return null;
  const [rollNm, pitchNm, yawNm] = weaker as [number, number, number];
  const least = LEAST_MOMENT_RATIO * forces.weightN * Math.max(...rotors.map((r) => Math.hypot(r.xM, r.yM)), 1e-3);
  return { rollNm, pitchNm, yawNm, missing: controlAxes.filter((_, i) => weaker[i]! < least) };
}

/** Roll and pitch must keep this share of what the whole craft has, both ways, before a rotor *may stop*. */
const LEAST_STEER_RATIO = 0.1;

/** What is left after one rotor has stopped. */
export interface RotorLoss {
  /** Lift held level and without turning, over the weight; under 1 it comes down. */
  marginRatio: number;
  /** Whether it hovers level and roll and pitch can still be commanded both ways with a margin. */
  isSteered: boolean;
  /** Whether yaw can be commanded too; told apart, since a craft that only turns can be brought down. */
  canYaw: boolean;
}

/**
 * What is left after each rotor alone has stopped, in the order of the rotors.
 *
 * A level hover alone is not enough: an alternating hex holds it only with the opposite rotor idle, and then any roll
 * or pitch would ask for negative thrust. So roll and pitch must keep a tenth of what the whole craft has, both ways.
 *
 * @throws {OutOfRangeError} if a force is not positive
 */
export function rotorLosses(rotors: readonly ControlledRotor[], forces: RotorForces): RotorLoss[] {
  const whole = controlAuthority(rotors, forces);
  return rotors.map((_, lost) => {
    const others = rotors.filter((__, i) => i !== lost);
    const left = controlAuthority(others, forces);
    const keeps = (moment: 'rollNm' | 'pitchNm' | 'yawNm'): boolean =>
      left !== null && whole !== null && left[moment] > LEAST_STEER_RATIO * whole[moment];
    return {
      marginRatio: Math.max(0, hoverMargin(others, forces)),
      isSteered: keeps('rollNm') && keeps('pitchNm'),
      canYaw: keeps('yawNm'),
    };
  });
}

function radians(degrees: number): number {
  return (degrees * Math.PI) / 180;
}

function requireForces({ mostThrustN, torquePerThrustM, weightN }: RotorForces): void {
  requirePositive('mostThrustN', mostThrustN);
  requirePositive('torquePerThrustM', torquePerThrustM);
  requirePositive('weightN', weightN);
}
