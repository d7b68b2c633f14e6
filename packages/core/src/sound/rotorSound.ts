import { requirePositive, requireWithin } from '../errors/guards.ts';
import { besselJ } from '../numerics/besselJ.ts';
import type { RotorAir } from '../air/rotorAir.ts';
import { aWeightingDb, meanSquareOfLevel, REFERENCE_PRESSURE_PA } from './levels.ts';

/** A turning rotor as a source of sound. */
export interface RotorSource {
  bladeCount: number;
  diameterM: number;
  speedRpm: number;
  thrustN: number;
  torqueNm: number;
  bladeVolumeM3: number;
  /** Of all blades, flat [m²]. */
  bladeAreaM2: number;
}

/** Where one listens: distance, and angle from the axis, 0 ahead of the disc, 90 in its plane. */
export interface Listener {
  distanceM: number;
  angleDegrees: number;
}

const FOOT_M = 0.3048;
const POUND_N = 4.4482216153;
/** Distance of the broadband rule's data [m]. */
const RULE_DISTANCE_M = 91.44;
const LOADING_RADIUS = 0.8;
const TONE_MAX_COUNT = 40;

/** Frequency with which blades pass [Hz]. */
export function bladePassingHz({ bladeCount, speedRpm }: Pick<RotorSource, 'bladeCount' | 'speedRpm'>): number {
  return (bladeCount * speedRpm) / 60;
}

/** Where a rotor and its motor leave lines in a sound [Hz]. */
export interface RotorLines {
  passingHz: number;
  harmonicsHz: number[];
  /** One turn on either side of the first pass, where blades that are not alike are heard. */
  besideHz: [number, number];
  /** Of the motor's currents: the whine. */
  electricalHz: number;
}

/**
 * @param polePairs - of the motor; magnets over two
 * @param harmonicCount - 1 to 40
 * @throws {OutOfRangeError} if a speed is negative or a count none
 */
export function rotorLines(
  rotor: Pick<RotorSource, 'bladeCount' | 'speedRpm'>,
  polePairs: number,
  harmonicCount: number,
): RotorLines {
  requireWithin('speedRpm', rotor.speedRpm, 0, Number.MAX_VALUE);
  requirePositive('polePairs', polePairs);
  requireWithin('harmonicCount', harmonicCount, 1, TONE_MAX_COUNT);
  const passingHz = bladePassingHz(rotor);
  const turnHz = rotor.speedRpm / 60;
  return {
    passingHz,
    harmonicsHz: Array.from({ length: harmonicCount }, (_, i) => (i + 1) * passingHz),
    besideHz: [passingHz - turnHz, passingHz + turnHz],
    electricalHz: turnHz * polePairs,
  };
}

/**
 * Speed of a rotor one of whose passes is heard as a tone [rev/min].
 *
 * @param order - which multiple of the blade-passing frequency it is, 1 and up
 * @throws {OutOfRangeError} if one of them is not positive
 */
export function speedOfTone(frequencyHz: number, bladeCount: number, order = 1): number {
  requirePositive('frequencyHz', frequencyHz);
  requirePositive('bladeCount', bladeCount);
  requirePositive('order', order);
  return (60 * frequencyHz) / (bladeCount * order);
}

/**
 * Mean-square pressures of the steady tones at the first harmonics of the blade-passing frequency [Pa²].
 *
 *   p_L = k/(2πr)·(T·cosθ − Q·c/(Ω·R_e²))·J_mB(mB·M_e·sinθ)/√2, k = mBΩ/c, R_e = 0.8·R
 *   p_T = ρ·B·V_b·(mBΩ)²/(2πr)·J_mB(mB·M_e·sinθ)/√2
 *
 * Loading and thickness are added as energies.
 *
 * @param harmonicCount - 1 to 40
 * @throws {OutOfRangeError} if a size, speed or distance is not positive
 * @see L. Gutin, On the sound field of a rotating propeller; A. F. Deming's thickness term
 */
export function toneMeanSquaresPa2(
  source: RotorSource,
  listener: Listener,
  air: RotorAir,
  harmonicCount: number,
): number[] {
  requireSource(source, listener);
  requireWithin('harmonicCount', harmonicCount, 1, TONE_MAX_COUNT);
  const { bladeCount, diameterM, thrustN, torqueNm, bladeVolumeM3 } = source;
  const { soundSpeedMPerS, densityKgPerM3 } = air;
  const speed = (source.speedRpm * 2 * Math.PI) / 60;
  const radius = (LOADING_RADIUS * diameterM) / 2;
  const theta = (listener.angleDegrees * Math.PI) / 180;
  const spread = 2 * Math.PI * listener.distanceM;
  const load = thrustN * Math.cos(theta) - (torqueNm * soundSpeedMPerS) / (speed * radius ** 2);
  return Array.from({ length: harmonicCount }, (_, i) => {
    const order = (i + 1) * bladeCount;
    const bessel = besselJ(order, (order * speed * radius * Math.sin(theta)) / soundSpeedMPerS) / Math.SQRT2;
    const loading = ((order * speed) / soundSpeedMPerS / spread) * load * bessel;
    const thickness = ((densityKgPerM3 * bladeCount * bladeVolumeM3 * (order * speed) ** 2) / spread) * bessel;
    return loading ** 2 + thickness ** 2;
  });
}

/**
 * Overall level of the vortex noise [dB].
 *
 *   L = 10·log10(V²·T²/A_b) − 35.7 + 20·log10(91.44/r); V at 70 % of the radius [ft/s], T [lbf], A_b [ft²]
 *
 * @throws {OutOfRangeError} if a size, speed, thrust or distance is not positive
 * @see R. Schlegel, R. King, H. Mull, Helicopter rotor noise generation and propagation, in H. Hubbard's survey
 */
export function broadbandDb(source: RotorSource, listener: Listener): number {
  requireSource(source, listener);
  requirePositive('thrustN', source.thrustN);
  requirePositive('bladeAreaM2', source.bladeAreaM2);
  const speedFtPerS = (0.7 * Math.PI * source.diameterM * source.speedRpm) / 60 / FOOT_M;
  const thrustLbf = source.thrustN / POUND_N;
  const areaFt2 = source.bladeAreaM2 / FOOT_M ** 2;
  return (
    10 * Math.log10((speedFtPerS * thrustLbf) ** 2 / areaFt2) -
    35.7 +
    20 * Math.log10(RULE_DISTANCE_M / listener.distanceM)
  );
}

/** A predicted sound, of one craft at one place. */
export interface PredictedSound {
  /** A-weighted level of all rotors together [dB]. */
  levelDb: number;
  bladePassingHz: number;
  /** Half widths of 95 %: of the level itself, and of differences between props predicted alike. */
  absoluteDb: number;
  comparedDb: number;
}

/** Part of the thrust that wavers at order one, for gusts, the arm below and the neighbour's air. */
const UNSTEADY_RATIO = 0.9;
/** Wavering falls with its order s = m·B as s^−2.2. */
const UNSTEADY_FALL = 2.2;
const HEARD_HARMONICS = 8;
/** Where the vortex noise of small rotors peaks; the A curve is taken there [Hz]. */
const VORTEX_PEAK_HZ = 3000;
/** Reynolds number from which the vortex rule of large rotors holds, and how fast small blades grow louder than it. */
const LARGE_REYNOLDS = 3.3e5;
const SMALL_BLADE_FALL = 2.2;
/** Chord of a usual blade over its radius: size and speed decide, not how a disc is shared out. */
const USUAL_CHORD_RATIO = 0.2;
/** Smaller blades than this are no louder for it. */
const LEAST_REYNOLDS = 13_000;
/** Sizes under which a predicted level is surer to be wrong. */
const SMALL_M = 0.254;
const SMALL_DB = 12;
const LARGE_DB = 8;
/** Between props of one craft [dB]: less is no difference. */
export const COMPARED_LEVEL_DB = 4;

/** How far a predicted level may be off [dB]. */
export function levelUncertaintyDb(diameterM: number): number {
  return diameterM < SMALL_M ? SMALL_DB : LARGE_DB;
}

/**
 * What the laminar, shedding flow of small blades adds to the vortex rule of large rotors [dB].
 *
 *   ΔL = 22·log10(3.3e5/Re), Re at three quarters of the radius with a chord of a fifth of it, 0 to 31 dB
 */
export function smallBladeDb(source: RotorSource, air: RotorAir): number {
  const reynolds =
    (0.75 * Math.PI * source.speedRpm * USUAL_CHORD_RATIO * source.diameterM ** 2) / 120 / air.kinematicViscosityM2PerS;
  return Math.max(0, 10 * SMALL_BLADE_FALL * Math.log10(LARGE_REYNOLDS / Math.max(LEAST_REYNOLDS, reynolds)));
}

/**
 * A-weighted level of a hovering craft: steady tones, thickness, thrust that wavers, and vortex noise, as energies.
 *
 * Wavering thrust radiates as a dipole along the axis, p = s·Ω·ε·T·|cosθ|/(4π·r·c·√2) with ε = 0.9·s^−2.2 at order
 * s = m·B, so that at equal thrust more blades are quieter. Vortex noise is that of large rotors, louder for small
 * blades. Good to ±12 dB under 10 inch and ±8 dB above, ±4 dB between props of one craft: less is no difference.
 *
 * @param rotorCount - equal rotors, > 0
 * @throws {OutOfRangeError} if a size, speed, thrust or distance is not positive
 * @see M. V. Lowson, Theoretical analysis of compressor noise (orders of unsteady loading); bands of practice in
 *   docs/physics.md
 */
export function predictSound(
  source: RotorSource,
  listener: Listener,
  air: RotorAir,
  rotorCount: number,
): PredictedSound {
  requirePositive('rotorCount', rotorCount);
  const passing = bladePassingHz(source);
  const speedRadPerS = (source.speedRpm * 2 * Math.PI) / 60;
  const cosine = Math.abs(Math.cos((listener.angleDegrees * Math.PI) / 180));
  const tones = toneMeanSquaresPa2(source, listener, air, HEARD_HARMONICS);
  let heard = meanSquareOfLevel(
    broadbandDb(source, listener) + smallBladeDb(source, air) + aWeightingDb(VORTEX_PEAK_HZ),
  );
  tones.forEach((tone, i) => {
    const order = (i + 1) * source.bladeCount;
    const wavering =
      (order * speedRadPerS * UNSTEADY_RATIO * order ** -UNSTEADY_FALL * source.thrustN * cosine) /
      (4 * Math.PI * listener.distanceM * air.soundSpeedMPerS * Math.SQRT2);
    heard += (tone + wavering ** 2) * 10 ** (aWeightingDb((i + 1) * passing) / 10);
  });
  return {
    levelDb: 10 * Math.log10((rotorCount * heard) / REFERENCE_PRESSURE_PA ** 2),
    bladePassingHz: passing,
    absoluteDb: levelUncertaintyDb(source.diameterM),
    comparedDb: COMPARED_LEVEL_DB,
  };
}

function requireSource(source: RotorSource, { distanceM, angleDegrees }: Listener): void {
  requireWithin('bladeCount', source.bladeCount, 1, 8);
  requirePositive('diameterM', source.diameterM);
  requirePositive('speedRpm', source.speedRpm);
  requirePositive('distanceM', distanceM);
  requireWithin('angleDegrees', angleDegrees, 0, 180);
}
