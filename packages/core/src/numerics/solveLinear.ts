import { LuDecomposition, Matrix } from 'ml-matrix';

/** Pivots of less than this share of the largest coefficient tell nothing. */
const LEAST_PIVOT = 1e-13;

/**
 * Solves a small system of linear equations by LU decomposition with row pivots.
 *
 * @param matrix - square, left as it is
 * @returns the unknowns; null where the rows do not tell them
 */
export function solveLinear(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const rows = new Matrix(matrix.map((row) => [...row]));
  const decomposition = new LuDecomposition(rows);
  const size = Math.max(...matrix.flat().map(Math.abs), 1e-300);
  if (decomposition.upperTriangularMatrix.diagonal().some((pivot) => !(Math.abs(pivot) >= LEAST_PIVOT * size)))
    return null;
  return decomposition.solve(Matrix.columnVector([...right])).getColumn(0);
}
