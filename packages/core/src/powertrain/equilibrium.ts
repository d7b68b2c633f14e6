import { requirePositive, requireWithin } from '../errors/guards.ts';
import { findRoot } from '../numerics/findRoot.ts';
import { windingOhm, type Motor } from './motor.ts';

/** One motor and its speed controller, at a temperature. */
export interface Drive {
  motor: Motor;
  escResistanceOhm: number;
  /** What the controller draws by itself [W]. */
  standbyPowerW: number;
  motorTemperatureC: number;
}

/** Resistance and draw of a usual speed controller. */
export const USUAL_ESC = { escResistanceOhm: 0.004, standbyPowerW: 0.8 } as const;

/** Cells from which on a controller draws what a usual one does; those of tiny craft share a board and draw less. */
const USUAL_ESC_CELLS = 4;

/** Resistance and draw of a usual speed controller for so many cells. */
export function usualEsc(seriesCount: number): Pick<Drive, 'escResistanceOhm' | 'standbyPowerW'> {
  return { ...USUAL_ESC, standbyPowerW: USUAL_ESC.standbyPowerW * Math.min(1, seriesCount / USUAL_ESC_CELLS) ** 2 };
}

/** The pack at one moment, and how many equal drives it feeds. */
export interface Supply {
  openVoltageV: number;
  resistanceOhm: number;
  driveCount: number;
  /** What else hangs on the pack: avionics, payload [W]; none when left out. */
  otherPowerW?: number;
}

/** Torque that the shaft asks for at a speed [rad/s → N·m]; not falling with speed. */
export type ShaftLoad = (speedRadPerS: number) => number;

/**
 * A rotor whose coefficients do not change with speed: T = C_T·ρ·n²·D⁴, Q = C_P·ρ·n²·D⁵/(2π).
 *
 * @throws {OutOfRangeError} if the power coefficient, the diameter or the density is not positive
 */
export function constantRotor(
  thrustCoefficient: number,
  powerCoefficient: number,
  diameterM: number,
  densityKgPerM3: number,
): { thrustN: ShaftLoad; torqueNm: ShaftLoad } {
  requirePositive('powerCoefficient', powerCoefficient);
  requirePositive('diameterM', diameterM);
  requirePositive('densityKgPerM3', densityKgPerM3);
  const perSquare = (densityKgPerM3 * diameterM ** 4) / (2 * Math.PI) ** 2;
  return {
    thrustN: (speedRadPerS) => thrustCoefficient * perSquare * speedRadPerS ** 2,
    torqueNm: (speedRadPerS) => ((powerCoefficient * perSquare * diameterM) / (2 * Math.PI)) * speedRadPerS ** 2,
  };
}

/** What one drive does at one speed. */
export interface DrivePoint {
  speedRadPerS: number;
  torqueNm: number;
  /** In the winding. */
  motorCurrentA: number;
  motorVoltageV: number;
  /** Electrical power into the controller, of one drive [W]. */
  powerW: number;
  /** At the controller, of one drive. */
  busCurrentA: number;
  busVoltageV: number;
  shaftPowerW: number;
}

/**
 * Where drive and load agree. `bogs`: it turns, at less than half the speed it would have unloaded; more throttle
 * then gives current, hardly speed. `packCannotGive`: the drives ask for more than the pack's resistance lets out;
 * needed is what they would draw from a pack without resistance.
 * `standsStill`: the throttle does not overcome friction.
 */
export type Equilibrium =
  | { status: 'turning' | 'bogs'; drive: DrivePoint }
  | { status: 'packCannotGive'; neededPowerW: number; mostPowerW: number }
  | { status: 'standsStill' };

const BOGGED_RATIO = 0.5;
/** Speed is found to this share of the unloaded speed. */
const TOLERANCE_RATIO = 1e-9;

/**
 * Speed at which a motor on a throttle carries its load, and what it draws.
 *
 *   I = (Q + Qf)/Kt, Vm = Kt·ω + I·(R + R_esc + X·ω), Pe = Kt·ω·I + I²·(R + R_esc) + P0,
 *   Vb = (Voc + √(Voc² − 4·R_pack·(n·Pe + P_other)))/2; solve u·Vb = Vm for ω
 *
 * Both sides are monotone in ω, so there is one answer; it is bracketed between standstill and the unloaded speed.
 *
 * @param load - shaft torque over speed
 * @param throttleRatio - share of the bus voltage that the controller passes on, 0 to 1
 * @throws {OutOfRangeError} if the throttle is not 0 to 1 or a part of the drive makes no sense
 * @see docs/physics.md, Motor, ESC, pack
 */
export function equilibrium(drive: Drive, supply: Supply, load: ShaftLoad, throttleRatio: number): Equilibrium {
  requireWithin('throttleRatio', throttleRatio, 0, 1);
  requireSupply(supply);
  const { motor } = drive;
  const { openVoltageV } = supply;
  const state = electricState(drive, supply);
  const excessV = (speed: number): number => {
    const { busV, motorV } = state(speed, load(speed));
    return throttleRatio * busV - motorV;
  };
  const unloaded = (throttleRatio * openVoltageV) / motor.torqueConstantNmPerA;
  if (!(unloaded > 0)) return { status: 'standsStill' };
  const root = findRoot(excessV, 1e-6 * unloaded, unloaded, TOLERANCE_RATIO * unloaded);
  if (root.status === 'notEnclosed') return { status: 'standsStill' };
  const torqueNm = load(root.x);
  const point = held(state(root.x, torqueNm), supply, root.x, torqueNm);
  if (point.status === 'packCannotGive')
    return { ...point, neededPowerW: powerOfStiffPackW(drive, supply, load, throttleRatio) };
  return { status: root.x < BOGGED_RATIO * unloaded ? 'bogs' : 'turning', drive: point.drive };
}

/** What all drives together would draw from a pack without resistance [W]. */
function powerOfStiffPackW(drive: Drive, supply: Supply, load: ShaftLoad, throttleRatio: number): number {
  const found = equilibrium(drive, { ...supply, resistanceOhm: 0 }, load, throttleRatio);
  return 'drive' in found ? supply.driveCount * found.drive.powerW + (supply.otherPowerW ?? 0) : 0;
}

/** A drive at a given speed and torque, with the throttle that holds it there: above 1 it cannot. */
export type HeldPoint =
  | { status: 'held'; throttleRatio: number; drive: DrivePoint }
  | { status: 'packCannotGive'; neededPowerW: number; mostPowerW: number };

/**
 * What a drive draws while it holds a speed against a torque, and at which throttle.
 *
 * @param speedRadPerS - > 0
 * @throws {OutOfRangeError} if the speed is not positive
 */
export function driveAt(drive: Drive, supply: Supply, speedRadPerS: number, torqueNm: number): HeldPoint {
  return holder(drive, supply)(speedRadPerS, torqueNm);
}

/** The same for many points of one drive. */
export function holder(drive: Drive, supply: Supply): (speedRadPerS: number, torqueNm: number) => HeldPoint {
  requireSupply(supply);
  const state = electricState(drive, supply);
  return (speedRadPerS, torqueNm) => {
    requirePositive('speedRadPerS', speedRadPerS);
    return held(state(speedRadPerS, torqueNm), supply, speedRadPerS, torqueNm);
  };
}

function held(
  { currentA, motorV, powerW, busV, isGiven }: ElectricState,
  { openVoltageV, resistanceOhm, driveCount, otherPowerW = 0 }: Supply,
  speedRadPerS: number,
  torqueNm: number,
): HeldPoint {
  if (!isGiven)
    return {
      status: 'packCannotGive',
      neededPowerW: driveCount * powerW + otherPowerW,
      mostPowerW: openVoltageV ** 2 / (4 * resistanceOhm),
    };
  return {
    status: 'held',
    throttleRatio: motorV / busV,
    drive: {
      speedRadPerS,
      torqueNm,
      motorCurrentA: currentA,
      motorVoltageV: motorV,
      powerW,
      busCurrentA: powerW / busV,
      busVoltageV: busV,
      shaftPowerW: torqueNm * speedRadPerS,
    },
  };
}

interface ElectricState {
  currentA: number;
  motorV: number;
  powerW: number;
  busV: number;
  isGiven: boolean;
}

/** The circuit at a speed and a torque. Each call answers in the same place, so that solving makes nothing new. */
function electricState(
  { motor, escResistanceOhm, standbyPowerW, motorTemperatureC }: Drive,
  { openVoltageV, resistanceOhm, driveCount, otherPowerW = 0 }: Supply,
): (speed: number, torqueNm: number) => ElectricState {
  const { torqueConstantNmPerA, reactanceOhmS, friction } = motor;
  const ohm = windingOhm(motor, motorTemperatureC) + escResistanceOhm;
  const answer: ElectricState = { currentA: 0, motorV: 0, powerW: 0, busV: 0, isGiven: true };
  return (speed, torqueNm) => {
    const backV = torqueConstantNmPerA * speed;
    const currentA = (torqueNm + friction(speed)) / torqueConstantNmPerA;
    const powerW = backV * currentA + currentA * currentA * ohm + standbyPowerW;
    const inside = openVoltageV * openVoltageV - 4 * resistanceOhm * (driveCount * powerW + otherPowerW);
    answer.currentA = currentA;
    answer.motorV = backV + currentA * (ohm + reactanceOhmS * speed);
    answer.powerW = powerW;
    answer.busV = (openVoltageV + Math.sqrt(Math.max(0, inside))) / 2;
    answer.isGiven = inside >= 0;
    return answer;
  };
}

function requireSupply({ openVoltageV, resistanceOhm, driveCount, otherPowerW = 0 }: Supply): void {
  requirePositive('openVoltageV', openVoltageV);
  requireWithin('resistanceOhm', resistanceOhm, 0, 1000);
  requirePositive('driveCount', driveCount);
  requireWithin('otherPowerW', otherPowerW, 0, 1e6);
}
