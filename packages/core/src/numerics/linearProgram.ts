import { solve, type Constraint } from 'yalps';
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

const SIZE_MOST = 400;
/** Name of the objective among the rows, which are counted from 0. */
const OBJECTIVE = -1;

/**
 * Solves a small linear program by the simplex method. Each row is scaled to its largest coefficient, so that a moment
 * in hundredths of a newton metre is held as closely as a thrust in newtons.
 *
 * @param program - at most 400 unknowns and rows together
 * @throws {OutOfRangeError} if it is larger, or a row is not as long as the objective
 * @example maximiseLinear({ objective: [1, 1], equal: [], atMost: [{ row: [1, 2], bound: 4 }] }) // => value 4 at [4, 0]
 */
export function maximiseLinear({ objective, equal, atMost }: LinearProgram): LinearOutcome {
  const count = objective.length;
  const bounds = [...equal, ...atMost];
  if (count + bounds.length > SIZE_MOST)
    throw new OutOfRangeError('unknowns', count + bounds.length, `at most ${SIZE_MOST} unknowns and rows`);
  for (const { row } of bounds)
    if (row.length !== count) throw new OutOfRangeError('row', row.length, `${count} coefficients`);
  const scales = bounds.map(({ row }) => Math.max(...row.map(Math.abs)) || 1);
  const solution = solve<number, number>({
    direction: 'maximize',
    objective: OBJECTIVE,
    constraints: bounds.map(({ bound }, i): [number, Constraint] => {
      const value = bound / scales[i]!;
      return [i, i < equal.length ? { equal: value } : { max: value }];
    }),
    variables: objective.map((gain, k): [number, [number, number][]] => [
      k,
      [[OBJECTIVE, gain], ...bounds.map(({ row }, i): [number, number] => [i, row[k]! / scales[i]!])],
    ]),
  });
  if (solution.status === 'unbounded') return { status: 'unbounded' };
  if (solution.status !== 'optimal') return { status: 'infeasible' };
  const x = new Array<number>(count).fill(0);
  for (const [k, value] of solution.variables) x[k] = value;
  return { status: 'found', value: solution.result, x };
}
