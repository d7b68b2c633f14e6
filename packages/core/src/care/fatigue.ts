import { requireFinite, requirePositive } from '../errors/guards.ts';
import { INCH_M } from '../label/propLabel.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';

/** How hard something was hit. */
export const strikeSeverities = ['light', 'medium', 'hard'] as const;
export type StrikeSeverity = (typeof strikeSeverities)[number];

/** Time at one speed. */
export interface FlownTime {
  durationS: number;
  speedRpm: number;
}

/** Everything that wears a piece. */
export interface FatigueLoad {
  diameterM: number;
  material: PropMaterial;
  flown: readonly FlownTime[];
  strikes: readonly StrikeSeverity[];
  /** A nick that was felt on an edge, dressed or not. */
  hasNick: boolean;
}

export const fatigueStates = ['ok', 'inspect', 'replaceSoon', 'replace'] as const;
export type FatigueState = (typeof fatigueStates)[number];

/** Root stress and strength folded into one factor; *printed* and *unknown* are judgements on the safe side. */
const STRESS: Record<PropMaterial, number> = {
  softPlastic: 1.3,
  printed: 1.3,
  polycarbonate: 1,
  unknown: 1,
  glassNylon: 0.95,
  wood: 0.9,
  carbonNylon: 0.8,
  carbon: 0.45,
};
/** What a strike takes from each material. */
const STRIKE: Record<PropMaterial, number> = {
  softPlastic: 0.5,
  polycarbonate: 0.6,
  glassNylon: 1,
  unknown: 1,
  carbonNylon: 1.2,
  carbon: 1.5,
  wood: 1.5,
  printed: 1.5,
};
const SEVERITY: Record<StrikeSeverity, number> = { light: 0.05, medium: 0.2, hard: 0.6 };
const REFERENCE_RPM = 24_000;
const REFERENCE_M = 5 * INCH_M;
const SLOPE = 6;
/** Wear in the same time goes with this power of speed. */
export const WEAR_POWER = 2 * SLOPE;
const REFERENCE_H = 40;
const NOTCH = 0.5;
const INSPECT = 0.5;
const SOON = 0.8;

/**
 * How much of a piece's life is used: a sum of damage over hours and strikes; 1 is all of it.
 *
 *   σ = k·(n·D/(n₀·D₀))²; index = Σ h·σ⁶/40 h·(1 + ½ if nicked) + Σ severity·toughness
 *
 * Bookkeeping, not a prediction: it orders pieces and says when to look harder. A strike or a nick overrides it, and a
 * crack ends it at once whatever the index says.
 *
 * @returns index and its state: under 0.5 *ok*, under 0.8 *inspect*, under 1 *replace soon*, else *replace*
 * @throws {OutOfRangeError} if a size, a speed or a time makes no sense
 * @see Miner's rule with an S-N slope of 6
 */
export function fatigueIndex({ diameterM, material, flown, strikes, hasNick }: FatigueLoad): {
  index: number;
  state: FatigueState;
} {
  requirePositive('diameterM', diameterM);
  const perHour = flown.reduce((sum, { durationS, speedRpm }) => {
    requireFinite('speedRpm', speedRpm);
    requireFinite('durationS', durationS);
    const stress = stressOf(material, speedRpm, diameterM);
    return sum + (Math.max(0, durationS) / 3600) * (stress ** SLOPE / REFERENCE_H);
  }, 0);
  const index = perHour * (1 + (hasNick ? NOTCH : 0)) + strikeShareOf(material, strikes);
  return { index, state: stateOf(index) };
}

/**
 * Stress at the root of a blade over that of the reference (127 mm at 24,000 rpm), its material's strength folded in.
 */
export function stressOf(material: PropMaterial, speedRpm: number, diameterM: number): number {
  return STRESS[material] * ((Math.max(0, speedRpm) * diameterM) / (REFERENCE_RPM * REFERENCE_M)) ** 2;
}

/** Share of its life that strikes took from a piece. */
export function strikeShareOf(material: PropMaterial, strikes: readonly StrikeSeverity[]): number {
  return strikes.reduce((sum, s) => sum + SEVERITY[s] * STRIKE[material], 0);
}

/**
 * The one speed that wears a piece as much in the same time as all speeds that it was flown at: the mean of the twelfth
 * powers, as stress goes with the square of speed and wear with its sixth power. 0 where it never flew.
 */
export function alikeSpeed(flown: readonly FlownTime[]): number {
  const totalS = flown.reduce((sum, f) => sum + Math.max(0, f.durationS), 0);
  const fastest = Math.max(0, ...flown.map((f) => f.speedRpm));
  if (totalS === 0 || fastest === 0) return 0;
  const parts = flown.map(
    (f) => (Math.max(0, f.durationS) / totalS) * (Math.max(0, f.speedRpm) / fastest) ** WEAR_POWER,
  );
  return fastest * parts.reduce((a, b) => a + b, 0) ** (1 / WEAR_POWER);
}

/** State of a used share of life. */
export function stateOf(index: number): FatigueState {
  return index < INSPECT ? 'ok' : index < SOON ? 'inspect' : index < 1 ? 'replaceSoon' : 'replace';
}
