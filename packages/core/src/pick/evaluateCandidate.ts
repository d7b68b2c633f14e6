import type { EvidenceMark } from '../figure/figure.ts';
import type { HandCounts } from '../rack/setNeeds.ts';
import { findRoot } from '../numerics/findRoot.ts';
import { bladeElement, prepareProp, type PreparedProp } from '../propeller/bladeElement.ts';
import { inducedSpeedMPerS } from '../propeller/propFigures.ts';
import type { PropGeometry, PropMaterial } from '../propeller/propGeometry.ts';
import {
  MOST_TIP_MACH,
  propellerModel,
  type PropellerCalibration,
  type PropellerModel,
} from '../propeller/propellerModel.ts';
import { enduranceAtPower } from '../powertrain/endurance.ts';
import { driveAt } from '../powertrain/equilibrium.ts';
import { cycledTemperatureC, type HeatStretch } from '../powertrain/motorHeat.ts';
import { openVoltageCurves } from '../powertrain/openVoltage.ts';
import { cellVoltages } from '../powertrain/packChemistry.ts';
import { lowThrottleRise, rotorFigures, rotorSound } from '../powertrain/rotorResponse.ts';
import { rotorAtThrottle, rotorAtThrust, type Powertrain, type RotorPoint } from '../powertrain/powertrain.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { flyingStyles, wearingSpeedRpm, type FlyingStyle } from './flyingStyle.ts';
import { COAXIAL_THRUST_RATIO, powertrainOn, type PreparedCraft } from './pickCraft.ts';
import { pickFigureNames, pickLimitNames, type PickFigures, type PickMargins } from './pickFigures.ts';

/** What is known of one propeller beside its shape; what is left out is not known, or does not matter. */
export interface PropFacts {
  /** Measured coefficients of this very model; those of the prepared stand in. */
  calibration?: PropellerCalibration | null;
  /** The maker's speed limit. */
  makerLimitRpm?: number | null;
  boreDiameterM?: number | null;
  /** Pieces on the rack, where only what is there may be flown. */
  stock?: HandCounts | null;
}

/** One propeller on one craft, worked out. */
export interface WorkedProp {
  geometry: PropGeometry;
  facts: PropFacts;
  /** NaN where it cannot be said: full-throttle figures of a prop that the pack cannot turn. */
  figures: PickFigures;
  margins: PickMargins;
  /** Speed at full throttle [rev/min]; NaN where there is none. */
  fullSpeedRpm: number;
}

/** The same with how sure it is. */
export interface MarkedProp extends WorkedProp {
  mark: EvidenceMark;
  /** Half widths of 95 % of thrust and power at a speed, as shares. */
  thrustUncertaintyRatio: number;
  powerUncertaintyRatio: number;
}

/** The same with the propeller to ask further. */
export interface Candidate extends MarkedProp {
  prop: PropellerModel;
}

/** Share of the throttle left below which a craft is no longer safe in a gust. */
const MOST_CARRY_THROTTLE = { multirotor: 0.8, plane: 0.85 } as const;
/** A plane that pulls less than this share of its weight at rest does not leave the grass. */
const LEAST_PLANE_PULL = 0.3;
/** Winding temperature that magnets and lacquer bear for long [°C]. */
export const HOTTEST_WINDING_C = 110;
/** Nearer to the speed of sound blades howl, and the model has not been fitted. */
export const MOST_PICK_MACH = 0.7;
/** Blades bend and frames twist: this share of the distance between shafts stays free. */
export const FLEX_RATIO = 0.02;
/** Free height over the ground [m], and free width beside a boom [m]. */
const GROUND_FREE_M = 0.01;
const BOOM_FREE_M = 0.005;
/** Where one listens: in the field, to the side and below. */
export const PICK_LISTENER = { distanceM: 20, angleDegrees: 120 } as const;
/** A flight lands with this share of the charge. */
export const LANDING_RATIO = 0.2;
/** Margin of what is far beyond its limit, where no number says how far. */
const FAR_BEYOND = 2;

/** How well a material survives a strike, from 0 to 1: a judgement of practice. */
const TOUGHNESS: Record<PropMaterial, number> = {
  polycarbonate: 0.95,
  softPlastic: 0.85,
  glassNylon: 0.65,
  unknown: 0.6,
  carbonNylon: 0.4,
  wood: 0.25,
  carbon: 0.2,
  printed: 0.1,
};
const SQUARE_TIP_TOUGHNESS = 0.05;

const CYCLE_S = 20;
/** Longer than this nothing gets hotter, whatever the pack holds [s]. */
const HEATED_MOST_S = 600;

/**
 * Works out one propeller on one craft: figures, and how near it comes to each limit.
 *
 * Hover (a plane: cruise) and full throttle are solved with the pack half empty, all rotors and the avionics on it;
 * heat is that of the craft's style of flying, for as long as the pack lasts; the sound is that of the carrying craft
 * at 20 m.
 * A pack that sags is a price, told in its cells' volts and the thrust it costs; it bars only what it cannot give at
 * all.
 *
 * @throws {OutOfRangeError} if the geometry is no propeller
 */
export function evaluateCandidate(
  prepared: PreparedCraft,
  geometry: PropGeometry,
  facts: PropFacts = NO_FACTS,
): Candidate {
  const prop = propOn(prepared, geometry, facts.calibration ?? prepared.calibration?.whole ?? null);
  const powertrain = powertrainOn(prepared, prop);
  const margins = { ...NO_MARGINS };
  const figures = { ...NO_FIGURES };
  figures.toughnessRatio = TOUGHNESS[geometry.material] + (geometry.tipShape === 'square' ? SQUARE_TIP_TOUGHNESS : 0);
  setRoomMargins(prepared, geometry.diameterM, margins);
  setRackMargins(prepared, facts, margins);
  const carry = carryPoint(prepared, powertrain, margins);
  const full = fullPoint(prepared, powertrain, margins);
  if (full) setFullFigures(prepared, powertrain, full, figures, margins);
  if (carry) setCarryFigures(prepared, powertrain, carry, figures, margins);
  if (carry && full) setHeat(prepared, geometry.diameterM, carry, full, figures, margins);
  if (full && facts.makerLimitRpm) margins.makerSpeed = full.speedRpm / facts.makerLimitRpm;
  const { mark, thrustUncertaintyRatio, powerUncertaintyRatio } = prop;
  return {
    geometry,
    facts,
    prop,
    figures,
    margins,
    fullSpeedRpm: full?.speedRpm ?? NaN,
    mark,
    thrustUncertaintyRatio,
    powerUncertaintyRatio,
  };
}

/** A propeller in the air and the duct of a craft. */
function propOn(
  { craft, tables }: PreparedCraft,
  geometry: PropGeometry,
  calibration: PropellerCalibration | null,
): PropellerModel {
  const prop = propellerModel(geometry, tables, calibration);
  return craft.ductThrustRatio === null ? prop : { ...prop, thrustFactor: prop.thrustFactor * craft.ductThrustRatio };
}

/** Nothing known beside the shape. */
export const NO_FACTS: PropFacts = {};
/** A bore this much under the shaft still goes over it [m]. */
const BORE_PLAY_M = 0.00005;

/** Margins that follow from what lies on the rack. A bore that goes over the shaft is no limit: a ring fills it. */
function setRackMargins({ craft }: PreparedCraft, { boreDiameterM, stock }: PropFacts, margins: PickMargins): void {
  if (boreDiameterM && craft.shaftDiameterM !== null && boreDiameterM + BORE_PLAY_M < craft.shaftDiameterM)
    margins.bore = craft.shaftDiameterM / boreDiameterM;
  if (!stock) return;
  const short = Math.max(0, craft.needed.cwCount - stock.cwCount) + Math.max(0, craft.needed.ccwCount - stock.ccwCount);
  if (short > 0) margins.stock = 1 + short / (craft.needed.cwCount + craft.needed.ccwCount);
}

const NO_FIGURES: Readonly<PickFigures> = Object.fromEntries(pickFigureNames.map((name) => [name, NaN])) as PickFigures;
const NO_MARGINS: Readonly<PickMargins> = Object.fromEntries(pickLimitNames.map((name) => [name, 0])) as PickMargins;

/** Margins that follow from the size alone. */
function setRoomMargins({ craft }: PreparedCraft, diameterM: number, margins: PickMargins): void {
  if (craft.clearanceDiameterM !== null) margins.clearance = diameterM / craft.clearanceDiameterM;
  if (craft.neighbourDistanceM !== null) margins.neighbours = diameterM / ((1 - FLEX_RATIO) * craft.neighbourDistanceM);
  if (craft.groundClearanceM !== null) margins.ground = (diameterM / 2 + GROUND_FREE_M) / craft.groundClearanceM;
  if (craft.boomClearanceM !== null) margins.boom = (diameterM / 2 + BOOM_FREE_M) / craft.boomClearanceM;
}

/** The rotor while it carries; null where it never does. */
function carryPoint(prepared: PreparedCraft, powertrain: Powertrain, margins: PickMargins): RotorPoint | null {
  const most = MOST_CARRY_THROTTLE[prepared.craft.kind];
  const found =
    prepared.carrySpeedMPerS === 0
      ? rotorAtThrust(powertrain, prepared.carryThrustN)
      : cruisePoint(prepared, powertrain);
  if (found === null || found.status !== 'held') {
    margins.carry = FAR_BEYOND;
    if (found?.status === 'packCannotGive')
      margins.packSag = Math.max(margins.packSag, found.neededPowerW / found.mostPowerW);
    return null;
  }
  margins.carry = found.throttleRatio / most;
  return found;
}

/** The rotor at full throttle; null where the pack cannot give it or the tip would near the speed of sound. */
function fullPoint(prepared: PreparedCraft, powertrain: Powertrain, margins: PickMargins): RotorPoint | null {
  const found = rotorAtThrottle(powertrain, 1);
  switch (found.status) {
    case 'turning':
    case 'bogs':
      return found;
    case 'packCannotGive':
      margins.packSag = Math.max(margins.packSag, found.neededPowerW / found.mostPowerW);
      return null;
    case 'tipTooFast':
      margins.tipSpeed = found.tipMach / MOST_PICK_MACH;
      return null;
    case 'standsStill':
      margins.carry = FAR_BEYOND;
      return null;
  }
}

const CRUISE_SOLVE_RPM = 1;

/** A plane's rotor at cruising speed: blade elements solved for the speed that gives the thrust. */
function cruisePoint(
  { craft, tables, carryThrustN, carrySpeedMPerS, drive, supply }: PreparedCraft,
  { prop, gearRatio }: Powertrain,
): ({ status: 'held' } & RotorPoint) | { status: 'packCannotGive'; neededPowerW: number; mostPowerW: number } | null {
  const prepared: PreparedProp = prepareProp(prop.geometry);
  const { air } = tables;
  const fastestRpm = (59.9 * MOST_TIP_MACH * air.soundSpeedMPerS) / (Math.PI * prop.geometry.diameterM);
  const at = (speedRpm: number) => bladeElement(prepared, air, speedRpm, carrySpeedMPerS);
  const slowestRpm = (60 * carrySpeedMPerS) / (1.6 * prop.geometry.diameterM) / 2.5;
  const root = findRoot(
    (speedRpm) => prop.thrustFactor * at(speedRpm).thrustN - carryThrustN,
    Math.min(slowestRpm, fastestRpm / 2),
    fastestRpm,
    CRUISE_SOLVE_RPM,
  );
  if (root.status !== 'found' || craft.kind !== 'plane') return null;
  const found = at(root.x);
  const torqueNm = found.torqueNm * prop.powerFactor;
  const motorSpeed = ((2 * Math.PI * root.x) / 60) * gearRatio;
  const held = driveAt(drive, supply, motorSpeed, torqueNm / gearRatio);
  if (held.status === 'packCannotGive') return held;
  return {
    status: 'held',
    throttleRatio: held.throttleRatio,
    speedRpm: root.x,
    drive: held.drive,
    prop: {
      thrustN: found.thrustN * prop.thrustFactor,
      torqueNm,
      powerW: torqueNm * motorSpeed,
      thrustCoefficient: found.thrustCoefficient,
      powerCoefficient: found.powerCoefficient,
      tipWashoutRad: found.tipWashoutRad,
      tipMach: (Math.PI * root.x * prop.geometry.diameterM) / 60 / air.soundSpeedMPerS,
      mark: prop.mark,
    },
  };
}

function setFullFigures(
  prepared: PreparedCraft,
  powertrain: Powertrain,
  full: RotorPoint,
  figures: PickFigures,
  margins: PickMargins,
): void {
  const { craft, supply } = prepared;
  const { geometry, air } = powertrain.prop;
  const thrustRatio = craft.isCoaxial ? COAXIAL_THRUST_RATIO : 1;
  const own = rotorFigures(powertrain, full, craft.armM);
  figures.fullThrustN = full.prop.thrustN;
  figures.thrustToWeightRatio =
    (craft.rotorCount * thrustRatio * full.prop.thrustN) / (craft.massKg * GRAVITY_M_PER_S2);
  figures.fullCurrentA = full.drive.busCurrentA;
  figures.sagCellV = full.drive.busVoltageV / craft.pack.seriesCount;
  figures.tipSpeedMPerS = full.prop.tipMach * air.soundSpeedMPerS;
  figures.pitchSpeedMPerS = (geometry.pitchM * full.speedRpm) / 60;
  figures.inertiaKgM2 = own.inertiaKgM2;
  figures.bladeLossForceN = own.bladeLossForceN;
  figures.propMassKg = own.massKg;
  figures.lowRiseRatio = lowThrottleRise(powertrain, full.prop.thrustN) ?? NaN;
  if (craft.escLimitA !== null) margins.escCurrent = full.drive.busCurrentA / craft.escLimitA;
  if (craft.motorLimitA !== null) margins.motorCurrent = full.drive.busCurrentA / craft.motorLimitA;
  const mostPowerW = supply.openVoltageV ** 2 / (4 * Math.max(1e-9, supply.resistanceOhm));
  margins.packSag = Math.max(
    margins.packSag,
    (craft.rotorCount * full.drive.powerW + craft.standbyPowerW) / mostPowerW,
  );
  const stiff = rotorAtThrottle({ ...powertrain, supply: { ...supply, resistanceOhm: 0 } }, 1);
  figures.sagLossRatio = 'prop' in stiff ? 1 - full.prop.thrustN / stiff.prop.thrustN : NaN;
  margins.tipSpeed = full.prop.tipMach / MOST_PICK_MACH;
  if (craft.kind === 'plane')
    margins.carry = Math.max(margins.carry, LEAST_PLANE_PULL / Math.max(1e-6, figures.thrustToWeightRatio));
  // A coefficient table has no room for windmilling or stalled rest: a prop that does not pull at all is no candidate.
  if (!(full.prop.thrustN > 0) || supply.openVoltageV <= 0) margins.carry = FAR_BEYOND;
}

function setCarryFigures(
  prepared: PreparedCraft,
  powertrain: Powertrain,
  carry: RotorPoint,
  figures: PickFigures,
  margins: PickMargins,
): void {
  const { craft, supply } = prepared;
  const { chemistry, seriesCount, capacityAh } = craft.pack;
  const powerW = craft.rotorCount * carry.drive.powerW + craft.standbyPowerW;
  figures.carryThrottleRatio = carry.throttleRatio;
  figures.carryPowerW = powerW;
  figures.thrustPerPowerNPerW = carry.prop.thrustN / carry.drive.powerW;
  figures.enduranceS = enduranceAtPower(
    {
      curve: openVoltageCurves[chemistry],
      seriesCount,
      capacityAh,
      resistanceOhm: supply.resistanceOhm,
      startRatio: 1,
      endRatio: LANDING_RATIO,
      cutoffCellV: cellVoltages[chemistry].emptyV,
    },
    powerW,
  ).durationS;
  figures.levelDb = rotorSound(powertrain.prop, carry, PICK_LISTENER, craft.rotorCount).levelDb;
  figures.riseTimeS = rotorFigures(powertrain, carry, craft.armM).thrustRiseTimeS;
  if (figures.enduranceS <= 0) margins.packSag = Math.max(margins.packSag, FAR_BEYOND);
}

function setHeat(
  prepared: PreparedCraft,
  diameterM: number,
  carry: RotorPoint,
  full: RotorPoint,
  figures: PickFigures,
  margins: PickMargins,
): void {
  figures.motorTemperatureC = heatedC(prepared, diameterM, carry, full, figures.pitchSpeedMPerS, prepared.craft.style);
  margins.motorHeat = (figures.motorTemperatureC - prepared.craft.airC) / (HOTTEST_WINDING_C - prepared.craft.airC);
}

/** Winding temperature at the end of a pack that is flown in a style [°C]. */
function heatedC(
  { craft, tables, drive, supply, carrySpeedMPerS }: PreparedCraft,
  diameterM: number,
  carry: RotorPoint,
  full: RotorPoint,
  pitchSpeedMPerS: number,
  style: FlyingStyle,
): number {
  const { fullRatio, forwardRatio } = flyingStyles[style];
  const forwardMPerS = Math.max(carrySpeedMPerS, forwardRatio * pitchSpeedMPerS);
  const stretch = ({ prop, drive: at }: RotorPoint, durationS: number): HeatStretch => ({
    durationS,
    currentA: at.motorCurrentA,
    speedRadPerS: at.speedRadPerS,
    inducedSpeedMPerS: inducedSpeedMPerS(prop.thrustN, diameterM, tables.air.densityKgPerM3) + forwardMPerS,
  });
  const meanPowerW =
    craft.rotorCount * (fullRatio * full.drive.powerW + (1 - fullRatio) * carry.drive.powerW) + craft.standbyPowerW;
  const lastsS = ((1 - LANDING_RATIO) * craft.pack.capacityAh * supply.openVoltageV * 3600) / meanPowerW;
  const cycles = Math.max(1, Math.round(Math.min(HEATED_MOST_S, lastsS) / CYCLE_S));
  return cycledTemperatureC(
    drive.motor,
    [stretch(carry, (1 - fullRatio) * CYCLE_S), stretch(full, fullRatio * CYCLE_S)],
    cycles,
    craft.airC,
    craft.airC,
  );
}

/**
 * Winding temperature of a propeller on a craft in each style of flying [°C]; NaN where it does not carry or cannot be
 * turned at full throttle.
 */
export function heatByStyle(prepared: PreparedCraft, prop: PropellerModel): Record<FlyingStyle, number> {
  const powertrain = powertrainOn(prepared, prop);
  const margins = { ...NO_MARGINS };
  const carry = carryPoint(prepared, powertrain, margins);
  const full = fullPoint(prepared, powertrain, margins);
  const of = (style: FlyingStyle): number =>
    carry && full
      ? heatedC(prepared, prop.geometry.diameterM, carry, full, (prop.geometry.pitchM * full.speedRpm) / 60, style)
      : NaN;
  return { gentle: of('gentle'), normal: of('normal'), hard: of('hard') };
}

/** Speed at which a propeller carries a craft [rev/min]: in hover, or a plane in cruise; null where it never does. */
export function carrySpeedRpm(prepared: PreparedCraft, geometry: PropGeometry): number | null {
  const prop = propOn(prepared, geometry, null);
  return carryPoint(prepared, powertrainOn(prepared, prop), { ...NO_MARGINS })?.speedRpm ?? null;
}

/**
 * One speed that wears a propeller's blades as the craft's style of flying does [rev/min]; null where it never carries.
 *
 * @throws {OutOfRangeError} if the geometry is no propeller
 */
export function wearSpeedRpm(prepared: PreparedCraft, geometry: PropGeometry): number | null {
  const powertrain = powertrainOn(prepared, propOn(prepared, geometry, null));
  const margins = { ...NO_MARGINS };
  const carry = carryPoint(prepared, powertrain, margins);
  const full = fullPoint(prepared, powertrain, margins);
  return carry && wearingSpeedRpm(carry.speedRpm, full?.speedRpm ?? carry.speedRpm, prepared.craft.style);
}
