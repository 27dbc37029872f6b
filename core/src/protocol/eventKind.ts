/** The event kinds a standard can hold, with the unit of their measure and the sense in which it improves. */
import type { Unit } from '../quantity/unit.ts'

export const EVENT_KINDS = ['repetitionsInTime', 'timedDistance'] as const
export type EventKind = (typeof EVENT_KINDS)[number]

/** `atLeast`: more is better and the cut is reached from below. `atMost`: less is better. */
export type Sense = 'atLeast' | 'atMost'

export interface EventKindFacts {
  readonly name: string
  readonly unit: Unit
  readonly sense: Sense
}

export const EVENT_KIND_FACTS: Readonly<Record<EventKind, EventKindFacts>> = {
  repetitionsInTime: { name: 'Repetitions in a time', unit: 'count', sense: 'atLeast' },
  timedDistance: { name: 'Timed distance', unit: 'ms', sense: 'atMost' },
}
