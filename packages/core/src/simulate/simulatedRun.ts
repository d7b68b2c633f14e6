import { findRoot } from '../numerics/findRoot.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { emptyStep, type StandStep } from '../stand/quantities.ts';
import type { SimulatedProp } from './simulatedProp.ts';

export interface SimulatedMotor {
  kvRpmPerV: number;
  resistanceOhm: number;
  noLoadCurrentA: number;
}

export interface SimulatedPack {
  cellCount: number;
  cellResistanceOhm: number;
  /** Resting volts per cell at the start of the run. */
  restingCellV: number;
}

const ESC_RESISTANCE_OHM = 0.004;
const OWN_DRAW_W = 0.8;
/** Resting voltage lost per step of the ladder, as the pack empties. */
const CELL_V_PER_STEP = 0.006;

/**
 * One typed ladder of a made-up prop on a made-up motor and pack: settled means as a careful person would note them.
 *
 * At each throttle u the speed solves motor torque = rotor torque with u·V_pack across the motor; the ESC passes
 * power, so the pack gives u times the motor's current. Load cell, current meter and tachometer add their noise.
 *
 * @param throttles - ladder, each in (0, 1]
 * @param densityKgPerM3 - air of the day
 * @param seed - any text
 */
export function simulatedRun(prop: SimulatedProp, motor: SimulatedMotor, pack: SimulatedPack, throttles: readonly number[], densityKgPerM3: number, seed: string): StandStep[] {
  const random = seededRandom(seed);
  const gain = 1 + 0.004 * random.normal();
  return throttles.map((throttleRatio, i) => {
    const openV = pack.cellCount * (pack.restingCellV - CELL_V_PER_STEP * i);
    const state = equilibrium(prop, motor, openV, pack.cellCount * pack.cellResistanceOhm, throttleRatio, densityKgPerM3);
    const noisy = (value: number, ratio: number, floor: number): number => value * (1 + ratio * random.normal()) + floor * random.normal();
    return {
      ...emptyStep(),
      throttleRatio,
      thrustN: roundTo(noisy(state.thrustN * gain, 0.002, 0.004), 0.00980665),
      speedRpm: roundTo(noisy(state.speedRpm, 0.001, 3), 10),
      currentA: roundTo(noisy(state.currentA, 0.004, 0.02), 0.1),
      voltageV: roundTo(state.voltageV, 0.01),
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

function equilibrium(prop: SimulatedProp, motor: SimulatedMotor, openV: number, packOhm: number, throttleRatio: number, density: number): Equilibrium {
  const perVolt = 60 / (2 * Math.PI * motor.kvRpmPerV);
  const at = (speedRpm: number): Equilibrium & { lackV: number } => {
    const turns = speedRpm / 60;
    const wash = 1 / (1 + prop.washoutRatio * ((Math.PI * turns * prop.diameterM) / 150) ** 2);
    const thrustN = prop.thrustCoefficient * wash * density * turns ** 2 * prop.diameterM ** 4;
    const torqueNm = (prop.powerCoefficient * wash ** 1.2 * density * turns ** 2 * prop.diameterM ** 5) / (2 * Math.PI);
    const motorA = torqueNm / perVolt + motor.noLoadCurrentA;
    const motorV = (2 * Math.PI * turns) * perVolt + motorA * (motor.resistanceOhm + ESC_RESISTANCE_OHM);
    const powerW = motorA * motorV + OWN_DRAW_W;
    const voltageV = (openV + Math.sqrt(Math.max(0, openV ** 2 - 4 * packOhm * powerW))) / 2;
    return { thrustN, speedRpm, currentA: powerW / voltageV, voltageV, lackV: throttleRatio * voltageV - motorV };
  };
  const root = findRoot((rpm) => at(rpm).lackV, 1, motor.kvRpmPerV * openV, 1e-6);
  return at(root.status === 'found' ? root.x : 1);
}

function roundTo(value: number, step: number): number {
  return Math.round(value / step) * step;
}
