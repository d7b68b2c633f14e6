import { requirePositive } from '../errors/guards.ts';
import type { Spin } from '../craft/layouts.ts';

/** A rotor that can be commanded between nothing and its most. */
export interface ControlledRotor {
  xM: number;
  yM: number;
  spin: Spin;
  /** Degrees by which a servo may tilt its thrust sideways, for a tri's tail; 0 for none. */
  tiltDegrees?: number;
}

/**
 * The most weight that rotors hold up level and without turning, over the craft's own: 1 is just hovering.
 *
 *   maximise Σ T, 0 ≤ T ≤ T_max, Σ y·T = 0, Σ x·T = 0, Σ ±c·T + tilt = 0 (a linear program)
 *
 * Rank alone is not enough: an alternating hex with one rotor stopped keeps its rank, yet hovers only on the edge.
 *
 * @param mostThrustN - of one rotor, > 0
 * @param torquePerThrustM - drag torque over thrust of a rotor [m], > 0
 */
export function hoverMargin(rotors: readonly ControlledRotor[], mostThrustN: number, torquePerThrustM: number, weightN: number): number {
  requirePositive('mostThrustN', mostThrustN);
  requirePositive('torquePerThrustM', torquePerThrustM);
  requirePositive('weightN', weightN);
  const n = rotors.length;
  if (n === 0) return 0;
  // A tilting tail gives yaw both ways: two more unknowns, bounded by its thrust and tilt.
  const tilting = rotors.flatMap((r, i) => ((r.tiltDegrees ?? 0) > 0 ? [{ i, tan: Math.tan((r.tiltDegrees! * Math.PI) / 180) }] : []));
  const width = n + 2 * tilting.length;
  const row = (of: (r: ControlledRotor) => number, tilt: (t: { i: number }, side: 1 | -1) => number = () => 0): number[] => [...rotors.map(of), ...tilting.flatMap((t) => [tilt(t, 1), tilt(t, -1)])];
  const equalities = [row((r) => r.yM), row((r) => r.xM), row((r) => (r.spin === 'ccw' ? 1 : -1) * torquePerThrustM, (t, side) => side * rotors[t.i]!.xM)];
  const limits: { row: number[]; most: number }[] = equalities.flatMap((e) => [{ row: e, most: 0 }, { row: e.map((v) => -v), most: 0 }]);
  for (let i = 0; i < n; i++) limits.push({ row: Array.from({ length: width }, (_, k) => (k === i ? 1 : 0)), most: mostThrustN });
  tilting.forEach((t, j) => {
    const bound = Array.from({ length: width }, (_, k) => (k === n + 2 * j || k === n + 2 * j + 1 ? 1 : k === t.i ? -t.tan : 0));
    limits.push({ row: bound, most: 0 });
  });
  const objective = Array.from({ length: width }, (_, k) => (k < n ? 1 : 0));
  return simplexMaximum(objective, limits) / weightN;
}

const ZERO = 1e-10;
const PIVOTS_MOST = 2000;

/** Maximum of a linear form over x ≥ 0 with rows ≤ non-negative bounds; Bland's rule, so it never circles. */
function simplexMaximum(objective: readonly number[], limits: readonly { row: readonly number[]; most: number }[]): number {
  const n = objective.length;
  const m = limits.length;
  const table = limits.map(({ row, most }, i) => [...row, ...Array.from({ length: m }, (_, k) => (k === i ? 1 : 0)), most]);
  const cost = [...objective.map((c) => -c), ...new Array<number>(m + 1).fill(0)];
  const basis = limits.map((_, i) => n + i);
  for (let round = 0; round < PIVOTS_MOST; round++) {
    const enter = cost.findIndex((c, k) => k < n + m && c < -ZERO);
    if (enter < 0) break;
    let leave = -1;
    let least = Infinity;
    for (let i = 0; i < m; i++) {
      const value = table[i]![enter]!;
      if (value <= ZERO) continue;
      const ratio = table[i]![n + m]! / value;
      if (ratio < least - ZERO || (ratio < least + ZERO && basis[i]! < basis[leave]!)) [leave, least] = [i, ratio];
    }
    if (leave < 0) return Infinity;
    pivot(table, cost, leave, enter);
    basis[leave] = enter;
  }
  return cost[n + m]!;
}

function pivot(table: number[][], cost: number[], row: number, column: number): void {
  const head = table[row]!;
  const value = head[column]!;
  for (let k = 0; k < head.length; k++) head[k]! /= value;
  for (const other of [...table.filter((r) => r !== head), cost]) {
    const factor = other[column]!;
    if (Math.abs(factor) < 1e-15) continue;
    for (let k = 0; k < head.length; k++) other[k]! -= factor * head[k]!;
  }
}

/** What is left of the hover margin after each rotor alone has stopped, in the order of the rotors. */
export function marginsAfterLoss(rotors: readonly ControlledRotor[], mostThrustN: number, torquePerThrustM: number, weightN: number): number[] {
  return rotors.map((_, lost) => hoverMargin(rotors.filter((__, i) => i !== lost), mostThrustN, torquePerThrustM, weightN));
}
