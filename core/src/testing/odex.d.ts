/** The part of odex that the tests use; the package ships its sources but no declarations. */
declare module 'odex' {
  type Rates = (t: number, y: number[]) => number[];
  export class Solver {
    constructor(
      rates: Rates,
      size: number,
      options?: { absoluteTolerance?: number; relativeTolerance?: number; maxSteps?: number },
    );
    /** Values at ascending times. */
    integrate(start: number, y0: number[]): (t: number) => number[];
  }
}
