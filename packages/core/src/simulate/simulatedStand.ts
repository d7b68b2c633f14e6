import { seededRandom, type SeededRandom } from '../numerics/seededRandom.ts';
import { LIVE_RATE_HZ, type LiveReading } from '../stand/liveReading.ts';
import { simulatedCoefficients, type SimulatedCoefficients, type SimulatedProp } from './simulatedProp.ts';
import type { SimulatedMotor } from './simulatedRun.ts';

/** A made-up stand with a made-up piece, motor and pack on it. */
export interface SimulatedStandOptions {
  prop: SimulatedProp;
  motor: SimulatedMotor;
  /** Of the propeller and the bell [kg·m²]. */
  inertiaKgM2: number;
  motorMassKg: number;
  pack: { cellCount: number; capacityAh: number; cellResistanceOhm: number; stateOfCharge: number };
  airC: number;
  densityKgPerM3: number;
  /** Of the piece on its bell [kg·m]. */
  unbalanceKgM: number;
  /** Instruments, drift and noise. */
  seed: string;
}

export const simulatedFaults = ['scaleStuck', 'dropOut', 'escDesync', 'nutLoosening'] as const;
export type SimulatedFault = (typeof simulatedFaults)[number];

const TURN = 2 * Math.PI;
const SUBSTEPS = 5;
const ESC_RESISTANCE_OHM = 0.0045;
/** Load cell: noise at 10 readings a second, drift in ten minutes, hysteresis as a share of its range. */
const SCALE = { noiseN: 0.003, driftN: 0.02, driftS: 600, hysteresis: 0.001, rangeN: 50 };
/** Telemetry of the controller: rate, lag, step of the speed [rpm], current's share and floor. */
const TELEMETRY = { rateHz: 10, lagS: 0.06, stepRpm: 100 / 7, currentRatio: 0.01, currentFloorA: 0.1 };
/** Standard deviation of an instrument's gain. */
const GAIN = 0.005;
const RIG_MASS_KG = 1.4;
const HEAT_J_PER_KG_K = 430;
/** A throttle holds for this long, then the device zeroes itself [s]. */
const THROTTLE_VALID_S = 0.5;
const TABLE_COUNT = 48;
const TABLE_MOST_M_PER_S = 300;

/**
 * A stand that behaves: a rotor with inertia, a pack that sags and empties, a motor that heats, a scale that drifts and
 * sticks a little, telemetry in steps with a lag, a shake from unbalance. Every exchange answers the readings of the
 * last hundredth of a second.
 */
export class SimulatedStand {
  timeS = 0;
  private speed = 0;
  private temperatureC: number;
  private stateOfCharge: number;
  private readonly random: SeededRandom;
  private readonly gains: { thrust: number; current: number; vibration: number };
  private readonly driftPerS: number;
  private readonly coefficients: SimulatedCoefficients[];
  private telemetry = { speedRpm: 0, currentA: 0, voltageV: 0, temperatureC: 0, atS: -Infinity };
  private lagged = { speedRpm: 0, currentA: 0 };
  private busA = 0;
  private busV = 0;
  private lastThrustN = 0;
  private readThrustN = 0;
  private fault: { kind: SimulatedFault; sinceS: number } | null = null;

  constructor(private readonly options: SimulatedStandOptions) {
    this.random = seededRandom(`stand/${options.seed}`);
    const gain = (): number => 1 + GAIN * this.random.normal();
    this.gains = { thrust: gain(), current: gain(), vibration: gain() };
    this.driftPerS = (SCALE.driftN / SCALE.driftS) * this.random.normal();
    this.temperatureC = options.airC;
    this.stateOfCharge = options.pack.stateOfCharge;
    this.coefficients = Array.from({ length: TABLE_COUNT }, (_, k) =>
      simulatedCoefficients(options.prop, Math.max(2, (TABLE_MOST_M_PER_S * k) / (TABLE_COUNT - 1))),
    );
  }

  /** Something goes wrong from now on; null mends it. */
  break(kind: SimulatedFault | null): void {
    this.fault = kind === null ? null : { kind, sinceS: this.timeS };
  }

  /** What the pack still holds, 0 to 1. */
  get chargeRatio(): number {
    return this.stateOfCharge;
  }

  /** Resting volts per cell, as a checker would show them before the run. */
  get restingCellV(): number {
    return openCellV(this.stateOfCharge);
  }

  /**
   * Lets the time of one reading pass.
   *
   * @param throttleRatio - held for this exchange
   * @param elapsedS - time since the last exchange [s]; beyond half a second the device has zeroed itself
   * @returns null while the device does not answer
   */
  exchange(throttleRatio: number, elapsedS = 1 / LIVE_RATE_HZ): LiveReading | null {
    const isDesync = this.fault?.kind === 'escDesync';
    const throttle = elapsedS > THROTTLE_VALID_S ? 0 : throttleRatio;
    for (let i = 0; i < SUBSTEPS; i++) this.turn(throttle, elapsedS / SUBSTEPS, isDesync);
    this.timeS += elapsedS;
    const thrustN = this.thrustN() * this.looseness();
    this.read(thrustN, elapsedS);
    if (this.fault?.kind === 'dropOut') return null;
    return {
      timeS: this.timeS,
      throttleRatio: throttle,
      thrustN: this.readThrustN,
      speedRpm: this.telemetry.speedRpm,
      currentA: this.telemetry.currentA,
      voltageV: this.telemetry.voltageV,
      powerW: this.telemetry.currentA * this.telemetry.voltageV,
      temperatureC: this.telemetry.temperatureC,
      vibrationMPerS2: this.vibration(),
    };
  }

  /** One substep of circuit, rotor, pack and heat. */
  private turn(throttle: number, dtS: number, isDesync: boolean): void {
    const { motor, pack, inertiaKgM2, motorMassKg, airC, prop, densityKgPerM3 } = this.options;
    const perVolt = 60 / (TURN * motor.kvRpmPerV);
    const openV = pack.cellCount * openCellV(this.stateOfCharge);
    const packOhm = pack.cellCount * pack.cellResistanceOhm;
    const windingOhm = motor.resistanceOhm * (1 + 0.0039 * (this.temperatureC - 25)) + ESC_RESISTANCE_OHM;
    const drivingV = throttle * openV - perVolt * this.speed;
    const limitingOhm = windingOhm + motor.reactanceOhmS * this.speed + throttle * throttle * packOhm;
    const motorA = Math.max(0, isDesync ? 0.35 * openV : drivingV) / limitingOhm;
    const turns = this.speed / TURN;
    const load = (this.at().powerCoefficient * densityKgPerM3 * turns ** 2 * prop.diameterM ** 5) / TURN;
    const friction = this.speed > 0 ? motor.frictionNm + motor.frictionNmS * this.speed : 0;
    const driving = isDesync ? 0 : perVolt * motorA;
    // Implicit in the load and the back voltage, so that a light rotor on a stiff motor stays stable.
    const stiffness = (2 * load) / Math.max(1, this.speed) + (driving > 0 ? perVolt ** 2 / limitingOhm : 0);
    this.speed = Math.max(0, this.speed + (dtS * (driving - load - friction)) / (inertiaKgM2 + dtS * stiffness));
    // Reactance takes volts without taking power; a motor out of step draws what the controller lets through.
    this.busA = (isDesync ? throttle * motorA : (motorA * (perVolt * this.speed + motorA * windingOhm)) / openV) + 0.04;
    this.busV = openV - packOhm * this.busA;
    this.stateOfCharge = Math.max(0, this.stateOfCharge - (this.busA * dtS) / (3600 * pack.capacityAh));
    const carried = (0.12 + 0.055 * Math.sqrt(turns)) * (this.temperatureC - airC) * motorMassKg * 14;
    this.temperatureC +=
      (dtS * (motorA ** 2 * windingOhm + friction * this.speed - carried)) / (HEAT_J_PER_KG_K * motorMassKg);
  }

  private at(): SimulatedCoefficients {
    const place = Math.min(
      TABLE_COUNT - 1.001,
      (((this.speed * this.options.prop.diameterM) / 2) * (TABLE_COUNT - 1)) / TABLE_MOST_M_PER_S,
    );
    const k = Math.floor(place);
    const t = place - k;
    const [from, to] = [this.coefficients[k]!, this.coefficients[k + 1]!];
    return {
      thrustCoefficient: from.thrustCoefficient + t * (to.thrustCoefficient - from.thrustCoefficient),
      powerCoefficient: from.powerCoefficient + t * (to.powerCoefficient - from.powerCoefficient),
    };
  }

  private thrustN(): number {
    const { prop, densityKgPerM3 } = this.options;
    return this.at().thrustCoefficient * densityKgPerM3 * (this.speed / TURN) ** 2 * prop.diameterM ** 4;
  }

  /** A nut that backs off: the piece slips more with every second. */
  private looseness(): number {
    return this.fault?.kind === 'nutLoosening' ? Math.max(0.3, 1 - 0.06 * (this.timeS - this.fault.sinceS)) : 1;
  }

  private vibration(): number {
    const loose = this.fault?.kind === 'nutLoosening' ? 1 + 2.5 * (this.timeS - this.fault.sinceS) : 1;
    const shake = (this.options.unbalanceKgM * loose * this.speed ** 2) / RIG_MASS_KG;
    return Math.abs(shake * this.gains.vibration * (1 + 0.02 * this.random.normal()) + 0.05 * this.random.normal());
  }

  private read(thrustN: number, elapsedS: number): void {
    if (this.fault?.kind !== 'scaleStuck') {
      const direction = Math.sign(thrustN - this.lastThrustN);
      const line = 0.02 * this.options.unbalanceKgM * this.speed ** 2 * Math.sin(this.speed * this.timeS);
      this.readThrustN =
        thrustN * this.gains.thrust +
        this.driftPerS * this.timeS -
        direction * Math.min(SCALE.hysteresis * SCALE.rangeN, 0.004 * thrustN) +
        line +
        SCALE.noiseN * Math.sqrt(LIVE_RATE_HZ / 10) * this.random.normal();
    }
    this.lastThrustN = thrustN;
    const follow = 1 - Math.exp(-elapsedS / TELEMETRY.lagS);
    this.lagged.speedRpm += follow * ((60 * this.speed) / TURN - this.lagged.speedRpm);
    this.lagged.currentA += follow * (this.busA - this.lagged.currentA);
    if (this.timeS - this.telemetry.atS < 1 / TELEMETRY.rateHz - 1e-9) return;
    this.telemetry = {
      atS: this.timeS,
      speedRpm: Math.round(this.lagged.speedRpm / TELEMETRY.stepRpm) * TELEMETRY.stepRpm,
      currentA: Math.max(
        0,
        this.lagged.currentA * this.gains.current * (1 + TELEMETRY.currentRatio * 0.3 * this.random.normal()) +
          TELEMETRY.currentFloorA * 0.3 * this.random.normal(),
      ),
      voltageV: Math.round(this.busV * 100) / 100,
      temperatureC: this.temperatureC + 0.3 * this.random.normal(),
    };
  }
}

/** Resting volts of a made-up cell; a smooth law of its own. */
function openCellV(stateOfCharge: number): number {
  return 3.5 + 0.38 * stateOfCharge + 0.32 * stateOfCharge ** 4 - 0.25 * Math.exp(-18 * stateOfCharge);
}
