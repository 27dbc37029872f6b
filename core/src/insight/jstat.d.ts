/** The part of the statistics package that is used: quantiles of the F distribution. */
declare module 'jstat' {
  const jstat: {
    readonly centralF: { readonly inv: (share: number, numerator: number, denominator: number) => number }
  }
  export default jstat
}
