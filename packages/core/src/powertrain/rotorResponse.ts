import { bladeAreaM2, bladeVolumeM3, planBlade } from '../propeller/bladeShape.ts';
import { usualMassKg } from '../propeller/bladeFlex.ts';
import {
  inertiaFactors,
  propFigures,
  propInertiaKgM2,
  RISE_TIME_CONSTANTS,
  rootForceN,
  spinUpTimeS,
  usualBlade,
  type PropFigures,
} from '../propeller/propFigures.ts';
import { predictSound, type Listener, type PredictedSound, type RotorSource } from '../sound/rotorSound.ts';
import { windingOhm, type Motor } from './motor.ts';
import { rotorAtThrottle, type Powertrain, type RotorPoint } from './powertrain.ts';

/** How a rotor answers and what it bears, at one point. */
export interface RotorFigures {
  prop: PropFigures;
  massKg: number;
  /** Propeller and bell about the shaft. */
  inertiaKgM2: number;
  spinUpTimeS: number;
  /** 10 to 90 % of a small step of thrust. */
  thrustRiseTimeS: number;
  rootForceN: number;
  /** Unbalance that a lost blade leaves: the pull that shakes the craft. */
  bladeLossForceN: number;
  thrustPerBladeN: number;
  /** Drag torque per newton of thrust, over the arm: how strongly yaw is held; null without an arm or without lift. */
  yawAuthorityRatio: number | null;
  /** Angular momentum given to the craft by a tenth more speed: the quick kick of yaw. */
  yawKickNmS: number;
}

/** Share of a motor that turns, and how far outside the stator it sits. */
const BELL_SHARE = 0.45;
const BELL_OUTSIDE_M = 0.0015;
/** Change of speed by which the yaw kick is compared. */
const KICK_RATIO = 0.1;

/** Moment of inertia of a motor's bell, from its size; good to ±30 %. */
export function bellInertiaKgM2({ massKg, statorDiameterM }: Pick<Motor, 'massKg' | 'statorDiameterM'>): number {
  return BELL_SHARE * massKg * (statorDiameterM / 2 + BELL_OUTSIDE_M) ** 2;
}

/**
 * Everything about a rotor at one point that does not need another simulation.
 *
 * What drives the speed back to its new value is Kt²/(R + X): the commutation reactance X = x·ω holds current back as
 * the winding does. The propeller's mass is the weighed one, or a usual one of its material. Behind a gear the bell
 * counts with the
 * square of the ratio.
 *
 * @param point - from {@link rotorAtThrottle} or {@link rotorAtThrust}
 * @param armM - distance of the rotor from the craft's centre [m]; null where yaw does not matter
 */
export function rotorFigures(
  { prop, drive, gearRatio }: Powertrain,
  point: RotorPoint,
  armM: number | null,
): RotorFigures {
  const { geometry, air } = prop;
  const { diameterM, pitchM, bladeCount, tipShape } = geometry;
  const massKg = geometry.massKg ?? usualMassKg(geometry);
  const blade = usualBlade(massKg, diameterM, bladeCount);
  const speedRadPerS = (point.speedRpm * 2 * Math.PI) / 60;
  const inertiaKgM2 =
    propInertiaKgM2(massKg, diameterM, inertiaFactors[tipShape]) + bellInertiaKgM2(drive.motor) * gearRatio ** 2;
  const resistance =
    windingOhm(drive.motor, drive.motorTemperatureC) +
    drive.escResistanceOhm +
    drive.motor.reactanceOhmS * speedRadPerS * gearRatio;
  const { thrustN, torqueNm, powerW } = point.prop;
  const spinUp = spinUpTimeS(
    inertiaKgM2,
    torqueNm,
    speedRadPerS,
    drive.motor.torqueConstantNmPerA * gearRatio,
    resistance,
  );
  const rootForce = rootForceN(blade.massKg, blade.centreOfMassM, point.speedRpm);
  return {
    prop: propFigures({
      diameterM,
      pitchM,
      speedRpm: point.speedRpm,
      thrustN,
      shaftPowerW: powerW,
      flightSpeedMPerS: 0,
      densityKgPerM3: air.densityKgPerM3,
      soundSpeedMPerS: air.soundSpeedMPerS,
      bladeAreaM2: bladeCount * bladeAreaM2(planBlade(geometry)),
    }),
    massKg,
    inertiaKgM2,
    spinUpTimeS: spinUp,
    thrustRiseTimeS: RISE_TIME_CONSTANTS * spinUp,
    rootForceN: rootForce,
    bladeLossForceN: rootForce,
    thrustPerBladeN: thrustN / bladeCount,
    yawAuthorityRatio: armM === null || thrustN <= 0 ? null : torqueNm / thrustN / armM,
    yawKickNmS: KICK_RATIO * inertiaKgM2 * speedRadPerS,
  };
}

/** Lowest part of the throttle over which the rise of thrust is compared. */
const LOW_THROTTLE_RATIO = 1 / 3;

/**
 * Share of the full thrust that the lowest third of the throttle already gives: how early a craft answers.
 *
 * @param fullThrustN - at full throttle [N], > 0
 * @returns null where the rotor does not turn at a third
 */
export function lowThrottleRise(powertrain: Powertrain, fullThrustN: number): number | null {
  const low = rotorAtThrottle(powertrain, LOW_THROTTLE_RATIO);
  return low.status === 'turning' || low.status === 'bogs' ? low.prop.thrustN / fullThrustN : null;
}

/** Predicted sound of a craft with equal rotors at one point of theirs. */
export function rotorSound(
  prop: Powertrain['prop'],
  point: RotorPoint,
  listener: Listener,
  rotorCount: number,
): PredictedSound {
  const plan = planBlade(prop.geometry);
  const source: RotorSource = {
    bladeCount: plan.bladeCount,
    diameterM: prop.geometry.diameterM,
    speedRpm: point.speedRpm,
    thrustN: point.prop.thrustN,
    torqueNm: point.prop.torqueNm,
    bladeVolumeM3: bladeVolumeM3(plan),
    bladeAreaM2: plan.bladeCount * bladeAreaM2(plan),
  };
  return predictSound(source, listener, prop.air, rotorCount);
}
