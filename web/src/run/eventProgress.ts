import type { Mark } from '@able-gauge/core'
import type { Entry } from '../day/day.ts'

export interface EventProgress {
  readonly done: number
  readonly underWay: number
  /** Those who are here and may take part. */
  readonly here: number
}

/** How many have done an event, of those who are here. */
export const progressOf = (entries: readonly Entry[], marks: ReadonlyMap<string, Mark>): EventProgress => {
  const here = entries.filter(({ id, attendance }) => attendance === 'present' || isBegun(marks.get(id)))
  const kinds = here.map(({ id }) => marks.get(id)?.kind)
  const underWay = kinds.filter((kind) => kind === 'running').length
  const waiting = kinds.filter((kind) => kind === undefined || kind === 'waiting').length
  return { done: here.length - underWay - waiting, underWay, here: here.length }
}

const isBegun = (mark: Mark | undefined): boolean => mark !== undefined && mark.kind !== 'waiting'
