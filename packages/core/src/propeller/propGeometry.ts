import { OutOfRangeError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';
import { INCH_M, type BladePlanform, type TipShape } from '../label/propLabel.ts';

/** What blades are made of; `unknown` is a choice of its own, halfway in stiffness. */
export const propMaterials = [
  'polycarbonate',
  'glassNylon',
  'carbonNylon',
  'carbon',
  'wood',
  'softPlastic',
  'printed',
  'unknown',
] as const;
export type PropMaterial = (typeof propMaterials)[number];

/** Shape of the blade's section: a flat plate with rounded edges, cambered, or hollow underneath. */
export const bladeSections = ['flat', 'cambered', 'hollow'] as const;
export type BladeSection = (typeof bladeSections)[number];

/** Where width and angle of a blade are measured, as a share of the radius. */
export const MEASURED_AT = 0.75;

/** Everything about a propeller that its aerodynamics and its stiffness need. */
export interface PropGeometry {
  diameterM: number;
  /** As on the label, at 75 % of the radius. */
  pitchM: number;
  bladeCount: number;
  tipShape: TipShape;
  section: BladeSection;
  planform: BladePlanform;
  /** Blade width at three quarters of the radius [m]; null where nobody has measured it. It replaces the planform. */
  chord75M: number | null;
  /** Angle of the blade there to the disc [rad]; null where nobody has. It replaces the label's pitch. */
  angle75Rad: number | null;
  material: PropMaterial;
  /** Weighed mass [kg]; null where nobody has: a usual one of its material is taken. */
  massKg: number | null;
  /**
   * Droop of one blade under 50 g at its tip [m]; null where nobody has tested it. It replaces the class of material.
   */
  droopM: number | null;
  /** Where the blade begins, as a share of the radius; null for the usual 0.14. */
  rootCutOutRatio: number | null;
}

/** Blades flatter or steeper than this there are no propeller's [rad]. */
const LEAST_ANGLE_RAD = (2 * Math.PI) / 180;
const MOST_ANGLE_RAD = (45 * Math.PI) / 180;

/** Blades work at a little more than the printed pitch, since their lower side is not their chord line. */
export const EFFECTIVE_PITCH = 1.03;

/**
 * Pitch that a blade really works at [m]: from its measured angle, else a little more than the label says.
 *
 *   p = 2π·0.75·R·tan β, or 1.03 × label
 */
export function effectivePitchM({
  diameterM,
  pitchM,
  angle75Rad,
}: Pick<PropGeometry, 'diameterM' | 'pitchM' | 'angle75Rad'>): number {
  return angle75Rad === null ? EFFECTIVE_PITCH * pitchM : Math.PI * MEASURED_AT * diameterM * Math.tan(angle75Rad);
}

/** Angle of a blade to the disc at three quarters of the radius, as measured or as its pitch says [rad]. */
export function bladeAngle75Rad(geometry: Pick<PropGeometry, 'diameterM' | 'pitchM' | 'angle75Rad'>): number {
  return Math.atan(effectivePitchM(geometry) / (Math.PI * MEASURED_AT * geometry.diameterM));
}

/** A prop model as it is kept: what its label says, and what was measured beside it. */
export interface ModelEntries {
  diameterM: number;
  pitchM: number;
  bladeCount: number;
  tipShape: TipShape;
  material: PropMaterial;
  planform: BladePlanform | null;
  chord75M: number | null;
  angle75Rad: number | null;
  measuredDiameterM: number | null;
  measuredMassKg: number | null;
}

/**
 * A prop model as it is computed with: measured where somebody did, the label elsewhere; a piece's own measures win.
 */
export function modelGeometry(
  model: ModelEntries,
  piece: { diameterM: number | null; massKg: number | null } | null = null,
): PropGeometry {
  const { pitchM, bladeCount, tipShape, material, chord75M, angle75Rad } = model;
  return {
    diameterM: piece?.diameterM ?? model.measuredDiameterM ?? model.diameterM,
    pitchM,
    bladeCount,
    tipShape,
    section: 'cambered',
    planform: model.planform ?? 'usual',
    chord75M,
    angle75Rad,
    material,
    massKg: piece?.massKg ?? model.measuredMassKg,
    droopM: null,
    rootCutOutRatio: null,
  };
}

/** A geometry from label values alone. */
export function labelGeometry(
  diameterM: number,
  pitchM: number,
  bladeCount: number,
  tipShape: TipShape,
  material: PropMaterial,
): PropGeometry {
  return {
    diameterM,
    pitchM,
    bladeCount,
    tipShape,
    section: 'cambered',
    planform: 'usual',
    chord75M: null,
    angle75Rad: null,
    material,
    massKg: null,
    droopM: null,
    rootCutOutRatio: null,
  };
}

/** No propeller has more pitch over its diameter; only tiny ones come near. */
export const MOST_PITCH_RATIO = 2.5;

/**
 * Refuses what is no propeller.
 *
 * @throws {OutOfRangeError} if the diameter is not 20 mm to 0.8 m, the pitch not above zero and up to twice the
 *   diameter, the blades not 1 to 8, or a given mass, droop, width, angle or root cut-out makes no sense
 */
export function requirePropGeometry({
  diameterM,
  pitchM,
  bladeCount,
  massKg,
  droopM,
  rootCutOutRatio,
  chord75M,
  angle75Rad,
}: PropGeometry): void {
  requireWithin('diameterM', diameterM, 0.02, 0.8);
  if (!(pitchM > 0 && pitchM <= MOST_PITCH_RATIO * diameterM))
    throw new OutOfRangeError('pitchM', pitchM, `above 0, up to ${MOST_PITCH_RATIO * diameterM}`);
  requireWithin('bladeCount', bladeCount, 1, 8);
  if (!Number.isInteger(bladeCount)) throw new OutOfRangeError('bladeCount', bladeCount, 'a whole number');
  if (massKg !== null) requireWithin('massKg', massKg, 0.00005, 3);
  if (droopM !== null) requireWithin('droopM', droopM, 0.00005, 0.2);
  if (chord75M !== null) requireWithin('chord75M', chord75M, 0.02 * diameterM, 0.4 * diameterM);
  if (angle75Rad !== null) requireWithin('angle75Rad', angle75Rad, LEAST_ANGLE_RAD, MOST_ANGLE_RAD);
  if (rootCutOutRatio !== null) requireWithin('rootCutOutRatio', rootCutOutRatio, 0.08, 0.35);
}

/** Sizes and pitches that the shared tables reach; what lies outside is computed for itself. */
export function isInsideTables({ diameterM, pitchM, angle75Rad }: PropGeometry): boolean {
  const ratio = effectivePitchM({ diameterM, pitchM, angle75Rad }) / EFFECTIVE_PITCH / diameterM;
  return diameterM >= 1.15 * INCH_M && diameterM <= 18.01 * INCH_M && ratio >= 0.08 && ratio <= 1.2;
}

/** Sizes that the model's constants were fitted to; beyond them a prediction is *extended*. */
export function isInsideFittedRange({ diameterM, pitchM }: PropGeometry): boolean {
  const ratio = pitchM / diameterM;
  return diameterM >= 1.99 * INCH_M && diameterM <= 18.01 * INCH_M && ratio >= 0.08 && ratio <= 1.2;
}
