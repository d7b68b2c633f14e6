import type { Spin } from '../craft/layouts.ts';

/**
 * Side to which the prop end of a plane's shaft points, seen by its pilot. On a tractor that is where the motor points;
 * on a pusher, whose prop end looks back, the pull goes to the other side.
 */
export const sideThrusts = ['none', 'left', 'right'] as const;
export type SideThrust = (typeof sideThrusts)[number];

/**
 * The side to which the prop end of a plane's shaft should point.
 *
 * A shaft that turns clockwise seen from behind rolls the plane left, and the down-going blade, on a tractor its stream
 * too, turns the nose left. A tractor's prop end points right then and pulls the nose right; a pusher's points right as
 * well, so that its pull, which goes to the left behind the centre, swings the tail left and the nose right. A reversed
 * motor changes the side. Shafts that turn against each other cancel.
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
