import { labelSpinOf, type CraftKind, type RotorPlace, type Spin } from '../craft/layouts.ts';
import { steeringOf, type CheckedRotor, type TakeOffForces } from './takeOff.ts';

export interface ArmRef {
  place: RotorPlace;
  level: number;
}

/** One thing to do. */
export type FixMove =
  | { kind: 'swap'; a: ArmRef; b: ArmRef; areNeighbours: boolean }
  | { kind: 'turnOver'; arm: ArmRef }
  | { kind: 'spare'; arm: ArmRef; hand: Spin }
  | { kind: 'reverse'; arm: ArmRef; to: Spin }
  /** The controller is told how the motors turn, on so many arms. */
  | { kind: 'table'; armCount: number };

export interface FixPlan {
  moves: FixMove[];
  /** Turning over 1, a spare 1, a swap 2 (one action on two arms), reversing a motor 2, the controller's table 1. */
  cost: number;
  /** Pieces that would be needed and are not there. */
  missing: { cwCount: number; ccwCount: number };
}

export const moveCosts = { turnOver: 1, spare: 1, swap: 2, reverse: 2, table: 1 } as const;

export interface SparePieces {
  cwCount: number;
  ccwCount: number;
}

/**
 * The fewest moves that mend a craft: each motor turns as its controller expects, each piece matches, each label faces
 * the way of travel.
 *
 * Two arms with each other's hand are swapped first, neighbours before others: that is the usual fault, and needs no
 * spare. What is put on anew is put on with its label forward, so it needs no turning over. What remains takes spares.
 */
export function fixPlan(rotors: readonly CheckedRotor[], kind: CraftKind, spares: SparePieces): FixPlan {
  const moves: FixMove[] = rotors
    .filter((r) => r.spin !== r.expectedSpin)
    .map((r) => ({ kind: 'reverse', arm: armOf(r), to: r.expectedSpin }));
  const needed = (r: CheckedRotor): Spin => labelSpinOf(r.expectedSpin, kind);
  const isWrongHand = (r: CheckedRotor): boolean => r.hand !== null && r.hand !== 'either' && r.hand !== needed(r);
  const wrong = {
    cw: rotors.filter((r) => isWrongHand(r) && needed(r) === 'cw'),
    ccw: rotors.filter((r) => isWrongHand(r) && needed(r) === 'ccw'),
  };
  const handled = new Set<CheckedRotor>();
  for (const [a, b] of swapPairs(wrong.cw, wrong.ccw, rotors)) {
    moves.push({ kind: 'swap', a: armOf(a), b: armOf(b), areNeighbours: areNeighbours(a, b, rotors) });
    handled.add(a).add(b);
  }
  const left = { ...spares };
  const missing = { cwCount: 0, ccwCount: 0 };
  for (const hand of ['cw', 'ccw'] as const) {
    for (const r of wrong[hand].filter((w) => !handled.has(w))) {
      moves.push({ kind: 'spare', arm: armOf(r), hand });
      handled.add(r);
      if (left[`${hand}Count`] > 0) left[`${hand}Count`]--;
      else missing[`${hand}Count`]++;
    }
  }
  for (const r of rotors)
    if (!r.isLabelForward && r.hand !== 'either' && r.hand !== null && !handled.has(r))
      moves.push({ kind: 'turnOver', arm: armOf(r) });
  return { moves: inOrder(moves), cost: moves.reduce((sum, m) => sum + moveCosts[m.kind], 0), missing };
}

/**
 * The other remedy where motors turn against the controller's table: the table follows the motors, and the pieces
 * follow their motors.
 *
 * @returns null where a spin was not seen, none is wrong, or the spins that were seen cannot steer the craft
 */
export function tablePlan(
  rotors: readonly CheckedRotor[],
  kind: CraftKind,
  spares: SparePieces,
  forces: TakeOffForces,
): FixPlan | null {
  const wrong = rotors.filter((r) => r.spin !== r.expectedSpin);
  if (wrong.length === 0 || kind === 'plane' || rotors.some((r) => !r.isSpinSeen)) return null;
  const steering = steeringOf(rotors, forces);
  if (steering === null || steering.missing.length > 0) return null;
  const pieces = fixPlan(
    rotors.map((r) => ({ ...r, expectedSpin: r.spin })),
    kind,
    spares,
  );
  return {
    ...pieces,
    moves: [{ kind: 'table', armCount: wrong.length }, ...pieces.moves],
    cost: pieces.cost + moveCosts.table,
  };
}

/** Swaps of neighbours first, then other swaps, turning over, spares, motors. */
function inOrder(moves: readonly FixMove[]): FixMove[] {
  const rank = (m: FixMove): number =>
    m.kind === 'swap' ? (m.areNeighbours ? 0 : 1) : { turnOver: 2, spare: 3, reverse: 4, table: 5 }[m.kind];
  return [...moves].sort((a, b) => rank(a) - rank(b));
}

function armOf({ place, level }: CheckedRotor): ArmRef {
  return { place, level };
}

/** Pairs arms that hold each other's hand: the nearest first. */
function swapPairs(
  a: readonly CheckedRotor[],
  b: readonly CheckedRotor[],
  all: readonly CheckedRotor[],
): [CheckedRotor, CheckedRotor][] {
  const free = { a: [...a], b: [...b] };
  const pairs: [CheckedRotor, CheckedRotor][] = [];
  const distance = (x: CheckedRotor, y: CheckedRotor): number =>
    Math.hypot(x.xM - y.xM, x.yM - y.yM) + (areNeighbours(x, y, all) ? 0 : 1);
  while (free.a.length > 0 && free.b.length > 0) {
    let best: [number, number] = [0, 0];
    let least = Infinity;
    free.a.forEach((x, i) =>
      free.b.forEach((y, j) => distance(x, y) < least && ([best, least] = [[i, j], distance(x, y)])),
    );
    pairs.push([free.a[best[0]]!, free.b[best[1]]!]);
    free.a.splice(best[0], 1);
    free.b.splice(best[1], 1);
  }
  return pairs;
}

/** Whether no other shaft is nearer to either than they are to each other. */
function areNeighbours(a: CheckedRotor, b: CheckedRotor, all: readonly CheckedRotor[]): boolean {
  const apart = Math.hypot(a.xM - b.xM, a.yM - b.yM);
  const nearest = (r: CheckedRotor): number =>
    Math.min(...all.filter((o) => o.place !== r.place).map((o) => Math.hypot(o.xM - r.xM, o.yM - r.yM)));
  return apart <= Math.min(nearest(a), nearest(b)) * 1.01 || a.place === b.place;
}
