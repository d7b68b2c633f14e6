import { requireFinite } from '../errors/guards.ts';
import type { Reason } from '../figure/reason.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';

/** Air in which each material is flown by experience [°C]; null where nothing is told. */
const BAND: Record<PropMaterial, { coldC: number | null; hotC: number | null }> = {
  glassNylon: { coldC: -5, hotC: 45 },
  carbonNylon: { coldC: -5, hotC: 45 },
  polycarbonate: { coldC: -15, hotC: 40 },
  softPlastic: { coldC: -5, hotC: 30 },
  printed: { coldC: 0, hotC: 28 },
  wood: { coldC: null, hotC: 40 },
  carbon: { coldC: -25, hotC: null },
  unknown: { coldC: 0, hotC: 30 },
};

/**
 * What the air of the day means for a material: experience, not a limit of its maker.
 *
 * Nylon turns brittle dry and cold, soft plastic and printed parts soften in the sun, carbon's resin gets brittle in
 * hard frost; everything in between says nothing.
 *
 * @throws {OutOfRangeError} if the temperature is not finite
 */
export function temperatureAdvice(material: PropMaterial, temperatureC: number): Reason[] {
  requireFinite('temperatureC', temperatureC);
  const { coldC, hotC } = BAND[material];
  if (coldC !== null && temperatureC < coldC)
    return [
      { code: 'care.cold', severity: 'caution', values: { material, temperatureC, limitC: coldC }, figure: null },
    ];
  if (hotC !== null && temperatureC > hotC)
    return [{ code: 'care.hot', severity: 'caution', values: { material, temperatureC, limitC: hotC }, figure: null }];
  return [];
}
