/** Steps from figures to a value that several kinds share. */
import { combineWatches } from '../clock/combineWatches.ts'
import { compareExact, meanOf, nearestWhole, sumOf, type Exact } from '../quantity/fraction.ts'
import type { Sense, Worked } from './kind.ts'
import type { WatchRule } from './protocolBase.ts'
import type { Readings } from './slot.ts'

/** One figure as it is; 0 where there is none. */
export const plain = (value: number | undefined): Worked => ({ value: value ?? 0, steps: [] })

/** Nothing is measured beyond the cap. */
export const capped = ({ value, steps }: Worked, cap: number | undefined): Worked =>
  cap !== undefined && compareExact(value, cap) > 0
    ? { value: cap, steps: [...steps, { code: 'capped', cap }] }
    : { value, steps }

/** The time of up to three watches on one person, in ms. @param id slot of the first */
export const watched = (id: string, readings: Readings, rule: WatchRule | undefined): Worked => {
  const times = [readings[id], readings[`${id}-watch-2`], readings[`${id}-watch-3`]].filter(
    (time) => time !== undefined,
  )
  const { elapsedMs, by } = combineWatches(times, rule)
  if (by === 'only') return { value: elapsedMs, steps: [] }
  return {
    value: elapsedMs,
    steps: [{ code: 'watches', count: times.length, by, elapsedMs: nearestWhole(elapsedMs) }],
  }
}

/** What several tries amount to, exactly; a mean is rounded by the event's own rule, not before. */
export const selectOf = (values: readonly Exact[], select: 'best' | 'mean' | 'last' | 'sum', sense: Sense): Exact => {
  switch (select) {
    case 'best': {
      const ordered = [...values].sort(compareExact)
      return (sense === 'atLeast' ? ordered.at(-1) : ordered[0]) ?? 0
    }
    case 'mean':
      return meanOf(values)
    case 'last':
      return values.at(-1) ?? 0
    case 'sum':
      return sumOf(values)
  }
}
