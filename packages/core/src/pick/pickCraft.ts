import type { RotorAir } from '../air/rotorAir.ts';
import { carryThrustN } from '../craft/carryThrust.ts';
import {
  isCoaxial,
  layoutKind,
  neighbourDistanceM,
  type CraftKind,
  type Layout,
  type Rotor,
} from '../craft/layouts.ts';
import type { PackChemistry } from '../powertrain/packChemistry.ts';
import { handsNeeded, type HandCounts } from '../rack/setNeeds.ts';
import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { MotorEntries } from '../powertrain/motor.ts';
import { motorOf } from '../powertrain/motor.ts';
import { packOpenV, packResistanceOhm, type Pack } from '../powertrain/pack.ts';
import { usualEsc, type Drive, type Supply } from '../powertrain/equilibrium.ts';
import type { CoefficientTables } from '../propeller/coefficientTables.ts';
import { motorWith } from '../stand/motorCalibration.ts';
import type { StandCalibration } from '../stand/runCalibration.ts';
import type { PropellerModel } from '../propeller/propellerModel.ts';
import type { Powertrain } from '../powertrain/powertrain.ts';
import { styleOfUse, type FlyingStyle } from './flyingStyle.ts';
import type { UseName } from './uses.ts';

/** A craft as picking sees it: what carries, what turns the props, what stands in their way. */
export interface PickCraft {
  kind: CraftKind;
  rotorCount: number;
  /** Whether rotors work in pairs one above the other. */
  isCoaxial: boolean;
  /** Mean distance of the shafts from the centre [m]; null for a plane. */
  armM: number | null;
  /** Between the two nearest shafts [m]; null with one. */
  neighbourDistanceM: number | null;
  /** Largest disc that clears the frame [m]. */
  clearanceDiameterM: number | null;
  /** Planes: height of the shaft above the ground with the wheels pressed in [m]. */
  groundClearanceM: number | null;
  /** Planes: from the shaft to the nearest boom, tail or float [m]. */
  boomClearanceM: number | null;
  /** Take-off mass with pack and payload. */
  massKg: number;
  /** Turns of the motor for one of the shaft, whichever way round; 1 without gears. */
  gearRatio: number;
  /** Of the shaft or adapter that a bore goes over [m]; null while nobody measured it. */
  shaftDiameterM: number | null;
  /** Pieces of each hand that it flies with. */
  needed: HandCounts;
  motor: MotorEntries;
  motorLimitA: number | null;
  escLimitA: number | null;
  pack: Pack;
  /** What avionics and payload draw beside the motors [W]. */
  standbyPowerW: number;
  /** Thrust of a rotor in its duct over that of the free one at the same speed: an assumption; null without ducts. */
  ductThrustRatio: number | null;
  /** How hard it is flown: what heats motors and wears blades. */
  style: FlyingStyle;
  airC: number;
}

/** A craft in an air: all that sentences about its props need. */
export interface PickSetting {
  craft: PickCraft;
  air: RotorAir;
  /** What the workshop's own runs on this motor correct; null without any. */
  calibration: StandCalibration | null;
}

/** A craft made ready for many candidates. */
export interface PreparedCraft {
  craft: PickCraft;
  air: RotorAir;
  /** Corrects every prop that has none of its own, and the motor. */
  calibration: Pick<StandCalibration, 'whole' | 'motor'> | null;
  tables: CoefficientTables;
  drive: Drive;
  /** The pack half empty: every figure is taken there, so that none depends on the minute of the flight. */
  supply: Supply;
  /** Thrust that one rotor must give to carry its share, its partner's stream counted [N]. */
  carryThrustN: number;
  /** Flow along the axis meanwhile [m/s]: none in hover, the cruising speed of a plane. */
  carrySpeedMPerS: number;
}

/** A propeller on the motor, gear and pack of a craft. */
export function powertrainOn({ drive, supply, craft }: PreparedCraft, prop: PropellerModel): Powertrain {
  return { prop, drive, supply, gearRatio: craft.gearRatio };
}

/** A craft as it is entered: what {@link pickCraftOf} reads of it. */
export interface CraftEntries {
  layout: Layout;
  rotors: readonly Rotor[];
  massKg: number;
  clearanceDiameterM: number | null;
  groundClearanceM: number | null;
  boomClearanceM: number | null;
  shaftDiameterM: number | null;
  statorDiameterM: number;
  statorHeightM: number;
  kvRpmPerV: number;
  motorResistanceOhm: number;
  motorNoLoadCurrentA: number;
  motorMassKg: number;
  /** Motor figures that were never typed: the core estimates them itself. */
  estimatedFields: readonly string[];
  motorLimitA: number | null;
  escLimitA: number | null;
  packChemistry: PackChemistry;
  packSeriesCount: number;
  packCapacityAh: number;
  packCellResistanceOhm: number | null;
  packCRating: number | null;
  /** Null for what is usual at that weight. */
  standbyPowerW: number | null;
  ductThrustRatio: number | null;
  use: UseName | null;
}

/** A craft as picking sees it, from what was entered. */
export function pickCraftOf(craft: CraftEntries, airC: number): PickCraft {
  const { rotors, estimatedFields } = craft;
  const kind = layoutKind(craft.layout);
  const typed = (field: string, value: number): number | null => (estimatedFields.includes(field) ? null : value);
  return {
    kind,
    rotorCount: rotors.length,
    isCoaxial: isCoaxial(rotors),
    armM: kind === 'plane' ? null : rotors.reduce((sum, r) => sum + Math.hypot(r.xM, r.yM), 0) / rotors.length,
    neighbourDistanceM: neighbourDistanceM(rotors),
    clearanceDiameterM: craft.clearanceDiameterM,
    groundClearanceM: craft.groundClearanceM,
    boomClearanceM: craft.boomClearanceM,
    massKg: craft.massKg,
    gearRatio: Math.abs(rotors[0]?.gearRatio ?? 1),
    shaftDiameterM: craft.shaftDiameterM,
    needed: handsNeeded(rotors, kind),
    motor: {
      statorDiameterM: craft.statorDiameterM,
      statorHeightM: craft.statorHeightM,
      kvRpmPerV: craft.kvRpmPerV,
      resistanceOhm: typed('motorResistanceOhm', craft.motorResistanceOhm),
      noLoadCurrentA: typed('motorNoLoadCurrentA', craft.motorNoLoadCurrentA),
      massKg: typed('motorMassKg', craft.motorMassKg),
    },
    motorLimitA: craft.motorLimitA,
    escLimitA: craft.escLimitA,
    pack: {
      chemistry: craft.packChemistry,
      seriesCount: craft.packSeriesCount,
      capacityAh: craft.packCapacityAh,
      cellResistanceOhm: craft.packCellResistanceOhm,
      cRating: craft.packCRating,
    },
    standbyPowerW: craft.standbyPowerW ?? usualStandbyW(kind, craft.massKg),
    ductThrustRatio: craft.ductThrustRatio,
    style: craft.use === null ? 'normal' : styleOfUse[craft.use],
    airC,
  };
}

/** Draw of avionics, video and payload of a usual craft of 0.68 kg [W]; it grows with the root of the weight. */
const STANDBY_W = { multirotor: 8, plane: 4 } as const;
const STANDBY_AT_KG = 0.68;
/** What a usual duct adds to a rotor's thrust: an assumption, ±8 %. */
export const USUAL_DUCT_RATIO = 1.1;

/**
 * What avionics and payload of a usual craft draw [W], estimated from its weight: 1.6 W at 27 g, 8 W at 0.68 kg, 25 W
 * at 6.5 kg; planes half of it.
 *
 * @throws {OutOfRangeError} if the mass is not positive
 */
export function usualStandbyW(kind: CraftKind, massKg: number): number {
  requirePositive('massKg', massKg);
  return STANDBY_W[kind] * Math.sqrt(massKg / STANDBY_AT_KG);
}

/** State of charge at which candidates are compared. */
export const PICK_CHARGE_RATIO = 0.5;
/** Winding of a motor at work [°C]. */
const WORKING_C = 60;
/** Mean thrust of a coaxial pair's rotors over that of free ones: the lower loses about a fifth. */
export const COAXIAL_THRUST_RATIO = 0.9;
/** Cruising speed of a plane of 1 kg [m/s]; grows with the sixth power root of mass. A judgement, ±25 %. */
const CRUISE_M_PER_S = 13;

/** The same air, tables and corrections under a craft that was changed. */
export function preparedWith({ tables, calibration }: PreparedCraft, craft: PickCraft): PreparedCraft {
  return prepareCraft(craft, tables, calibration);
}

/** Speed at which a usual small plane cruises [m/s], from its mass. */
export function usualCruiseMPerS(massKg: number): number {
  requirePositive('massKg', massKg);
  return CRUISE_M_PER_S * massKg ** (1 / 6);
}

/**
 * Makes a craft ready: motor, half-empty pack, thrust asked of each rotor.
 *
 * @param calibration - by runs of this motor on the stand, which correct props and motor; null takes both at their
 *   labels
 * @throws {OutOfRangeError} if the mass, a motor size, a cell count or the capacity is not positive: the field is named
 */
export function prepareCraft(
  craft: PickCraft,
  tables: CoefficientTables,
  calibration: Pick<StandCalibration, 'whole' | 'motor'> | null = null,
): PreparedCraft {
  const { kind, rotorCount, massKg, motor, pack, gearRatio } = craft;
  requirePositive('massKg', massKg);
  requireWithin('rotorCount', rotorCount, 1, 24);
  requirePositive('gearRatio', gearRatio);
  if (motor.resistanceOhm !== null) requirePositive('motorResistanceOhm', motor.resistanceOhm);
  requireWithin('standbyPowerW', craft.standbyPowerW, 0, 5000);
  if (craft.ductThrustRatio !== null) requireWithin('ductThrustRatio', craft.ductThrustRatio, 0.7, 1.5);
  const supply = {
    openVoltageV: packOpenV(pack, PICK_CHARGE_RATIO),
    resistanceOhm: packResistanceOhm(pack),
    driveCount: rotorCount,
    otherPowerW: craft.standbyPowerW,
  };
  return {
    craft,
    air: tables.air,
    calibration: calibration && { whole: calibration.whole, motor: calibration.motor },
    tables,
    drive: {
      motor: motorWith(motorOf(motor), calibration?.motor ?? null),
      ...usualEsc(pack.seriesCount),
      motorTemperatureC: WORKING_C,
    },
    supply,
    carryThrustN: carryThrustN(massKg, rotorCount, kind) / (craft.isCoaxial ? COAXIAL_THRUST_RATIO : 1),
    carrySpeedMPerS: kind === 'plane' ? usualCruiseMPerS(massKg) : 0,
  };
}
