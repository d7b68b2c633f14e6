import { requirePositive, requireWithin } from '../errors/guards.ts';
import { emptyCoefficients, readRow } from '../propeller/coefficientTable.ts';
import {
  MOST_TIP_MACH,
  propellerAt,
  tipMachOf,
  type PropellerModel,
  type PropellerPoint,
} from '../propeller/propellerModel.ts';
import {
  equilibrium,
  holder,
  type Drive,
  type DrivePoint,
  type Equilibrium,
  type HeldPoint,
  type ShaftLoad,
  type Supply,
} from './equilibrium.ts';

/** A propeller on its motor, controller and pack. */
export interface Powertrain {
  prop: PropellerModel;
  drive: Drive;
  supply: Supply;
  /** Turns of the motor for one of the shaft, > 0: direct drive is 1. */
  gearRatio: number;
}

/** A propeller turned by its motor. */
export interface RotorPoint {
  throttleRatio: number;
  /** Of the propeller; the motor turns `gearRatio` times as fast. */
  speedRpm: number;
  prop: PropellerPoint;
  drive: DrivePoint;
}

/** The tip comes nearer to the speed of sound than the model reaches. */
export interface TipTooFast {
  status: 'tipTooFast';
  tipMach: number;
}

export type RotorResult =
  ({ status: 'turning' | 'bogs' } & RotorPoint) | Exclude<Equilibrium, { status: 'turning' | 'bogs' }> | TipTooFast;

const TURN_RAD_PER_S = (2 * Math.PI) / 60;

/**
 * Torque of a propeller at its motor's shaft, over the motor's speed.
 *
 * @param gearRatio - turns of the motor for one of the propeller, > 0; the gears are taken as free of loss
 */
export function rotorLoad({ geometry, air, row, powerFactor }: PropellerModel, gearRatio: number): ShaftLoad {
  requirePositive('gearRatio', gearRatio);
  const { diameterM } = geometry;
  const radiusM = diameterM / 2;
  const scale = (powerFactor * air.densityKgPerM3 * diameterM ** 5) / (2 * Math.PI) ** 3 / gearRatio;
  const coefficients = emptyCoefficients();
  return (motorSpeed) => {
    const speed = motorSpeed / gearRatio;
    return readRow(row, speed * radiusM, coefficients).powerCoefficient * scale * speed * speed;
  };
}

/**
 * What a rotor does at a throttle, in still air.
 *
 * @param throttleRatio - 0 to 1
 * @returns a point, or why there is none: the pack cannot give it, it stands still, the tip comes near the speed of
 *   sound
 * @throws {OutOfRangeError} if the throttle is not 0 to 1
 */
export function rotorAtThrottle(powertrain: Powertrain, throttleRatio: number): RotorResult {
  const { prop, drive, supply, gearRatio } = powertrain;
  const found = equilibrium(drive, supply, rotorLoad(prop, gearRatio), throttleRatio);
  if (found.status === 'packCannotGive' || found.status === 'standsStill') return found;
  const speedRpm = found.drive.speedRadPerS / gearRatio / TURN_RAD_PER_S;
  const tipMach = tipMachOf(prop, speedRpm);
  if (tipMach > MOST_TIP_MACH) return { status: 'tipTooFast', tipMach };
  return { status: found.status, throttleRatio, speedRpm, prop: propellerAt(prop, speedRpm), drive: found.drive };
}

export type HeldRotor =
  | ({ status: 'held' } & RotorPoint)
  | Exclude<HeldPoint, { status: 'held' }>
  | TipTooFast
  | { status: 'thrustNotReached'; mostThrustN: number };

/**
 * What a rotor needs to give a thrust in still air: speed, current, throttle. A throttle above 1 means it cannot.
 *
 * @param thrustN - > 0
 * @returns a point, or why there is none: the pack cannot give it, or the blades never reach that thrust
 * @throws {OutOfRangeError} if the thrust is not positive
 */
export function rotorAtThrust(powertrain: Powertrain, thrustN: number): HeldRotor {
  const { prop, drive, supply, gearRatio } = powertrain;
  const found = speedForThrust(prop, thrustN);
  if (found.status === 'thrustNotReached') return found;
  return heldAt(powertrain, found.speedRpm, rotorLoad(prop, gearRatio), holder(drive, supply));
}

/**
 * A rotor from standstill to a full speed, at evenly spaced speeds: the same curve as over throttle, without solving
 * for each point.
 *
 * @param fullSpeedRpm - the fastest point [rev/min]
 * @param count - points, 2 to 200
 * @throws {OutOfRangeError} outside those ranges
 */
export function rotorCurve(powertrain: Powertrain, fullSpeedRpm: number, count: number): HeldRotor[] {
  requirePositive('fullSpeedRpm', fullSpeedRpm);
  requireWithin('count', count, 2, 200);
  const load = rotorLoad(powertrain.prop, powertrain.gearRatio);
  const hold = holder(powertrain.drive, powertrain.supply);
  return Array.from({ length: count }, (_, k) => heldAt(powertrain, (fullSpeedRpm * (k + 1)) / count, load, hold));
}

function heldAt(
  { prop, gearRatio }: Powertrain,
  speedRpm: number,
  load: ShaftLoad,
  hold: ReturnType<typeof holder>,
): HeldRotor {
  const tipMach = tipMachOf(prop, speedRpm);
  if (tipMach > MOST_TIP_MACH) return { status: 'tipTooFast', tipMach };
  const motorSpeed = speedRpm * TURN_RAD_PER_S * gearRatio;
  const held = hold(motorSpeed, load(motorSpeed));
  return held.status === 'packCannotGive'
    ? held
    : {
        status: 'held',
        throttleRatio: held.throttleRatio,
        speedRpm,
        prop: propellerAt(prop, speedRpm),
        drive: held.drive,
      };
}

/**
 * Speed at which a propeller gives a thrust at rest.
 *
 * Thrust grows with the square of speed but for the slow drift of its coefficient, so n ← √(T/(C_T(n)·ρ·D⁴)) settles
 * in a few rounds; where blades untwist faster than they speed up, it does not, and the thrust is not reached.
 *
 * @param thrustN - > 0
 * @throws {OutOfRangeError} if the thrust is not positive
 */
export function speedForThrust(
  prop: PropellerModel,
  thrustN: number,
): { status: 'found'; speedRpm: number } | { status: 'thrustNotReached'; mostThrustN: number } {
  requirePositive('thrustN', thrustN);
  const { geometry, air, row, thrustFactor } = prop;
  const { diameterM } = geometry;
  const scale = thrustFactor * air.densityKgPerM3 * diameterM ** 4;
  const coefficients = emptyCoefficients();
  const fastestTurns = (MOST_TIP_MACH * air.soundSpeedMPerS) / (Math.PI * diameterM);
  const thrustAt = (turns: number): number =>
    readRow(row, Math.PI * turns * diameterM, coefficients).thrustCoefficient * scale * turns * turns;
  let turns = Math.sqrt(thrustN / (0.12 * scale));
  for (let round = 0; round < 60; round++) {
    const before = turns;
    turns *= Math.sqrt(thrustN / Math.max(1e-12, thrustAt(turns)));
    if (!(turns <= fastestTurns)) break;
    if (Math.abs(turns - before) < 1e-9 * before) return { status: 'found', speedRpm: 60 * turns };
  }
  return { status: 'thrustNotReached', mostThrustN: mostThrustN(thrustAt, fastestTurns) };
}

function mostThrustN(thrustAt: (turns: number) => number, fastestTurns: number): number {
  let most = 0;
  for (let k = 1; k <= 40; k++) most = Math.max(most, thrustAt((fastestTurns * k) / 40));
  return most;
}
