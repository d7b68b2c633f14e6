import { OutOfRangeError } from '../errors/coreError.ts';

/** A row of coefficients and the bound it is held to. */
export interface LinearBound {
  row: readonly number[];
  bound: number;
}

/** Maximise `objective`·x over x ≥ 0, some rows equal to their bounds and others at most theirs. */
export interface LinearProgram {
  objective: readonly number[];
  equal: readonly LinearBound[];
  atMost: readonly LinearBound[];
}

/** `infeasible`: no x satisfies every bound. `unbounded`: the objective grows for ever. */
export type LinearOutcome =
  { status: 'found'; value: number; x: number[] } | { status: 'infeasible' } | { status: 'unbounded' };

const ZERO = 1e-10;
const FEASIBLE = 1e-8;
const PIVOTS_MOST = 5000;
const SIZE_MOST = 400;

/** Rows of the tableau, its cost row, and which column each row stands for. */
interface Tableau {
  rows: number[][];
  basis: number[];
  width: number;
}

/**
 * Solves a small linear program by the two-phase simplex method; Bland's rule keeps it from circling.
 *
 * @param program - at most 400 unknowns and rows together
 * @throws {OutOfRangeError} if it is larger, or a row is not as long as the objective
 * @see V. Chvátal, Linear Programming, chapters 3 and 8
 * @example maximiseLinear({ objective: [1, 1], equal: [], atMost: [{ row: [1, 2], bound: 4 }] }) // => value 4 at [4, 0]
 */
export function maximiseLinear({ objective, equal, atMost }: LinearProgram): LinearOutcome {
  const count = objective.length;
  if (count + equal.length + atMost.length > SIZE_MOST)
    throw new OutOfRangeError(
      'unknowns',
      count + equal.length + atMost.length,
      `at most ${SIZE_MOST} unknowns and rows`,
    );
  const bounds = [...equal, ...atMost];
  for (const { row } of bounds)
    if (row.length !== count) throw new OutOfRangeError('row', row.length, `${count} coefficients`);
  const slacks = atMost.length;
  const width = count + slacks + bounds.length;
  const rows = bounds.map(({ row, bound }, i) => {
    const full = new Array<number>(width + 1).fill(0);
    const sign = bound < 0 ? -1 : 1;
    row.forEach((value, k) => (full[k] = sign * value));
    if (i >= equal.length) full[count + i - equal.length] = sign;
    full[count + slacks + i] = 1;
    full[width] = sign * bound;
    return full;
  });
  const tableau: Tableau = { rows, basis: bounds.map((_, i) => count + slacks + i), width };
  // First the made-up unknowns, one a row, are driven out; what is left of them says that nothing satisfies the bounds.
  const madeUp = Array.from({ length: width }, (_, k) => (k >= count + slacks ? -1 : 0));
  const first = climb(tableau, madeUp, width);
  if (first.status === 'unbounded' || first.value < -FEASIBLE) return { status: 'infeasible' };
  dropMadeUp(tableau, count + slacks);
  const second = climb(tableau, [...objective, ...new Array<number>(width - count).fill(0)], count + slacks);
  if (second.status === 'unbounded') return { status: 'unbounded' };
  const x = new Array<number>(count).fill(0);
  tableau.basis.forEach((column, i) => column < count && (x[column] = tableau.rows[i]![width]!));
  return { status: 'found', value: second.value, x };
}

/** Pivots until no column below `usable` raises the objective. */
function climb(
  tableau: Tableau,
  objective: readonly number[],
  usable: number,
): { status: 'found'; value: number } | { status: 'unbounded' } {
  const { rows, basis, width } = tableau;
  const cost = [...objective.map((c) => -c), 0];
  rows.forEach((row, i) => subtract(cost, row, cost[basis[i]!]!));
  for (let round = 0; round < PIVOTS_MOST; round++) {
    const enter = cost.findIndex((c, k) => k < usable && c < -ZERO);
    if (enter < 0) break;
    let leave = -1;
    let least = Infinity;
    rows.forEach((row, i) => {
      if (row[enter]! <= ZERO) return;
      const ratio = row[width]! / row[enter]!;
      if (ratio < least - ZERO || (ratio < least + ZERO && basis[i]! < basis[leave]!)) [leave, least] = [i, ratio];
    });
    if (leave < 0) return { status: 'unbounded' };
    pivot(tableau, leave, enter);
    subtract(cost, rows[leave]!, cost[enter]!);
  }
  return { status: 'found', value: cost[width]! };
}

/** Made-up unknowns that stay at nothing leave for any real one of their row; a row without one says nothing new. */
function dropMadeUp(tableau: Tableau, usable: number): void {
  for (let i = tableau.rows.length - 1; i >= 0; i--) {
    if (tableau.basis[i]! < usable) continue;
    const enter = tableau.rows[i]!.findIndex((value, k) => k < usable && Math.abs(value) > ZERO);
    if (enter >= 0) pivot(tableau, i, enter);
    else {
      tableau.rows.splice(i, 1);
      tableau.basis.splice(i, 1);
    }
  }
}

function pivot({ rows, basis }: Tableau, at: number, enter: number): void {
  const head = rows[at]!;
  const value = head[enter]!;
  for (let k = 0; k < head.length; k++) head[k]! /= value;
  for (const row of rows) if (row !== head) subtract(row, head, row[enter]!);
  basis[at] = enter;
}

function subtract(row: number[], head: readonly number[], factor: number): void {
  if (factor === 0) return;
  for (let k = 0; k < row.length; k++) row[k]! -= factor * head[k]!;
}
