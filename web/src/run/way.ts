/** Ways an event can be worked: as it happens, several lanes by one grader, or figures typed from a card. */
import type { EventKind } from '@able-gauge/core'

export const WAYS = ['live', 'lanes', 'typed'] as const
export type Way = (typeof WAYS)[number]

/** Kinds whose figures are read rather than stamped: typing them is the way. */
const READ: ReadonlySet<EventKind> = new Set(['attempts', 'bodyMeasures'])
/** Kinds one grader can watch in several lanes. */
export const LANED: ReadonlySet<EventKind> = new Set(['repetitionsInTime', 'repetitionsToFailure'])

export const waysFor = (kind: EventKind): readonly Way[] =>
  READ.has(kind) ? ['live'] : LANED.has(kind) ? WAYS : ['live', 'typed']

/** @param query of the page's address */
export const wayIn = (query: unknown): Way => WAYS.find((way) => way === query) ?? 'live'

export const WAY_WORDS: Readonly<Record<Way, string>> = {
  live: 'As it happens',
  lanes: 'Up to four lanes',
  typed: 'From a card',
}
