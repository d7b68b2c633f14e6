import type { SegmentKind } from '../flight/segments.ts';
import type { LoggedTrack } from '../flight/flightTrack.ts';
import { seededRandom, type SeededRandom } from '../numerics/seededRandom.ts';

/** How a made-up flight is flown, and through which air. */
export interface FlightPlan {
  seed: string;
  airspeedMPerS: number;
  /** Headings of the passes [° from north], each held for so long. */
  headingsDegrees: readonly number[];
  passS: number;
  climb: { angleDegrees: number; pathSpeedMPerS: number; heightM: number };
  hoverS: number;
  /** Power in a climb and in a pass, for that of hover; what is usual when left out. */
  powerRatios?: { climb: number; pass: number };
  wind: { fromDegrees: number; speedMPerS: number };
  gust: { deviationMPerS: number; lengthM: number };
  /** Fixes a second. */
  rateHz: number;
  rotors: { count: number; hoverRpm: number; bladeCount: number };
  /** The rotor whose prop is out of balance, and how hard it shakes at hover [m/s²]; null for none. */
  shaker: { rotor: number; shakeMPerS2: number } | null;
  /** Samples of acceleration a second; 0 for a log without. */
  accelerationHz: number;
  battery: { cellCount: number; capacityAh: number; hoverCurrentA: number };
}

/** Power of a climb and of a pass over that of hover. */
const USUAL_POWER = { climb: 1.8, pass: 1.25 };

/** A calm evening over the sea: hover, a climb, passes on three headings, hover; whatever is asked for otherwise. */
export function usualFlightPlan(seed: string, more: Partial<FlightPlan> = {}): FlightPlan {
  return {
    seed,
    airspeedMPerS: 14,
    headingsDegrees: [20, 140, 260],
    passS: 13,
    climb: { angleDegrees: 55, pathSpeedMPerS: 7.5, heightM: 42 },
    hoverS: 14,
    wind: { fromDegrees: 285, speedMPerS: 3 },
    gust: { deviationMPerS: 0.5, lengthM: 30 },
    rateHz: 5,
    rotors: { count: 4, hoverRpm: 7800, bladeCount: 3 },
    shaker: { rotor: 2, shakeMPerS2: 2.3 },
    accelerationHz: 800,
    battery: { cellCount: 6, capacityAh: 4, hoverCurrentA: 12 },
    ...more,
  };
}

/** A log of a made-up flight, and what is true of it. */
export interface SimulatedFlight {
  track: LoggedTrack;
  battery: { timeS: Float64Array; voltageV: Float64Array; currentA: Float64Array };
  /** Speed of each motor as its controller tells it, ten times a second. */
  speeds: { timeS: Float64Array; rpm: Float64Array[] };
  /** On the craft's own axes [m/s²]; null for a log without. */
  acceleration: { rateHz: number; x: Float32Array; y: Float32Array; z: Float32Array } | null;
  truth: {
    segments: { kind: SegmentKind; fromS: number; toS: number }[];
    airspeedMPerS: number;
    climbRateMPerS: number;
    shaker: number | null;
  };
}

/** One part of the flight: where it wants to go, and for how long it stays so once it does. */
interface Part {
  kind: SegmentKind | 'way';
  /** Velocity through the air, or over ground where it is held by position [m/s]. */
  east: number;
  north: number;
  climb: number;
  isHeldByPosition: boolean;
  holdS: number;
  /** Power against hovering. */
  powerRatio: number;
}

const STEP_S = 0.02;
const LEVEL_ACCELERATION = 3.6;
const CLIMB_ACCELERATION = 2.5;
const SPEEDS_HZ = 10;
const TELEMETRY_LAG_S = 0.06;
const POLE_PAIRS = 7;
const RADIANS = Math.PI / 180;
/** Somewhere over a sea that is on no map. */
const ORIGIN = { latitude: 61.2, longitude: 4.3 };
const METRES_A_DEGREE = (6_371_008.8 * Math.PI) / 180;

/**
 * Flies a plan: hover, climb, passes, hover; with wind, gusts, noise of fixes, trim of rotors, and a shake to be
 * found.
 */
export function simulateFlight(plan: FlightPlan): SimulatedFlight {
  const random = seededRandom(plan.seed);
  const air = windAround(plan, random.fork('air'));
  const truth: SimulatedFlight['truth'] = {
    segments: [],
    airspeedMPerS: plan.airspeedMPerS,
    climbRateMPerS: plan.climb.pathSpeedMPerS * Math.sin(plan.climb.angleDegrees * RADIANS),
    shaker: plan.shaker?.rotor ?? null,
  };
  const path: { east: number; north: number; up: number; powerRatio: number }[] = [];
  const { wind } = air(0);
  let velocity = { east: -wind.east, north: -wind.north, climb: 0 };
  let at = { east: 0, north: 0, up: 2 };
  const step = (part: Part): boolean => {
    const gust = air(Math.hypot(velocity.east, velocity.north, velocity.climb));
    const want = part.isHeldByPosition
      ? { east: part.east - gust.wind.east, north: part.north - gust.wind.north, climb: part.climb }
      : part;
    const off = {
      east: want.east - velocity.east,
      north: want.north - velocity.north,
      climb: want.climb - velocity.climb,
    };
    const level = Math.hypot(off.east, off.north);
    const share = Math.min(1, (LEVEL_ACCELERATION * STEP_S) / Math.max(level, 1e-9));
    const climbShare = Math.min(1, (CLIMB_ACCELERATION * STEP_S) / Math.max(Math.abs(off.climb), 1e-9));
    velocity = {
      east: velocity.east + share * off.east,
      north: velocity.north + share * off.north,
      climb: velocity.climb + climbShare * off.climb,
    };
    const hold = part.isHeldByPosition ? 0.25 : 1;
    at = {
      east: at.east + (velocity.east + gust.wind.east + hold * gust.east) * STEP_S,
      north: at.north + (velocity.north + gust.wind.north + hold * gust.north) * STEP_S,
      up: at.up + (velocity.climb + 0.25 * gust.up) * STEP_S,
    };
    path.push({ ...at, powerRatio: part.powerRatio });
    return share === 1 && climbShare === 1;
  };
  for (const part of partsOf(plan)) {
    for (let k = 0; !step(part) && k < 60 / STEP_S; k++);
    const fromS = path.length * STEP_S;
    for (let k = 0; k < part.holdS / STEP_S; k++) step(part);
    if (part.kind !== 'way') truth.segments.push({ kind: part.kind, fromS, toS: path.length * STEP_S });
  }
  const durationS = path.length * STEP_S;
  const speeds = rotorSpeeds(plan, path, random.fork('rotors'));
  return {
    track: fixesOf(plan, path, durationS, random.fork('fixes')),
    battery: batteryOf(plan, path, random.fork('battery')),
    speeds: toldSpeeds(speeds, durationS),
    acceleration: plan.accelerationHz > 0 ? shakeOf(plan, speeds, random.fork('shake')) : null,
    truth,
  };
}

function partsOf({
  airspeedMPerS,
  headingsDegrees,
  passS,
  climb,
  hoverS,
  powerRatios = USUAL_POWER,
}: FlightPlan): Part[] {
  const still = { east: 0, north: 0, climb: 0, isHeldByPosition: true };
  const angle = climb.angleDegrees * RADIANS;
  const heading = (headingsDegrees[0] ?? 0) * RADIANS;
  const out = climb.pathSpeedMPerS * Math.cos(angle);
  const rate = climb.pathSpeedMPerS * Math.sin(angle);
  return [
    { ...still, kind: 'hover', holdS: hoverS, powerRatio: 1 },
    {
      kind: 'climb',
      east: out * Math.sin(heading),
      north: out * Math.cos(heading),
      climb: rate,
      isHeldByPosition: true,
      holdS: climb.heightM / rate,
      powerRatio: powerRatios.climb,
    },
    { ...still, kind: 'way', climb: -2.2, holdS: (0.7 * climb.heightM) / 2.2, powerRatio: 0.85 },
    ...headingsDegrees.map((degrees): Part => ({
      kind: 'pass',
      east: airspeedMPerS * Math.sin(degrees * RADIANS),
      north: airspeedMPerS * Math.cos(degrees * RADIANS),
      climb: 0,
      isHeldByPosition: false,
      holdS: passS,
      powerRatio: powerRatios.pass,
    })),
    { ...still, kind: 'hover', holdS: hoverS, powerRatio: 1 },
  ];
}

/** A steady wind and gusts that fade over a length of air. */
function windAround({ wind, gust }: FlightPlan, random: SeededRandom) {
  const steady = {
    east: -wind.speedMPerS * Math.sin(wind.fromDegrees * RADIANS),
    north: -wind.speedMPerS * Math.cos(wind.fromDegrees * RADIANS),
  };
  const now = { east: 0, north: 0, up: 0 };
  /** Gusts pass the faster, the faster the craft goes through the air. */
  return (airspeedMPerS: number) => {
    const keep = Math.exp((-STEP_S * Math.max(airspeedMPerS, 2)) / gust.lengthM);
    const fresh = gust.deviationMPerS * Math.sqrt(1 - keep ** 2);
    now.east = keep * now.east + fresh * random.normal();
    now.north = keep * now.north + fresh * random.normal();
    now.up = keep * now.up + fresh * random.normal();
    return { wind: steady, ...now };
  };
}

function fixesOf(
  { rateHz }: FlightPlan,
  path: readonly { east: number; north: number; up: number }[],
  durationS: number,
  random: SeededRandom,
): LoggedTrack {
  const count = Math.floor(durationS * rateHz);
  const wander = { east: 0, north: 0, up: 0 };
  const keep = Math.exp(-1 / rateHz / 60);
  const track = {
    timeS: new Float64Array(count),
    latitudeDegrees: new Float64Array(count),
    longitudeDegrees: new Float64Array(count),
    heightM: new Float64Array(count),
  };
  for (let i = 0; i < count; i++) {
    const at = path[Math.min(path.length - 1, Math.round(i / rateHz / STEP_S))]!;
    const fresh = Math.sqrt(1 - keep ** 2);
    wander.east = keep * wander.east + 1.2 * fresh * random.normal();
    wander.north = keep * wander.north + 1.2 * fresh * random.normal();
    wander.up = keep * wander.up + 1.5 * fresh * random.normal();
    const east = at.east + wander.east + 0.15 * random.normal();
    const north = at.north + wander.north + 0.15 * random.normal();
    track.timeS[i] = i / rateHz;
    track.latitudeDegrees[i] = ORIGIN.latitude + north / METRES_A_DEGREE;
    track.longitudeDegrees[i] = ORIGIN.longitude + east / METRES_A_DEGREE / Math.cos(ORIGIN.latitude * RADIANS);
    track.heightM[i] = 30 + at.up + wander.up + 0.25 * random.normal();
  }
  return track;
}

/** Speed of each rotor at every step: trim, the power of the moment, and the controller's hand. */
function rotorSpeeds(
  { rotors }: FlightPlan,
  path: readonly { powerRatio: number }[],
  random: SeededRandom,
): Float64Array[] {
  const keep = Math.exp(-STEP_S / 0.5);
  return Array.from({ length: rotors.count }, () => {
    const trim = 1 + 0.03 * random.normal();
    let hand = 0;
    let power = 1;
    return Float64Array.from(path, ({ powerRatio }) => {
      hand = keep * hand + 0.015 * Math.sqrt(1 - keep ** 2) * random.normal();
      power += (powerRatio - power) * (STEP_S / 0.4);
      return rotors.hoverRpm * trim * Math.cbrt(power) * (1 + hand);
    });
  });
}

function toldSpeeds(speeds: readonly Float64Array[], durationS: number): SimulatedFlight['speeds'] {
  const count = Math.floor(durationS * SPEEDS_HZ);
  const grain = 100 / POLE_PAIRS;
  return {
    timeS: Float64Array.from({ length: count }, (_, i) => i / SPEEDS_HZ),
    rpm: speeds.map((own) =>
      Float64Array.from({ length: count }, (_, i) => {
        const at = Math.max(0, Math.round((i / SPEEDS_HZ - TELEMETRY_LAG_S) / STEP_S));
        return Math.round(own[Math.min(own.length - 1, at)]! / grain) * grain;
      }),
    ),
  };
}

function shakeOf(
  { rotors, shaker, accelerationHz }: FlightPlan,
  speeds: readonly Float64Array[],
  random: SeededRandom,
): SimulatedFlight['acceleration'] {
  const count = Math.floor(speeds[0]!.length * STEP_S * accelerationHz);
  const arms = speeds.map((_, r) => ({
    phase: 2 * Math.PI * random.next(),
    // What is left on every prop, and how well its arm passes it on.
    shake: (shaker?.rotor === r ? shaker.shakeMPerS2 : 0.12 + 0.3 * random.next()) * (0.75 + 0.5 * random.next()),
    lead: Math.PI * random.next(),
  }));
  const x = new Float32Array(count);
  const y = new Float32Array(count);
  const z = new Float32Array(count);
  for (let i = 0; i < count; i++) {
    const at = Math.min(speeds[0]!.length - 1, Math.floor(i / accelerationHz / STEP_S));
    let [sumX, sumY, sumZ] = [0, 0, 0];
    for (const [r, arm] of arms.entries()) {
      const ratio = speeds[r]![at]! / rotors.hoverRpm;
      arm.phase += (2 * Math.PI * speeds[r]![at]!) / 60 / accelerationHz;
      const size = arm.shake * ratio ** 2;
      sumX += size * Math.cos(arm.phase);
      sumY += size * Math.cos(arm.phase + arm.lead);
      sumZ += 0.3 * Math.cos(rotors.bladeCount * arm.phase);
    }
    x[i] = sumX + 0.6 * random.normal();
    y[i] = sumY + 0.6 * random.normal();
    z[i] = 9.8 + sumZ + 0.8 * random.normal();
  }
  return { rateHz: accelerationHz, x, y, z };
}

function batteryOf(
  { battery }: FlightPlan,
  path: readonly { powerRatio: number }[],
  random: SeededRandom,
): SimulatedFlight['battery'] {
  const every = Math.round(0.2 / STEP_S);
  const count = Math.floor(path.length / every);
  const timeS = new Float64Array(count);
  const voltageV = new Float64Array(count);
  const currentA = new Float64Array(count);
  let usedAh = 0.05 * battery.capacityAh;
  for (let i = 0; i < count; i++) {
    const rest = battery.cellCount * (4.15 - 0.75 * (usedAh / battery.capacityAh));
    const wanted = battery.hoverCurrentA * path[i * every]!.powerRatio;
    const sag = wanted * 0.004 * battery.cellCount;
    const current = (wanted * (battery.cellCount * 3.9)) / (rest - sag);
    usedAh += (current * every * STEP_S) / 3600;
    timeS[i] = i * every * STEP_S;
    voltageV[i] = rest - sag + 0.01 * random.normal();
    currentA[i] = current * (1 + 0.01 * random.normal());
  }
  return { timeS, voltageV, currentA };
}
