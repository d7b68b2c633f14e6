import { OutOfRangeError } from '../errors/coreError.ts';
import { requirePositive, requireWithin } from '../errors/guards.ts';

/** Every arrangement of rotors that Zivvo lays out by itself, and `custom` for arms that were measured. */
export const layouts = [
  'quadX',
  'quadPlus',
  'quadH',
  'quadVTail',
  'tri',
  'hexX',
  'hexPlus',
  'octoX',
  'octoPlus',
  'y6',
  'x8',
  'custom',
  'tractor',
  'pusher',
  'twinTractor',
  'twinPusher',
] as const;
export type Layout = (typeof layouts)[number];
export type CraftKind = 'multirotor' | 'plane';

/** Places of rotors. Arms are named by where they are, never numbered; `front` is where the nose points. */
export const rotorPlaces = [
  'front',
  'frontRight',
  'frontRightSide',
  'right',
  'rearRightSide',
  'rearRight',
  'rear',
  'rearLeft',
  'rearLeftSide',
  'left',
  'frontLeftSide',
  'frontLeft',
  'nose',
  'tail',
  'leftWing',
  'rightWing',
] as const;
export type RotorPlace = (typeof rotorPlaces)[number];

export type Spin = 'cw' | 'ccw';

export interface Rotor {
  place: RotorPlace;
  /** Forward of the centre [m]. */
  xM: number;
  /** Right of the centre [m]. */
  yM: number;
  /** Turn of the prop shaft: seen from above on a multirotor, from behind on a plane. */
  spin: Spin;
  /** 0 upper or only rotor, 1 the lower one of a coaxial pair. */
  level: number;
  /** Turns of the motor for one of the shaft; negative when a stage reverses it. */
  gearRatio: number;
  /** Degrees by which the shaft leans to the right for good, as in a V-tail; none when left out. */
  cantDegrees?: number;
}

/** One arm of a layout that was measured. */
export interface CustomArm {
  xM: number;
  yM: number;
  spin: Spin;
}

export interface LayoutEntries {
  layout: Layout;
  /**
   * Multirotors: twice the distance from the centre to a motor. Twins: between the two shafts. Null for one motor or
   * measured arms.
   */
  diagonalM: number | null;
  /** Arms of a `custom` layout; null otherwise. */
  arms: readonly CustomArm[] | null;
  /** Turns of the motors for one of their shafts, negative when one stage reverses them; null without gears. */
  gearRatio?: number | null;
  /** Which way the rotors turn as the controller has it; `in` when left out. */
  spinTable?: SpinTable | null;
  /** Of an own table: the spin of every rotor, in the order of the layout. */
  ownSpins?: readonly Spin[] | null;
}

/**
 * The controller's table: `in`, at the front edge of the front discs the blades move toward the centre line; `out`,
 * away from it, every rotor the other way; `own`, rotor by rotor.
 */
export const spinTables = ['in', 'out', 'own'] as const;
export type SpinTable = (typeof spinTables)[number];

export const CUSTOM_ARMS = { min: 2, max: 12 } as const;
/** Turns of a motor for one of its shaft, either way round. */
export const GEAR_TURNS = { min: 0.5, max: 20 } as const;

/** Whether an arrangement flies on its rotors or on a wing. */
export function layoutKind(layout: Layout): CraftKind {
  return layout in PLANES ? 'plane' : 'multirotor';
}

/** Whether a layout takes a distance between its motors. */
export function needsDiagonal(layout: Layout): boolean {
  return layout !== 'custom' && layout !== 'tractor' && layout !== 'pusher';
}

/**
 * Degrees clockwise from the nose and the proposed spin, of each arm; `lower` adds a second rotor that turns against
 * it.
 */
interface Ring {
  arms: readonly (readonly [place: RotorPlace, degrees: number, spin: Spin])[];
  lower?: boolean;
  /** Degrees by which the shafts of the rear arms lean inward. */
  rearCant?: number;
}

const QUAD_X: Ring['arms'] = [
  ['frontLeft', -45, 'cw'],
  ['frontRight', 45, 'ccw'],
  ['rearRight', 135, 'cw'],
  ['rearLeft', -135, 'ccw'],
];
/** Degrees of the arms of an H frame: a quarter longer than wide. */
const H_DEGREES = 38.66;

const RINGS: Partial<Record<Layout, Ring>> = {
  quadX: { arms: QUAD_X },
  quadPlus: {
    arms: [
      ['front', 0, 'cw'],
      ['right', 90, 'ccw'],
      ['rear', 180, 'cw'],
      ['left', -90, 'ccw'],
    ],
  },
  quadH: {
    arms: [
      ['frontLeft', -H_DEGREES, 'cw'],
      ['frontRight', H_DEGREES, 'ccw'],
      ['rearRight', 180 - H_DEGREES, 'cw'],
      ['rearLeft', H_DEGREES - 180, 'ccw'],
    ],
  },
  quadVTail: {
    arms: [
      ['frontLeft', -50, 'cw'],
      ['frontRight', 50, 'ccw'],
      ['rearRight', 155, 'cw'],
      ['rearLeft', -155, 'ccw'],
    ],
    rearCant: 35,
  },
  tri: {
    arms: [
      ['frontLeft', -60, 'cw'],
      ['frontRight', 60, 'ccw'],
      ['rear', 180, 'cw'],
    ],
  },
  hexX: {
    arms: [
      ['frontLeft', -30, 'cw'],
      ['frontRight', 30, 'ccw'],
      ['right', 90, 'cw'],
      ['rearRight', 150, 'ccw'],
      ['rearLeft', -150, 'cw'],
      ['left', -90, 'ccw'],
    ],
  },
  hexPlus: {
    arms: [
      ['front', 0, 'cw'],
      ['frontRight', 60, 'ccw'],
      ['rearRight', 120, 'cw'],
      ['rear', 180, 'ccw'],
      ['rearLeft', -120, 'cw'],
      ['frontLeft', -60, 'ccw'],
    ],
  },
  octoX: {
    arms: [
      ['frontLeft', -22.5, 'cw'],
      ['frontRight', 22.5, 'ccw'],
      ['frontRightSide', 67.5, 'cw'],
      ['rearRightSide', 112.5, 'ccw'],
      ['rearRight', 157.5, 'cw'],
      ['rearLeft', -157.5, 'ccw'],
      ['rearLeftSide', -112.5, 'cw'],
      ['frontLeftSide', -67.5, 'ccw'],
    ],
  },
  octoPlus: {
    arms: [
      ['front', 0, 'cw'],
      ['frontRight', 45, 'ccw'],
      ['right', 90, 'cw'],
      ['rearRight', 135, 'ccw'],
      ['rear', 180, 'cw'],
      ['rearLeft', -135, 'ccw'],
      ['left', -90, 'cw'],
      ['frontLeft', -45, 'ccw'],
    ],
  },
  y6: {
    arms: [
      ['frontLeft', -60, 'cw'],
      ['frontRight', 60, 'ccw'],
      ['rear', 180, 'cw'],
    ],
    lower: true,
  },
  x8: { arms: QUAD_X, lower: true },
};

const PLANES: Partial<Record<Layout, readonly (readonly [place: RotorPlace, side: -1 | 0 | 1, spin: Spin])[]>> = {
  tractor: [['nose', 0, 'cw']],
  pusher: [['tail', 0, 'cw']],
  twinTractor: [
    ['leftWing', -1, 'cw'],
    ['rightWing', 1, 'ccw'],
  ],
  twinPusher: [
    ['leftWing', -1, 'cw'],
    ['rightWing', 1, 'ccw'],
  ],
};

/**
 * The rotors of a craft: where they are, and a proposal of how they turn.
 *
 * Four, six and eight alternate and coaxial pairs are opposite; an X quad is proposed as *props in*: at the front edge
 * of the front discs the blades move toward the centre line, unless its table says otherwise. A proposal only: the spin
 * must be seen.
 *
 * @param entries - layout, distance between motors [m] where the layout has one, measured arms where it is `custom`
 * @throws {OutOfRangeError} if the distance is needed and not positive, measured arms are missing, too many or at the
 *   same place, a gear turns less than 0.5 or more than 20 times, or an own table has not one spin for every rotor
 */
export function layOut({
  layout,
  diagonalM,
  arms,
  gearRatio = null,
  spinTable = 'in',
  ownSpins = null,
}: LayoutEntries): Rotor[] {
  if (gearRatio !== null) requireWithin('gearRatio', Math.abs(gearRatio), GEAR_TURNS.min, GEAR_TURNS.max);
  const rotors = placed(layout, diagonalM, arms ?? []).map((r) => ({ ...r, gearRatio: gearRatio ?? 1 }));
  if (spinTable === 'own') {
    if (ownSpins?.length !== rotors.length)
      throw new OutOfRangeError('ownSpins', ownSpins?.length ?? 0, String(rotors.length));
    return rotors.map((r, i) => ({ ...r, spin: ownSpins[i]! }));
  }
  return spinTable === 'out' ? rotors.map((r) => ({ ...r, spin: otherSpin(r.spin) })) : rotors;
}

function placed(layout: Layout, diagonalM: number | null, arms: readonly CustomArm[]): Omit<Rotor, 'gearRatio'>[] {
  if (layout === 'custom') return customRotors(arms);
  const plane = PLANES[layout];
  const reach = needsDiagonal(layout) ? requiredReach(diagonalM) : 0;
  if (plane) return plane.map(([place, side, spin]) => ({ place, xM: 0, yM: side * reach, spin, level: 0 }));
  const { arms: round, lower, rearCant = 0 } = RINGS[layout]!;
  return round.flatMap(([place, degrees, spin]) => {
    const angle = (degrees * Math.PI) / 180;
    const upper = { place, xM: reach * Math.cos(angle), yM: reach * Math.sin(angle), spin, level: 0 };
    if (rearCant !== 0 && upper.xM < 0) return [{ ...upper, cantDegrees: -Math.sign(upper.yM) * rearCant }];
    return lower ? [upper, { ...upper, spin: otherSpin(spin), level: 1 }] : [upper];
  });
}

/** The opposite turning direction, both seen from the same side. */
export function otherSpin(spin: Spin): Spin {
  return spin === 'cw' ? 'ccw' : 'cw';
}

/**
 * Spin of a shaft as seen from the label of its piece, which faces the way of travel; so also the hand that pulls the
 * right way on it. On a multirotor as from above; a plane's spin is told from behind, so from the label it is the
 * other.
 */
export function labelSpinOf(spin: Spin, kind: CraftKind): Spin {
  return kind === 'multirotor' ? spin : otherSpin(spin);
}

/**
 * Spin of a shaft as seen by whoever holds the nut: from above, under a hanging motor from below, before a tractor's
 * nose and behind a pusher's tail.
 */
export function nutSpinOf(spin: Spin, layout: Layout, isHanging: boolean): Spin {
  const isFromOtherSide =
    layoutKind(layout) === 'multirotor' ? isHanging : layout === 'tractor' || layout === 'twinTractor';
  return isFromOtherSide ? otherSpin(spin) : spin;
}

/** Turn of the motor behind a gear, seen from where its shaft's spin is told: one stage reverses it. */
export function motorSpinOf({ spin, gearRatio }: Pick<Rotor, 'spin' | 'gearRatio'>): Spin {
  return gearRatio < 0 ? otherSpin(spin) : spin;
}

function requiredReach(diagonalM: number | null): number {
  const value = diagonalM ?? NaN;
  requirePositive('diagonalM', value);
  return value / 2;
}

const ROUND: readonly RotorPlace[] = [
  'front',
  'frontRight',
  'right',
  'rearRight',
  'rear',
  'rearLeft',
  'left',
  'frontLeft',
];
/** Names for a second arm in the same eighth of the circle. */
const SIDES: Partial<Record<RotorPlace, RotorPlace>> = {
  frontRight: 'frontRightSide',
  rearRight: 'rearRightSide',
  rearLeft: 'rearLeftSide',
  frontLeft: 'frontLeftSide',
};
const SAME_PLACE_M = 0.005;

/** Measured arms, named by the eighth of the circle in which they lie; two arms at one place are a coaxial pair. */
function customRotors(arms: readonly CustomArm[]): Omit<Rotor, 'gearRatio'>[] {
  requireWithin('arms', arms.length, CUSTOM_ARMS.min, CUSTOM_ARMS.max);
  const rotors: Omit<Rotor, 'gearRatio'>[] = [];
  for (const { xM, yM, spin } of arms) {
    requireWithin('xM', xM, -3, 3);
    requireWithin('yM', yM, -3, 3);
    const twin = rotors.filter((r) => Math.hypot(r.xM - xM, r.yM - yM) < SAME_PLACE_M);
    if (twin.length > 1) throw new OutOfRangeError('arms', arms.length, 'at most two rotors at one place');
    rotors.push({ place: twin[0]?.place ?? freePlace(xM, yM, rotors), xM, yM, spin, level: twin.length });
  }
  return rotors;
}

function freePlace(xM: number, yM: number, taken: readonly Pick<Rotor, 'place'>[]): RotorPlace {
  const eighth = Math.round(Math.atan2(yM, xM) / (Math.PI / 4));
  const isTaken = (place: RotorPlace): boolean => taken.some((r) => r.place === place);
  for (const step of [0, 1, -1, 2, -2, 3, -3, 4]) {
    const place = ROUND[(eighth + step + 16) % 8]!;
    if (!isTaken(place)) return place;
    const side = SIDES[place];
    if (side !== undefined && !isTaken(side)) return side;
  }
  throw new OutOfRangeError('arms', taken.length, 'arms that can be told apart');
}

/** Distance of the two nearest shafts that are not one above the other [m]; null with a single shaft. */
export function neighbourDistanceM(rotors: readonly Rotor[]): number | null {
  let nearest = Infinity;
  rotors.forEach((a, i) => {
    for (const b of rotors.slice(i + 1)) {
      const distance = Math.hypot(a.xM - b.xM, a.yM - b.yM);
      if (distance >= SAME_PLACE_M) nearest = Math.min(nearest, distance);
    }
  });
  return Number.isFinite(nearest) ? nearest : null;
}

/** Free air between the nearest discs [m]; negative when they meet, null with a single shaft. */
export function discGapM(rotors: readonly Rotor[], diameterM: number): number | null {
  requirePositive('diameterM', diameterM);
  const distance = neighbourDistanceM(rotors);
  return distance === null ? null : distance - diameterM;
}

/** Whether some rotor works in the stream of another. */
export function isCoaxial(rotors: readonly Rotor[]): boolean {
  return rotors.some((r) => r.level > 0);
}
