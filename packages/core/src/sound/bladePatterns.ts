import { requireWithin } from '../errors/guards.ts';

/** One way to set blades into the slots of a hub. */
export interface BladePattern {
  /** Slots that are filled, the first always 0. */
  slots: number[];
  /** Equal gaps all round. */
  isEven: boolean;
  /** Blades alike balance each other. */
  isBalanced: boolean;
}

const MOST_SLOTS = 12;

/**
 * How much of the blades' pulses is left at a multiple of the turn: |Σ e^(ikθ)|/B, 1 where all fall together.
 *
 * @param anglesRad - of the blades, at least 1
 * @param order - multiple of the turn, ≥ 0
 * @example orderShare([0, Math.PI], 1) // => 0; the two blades of a usual prop leave nothing at one a turn
 */
export function orderShare(anglesRad: readonly number[], order: number): number {
  requireWithin('anglesRad', anglesRad.length, 1, MOST_SLOTS);
  const sum = (part: (angle: number) => number): number => anglesRad.reduce((s, a) => s + part(order * a), 0);
  return Math.hypot(sum(Math.cos), sum(Math.sin)) / anglesRad.length;
}

/** Where the blades of a pattern stand [rad]. */
export function patternAngles(slots: readonly number[], slotCount: number): number[] {
  return slots.map((slot) => (2 * Math.PI * slot) / slotCount);
}

/**
 * Every pattern of blades on a hub, those that are turns or mirror images of each other told once; even ones first.
 *
 * @param slotCount - of the hub, 2 to 12
 * @param bladeCount - 1 to slotCount
 * @throws {OutOfRangeError} outside those ranges
 * @example bladePatterns(6, 3).length // => 3
 */
export function bladePatterns(slotCount: number, bladeCount: number): BladePattern[] {
  requireWithin('slotCount', slotCount, 2, MOST_SLOTS);
  requireWithin('bladeCount', bladeCount, 1, slotCount);
  const seen = new Set<number>();
  const patterns: BladePattern[] = [];
  for (let bits = 1; bits < 2 ** slotCount; bits += 2) {
    const slots = Array.from({ length: slotCount }, (_, s) => s).filter((s) => bits & (1 << s));
    if (slots.length !== bladeCount || seen.has(bits)) continue;
    for (let turn = 0; turn < slotCount; turn++) {
      const turned = (sign: 1 | -1): number =>
        slots.reduce((sum, s) => sum | (1 << ((((sign * s + turn) % slotCount) + slotCount) % slotCount)), 0);
      seen.add(turned(1)).add(turned(-1));
    }
    const gaps = slots.map((s, i) => (slots[i + 1] ?? slotCount) - s);
    patterns.push({
      slots,
      isEven: gaps.every((gap) => gap === gaps[0]),
      isBalanced: orderShare(patternAngles(slots, slotCount), 1) < 1e-9,
    });
  }
  return patterns.sort((a, b) => Number(b.isEven) - Number(a.isEven) || Number(b.isBalanced) - Number(a.isBalanced));
}
