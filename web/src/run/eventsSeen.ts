/** The events of a day that somebody sees, each with its place in the battery: whoever joined a station sees that station. */
import type { StandardEvent } from '@able-gauge/core'
import type { Day } from '../day/day.ts'
import type { Account } from '../session/sessionStore.ts'

export interface EventSeen {
  readonly event: StandardEvent
  /** Counted from 1. */
  readonly place: number
}

export const eventsSeen = ({ standard }: Pick<Day, 'standard'>, account: Account | null): readonly EventSeen[] =>
  standard.events
    .map((event, index) => ({ event, place: index + 1 }))
    .filter(({ event }) => account?.station?.eventIds.includes(event.id) ?? true)
