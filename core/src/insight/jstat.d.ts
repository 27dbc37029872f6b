/** The part of the statistics package that is used: quantiles of the F and t distributions, the normal distribution. */
declare module 'jstat' {
  const jstat: {
    readonly centralF: { readonly inv: (share: number, numerator: number, denominator: number) => number }
    readonly studentt: { readonly inv: (share: number, freedom: number) => number }
    readonly normal: { readonly cdf: (value: number, mean: number, deviation: number) => number }
  }
  export default jstat
}
