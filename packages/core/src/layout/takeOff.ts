import type { Reason, Severity } from '../figure/reason.ts';
import { otherSpin, type RotorPlace, type Spin } from '../craft/layouts.ts';
import { degreesBetween } from '../numerics/complex.ts';
import { layoutMoments, type LayoutMoments } from './layoutMoments.ts';
import { labelSpinOf, rotorAction, type FittedRotor } from './rotorAction.ts';

/** A rotor as it is, beside the spin that the controller expects of it. */
export interface CheckedRotor extends FittedRotor {
  expectedSpin: Spin;
  /** Whether somebody saw it turn; a spin that was only drawn is a proposal. */
  isSpinSeen: boolean;
}

export type TakeOffVerdict = 'unknown' | 'flies' | 'tips' | 'pressed' | 'cannotLift' | 'yawRunsAway' | 'yawDrifts' | 'pushesBack' | 'weak';

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
  /** Null for planes, and while a hand is unknown. */
  moments: LayoutMoments | null;
  /** Arm or side toward which it tips. */
  tipsToward: RotorPlace | null;
  /** True once every spin was seen: nothing is called confirmed without it. */
  isConfirmed: boolean;
  reasons: Reason[];
}

/** The nominal forces by which arrangements are compared; only their signs and ratios count. */
const NOMINAL_N = 1;
const NOMINAL_NM = 0.02;
/** Lift under this share of the full one does not carry. */
const LEAST_LIFT_RATIO = 0.55;
const LEVEL_RATIO = 1e-6;

/**
 * What a craft will do on take-off, before it happens: from the spins that were seen, the pieces that are on and the
 * table that the controller expects.
 *
 * Sums of forces cannot see a craft whose spins are all opposite to what its controller expects: it lifts, then yaw
 * runs away. Pieces all opposite: it presses itself to the ground.
 */
export function takeOff(rotors: readonly CheckedRotor[], kind: 'multirotor' | 'plane'): TakeOff {
  const faults = rotors.flatMap((r) => faultOf(r, kind));
  const isConfirmed = rotors.length > 0 && rotors.every((r) => r.isSpinSeen);
  const unknown = rotors.find((r) => r.hand === null);
  const base: TakeOff = { verdict: 'unknown', faults, moments: null, tipsToward: null, isConfirmed, reasons: [] };
  if (rotors.length === 0 || unknown) return { ...base, reasons: [reason('fit.unknown', 'action', { place: unknown?.place ?? '', count: rotors.filter((r) => r.hand === null).length })] };
  const found = kind === 'plane' ? planeVerdict(rotors) : multirotorVerdict(rotors);
  const state = { ...base, ...found };
  return { ...state, reasons: reasonsOf(state, rotors) };
}

function faultOf({ place, level, spin, expectedSpin, hand, isLabelForward }: CheckedRotor, kind: 'multirotor' | 'plane'): RotorFault[] {
  const isSpinWrong = spin !== expectedSpin;
  const isHandWrong = hand !== null && hand !== 'either' && hand !== labelSpinOf(expectedSpin, kind);
  const isFaceWrong = !isLabelForward && hand !== 'either';
  return isSpinWrong || isHandWrong || isFaceWrong ? [{ place, level, isSpinWrong, isHandWrong, isFaceWrong }] : [];
}

function planeVerdict(rotors: readonly CheckedRotor[]): Pick<TakeOff, 'verdict'> {
  const ratios = rotors.map((r) => rotorAction(labelSpinOf(r.spin, 'plane'), r.hand!, r.isLabelForward).thrustRatio);
  if (ratios.some((t) => t < 0)) return { verdict: 'pushesBack' };
  return { verdict: ratios.some((t) => t < 1) ? 'weak' : 'flies' };
}

function multirotorVerdict(rotors: readonly CheckedRotor[]): Pick<TakeOff, 'verdict' | 'moments' | 'tipsToward'> {
  const moments = layoutMoments(rotors, NOMINAL_N, NOMINAL_NM);
  const arm = Math.max(...rotors.map((r) => Math.hypot(r.xM, r.yM)), 1e-6);
  const tipsToward = moments.tipsDegrees === null || Math.hypot(moments.rollNm, moments.pitchNm) < LEVEL_RATIO * arm ? null : placeToward(rotors, moments.tipsDegrees);
  const isReversed = rotors.every((r) => r.spin === otherSpin(r.expectedSpin));
  const lift = moments.thrustN / rotors.length;
  const verdict: TakeOffVerdict =
    lift <= 0 && tipsToward === null ? 'pressed' : tipsToward !== null ? 'tips' : lift < LEAST_LIFT_RATIO ? 'cannotLift' : isReversed ? 'yawRunsAway' : rotors.some((r) => r.spin !== r.expectedSpin) ? 'yawDrifts' : rotors.some((r) => !r.isLabelForward && r.hand !== 'either') ? 'weak' : 'flies';
  return { verdict, moments, tipsToward };
}

/** The eight ways a craft can tip, from its nose clockwise, an eighth of a turn each. */
const WAYS: readonly RotorPlace[] = ['front', 'frontRight', 'right', 'rearRight', 'rear', 'rearLeft', 'left', 'frontLeft'];
/** So near to an arm the way is called by that arm [°]. */
const AT_ARM_DEGREES = 5;

/** The arm that goes down, or the side between two arms that go down together. */
function placeToward(rotors: readonly CheckedRotor[], degrees: number): RotorPlace {
  const arm = rotors.find((r) => degreesBetween((Math.atan2(r.yM, r.xM) * 180) / Math.PI, degrees) < AT_ARM_DEGREES);
  return arm?.place ?? WAYS[Math.round((((degrees % 360) + 360) % 360) / 45) % WAYS.length]!;
}

function reason(code: string, severity: Severity, values: Reason['values']): Reason {
  return { code, severity, values, figure: null };
}

const DANGERS: ReadonlySet<TakeOffVerdict> = new Set(['tips', 'pressed', 'cannotLift', 'yawRunsAway', 'yawDrifts', 'pushesBack']);

function reasonsOf({ verdict, faults, tipsToward, moments, isConfirmed }: Omit<TakeOff, 'reasons'>, rotors: readonly CheckedRotor[]): Reason[] {
  const liftRatio = moments ? moments.thrustN / rotors.length : 1;
  const reasons = [reason(`fit.${verdict}`, DANGERS.has(verdict) ? 'danger' : verdict === 'weak' ? 'caution' : 'gain', { place: tipsToward ?? '', liftRatio, count: rotors.length })];
  for (const fault of faults) {
    if (fault.isSpinWrong) reasons.push(reason('fit.fault.spin', 'caution', { place: fault.place }));
    if (fault.isHandWrong) reasons.push(reason('fit.fault.hand', 'caution', { place: fault.place }));
    else if (fault.isFaceWrong) reasons.push(reason('fit.fault.face', 'caution', { place: fault.place }));
  }
  if (!isConfirmed) reasons.push(reason('fit.seeTheSpin', 'action', { count: rotors.filter((r) => !r.isSpinSeen).length, of: rotors.length }));
  if (moments && moments.rank < 4 && verdict === 'flies') reasons.push(reason('fit.rank', 'caution', { rank: moments.rank }));
  return reasons;
}
