import { readAt } from './readAt.ts';

/** A point held against another prop's curve at the same power. */
export interface ThrustComparison {
  /** Own thrust over the other's. */
  ratio: number;
  powerW: number;
  /** True where the other's curve was not measured that far. */
  isExtended: boolean;
}

/**
 * Thrust of a point over the thrust that a curve gives for the same electrical power.
 *
 * @param curve - thrust [N] over power [W], power rising; points that do not rise are left out
 * @param point - thrust [N] and power [W]
 * @returns null where the curve has fewer than two points, or gives no thrust there
 */
export function thrustAtSamePower(
  curve: readonly { powerW: number; thrustN: number }[],
  point: { powerW: number; thrustN: number },
): ThrustComparison | null {
  const rising: { powerW: number; thrustN: number }[] = [];
  for (const c of curve) if (rising.length === 0 || c.powerW > rising.at(-1)!.powerW) rising.push(c);
  if (rising.length < 2 || !(point.powerW > 0)) return null;
  const other = readAt(
    rising.map((c) => ({ x: c.powerW, y: c.thrustN })),
    point.powerW,
  );
  return other.value > 0
    ? { ratio: point.thrustN / other.value, powerW: point.powerW, isExtended: other.isExtended }
    : null;
}
