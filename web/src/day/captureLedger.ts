/** The captures this device knows of a day, by event: those on record and its own that are still on their way. */
import { settle, type Capture } from '@able-gauge/core'
import { shallowRef, type ShallowRef } from 'vue'

export interface CaptureLedger {
  /** Adds captures; one that is known already is replaced. */
  readonly merge: (added: readonly Capture[]) => void
  /** Takes one back that the server refused. */
  readonly forget: (capture: Capture) => void
  /** The settled captures of an event; follows every change. */
  readonly settledIn: (eventId: string) => ShallowRef<readonly Capture[]>
  /** Everything captured about an event, corrections included. */
  readonly allIn: (eventId: string) => Capture[]
}

export const makeCaptureLedger = (): CaptureLedger => {
  const captures = new Map<string, Map<string, Capture>>()
  const shown = new Map<string, ShallowRef<readonly Capture[]>>()

  const allIn = (eventId: string): Capture[] => [...(captures.get(eventId)?.values() ?? [])]

  const settledIn = (eventId: string): ShallowRef<readonly Capture[]> => {
    const known = shown.get(eventId)
    if (known) return known
    const made = shallowRef<readonly Capture[]>(settle(allIn(eventId)))
    shown.set(eventId, made)
    return made
  }

  const refresh = (eventId: string): void => {
    settledIn(eventId).value = settle(allIn(eventId))
  }

  return {
    merge: (added) => {
      for (const capture of added) {
        const ofEvent = captures.get(capture.eventId) ?? new Map<string, Capture>()
        captures.set(capture.eventId, ofEvent.set(capture.id, capture))
      }
      for (const eventId of new Set(added.map((capture) => capture.eventId))) refresh(eventId)
    },
    forget: ({ id, eventId }) => {
      captures.get(eventId)?.delete(id)
      refresh(eventId)
    },
    settledIn,
    allIn,
  }
}
