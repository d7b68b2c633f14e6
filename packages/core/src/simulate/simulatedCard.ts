import { seededRandom } from '../numerics/seededRandom.ts';
import type { FlownClimb, FlownPass } from '../flight/flightCard.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';

/** A craft with a prop, as far as its flying goes. */
export interface FlyingCraft {
  massKg: number;
  /** Of all rotors at rest, full throttle [N]. */
  fullThrustN: number;
  /** Of all rotors at rest, full throttle [A]. */
  fullCurrentA: number;
  pitchSpeedMPerS: number;
  /** Drag over dynamic pressure [m²]. */
  dragAreaM2: number;
  isPlane: boolean;
}

/** What a pilot with a watch and a radio brings home from one flight. */
export interface SimulatedCard {
  climbs: FlownClimb[];
  passes: FlownPass[];
}

const AIR_KG_PER_M3 = 1.24;
/** A wing lifts this many times what its pull costs. */
const LIFT_TO_DRAG = 7;

/**
 * Climbs and passes of one flight in a steady wind. Thrust falls with the speed through the disc, drag grows with its
 * square; hands and gusts scatter by two in a hundred.
 */
export function simulateCard(
  craft: FlyingCraft,
  protocol: { angleDegrees: number; lowerM: number; upperM: number },
  wind: { fromDegrees: number; speedMPerS: number },
  seed: string,
): SimulatedCard {
  const random = seededRandom(seed);
  const hand = (): number => 1 + 0.02 * random.normal();
  const angle = (protocol.angleDegrees * Math.PI) / 180;
  const climbSpeed = steadySpeed(craft, angle);
  const rate = climbSpeed * Math.sin(angle);
  const level = steadySpeed(craft, 0);
  const heading = (wind.fromDegrees + 20 * random.normal() + 360) % 360;
  const pass = (degrees: number): FlownPass => {
    const along = Math.cos(((wind.fromDegrees - degrees) * Math.PI) / 180);
    const airspeed = level * hand();
    return {
      groundSpeedMPerS: Math.round(10 * (airspeed - wind.speedMPerS * along)) / 10,
      trackDegrees: Math.round(degrees),
      throttleRatio: 1,
      currentA: Math.round(10 * craft.fullCurrentA * currentRatio(level / craft.pitchSpeedMPerS) * hand()) / 10,
    };
  };
  return {
    climbs:
      rate > 0.5
        ? [0, 1].map(() => ({ durationS: Math.round((10 * (protocol.upperM - protocol.lowerM) * hand()) / rate) / 10 }))
        : [{ durationS: null }],
    passes: [pass(heading), pass((heading + 180) % 360)],
  };
}

/** Speed along a path at which thrust, drag and weight are in balance [m/s]; 0 where thrust does not carry. */
function steadySpeed(craft: FlyingCraft, angle: number): number {
  const weight = craft.massKg * GRAVITY_M_PER_S2;
  let [low, high] = [0, craft.pitchSpeedMPerS];
  for (let round = 0; round < 50; round++) {
    const speed = (low + high) / 2;
    const drag = (AIR_KG_PER_M3 / 2) * speed ** 2 * craft.dragAreaM2;
    const thrust = craft.fullThrustN * Math.max(0, 1 - speed / craft.pitchSpeedMPerS);
    const needed = craft.isPlane
      ? weight * Math.sin(angle) + drag + (weight * Math.cos(angle)) / LIFT_TO_DRAG
      : Math.hypot(weight + drag * Math.sin(angle), drag * Math.cos(angle));
    if (thrust > needed) low = speed;
    else high = speed;
  }
  return low;
}

/** Current in the air over current at rest: little is saved before a third of the pitch speed. */
function currentRatio(share: number): number {
  return 1 - 0.35 * Math.max(0, share - 0.3);
}
