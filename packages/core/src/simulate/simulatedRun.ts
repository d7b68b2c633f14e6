import { findRoot } from '../numerics/findRoot.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { emptyStep, type StandStep } from '../stand/quantities.ts';
import { simulatedCoefficients, type SimulatedProp } from './simulatedProp.ts';

/** A made-up motor: what its label says lies a little beside its truth. */
export interface SimulatedMotor {
  kvRpmPerV: number;
  resistanceOhm: number;
  /** Friction at rest and its growth with speed [N·m, N·m·s/rad]. */
  frictionNm: number;
  frictionNmS: number;
  /** Commutation reactance per speed [Ω·s/rad]. */
  reactanceOhmS: number;
}

/** A made-up pack at the start of a run. */
export interface SimulatedPack {
  cellCount: number;
  cellResistanceOhm: number;
  /** Resting volts per cell at the start of the run. */
  restingCellV: number;
}

/** Standard deviations of a motor around its label, as shares: speed constant, winding, friction, reactance. */
const MOTOR_SPREAD = { kv: 0.01, resistance: 0.04, friction: 0.12, reactance: 0.12 };
/** Time constant of a usual winding: its reactance grows with speed as this share of its resistance [s]. */
const WINDING_S = 0.00042;
const ESC_RESISTANCE_OHM = 0.0045;
const OWN_DRAW_W = 0.9;
/** Share of the throughput that a controller loses at half throttle, by switching. */
const SWITCHING_RATIO = 0.02;
/** Resting voltage lost per step of the ladder, as the pack empties. */
const CELL_V_PER_STEP = 0.006;
/** Standard deviations of an instrument's gain: scale, current meter, tachometer. */
const GAIN = { thrust: 0.004, current: 0.005, speed: 0.0005 };

/** What the instruments of a made-up bench make of what is there. */
export interface SimulatedBench {
  thrust: number;
  current: number;
  speed: number;
  /** Of their usual noise within a run: 1 as it is, 0 for the truth itself. */
  noiseRatio: number;
}

/**
 * Draws a made-up motor around its label figures.
 *
 * @param noLoadCurrentA - at 10 V [A]
 * @param seed - any text; the same text gives the same motor
 */
export function simulatedMotor(
  kvRpmPerV: number,
  resistanceOhm: number,
  noLoadCurrentA: number,
  seed: string,
): SimulatedMotor {
  const random = seededRandom(`motor/${seed}`);
  const around = (value: number, spread: number): number => value * (1 + spread * random.normal());
  const kv = around(kvRpmPerV, MOTOR_SPREAD.kv);
  const frictionNm = around((60 / (2 * Math.PI * kv)) * noLoadCurrentA, MOTOR_SPREAD.friction);
  const noLoadSpeed = (10 * kv * 2 * Math.PI) / 60;
  const ohm = around(resistanceOhm, MOTOR_SPREAD.resistance);
  return {
    kvRpmPerV: kv,
    resistanceOhm: ohm,
    frictionNm: 0.4 * frictionNm,
    frictionNmS: (0.6 * frictionNm) / noLoadSpeed,
    reactanceOhmS: around(WINDING_S * resistanceOhm, MOTOR_SPREAD.reactance),
  };
}

/**
 * One typed ladder of a made-up prop on a made-up motor and pack: settled means as a careful person would note them.
 *
 * At each throttle u the speed solves motor torque = rotor torque with u·V_pack across the motor; the ESC passes
 * power, so the pack gives u times the motor's current. Load cell, current meter and tachometer add their noise.
 *
 * @param throttles - ladder, each in (0, 1]
 * @param densityKgPerM3 - air of the day
 * @param seed - any text
 * @param bench - the instruments; drawn anew for this run where they are not given
 */
export function simulatedRun(
  prop: SimulatedProp,
  motor: SimulatedMotor,
  pack: SimulatedPack,
  throttles: readonly number[],
  densityKgPerM3: number,
  seed: string,
  bench?: SimulatedBench,
): StandStep[] {
  const random = seededRandom(seed);
  const gain = bench ?? {
    thrust: 1 + GAIN.thrust * random.normal(),
    current: 1 + GAIN.current * random.normal(),
    speed: 1 + GAIN.speed * random.normal(),
    noiseRatio: 1,
  };
  return throttles.map((throttleRatio, i) => {
    const openV = pack.cellCount * (pack.restingCellV - CELL_V_PER_STEP * i);
    const state = equilibrium(
      prop,
      motor,
      openV,
      pack.cellCount * pack.cellResistanceOhm,
      throttleRatio,
      densityKgPerM3,
    );
    const noisy = (value: number, ratio: number, floor: number): number =>
      value * (1 + gain.noiseRatio * ratio * random.normal()) + gain.noiseRatio * floor * random.normal();
    // Without noise there are no digits either: that is the truth.
    const rounded = (value: number, step: number): number => (gain.noiseRatio === 0 ? value : roundTo(value, step));
    return {
      ...emptyStep(),
      throttleRatio,
      thrustN: rounded(noisy(state.thrustN * gain.thrust, 0.002, 0.004), 0.00980665),
      speedRpm: rounded(noisy(state.speedRpm * gain.speed, 0.001, 3), 10),
      currentA: rounded(noisy(state.currentA * gain.current, 0.003, 0.02), 0.1),
      voltageV: rounded(state.voltageV, 0.01),
      temperatureC: roundTo(14 + 46 * throttleRatio ** 2.4 * (1 + 0.1 * i * 0.2) + random.normal(), 1),
    };
  });
}

interface Equilibrium {
  thrustN: number;
  speedRpm: number;
  currentA: number;
  voltageV: number;
}

function equilibrium(
  prop: SimulatedProp,
  motor: SimulatedMotor,
  openV: number,
  packOhm: number,
  throttleRatio: number,
  density: number,
): Equilibrium {
  const perVolt = 60 / (2 * Math.PI * motor.kvRpmPerV);
  const at = (speedRpm: number): Equilibrium & { lackV: number } => {
    const turns = speedRpm / 60;
    const { thrustCoefficient, powerCoefficient } = simulatedCoefficients(prop, Math.PI * turns * prop.diameterM);
    const speed = 2 * Math.PI * turns;
    const torqueNm = (powerCoefficient * density * turns ** 2 * prop.diameterM ** 5) / (2 * Math.PI);
    const motorA = (torqueNm + motor.frictionNm + motor.frictionNmS * speed) / perVolt;
    const heldV = speed * perVolt + motorA * (motor.resistanceOhm + ESC_RESISTANCE_OHM);
    // Reactance takes volts without taking power.
    const motorV = heldV + motorA * motor.reactanceOhmS * speed;
    const powerW = motorA * heldV * (1 + SWITCHING_RATIO * 4 * throttleRatio * (1 - throttleRatio)) + OWN_DRAW_W;
    const voltageV = (openV + Math.sqrt(Math.max(0, openV ** 2 - 4 * packOhm * powerW))) / 2;
    return {
      thrustN: thrustCoefficient * density * turns ** 2 * prop.diameterM ** 4,
      speedRpm,
      currentA: powerW / voltageV,
      voltageV,
      lackV: throttleRatio * voltageV - motorV,
    };
  };
  const root = findRoot((rpm) => at(rpm).lackV, 1, motor.kvRpmPerV * openV, 1e-4);
  return at(root.status === 'found' ? root.x : 1);
}

function roundTo(value: number, step: number): number {
  return Math.round(value / step) * step;
}
