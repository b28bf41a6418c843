/** Types of `odex` as far as it is used. The package gives its source for types, which does not pass strict checks; hence this pair of files. */
interface Solver {
  relativeTolerance: number;
  absoluteTolerance: number;
  solve(
    f: (x: number, y: number[]) => number[],
    from: number,
    start: number[],
    to: number,
  ): { y: number[] };
}
declare const odex: { Solver: new (dimension: number) => Solver };
export default odex;
