import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { Reason } from '../figure/reason.ts';
import { powertrainOn, type PreparedCraft } from '../pick/pickCraft.ts';
import { equilibrium, type ShaftLoad } from '../powertrain/equilibrium.ts';
import { rotorAtThrottle, type Powertrain } from '../powertrain/powertrain.ts';
import { MOST_TIP_MACH, propellerAt, tipMachOf, type PropellerModel } from '../propeller/propellerModel.ts';
import { pitchSpeed } from './climb.ts';

/** What the model lets expect of a full-throttle pass, beside full throttle on the stand. */
export interface PassAtFull {
  /** Current of a rotor in the pass, all of them on the half-empty pack, over that of one alone on the stand. */
  currentRatio: number;
  /** Of the flow along the shaft: V·sin γ/(n·D), with γ = 90° for a plane. */
  advanceRatio: number;
  /** Speed of the rotor in the pass [rev/min]. */
  speedRpm: number;
  /** Airspeed over the speed at which the pitch would screw itself through the air. */
  pitchSpeedRatio: number;
}

/** More than this share off what is expected says something of the pack, the motor or an instrument. */
export const CURRENT_TOLERANCE_RATIO = 0.12;

const RPM_PER_RAD_PER_S = 30 / Math.PI;
/** The lean that a thrust gives changes the thrust a little; after this many rounds neither moves. */
const LEAN_ROUNDS = 4;

/**
 * A level pass at full throttle: how far the oncoming air unloads the rotor.
 *
 *   Q(n, V·sin γ) of the propeller = torque of the motor at full throttle,  cos γ = m·g/ΣT for a craft that leans
 *
 * A plane's shaft points along its path; a multirotor leans until its thrust carries it, and only the part of the
 * airspeed along the shaft unloads the blades. On the stand one motor has its voltage to itself; in the air all pull at
 * a pack that is half empty.
 *
 * @param prop - on this craft, as {@link evaluateCandidate} answers it
 * @param airspeedMPerS - 1 to 120
 * @param standVoltageV - at the controller on the stand; null takes one motor alone on the craft's pack
 * @returns null where the rotor does not turn, at rest or in the pass
 * @throws {OutOfRangeError} outside that range
 */
export function passAtFull(
  prepared: PreparedCraft,
  prop: PropellerModel,
  airspeedMPerS: number,
  standVoltageV: number | null = null,
): PassAtFull | null {
  requireWithin('airspeedMPerS', airspeedMPerS, 1, 120);
  const powertrain = powertrainOn(prepared, prop);
  const alone =
    standVoltageV === null
      ? { ...powertrain.supply, driveCount: 1, otherPowerW: 0 }
      : { openVoltageV: standVoltageV, resistanceOhm: 0, driveCount: 1 };
  const rest = rotorAtThrottle({ ...powertrain, supply: alone }, 1);
  if (rest.status !== 'turning' && rest.status !== 'bogs') return null;
  let alongRatio = 1;
  let found = fullInFlow(powertrain, airspeedMPerS);
  for (let round = 0; prepared.craft.kind === 'multirotor' && found && round < LEAN_ROUNDS; round++) {
    const carriedRatio = Math.min(1, prepared.carryThrustN / found.thrustN);
    alongRatio = Math.sqrt(1 - carriedRatio ** 2);
    found = fullInFlow(powertrain, airspeedMPerS * alongRatio);
  }
  if (found === null) return null;
  const { pitchM, diameterM } = prop.geometry;
  return {
    currentRatio: found.currentA / rest.drive.busCurrentA,
    advanceRatio: (60 * airspeedMPerS * alongRatio) / (found.speedRpm * diameterM),
    speedRpm: found.speedRpm,
    pitchSpeedRatio: pitchSpeed(pitchM, found.speedRpm, airspeedMPerS).airspeedRatio,
  };
}

/** Full throttle with air coming along the shaft; null where there is no such point. */
function fullInFlow(
  { prop, drive, supply, gearRatio }: Powertrain,
  axialMPerS: number,
): { speedRpm: number; thrustN: number; currentA: number } | null {
  const fastestRpm = MOST_TIP_MACH / tipMachOf(prop, 1);
  const load: ShaftLoad = (motorSpeed) => {
    const speedRpm = (motorSpeed / gearRatio) * RPM_PER_RAD_PER_S;
    // The unloaded motor may be asked beyond the model's last speed: torque goes on by the square from there.
    const atRpm = Math.min(speedRpm, fastestRpm);
    // Slower than the air drives it the propeller asks for nothing.
    const torqueNm = Math.max(0, propellerAt(prop, atRpm, axialMPerS).torqueNm);
    return (torqueNm * (speedRpm / atRpm) ** 2) / gearRatio;
  };
  const found = equilibrium(drive, supply, load, 1);
  if (found.status !== 'turning' && found.status !== 'bogs') return null;
  const speedRpm = (found.drive.speedRadPerS / gearRatio) * RPM_PER_RAD_PER_S;
  if (speedRpm > fastestRpm) return null;
  const { thrustN } = propellerAt(prop, speedRpm, axialMPerS);
  return thrustN > 0 ? { speedRpm, thrustN, currentA: found.drive.busCurrentA } : null;
}

/**
 * Whether a rotor draws in the air what the stand and the oncoming air let expect.
 *
 * @param airA - in passes at full throttle, of all rotors
 * @param standA - at full throttle on the stand, of as many
 * @returns null within {@link CURRENT_TOLERANCE_RATIO}
 * @throws {OutOfRangeError} if a current is not positive
 */
export function currentInAir(name: string, airA: number, standA: number, pass: PassAtFull): Reason | null {
  requirePositive('airA', airA);
  requirePositive('standA', standA);
  const off = airA / (standA * pass.currentRatio) - 1;
  if (Math.abs(off) <= CURRENT_TOLERANCE_RATIO) return null;
  return {
    code: off > 0 ? 'fly.drawsMore' : 'fly.drawsLess',
    severity: 'caution',
    values: { name, ratio: Math.abs(off), advanceRatio: pass.advanceRatio, expectedA: standA * pass.currentRatio },
    figure: null,
  };
}
