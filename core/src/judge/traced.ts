import type { Trace } from './trace.ts'

/**
 * A mark with its trace, which is made when it is first read: whoever judges a million results reads few of them.
 * @param mark a new object, which nobody else holds
 */
export const traced = <Mark extends object>(mark: Mark, make: () => Trace): Mark & { readonly trace: Trace } => {
  Object.defineProperty(mark, 'trace', {
    enumerable: true,
    configurable: true,
    get: () => {
      const value = make()
      Object.defineProperty(mark, 'trace', { enumerable: true, configurable: true, value })
      return value
    },
  })
  // the property was defined just above
  return mark as Mark & { readonly trace: Trace }
}
