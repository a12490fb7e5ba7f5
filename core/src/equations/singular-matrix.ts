/** A matrix that no choice of pivots can factor; `row` is an equation that adds nothing new. */
export class SingularMatrixError extends Error {
  override readonly name = 'SingularMatrixError';
  constructor(readonly row: number) {
    super(`The matrix is singular at row ${row}.`);
  }
}
