/** Ways an event can be worked: as it happens, several lanes by one grader, or figures typed from a card. */
import { kindOf, type Protocol } from '@able-gauge/core'

export const WAYS = ['live', 'lanes', 'typed'] as const
export type Way = (typeof WAYS)[number]

export const waysFor = (protocol: Protocol): readonly Way[] => {
  const { inLanes, isRead } = kindOf(protocol)
  if (isRead?.(protocol)) return ['live']
  return inLanes ? WAYS : ['live', 'typed']
}

/** @param query of the page's address */
export const wayIn = (query: unknown): Way => WAYS.find((way) => way === query) ?? 'live'

export const WAY_WORDS: Readonly<Record<Way, string>> = {
  live: 'As it happens',
  lanes: 'Up to four lanes',
  typed: 'From a card',
}
