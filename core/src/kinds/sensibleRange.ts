/** Between which values a cut can be meant seriously, and by which factors it is off when it is written in another unit. */
import type { Range } from './kind.ts'
import { kindOf, type Protocol } from './kinds.ts'
import { MINUTE_MS } from './ranges.ts'

/** @returns the range of the event's measure, in its unit */
export const sensibleRange = (protocol: Protocol): Range => kindOf(protocol).sensibleRange(protocol)

/** Factors by which a value is off when it was written in another unit: seconds for ms, cm or m for mm, kg for g. */
export const UNIT_SLIPS: Readonly<Record<string, readonly { readonly factor: number; readonly writtenIn: string }[]>> =
  {
    ms: [
      { factor: 1_000, writtenIn: 'seconds' },
      { factor: MINUTE_MS, writtenIn: 'minutes' },
    ],
    mm: [
      { factor: 10, writtenIn: 'centimetres' },
      { factor: 1_000, writtenIn: 'metres' },
    ],
    g: [{ factor: 1_000, writtenIn: 'kilograms' }],
  }
