import { requirePositive, requireWithin } from '../errors/guards.ts';
import { requireRotorAir, type RotorAir } from '../air/rotorAir.ts';
import { untwistDegrees } from './bladeFlex.ts';
import { shapeBlade, STATION_COUNT, type BladeShape } from './bladeShape.ts';
import { requirePropGeometry, type PropGeometry } from './propGeometry.ts';
import { SectionPolar, type Crowding } from './sectionPolar.ts';

/** Taken once: these are called hundreds of times a point. */
const { sin, cos, acos, exp, min, max, abs } = Math;

/** What the blade-element model gives at one speed. */
export interface BladeElementResult {
  thrustN: number;
  torqueNm: number;
  /** T/(ρ·n²·D⁴) */
  thrustCoefficient: number;
  /** P/(ρ·n³·D⁵) */
  powerCoefficient: number;
  /** How far the loaded tip has untwisted [rad]. */
  tipWashoutRad: number;
  /** Share of the blade's thrust-weighted length on which the flow has left it, 0 to 1. */
  stalledRatio: number;
  /** Reynolds number at 75 % of the radius. */
  reynolds75: number;
  /** How often a section's lift and drag were computed. */
  polarCount: number;
}

const LOWEST_INFLOW_RAD = 0.001;
const HIGHEST_INFLOW_RAD = (0.98 * Math.PI) / 2;
const DEGREE = Math.PI / 180;
/** Load and untwist settle each other in this many rounds. */
const ROUNDS = 3;
/** Mean lift that the first round's untwist assumes. */
const FIRST_LIFT = 0.9;
/** Tip speed at which a material's untwist is stated. */
const UNTWIST_TIP_SPEED_M_PER_S = 150;
const UNTWIST_DENSITY_KG_PER_M3 = 1.225;
/** Share of the tip speed's square that the sections see; the rest is inflow that is not known yet. */
const FLOW_RATIO = 0.97;
/** Inflow angles are found to this, the last round's more finely [rad]. */
const ROUGH_RAD = 5e-4;
const FINE_RAD = 2e-5;
const MOST_STEPS = 60;

/**
 * A propeller ready to be computed: its blade cut into stations, its stiffness and the crowding of its blades.
 */
export interface PreparedProp {
  shape: BladeShape;
  section: PropGeometry['section'];
  untwist: number;
  crowding: Crowding;
  /** Induced losses of several blades and of the tip shape, ≥ 0.99. */
  inducedFactor: number;
}

/**
 * Prepares a geometry for the blade-element model.
 *
 *   E = 1 − e^(−(B−2)/1.5): induced losses (1 + 0.38·E), drag 1 + 0.09·(B−2), most lift 1 − 0.18·E;
 *   square tip: induced × 1.05, drag × 1.06; pointed: induced × 0.99
 *
 * @throws {OutOfRangeError} if it is no propeller
 */
export function prepareProp(geometry: PropGeometry): PreparedProp {
  requirePropGeometry(geometry);
  const { bladeCount, tipShape, section } = geometry;
  const more = max(bladeCount - 2, 0);
  const crowd = 1 - exp(-more / 1.5);
  const isSquare = tipShape === 'square';
  return {
    shape: shapeBlade(geometry),
    section,
    untwist: untwistDegrees(geometry),
    crowding: { dragFactor: (1 + 0.09 * more) * (isSquare ? 1.06 : 1), mostLiftFactor: 1 - 0.18 * crowd },
    inducedFactor: (1 + 0.38 * crowd) * (isSquare ? 1.05 : tipShape === 'pointed' ? 0.99 : 1),
  };
}

/**
 * Thrust and torque of a propeller by blade-element momentum theory, at rest or in axial flow.
 *
 * Each station's inflow angle φ balances what the blade does to the air with what the air's momentum takes:
 *
 *   U_t·(4F·sin²φ − σ·c_n) − V·(4F·sinφ·cosφ + σ·c_t) = 0,  W = U_t/(cosφ + σ·c_t/(4F·sinφ))
 *
 * with σ = B·c/(2πr), F Prandtl's tip and hub loss over the induced losses of several blades. Load untwists the blade
 * by δ·x² (δ = z/(1+z/12)°, z = κ·(ρ/1.225)·(V_tip/150)²·(0.6 + 0.4·c̄_l/0.9)), in three rounds. The form holds at
 * V = 0. Each angle is found by secant steps inside a bracket, started at the round before.
 *
 * Not modelled: windmilling, oblique flow, ducts, the air of a neighbour.
 *
 * @param prop - from {@link prepareProp}
 * @param air - density, speed of sound, viscosity
 * @param speedRpm - rotor speed [rev/min], > 0, tip below the speed of sound
 * @param axialSpeedMPerS - flow along the axis, from the front [m/s], 0 to 120
 * @throws {OutOfRangeError} outside those ranges
 * @see H. Glauert, Airplane Propellers; S. A. Ning, A simple solution method for the blade element momentum equations
 * @example bladeElement(prepareProp(labelGeometry(0.254, 0.1143, 2, 'standard', 'glassNylon')), STANDARD_ROTOR_AIR, 6000).thrustN // => 5.857…
 */
export function bladeElement(
  prop: PreparedProp,
  air: RotorAir,
  speedRpm: number,
  axialSpeedMPerS = 0,
): BladeElementResult {
  const { shape } = prop;
  requireRotorAir(air);
  requirePositive('speedRpm', speedRpm);
  requireWithin('axialSpeedMPerS', axialSpeedMPerS, 0, 120);
  const speedRadPerS = (speedRpm * 2 * Math.PI) / 60;
  const tipSpeedMPerS = speedRadPerS * shape.radiusM;
  requireWithin('tipSpeedMPerS', tipSpeedMPerS, 0, 0.95 * air.soundSpeedMPerS);
  const stations = enterFlow(prop, air, speedRadPerS, axialSpeedMPerS);
  const stiffness =
    prop.untwist * (air.densityKgPerM3 / UNTWIST_DENSITY_KG_PER_M3) * (tipSpeedMPerS / UNTWIST_TIP_SPEED_M_PER_S) ** 2;
  let lift = FIRST_LIFT;
  let washoutDegrees = 0;
  for (let round = 1; round <= ROUNDS; round++) {
    const z = stiffness * (0.6 + (0.4 * max(lift, 0)) / 0.9);
    washoutDegrees = z / (1 + z / 12);
    lift = settleStations(stations, washoutDegrees, round === ROUNDS ? FINE_RAD : ROUGH_RAD);
  }
  return total(prop, air, speedRpm, stations, washoutDegrees);
}

/** One station in the flow of one operating point. */
class Station {
  readonly polar = new SectionPolar();
  /** Inflow angle of the last evaluation [rad]. */
  inflowRad = 0;
  normal = 0;
  tangential = 0;
  loss = 1;
  polarCount = 0;
  private angleRad = 0;

  constructor(
    readonly position: number,
    readonly width: number,
    readonly chordM: number,
    readonly radiusM: number,
    readonly rotationMPerS: number,
    readonly axialMPerS: number,
    readonly solidity: number,
    private readonly builtInRad: number,
    private readonly halfBlades: number,
    private readonly rootLossRatio: number,
    private readonly inducedFactor: number,
  ) {}

  twist(washoutDegrees: number): void {
    this.angleRad = this.builtInRad - washoutDegrees * DEGREE * this.position ** 2;
    this.polar.loosen(washoutDegrees);
  }

  /**
   * A first inflow angle: lift linear, angles small, 4F·φ·(φ − V/U_t) = σ·a·(β + α0 − φ).
   */
  guess(lossRatio: number): number {
    const momentum = (4 * lossRatio) / this.inducedFactor;
    const load = this.solidity * this.polar.liftSlope;
    const advance = this.axialMPerS / this.rotationMPerS;
    const b = load - momentum * advance;
    const root =
      (-b + Math.sqrt(b * b + 4 * momentum * load * max(0.002, this.angleRad + this.polar.zeroLift))) / (2 * momentum);
    return min(HIGHEST_INFLOW_RAD, max(2 * LOWEST_INFLOW_RAD, root));
  }

  /** Momentum that the air takes less what the blade gives; rises through zero at the inflow that is. */
  imbalance(inflowRad: number): number {
    const { polar, position, rootLossRatio, halfBlades, solidity } = this;
    const sine = sin(inflowRad);
    const cosine = cos(inflowRad);
    polar.at(this.angleRad - inflowRad);
    this.polarCount++;
    this.inflowRad = inflowRad;
    this.normal = polar.lift * cosine - polar.drag * sine;
    this.tangential = polar.lift * sine + polar.drag * cosine;
    const tip = acos(exp(-min(30, (halfBlades * (1 - position)) / (position * sine))));
    const root = acos(exp(-min(30, (halfBlades * (position - rootLossRatio)) / (rootLossRatio * sine))));
    this.loss = max(0.02, ((4 / (Math.PI * Math.PI)) * tip * root) / this.inducedFactor);
    const momentum = 4 * this.loss * sine;
    return (
      this.rotationMPerS * (momentum * sine - solidity * this.normal) -
      this.axialMPerS * (momentum * cosine + solidity * this.tangential)
    );
  }
}

function enterFlow(
  { shape, section, crowding, inducedFactor }: PreparedProp,
  air: RotorAir,
  speedRadPerS: number,
  axialMPerS: number,
): Station[] {
  const { positions, widths, chordsM, anglesRad, radiusM, bladeCount, rootLossRatio } = shape;
  const stations: Station[] = [];
  for (let k = 0; k < STATION_COUNT; k++) {
    const position = positions[k]!;
    const stationM = position * radiusM;
    const chordM = chordsM[k]!;
    const rotation = speedRadPerS * stationM;
    const flow = Math.sqrt(FLOW_RATIO * rotation * rotation + axialMPerS * axialMPerS);
    const station = new Station(
      position,
      widths[k]! * radiusM,
      chordM,
      stationM,
      rotation,
      axialMPerS,
      (bladeCount * chordM) / (2 * Math.PI * stationM),
      anglesRad[k]!,
      bladeCount / 2,
      rootLossRatio,
      inducedFactor,
    );
    station.polar.enter(
      section,
      crowding,
      (flow * chordM) / air.kinematicViscosityM2PerS,
      flow / air.soundSpeedMPerS,
      chordM / stationM,
    );
    stations.push(station);
  }
  return stations;
}

/** Finds every station's inflow and returns the mean lift that untwists the blade. */
function settleStations(stations: Station[], washoutDegrees: number, toleranceRad: number): number {
  let loss = 0.9;
  let weighted = 0;
  let weights = 0;
  for (const station of stations) {
    station.twist(washoutDegrees);
    settle(station, station.inflowRad > 0 ? station.inflowRad : station.guess(loss), toleranceRad);
    loss = station.loss;
    const weight = station.position ** 2 * station.chordM * station.width;
    weighted += station.polar.lift * weight;
    weights += weight;
  }
  return weighted / weights;
}

/** Secant steps that never leave the bracket; the imbalance is negative at its low end and positive at its high end. */
function settle(station: Station, guessRad: number, toleranceRad: number): void {
  let low = LOWEST_INFLOW_RAD;
  let high = HIGHEST_INFLOW_RAD;
  let x = guessRad;
  let y = station.imbalance(x);
  // Slope of a lightly loaded station, for the first step.
  let slope =
    station.rotationMPerS *
      (8 * station.loss * x + station.solidity * station.polar.liftSlope * (1 - station.polar.separation)) -
    station.axialMPerS * 4 * station.loss;
  for (let step = 0; step < MOST_STEPS; step++) {
    if (y > 0) high = x;
    else low = x;
    let next = slope > 0 ? x - y / slope : NaN;
    if (!(next > low && next < high)) next = (low + high) / 2;
    const moved = next - x;
    if (abs(moved) < toleranceRad) return;
    const before = y;
    y = station.imbalance(next);
    slope = (y - before) / moved;
    x = next;
  }
}

function total(
  { shape }: PreparedProp,
  air: RotorAir,
  speedRpm: number,
  stations: Station[],
  washoutDegrees: number,
): BladeElementResult {
  let thrustN = 0;
  let torqueNm = 0;
  let stalledN = 0;
  let polarCount = 0;
  let reynolds75 = 0;
  for (const station of stations) {
    const { inflowRad, loss, normal, tangential, solidity, chordM, width, radiusM, rotationMPerS } = station;
    const flow = rotationMPerS / (cos(inflowRad) + (solidity * tangential) / (4 * loss * sin(inflowRad)));
    const pressure = 0.5 * air.densityKgPerM3 * flow * flow * chordM * shape.bladeCount * width;
    thrustN += pressure * normal;
    torqueNm += pressure * tangential * radiusM;
    stalledN += abs(pressure * normal) * station.polar.separation;
    polarCount += station.polarCount;
    if (station.position <= 0.78) reynolds75 = (flow * chordM) / air.kinematicViscosityM2PerS;
  }
  const turns = speedRpm / 60;
  const diameterM = 2 * shape.radiusM;
  return {
    thrustN,
    torqueNm,
    thrustCoefficient: thrustN / (air.densityKgPerM3 * turns ** 2 * diameterM ** 4),
    powerCoefficient: (2 * Math.PI * torqueNm) / (air.densityKgPerM3 * turns ** 2 * diameterM ** 5),
    tipWashoutRad: washoutDegrees * DEGREE,
    stalledRatio: thrustN === 0 ? 0 : min(1, stalledN / abs(thrustN)),
    reynolds75,
    polarCount,
  };
}
