/**
 * Solves a symmetric positive definite set of equations by Cholesky's method, and inverts its matrix.
 *
 * Small and dense: the circuit has nine pieces, so a package for large matrices would cost more than it does.
 *
 * @param matrix Rows one after the other, `size` × `size`; not changed.
 * @param right Right-hand side.
 * @param size How many unknowns.
 * @throws RangeError where the matrix is not positive definite.
 */
export function solveSymmetric(
  matrix: Float64Array,
  right: Float64Array,
  size: number,
): { readonly solution: Float64Array; readonly inverse: Float64Array } {
  const lower = new Float64Array(size * size);
  for (let i = 0; i < size; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * size + j]!;
      for (let k = 0; k < j; k++) sum -= lower[i * size + k]! * lower[j * size + k]!;
      if (i !== j) lower[i * size + j] = sum / lower[j * size + j]!;
      else if (sum > 0) lower[i * size + i] = Math.sqrt(sum);
      else throw new RangeError(`solveSymmetric: the matrix is not positive definite at row ${i} (${sum})`);
    }
  const solve = (given: Float64Array): Float64Array => {
    const x = Float64Array.from(given);
    for (let i = 0; i < size; i++) {
      for (let k = 0; k < i; k++) x[i]! -= lower[i * size + k]! * x[k]!;
      x[i]! /= lower[i * size + i]!;
    }
    for (let i = size - 1; i >= 0; i--) {
      for (let k = i + 1; k < size; k++) x[i]! -= lower[k * size + i]! * x[k]!;
      x[i]! /= lower[i * size + i]!;
    }
    return x;
  };
  const inverse = new Float64Array(size * size);
  for (let column = 0; column < size; column++) {
    const unit = new Float64Array(size);
    unit[column] = 1;
    const solved = solve(unit);
    for (let i = 0; i < size; i++) inverse[i * size + column] = solved[i]!;
  }
  return { solution: solve(right), inverse };
}
