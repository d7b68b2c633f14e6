/**
 * Solves a small system of linear equations by elimination with row pivots.
 *
 * @param matrix - square, left as it is
 * @returns the unknowns; null where the rows do not tell them
 */
export function solveLinear(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  const size = Math.max(...matrix.flat().map(Math.abs), 1e-300);
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(rows[i]![k]!) > Math.abs(rows[pivot]![k]!)) pivot = i;
    [rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!];
    const head = rows[k]!;
    if (Math.abs(head[k]!) < 1e-13 * size) return null;
    for (let i = k + 1; i < n; i++) {
      const factor = rows[i]![k]! / head[k]!;
      for (let j = k; j <= n; j++) rows[i]![j]! -= factor * head[j]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let k = n - 1; k >= 0; k--) {
    let sum = rows[k]![n]!;
    for (let j = k + 1; j < n; j++) sum -= rows[k]![j]! * x[j]!;
    x[k] = sum / rows[k]![k]!;
  }
  return x;
}
