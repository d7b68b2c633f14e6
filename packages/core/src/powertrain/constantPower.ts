import { requirePositive, requireWithin } from '../errors/guards.ts';

/** What a pack does when power is asked of it. */
export type PowerDraw =
  { status: 'given'; currentA: number; voltageV: number } | { status: 'packCannotGive'; mostPowerW: number };

/**
 * Current and voltage of a pack that gives a power behind its resistance.
 *
 *   I = (Voc − √(Voc² − 4·R·P))/(2R), V = Voc − I·R; nothing above Voc²/(4R) can be had, whatever the label says
 *
 * @param openVoltageV - of the pack at rest [V], > 0
 * @param resistanceOhm - of the pack with its leads [Ω], ≥ 0
 * @param powerW - ≥ 0
 * @throws {OutOfRangeError} outside those ranges
 * @example drawPower(24.66, 0.02, 800) // => { status: 'given', currentA: 33.34…, voltageV: 23.99… }
 */
export function drawPower(openVoltageV: number, resistanceOhm: number, powerW: number): PowerDraw {
  requirePositive('openVoltageV', openVoltageV);
  requireWithin('resistanceOhm', resistanceOhm, 0, 1e6);
  requireWithin('powerW', powerW, 0, 1e9);
  const inside = openVoltageV ** 2 - 4 * resistanceOhm * powerW;
  if (inside < 0) return { status: 'packCannotGive', mostPowerW: openVoltageV ** 2 / (4 * resistanceOhm) };
  // The root without a difference of near equals.
  const voltageV = (openVoltageV + Math.sqrt(inside)) / 2;
  return { status: 'given', currentA: powerW / voltageV, voltageV };
}
