declare module 'jstat' {
  export const jStat: {
    gamma: {
      cdf(x: number, shape: number, scale: number): number
      inv(p: number, shape: number, scale: number): number
    }
    beta: { cdf(x: number, a: number, b: number): number }
    gammaln(x: number): number
  }
}
