import { OutOfRangeError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';
import { INCH_M, type TipShape } from '../label/propLabel.ts';

/** What blades are made of; `unknown` is a choice of its own, halfway in stiffness. */
export const propMaterials = ['polycarbonate', 'glassNylon', 'carbonNylon', 'carbon', 'wood', 'softPlastic', 'printed', 'unknown'] as const;
export type PropMaterial = (typeof propMaterials)[number];

/** Shape of the blade's section: a flat plate with rounded edges, cambered, or hollow underneath. */
export const bladeSections = ['flat', 'cambered', 'hollow'] as const;
export type BladeSection = (typeof bladeSections)[number];

/** Everything about a propeller that its aerodynamics and its stiffness need. */
export interface PropGeometry {
  diameterM: number;
  /** As on the label, at 75 % of the radius. */
  pitchM: number;
  bladeCount: number;
  tipShape: TipShape;
  section: BladeSection;
  material: PropMaterial;
  /** Weighed mass [kg]; null where nobody has: a usual one of its material is taken. */
  massKg: number | null;
  /** Droop of one blade under 50 g at its tip [m]; null where nobody has tested it. It replaces the class of material. */
  droopM: number | null;
  /** Where the blade begins, as a share of the radius; null for the usual 0.14. */
  rootCutOutRatio: number | null;
}

/** A geometry from label values alone. */
export function labelGeometry(diameterM: number, pitchM: number, bladeCount: number, tipShape: TipShape, material: PropMaterial): PropGeometry {
  return { diameterM, pitchM, bladeCount, tipShape, section: 'cambered', material, massKg: null, droopM: null, rootCutOutRatio: null };
}

/**
 * Refuses what is no propeller.
 *
 * @throws {OutOfRangeError} if the diameter is not 20 mm to 0.8 m, the pitch not above zero and up to twice the
 *   diameter, the blades not 1 to 8, or a given mass, droop or root cut-out makes no sense
 */
export function requirePropGeometry({ diameterM, pitchM, bladeCount, massKg, droopM, rootCutOutRatio }: PropGeometry): void {
  requireWithin('diameterM', diameterM, 0.02, 0.8);
  if (!(pitchM > 0 && pitchM <= 2 * diameterM)) throw new OutOfRangeError('pitchM', pitchM, `above 0, up to ${2 * diameterM}`);
  requireWithin('bladeCount', bladeCount, 1, 8);
  if (!Number.isInteger(bladeCount)) throw new OutOfRangeError('bladeCount', bladeCount, 'a whole number');
  if (massKg !== null) requireWithin('massKg', massKg, 0.00005, 3);
  if (droopM !== null) requireWithin('droopM', droopM, 0.00005, 0.2);
  if (rootCutOutRatio !== null) requireWithin('rootCutOutRatio', rootCutOutRatio, 0.08, 0.35);
}

/** Sizes that the model's constants were fitted to; beyond them a prediction is *extended*. */
export function isInsideFittedRange({ diameterM, pitchM }: PropGeometry): boolean {
  const ratio = pitchM / diameterM;
  return diameterM >= 1.99 * INCH_M && diameterM <= 18.01 * INCH_M && ratio >= 0.08 && ratio <= 1.2;
}
