/** Types of a general package that the tests and the benchmark compare with; it ships none. */
declare module 'newton-raphson-method' {
  interface Options {
    tolerance?: number;
    maxIterations?: number;
    h?: number;
  }
  export default function newtonRaphson(
    f: (x: number) => number,
    start: number,
    options?: Options,
  ): number | false;
}
