declare module 'jstat' {
  export const jStat: {
    gamma: {
      cdf(x: number, shape: number, scale: number): number
      inv(p: number, shape: number, scale: number): number
    }
    beta: { cdf(x: number, a: number, b: number): number }
    normal: { cdf(x: number, mean: number, sd: number): number; inv(p: number, mean: number, sd: number): number }
    gammaln(x: number): number
  }
}
declare module 'newton-raphson-method' {
  /** Root of f near a guess, by Newton's method with a numerical derivative; false where it does not converge. */
  export default function newtonRaphson(
    f: (x: number) => number,
    guess: number,
    options?: { tolerance?: number; maxIterations?: number },
  ): number | false
}
