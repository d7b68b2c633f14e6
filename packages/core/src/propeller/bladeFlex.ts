import { INCH_M } from '../label/propLabel.ts';
import type { PropGeometry, PropMaterial } from './propGeometry.ts';

/** Per class: untwist at the tip at 150 m/s and usual lift [degrees], and mass relative to polycarbonate. */
const CLASSES: Record<PropMaterial, { untwist: number; mass: number }> = {
  softPlastic: { untwist: 8, mass: 0.95 },
  polycarbonate: { untwist: 3.2, mass: 1 },
  glassNylon: { untwist: 1.4, mass: 1.08 },
  carbonNylon: { untwist: 0.9, mass: 1 },
  carbon: { untwist: 0.3, mass: 0.8 },
  wood: { untwist: 0.4, mass: 0.85 },
  printed: { untwist: 2.2, mass: 1.05 },
  unknown: { untwist: 2, mass: 1 },
};

/** A five-inch polycarbonate blade droops about this far under 50 g; a judgement, good to ±40 %. */
const REFERENCE_DROOP_M = 0.0045;

/**
 * Usual mass of a propeller of this size and material.
 *
 *   m = (B + 0.2)·1.47·(D_in/5)^2.4·m_f g
 *
 * @returns mass [kg], hub included; usual pieces lie within ±35 %
 * @example usualMassKg(labelGeometry(0.127, 0.109, 3, 'standard', 'polycarbonate')) // => 0.0047…
 */
export function usualMassKg({
  diameterM,
  bladeCount,
  material,
}: Pick<PropGeometry, 'diameterM' | 'bladeCount' | 'material'>): number {
  return ((bladeCount + 0.2) * 1.47 * (diameterM / INCH_M / 5) ** 2.4 * CLASSES[material].mass) / 1000;
}

/**
 * How easily the blades untwist: degrees at the tip at 150 m/s tip speed, usual lift and standard density.
 *
 * From the class of material, corrected by the weighed mass (a heavier piece of the same size is thicker):
 * κ·(m_usual/m)^1.5, the correction held within 0.6 to 1.6. A flex test replaces both: a tip load bends geometrically
 * similar blades by δ ∝ 1/(E·D), so κ = κ_polycarbonate·(δ·D)/(δ·D of the five-inch reference).
 *
 * @param geometry - a checked geometry
 */
export function untwistDegrees(geometry: PropGeometry): number {
  const { material, massKg, droopM, diameterM } = geometry;
  if (droopM !== null) return (CLASSES.polycarbonate.untwist * droopM * diameterM) / (REFERENCE_DROOP_M * 5 * INCH_M);
  const thickness = massKg === null ? 1 : Math.min(1.6, Math.max(0.6, (usualMassKg(geometry) / massKg) ** 1.5));
  return CLASSES[material].untwist * thickness;
}
