import type { Reason, Severity, ReasonCode, ReasonValues } from '../figure/reason.ts';
import { labelSpinOf, type CraftKind, type RotorPlace, type Spin } from '../craft/layouts.ts';
import { degreesBetween, wrapDegrees } from '../numerics/complex.ts';
import { controlAuthority, controlledRotors, type ControlAuthority, type RotorForces } from './control.ts';
import { layoutMoments } from './layoutMoments.ts';
import { rotorAction, type FittedRotor } from './rotorAction.ts';

/** A rotor as it is, beside the spin that the controller expects of it. */
export interface CheckedRotor extends FittedRotor {
  expectedSpin: Spin;
  /** Whether somebody saw it turn; a spin that was only drawn is a proposal. */
  isSpinSeen: boolean;
}

export const takeOffVerdicts = [
  'unknown',
  'flies',
  'tips',
  'pressed',
  'cannotLift',
  'cannotFly',
  'yawRunsAway',
  'yawDrifts',
  'pushesBack',
  'weak',
] as const;
export type TakeOffVerdict = (typeof takeOffVerdicts)[number];

/** What is wrong at one rotor. */
export interface RotorFault {
  place: RotorPlace;
  level: number;
  isSpinWrong: boolean;
  isHandWrong: boolean;
  isFaceWrong: boolean;
}

export interface TakeOff {
  verdict: TakeOffVerdict;
  faults: RotorFault[];
  /**
   * Share of its usual pull that each rotor gives, in their order, negative the wrong way; null while a hand is
   * unknown.
   */
  pullRatios: number[] | null;
  /** Null for planes, and while a hand is unknown. */
  tip: Tip | null;
  /** True once every spin was seen: nothing is called confirmed without it. */
  isConfirmed: boolean;
  reasons: Reason[];
}

/** How what is wrong turns a multirotor over, beside what its controller trims anyway. */
export interface Tip {
  /** Arm or side that goes down; null where it stays level. */
  toward: RotorPlace | null;
  /** The same, clockwise from the nose [°]. */
  degrees: number | null;
  /** That turns it over, when every motor gets what it needs to hover [N·m]. */
  momentNm: number;
  /** Lift over that of the right arrangement. */
  liftRatio: number;
}

/** Thrust and drag torque of one right rotor that carries its share. */
export interface CarryForces {
  thrustN: number;
  torqueNm: number;
}

/** What is known of a craft's forces. */
export interface TakeOffForces {
  carry: CarryForces;
  /** At full throttle; null while no propeller is known. */
  most: RotorForces | null;
  /** Three arms that hold yaw by a servo at the tail. */
  hasTailServo: boolean;
}

/** Thrust over weight of a craft of whose full throttle nothing is known. */
const USUAL_THRUST_TO_WEIGHT = 2;
/** Lift at full throttle over weight under which it does not climb. */
const LEAST_CLIMB_RATIO = 1.1;
const LEVEL_RATIO = 1e-6;

/**
 * What a craft will do on take-off, before it happens: from the spins that were seen, the pieces that are on and the
 * table that the controller expects.
 *
 * Sums of forces cannot see spins that are opposite to what the controller expects. Where pieces pull up all the same,
 * allocation with the seen spins decides: no level hover that can be steered, *cannot be flown*; one whose yaw answers
 * the other way, it lifts and *yaw runs away*; one that must hold yaw against itself, *yaw drifts*.
 *
 * @param forces - the moment in newton metres follows from *carry*, whether it climbs from *most*
 * @throws {OutOfRangeError} if a force is not positive
 */
export function takeOff(rotors: readonly CheckedRotor[], kind: CraftKind, forces: TakeOffForces): TakeOff {
  const faults = layoutFaults(rotors, kind);
  const isConfirmed = rotors.length > 0 && rotors.every((r) => r.isSpinSeen);
  const unknown = rotors.find((r) => r.hand === null);
  const base: TakeOff = { verdict: 'unknown', faults, pullRatios: null, tip: null, isConfirmed, reasons: [] };
  if (rotors.length === 0 || unknown)
    return {
      ...base,
      reasons: [reason('fit.unknown', 'action', { count: rotors.filter((r) => r.hand === null).length })],
    };
  const pullRatios = rotors.map((r) => rotorAction(labelSpinOf(r.spin, kind), r.hand!, r.isLabelForward).thrustRatio);
  const authority = kind === 'plane' ? undefined : steeringOf(rotors, forces);
  const found =
    kind === 'plane' ? { verdict: planeVerdict(pullRatios), tip: null } : multirotorVerdict(rotors, forces, authority!);
  const state = { ...base, ...found, pullRatios };
  return { ...state, reasons: reasonsOf(state, rotors, authority ?? null) };
}

/**
 * Whether places and seen spins can hold and steer a craft at all, whatever its pieces and props: a question of its
 * arms, so a weak prop is taken for a usual one.
 */
export function steeringOf(
  rotors: readonly Pick<CheckedRotor, 'xM' | 'yM' | 'spin' | 'place' | 'cantDegrees'>[],
  { carry, most, hasTailServo }: TakeOffForces,
): ControlAuthority | null {
  const mostThrustN = Math.max(most?.mostThrustN ?? 0, USUAL_THRUST_TO_WEIGHT * carry.thrustN);
  const torquePerThrustM = most?.torquePerThrustM ?? carry.torqueNm / carry.thrustN;
  return controlAuthority(controlledRotors(rotors, hasTailServo), {
    mostThrustN,
    torquePerThrustM,
    weightN: rotors.length * carry.thrustN,
  });
}

/** What is wrong at each rotor against the controller's table; rotors that are right are left out. */
export function layoutFaults(rotors: readonly CheckedRotor[], kind: CraftKind): RotorFault[] {
  return rotors.flatMap((r) => faultOf(r, kind));
}

function faultOf(
  { place, level, spin, expectedSpin, hand, isLabelForward }: CheckedRotor,
  kind: CraftKind,
): RotorFault[] {
  const isSpinWrong = spin !== expectedSpin;
  const isHandWrong = hand !== null && hand !== 'either' && hand !== labelSpinOf(expectedSpin, kind);
  const isFaceWrong = !isLabelForward && hand !== 'either';
  return isSpinWrong || isHandWrong || isFaceWrong ? [{ place, level, isSpinWrong, isHandWrong, isFaceWrong }] : [];
}

function planeVerdict(pullRatios: readonly number[]): TakeOffVerdict {
  if (pullRatios.some((pull) => pull < 0)) return 'pushesBack';
  return pullRatios.some((pull) => pull < 1) ? 'weak' : 'flies';
}

function multirotorVerdict(
  rotors: readonly CheckedRotor[],
  forces: TakeOffForces,
  authority: ControlAuthority | null,
): Pick<TakeOff, 'verdict' | 'tip'> {
  const { thrustN, torqueNm } = forces.carry;
  const own = layoutMoments(rotors, thrustN, torqueNm);
  // Measured arms need not balance by themselves: the controller trims that, and only what is wrong turns it over.
  const right = layoutMoments(
    rotors.map((r) => ({ ...r, spin: r.expectedSpin, hand: r.expectedSpin, isLabelForward: true })),
    thrustN,
    torqueNm,
  );
  const [roll, pitch] = [own.rollNm - right.rollNm, own.pitchNm - right.pitchNm];
  const arm = Math.max(...rotors.map((r) => Math.hypot(r.xM, r.yM)), 1e-6);
  const momentNm = Math.hypot(roll, pitch);
  const degrees =
    momentNm < LEVEL_RATIO * arm * thrustN ? null : wrapDegrees((Math.atan2(roll, -pitch) * 180) / Math.PI);
  const tip: Tip = {
    toward: degrees === null ? null : placeToward(rotors, degrees),
    degrees,
    momentNm,
    liftRatio: own.thrustN / right.thrustN,
  };
  return { verdict: verdictOf(rotors, tip, forces, authority), tip };
}

/** Fewer arms than this may be held by servos of which nothing is known. */
const LEAST_ARMS = 4;

function verdictOf(
  rotors: readonly CheckedRotor[],
  { toward, liftRatio }: Tip,
  { carry, most, hasTailServo }: TakeOffForces,
  authority: ControlAuthority | null,
): TakeOffVerdict {
  if (toward !== null) return 'tips';
  if (liftRatio <= 0) return 'pressed';
  const climb = (liftRatio * (most?.mostThrustN ?? USUAL_THRUST_TO_WEIGHT * carry.thrustN)) / carry.thrustN;
  if (liftRatio < 1 && climb < LEAST_CLIMB_RATIO) return 'cannotLift';
  const hasWrongSpin = rotors.some((r) => r.spin !== r.expectedSpin);
  if ((hasWrongSpin || rotors.length >= LEAST_ARMS) && (authority === null || authority.missing.length > 0))
    return 'cannotFly';
  if (hasWrongSpin) return hasTailServo || yawSense(rotors) > 0 ? 'yawDrifts' : 'yawRunsAway';
  return rotors.some((r) => !r.isLabelForward && r.hand !== 'either') ? 'weak' : 'flies';
}

/**
 * How yaw answers the controller, which speeds up the rotors of its table that turn counter-clockwise to turn right: 1
 * as it expects, negative the other way, 0 not at all.
 */
function yawSense(rotors: readonly CheckedRotor[]): number {
  return rotors.reduce((sum, r) => sum + (r.spin === r.expectedSpin ? 1 : -1), 0) / rotors.length;
}

/** The eight ways a craft can tip, from its nose clockwise, an eighth of a turn each. */
const WAYS: readonly RotorPlace[] = [
  'front',
  'frontRight',
  'right',
  'rearRight',
  'rear',
  'rearLeft',
  'left',
  'frontLeft',
];
/** So near to an arm the way is called by that arm [°]. */
const AT_ARM_DEGREES = 5;

/** The arm that goes down, or the side between two arms that go down together. */
function placeToward(rotors: readonly CheckedRotor[], degrees: number): RotorPlace {
  const arm = rotors.find((r) => degreesBetween((Math.atan2(r.yM, r.xM) * 180) / Math.PI, degrees) < AT_ARM_DEGREES);
  return arm?.place ?? WAYS[Math.round((((degrees % 360) + 360) % 360) / 45) % WAYS.length]!;
}

function reason<C extends ReasonCode>(code: C, severity: Severity, values: ReasonValues<C>): Reason {
  return { code, severity, values: values as Reason['values'], figure: null };
}

const DANGERS: ReadonlySet<TakeOffVerdict> = new Set([
  'tips',
  'pressed',
  'cannotLift',
  'cannotFly',
  'yawRunsAway',
  'yawDrifts',
  'pushesBack',
]);

function reasonsOf(
  { verdict, faults, tip, pullRatios, isConfirmed }: Omit<TakeOff, 'reasons'>,
  rotors: readonly CheckedRotor[],
  authority: ControlAuthority | null,
): Reason[] {
  const liftRatio = tip?.liftRatio ?? pullRatios!.reduce((sum, pull) => sum + pull, 0) / rotors.length;
  const reasons = [
    reason(`fit.${verdict}`, DANGERS.has(verdict) ? 'danger' : verdict === 'weak' ? 'caution' : 'gain', {
      place: tip?.toward ?? '',
      liftRatio,
      momentNm: tip?.momentNm ?? 0,
      count: rotors.length,
      wrongSpinCount: rotors.filter((r) => r.spin !== r.expectedSpin).length,
      axes: authority?.missing.join(', ') ?? '',
    }),
  ];
  for (const fault of faults) {
    if (fault.isSpinWrong) reasons.push(reason('fit.fault.spin', 'caution', { place: fault.place }));
    if (fault.isHandWrong) reasons.push(reason('fit.fault.hand', 'caution', { place: fault.place }));
    else if (fault.isFaceWrong) reasons.push(reason('fit.fault.face', 'caution', { place: fault.place }));
  }
  if (!isConfirmed)
    reasons.push(
      reason('fit.seeTheSpin', 'action', { count: rotors.filter((r) => !r.isSpinSeen).length, of: rotors.length }),
    );
  return reasons;
}
