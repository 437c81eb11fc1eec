/** The part of the general ODE solver `odex` that the tests and the benchmark use. */
export class Solver {
  constructor(variables: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  initialStepSize: number;
  maxSteps: number;
  solve(
    derivative: (x: number, y: number[]) => number[],
    from: number,
    initial: number[],
    to: number,
  ): { y: number[]; outcome: number };
}
