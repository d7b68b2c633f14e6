import type { PropellerModel } from '../propeller/propellerModel.ts';
import { rotorAtThrottle, type Powertrain, type RotorPoint } from '../powertrain/powertrain.ts';
import { driveWith, type MotorCalibration } from '../stand/motorCalibration.ts';
import { powertrainOn, type PreparedCraft } from './pickCraft.ts';
import { Z_95 } from '../statistics/normal.ts';

/** Full throttle of one motor with how sure it is. */
export interface FullPrediction {
  thrustN: number;
  currentA: number;
  /** At the controller [V]. */
  voltageV: number;
  /** Half widths of 95 %, as shares. */
  thrustUncertaintyRatio: number;
  currentUncertaintyRatio: number;
}

/** What is believed of a motor that nobody measured, in logarithms: kV, resistance, reactance. */
const LABEL_MOTOR = { kvDeviation: 0.02, resistanceDeviation: 0.25, reactanceDeviation: 0.5 } as const;

/**
 * Full throttle of a rotor, and how far it may be off: what is not known of the propeller's thrust and power and of the
 * motor's speed constant, resistance and reactance, each carried through the equilibrium by itself and added as
 * squares.
 *
 * @param motor - what runs say of the motor in the powertrain; null where it is taken at its label
 * @returns null where the rotor does not turn there
 */
export function fullThrottleOnStand(powertrain: Powertrain, motor: MotorCalibration | null): FullPrediction | null {
  const own = turned(powertrain);
  if (own === null) return null;
  const { prop } = powertrain;
  const { kvDeviation, resistanceDeviation, reactanceDeviation } = motor ?? LABEL_MOTOR;
  const [thrustLog, powerLog] = [prop.thrustUncertaintyRatio / Z_95, prop.powerUncertaintyRatio / Z_95];
  const nudges: Powertrain[] = [
    { ...powertrain, prop: { ...prop, powerFactor: prop.powerFactor * Math.exp(powerLog) } },
    ...[
      { kvFactor: Math.exp(kvDeviation), resistanceFactor: 1, reactanceFactor: 1 },
      { kvFactor: 1, resistanceFactor: Math.exp(resistanceDeviation), reactanceFactor: 1 },
      { kvFactor: 1, resistanceFactor: 1, reactanceFactor: Math.exp(reactanceDeviation) },
    ].map((factors) => ({ ...powertrain, drive: driveWith(powertrain.drive, factors) })),
  ];
  let [thrust, current] = [thrustLog ** 2, 0];
  for (const nudged of nudges) {
    const off = turned(nudged);
    if (off === null) continue;
    thrust += Math.log(off.prop.thrustN / own.prop.thrustN) ** 2;
    current += Math.log(off.drive.busCurrentA / own.drive.busCurrentA) ** 2;
  }
  return {
    thrustN: own.prop.thrustN,
    currentA: own.drive.busCurrentA,
    voltageV: own.drive.busVoltageV,
    thrustUncertaintyRatio: Z_95 * Math.sqrt(thrust),
    currentUncertaintyRatio: Z_95 * Math.sqrt(current),
  };
}

function turned(powertrain: Powertrain): RotorPoint | null {
  const found = rotorAtThrottle(powertrain, 1);
  return (found.status === 'turning' || found.status === 'bogs') && found.prop.thrustN > 0 ? found : null;
}

/** Where full throttle is spoken of: on the stand, one motor on the craft's pack, all of them in flight. */
export const fullConditions = ['oneMotorStand', 'oneMotorHalfPack', 'allMotorsHalfPack'] as const;
export type FullCondition = (typeof fullConditions)[number];

export interface FullAt extends FullPrediction {
  condition: FullCondition;
}

/**
 * One motor and propeller from the stand into the air: at the stand's voltage, alone on the half-empty pack, and with
 * all motors and the avionics on it, each with how far it may be off. What lies between is the pack.
 *
 * @param standVoltageV - at the controller on the stand [V]; null leaves the stand out
 */
export function conditionWalk(prepared: PreparedCraft, prop: PropellerModel, standVoltageV: number | null): FullAt[] {
  const powertrain = powertrainOn(prepared, prop);
  const { supply } = prepared;
  const supplies: [FullCondition, Powertrain['supply']][] = [
    ...(standVoltageV === null
      ? []
      : [
          ['oneMotorStand', { openVoltageV: standVoltageV, resistanceOhm: 0, driveCount: 1 }] as [
            FullCondition,
            Powertrain['supply'],
          ],
        ]),
    ...(supply.driveCount === 1
      ? []
      : [['oneMotorHalfPack', { ...supply, driveCount: 1, otherPowerW: 0 }] as [FullCondition, Powertrain['supply']]]),
    ['allMotorsHalfPack', supply],
  ];
  return supplies.flatMap(([condition, of]) => {
    const found = fullThrottleOnStand({ ...powertrain, supply: of }, prepared.calibration?.motor ?? null);
    return found === null ? [] : [{ condition, ...found }];
  });
}
