import type { Spin } from '../craft/layouts.ts';

/** Where the motor of a plane points, seen by its pilot. */
export const sideThrusts = ['none', 'left', 'right'] as const;
export type SideThrust = (typeof sideThrusts)[number];

/**
 * The side to which a plane's thrust line should point.
 *
 * A shaft that turns clockwise seen from behind rolls the plane left, and its stream and the down-going blade turn the
 * nose left: the motor points right. A reversed motor changes the side. Shafts that turn against each other cancel.
 *
 * @param spins - of all shafts, seen from behind
 * @see S. F. Hoerner, H. V. Borst, Fluid-Dynamic Lift, chapter 12
 */
export function sideThrustFor(spins: readonly Spin[]): SideThrust {
  const clockwise = spins.filter((spin) => spin === 'cw').length;
  if (2 * clockwise === spins.length) return 'none';
  return 2 * clockwise > spins.length ? 'right' : 'left';
}

/** Whether a thrust line points the wrong way: to the other side than its shafts ask for. A straight one may do. */
export function isSideThrustWrong(seen: SideThrust | null, wanted: SideThrust): boolean {
  return seen !== null && seen !== 'none' && seen !== wanted;
}
