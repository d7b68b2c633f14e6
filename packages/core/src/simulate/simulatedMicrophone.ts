import { requireWithin } from '../errors/guards.ts';
import { meanSquareOfLevel } from '../sound/levels.ts';
import { seededRandom, type SeededRandom } from '../numerics/seededRandom.ts';

/** A rotor as a microphone hears it. */
export interface HeardRotor {
  rpm: number;
  bladeCount: number;
  /** Level of the first pass [dB]. */
  toneDb: number;
  /** How much each harmonic is weaker than the one before [dB]. */
  fallDb: number;
  /** Where the blades stand [rad]; evenly where left out. Uneven ones sound at every turn. */
  anglesRad?: readonly number[];
  /** How far each blade's push is off the others', as a standard deviation of parts; 0 where left out. */
  unevenRatio?: number;
}

/** What is set up before a microphone. */
export interface MicrophonePlan {
  seed: string;
  rateHz: number;
  durationS: number;
  rotors: readonly HeardRotor[];
  /** Unweighted level of the rush of the blades [dB]; null for none. */
  rushDb: number | null;
  /** Unweighted level of wind and place [dB]; null for none. */
  backgroundDb?: number | null;
  /** A tractor passes half-way, so loud at its nearest [dB]; null for none. */
  tractorDb?: number | null;
  /** Part of the pressure that the ground throws back, and how much later [s]. */
  reflection?: { ratio: number; delayS: number } | null;
  /** Slow wander of the speeds, a standard deviation of parts. */
  wanderRatio?: number;
}

const HARMONICS = 8;
const MOST_SAMPLES = 4e7;
/** The rush lies around this frequency, a place's own noise below the other [Hz]. */
const RUSH_HZ = 3000;
const PLACE_HZ = 250;
const TRACTOR_FIRING_HZ = 37;
/** The speed is drawn anew so many times a second and led over. */
const WANDER_HZ = 4;

/**
 * Pressures at a microphone [Pa]: tones of every rotor with uneven blades and unsteady speeds, the rush of the blades,
 * the ground's reflection, the place and a passing tractor. The same for the same seed.
 *
 * @throws {OutOfRangeError} if it is longer than 40 million samples
 */
export function simulateMicrophone(plan: MicrophonePlan): Float32Array {
  const count = Math.round(plan.rateHz * plan.durationS);
  requireWithin('samples', count, 1, MOST_SAMPLES);
  const random = seededRandom(plan.seed);
  const sound = new Float32Array(count);
  plan.rotors.forEach((rotor, r) => addRotor(sound, plan, rotor, random.fork(`rotor ${r}`)));
  if (plan.rushDb !== null) addNoise(sound, plan.rateHz, RUSH_HZ, plan.rushDb, random.fork('rush'));
  if (plan.reflection) addReflection(sound, plan.rateHz, plan.reflection);
  if (plan.backgroundDb != null) addNoise(sound, plan.rateHz, PLACE_HZ, plan.backgroundDb, random.fork('place'));
  if (plan.tractorDb != null) addTractor(sound, plan.rateHz, plan.tractorDb, random.fork('tractor'));
  return sound;
}

/**
 * Each blade is a pulse a turn; the line at order k is the sum of its blades' parts, |Σ a·e^(ikθ)|, so that evenly set
 * blades that are alike leave only the passes.
 */
function addRotor(sound: Float32Array, plan: MicrophonePlan, rotor: HeardRotor, random: SeededRandom): void {
  const { bladeCount } = rotor;
  const angles = rotor.anglesRad ?? Array.from({ length: bladeCount }, (_, b) => (2 * Math.PI * b) / bladeCount);
  const parts = angles.map(() => 1 + (rotor.unevenRatio ?? 0) * random.normal());
  const lines: { order: number; amplitude: number; phase: number }[] = [];
  for (let order = 1; order <= HARMONICS * bladeCount; order++) {
    const [real, imaginary] = angles.reduce<[number, number]>(
      ([re, im], angle, b) => [re + parts[b]! * Math.cos(order * angle), im + parts[b]! * Math.sin(order * angle)],
      [0, 0],
    );
    const share = Math.hypot(real, imaginary) / bladeCount;
    const levelDb = rotor.toneDb - rotor.fallDb * Math.max(0, order / bladeCount - 1);
    const amplitude = share * Math.sqrt(2 * meanSquareOfLevel(levelDb));
    const isHeard = (order * rotor.rpm) / 60 < 0.45 * plan.rateHz && share > 1e-6;
    if (isHeard) lines.push({ order, amplitude, phase: 2 * Math.PI * random.next() });
  }
  const turns = turnsOf(sound.length, plan, rotor.rpm, random.fork('wander'));
  for (let i = 0; i < sound.length; i++) {
    const angle = 2 * Math.PI * turns[i]!;
    let pressure = 0;
    for (const { order, amplitude, phase } of lines) pressure += amplitude * Math.sin(order * angle + phase);
    sound[i]! += pressure;
  }
}

/** Turns since the beginning, with a speed that wanders. */
function turnsOf(count: number, { rateHz, wanderRatio = 0 }: MicrophonePlan, rpm: number, random: SeededRandom) {
  const turns = new Float64Array(count);
  const stretch = Math.round(rateHz / WANDER_HZ);
  let [from, to, angle] = [random.normal(), random.normal(), random.next()];
  for (let i = 0; i < count; i++) {
    const place = (i % stretch) / stretch;
    if (i > 0 && i % stretch === 0) [from, to] = [to, 0.7 * to + 0.71 * random.normal()];
    angle += (rpm * (1 + wanderRatio * (from + place * (to - from)))) / 60 / rateHz;
    turns[i] = angle;
  }
  return turns;
}

/** Noise around a frequency: two simple poles on either side, brought to its level. */
function addNoise(sound: Float32Array, rateHz: number, aroundHz: number, levelDb: number, random: SeededRandom): void {
  const corner = 1 - Math.exp((-2 * Math.PI * Math.min(aroundHz, 0.4 * rateHz)) / rateHz);
  const noise = new Float32Array(sound.length);
  let [low, lower, sum] = [0, 0, 0];
  for (let i = 0; i < noise.length; i++) {
    low += corner * (random.next() - 0.5 - low);
    lower += 0.3 * corner * (low - lower);
    noise[i] = low - lower;
    sum += noise[i]! ** 2;
  }
  const scale = Math.sqrt(meanSquareOfLevel(levelDb) / (sum / noise.length));
  for (let i = 0; i < sound.length; i++) sound[i]! += scale * noise[i]!;
}

function addReflection(
  sound: Float32Array,
  rateHz: number,
  { ratio, delayS }: { ratio: number; delayS: number },
): void {
  const delay = Math.max(1, Math.round(delayS * rateHz));
  for (let i = sound.length - 1; i >= delay; i--) sound[i]! += ratio * sound[i - delay]!;
}

/** A firing comb and its rattle that swell and go. */
function addTractor(sound: Float32Array, rateHz: number, levelDb: number, random: SeededRandom): void {
  const passing = new Float32Array(sound.length);
  addNoise(passing, rateHz, PLACE_HZ, levelDb - 3, random);
  const amplitude = Math.sqrt(2 * meanSquareOfLevel(levelDb - 8));
  for (let i = 0; i < sound.length; i++) {
    const t = i / rateHz;
    for (let m = 1; m <= 4; m++) passing[i]! += (amplitude / m) * Math.sin(2 * Math.PI * m * TRACTOR_FIRING_HZ * t);
    const place = (2 * i) / sound.length - 1;
    sound[i]! += passing[i]! / (1 + 6 * place ** 2);
  }
}
