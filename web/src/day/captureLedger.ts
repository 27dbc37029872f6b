/** The captures this device knows of a day, by event: those on record and its own that are still on their way. */
import { byArrival, byTimeThenId, settleCaptures, type Capture, type TimeBounds } from '@able-gauge/core'
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
  /** Moments the day can hold, as they are known now. */
  readonly within: (bounds: TimeBounds | null) => void
}

const CORRECTIONS: ReadonlySet<Capture['kind']> = new Set(['voided', 'assigned', 'moved', 'replaced'])

export const makeCaptureLedger = (): CaptureLedger => {
  const captures = new Map<string, Map<string, Capture>>()
  /** Ids that a correction names, which may arrive before what it corrects. */
  const touched = new Set<string>()
  const shown = new Map<string, ShallowRef<readonly Capture[]>>()
  let bounds: TimeBounds | null = null
  const timed = (capture: Capture): Capture => (bounds ? byArrival(capture, bounds) : capture)

  const allIn = (eventId: string): Capture[] => [...(captures.get(eventId)?.values() ?? [])]

  const settledIn = (eventId: string): ShallowRef<readonly Capture[]> => {
    const known = shown.get(eventId)
    if (known) return known
    const made = shallowRef<readonly Capture[]>(settleCaptures(allIn(eventId), bounds))
    shown.set(eventId, made)
    return made
  }

  const refresh = (eventId: string): void => {
    settledIn(eventId).value = settleCaptures(allIn(eventId), bounds)
  }

  /** Something new that corrects nothing and happened last goes to the end, without settling all of them anew. */
  const append = (added: Capture): void => {
    const capture = timed(added)
    const ref = shown.get(capture.eventId)
    const last = ref?.value.at(-1)
    const isPlain = !CORRECTIONS.has(capture.kind) && !touched.has(capture.id)
    if (ref && isPlain && (!last || byTimeThenId(last, capture) < 0)) ref.value = [...ref.value, capture]
    else refresh(capture.eventId)
  }

  return {
    merge: (added) => {
      let isAllNew = true
      const news = added.filter((capture) => {
        const ofEvent = captures.get(capture.eventId) ?? new Map<string, Capture>()
        const known = ofEvent.get(capture.id)
        if (known) isAllNew = false
        captures.set(capture.eventId, ofEvent.set(capture.id, capture))
        if (CORRECTIONS.has(capture.kind) && 'captureId' in capture.payload) touched.add(capture.payload.captureId)
        // what this device captured comes back from the server as it was
        return !known || timed(known).atMs !== timed(capture).atMs || known.entryId !== capture.entryId
      })
      const [only, another] = news
      if (only && !another && isAllNew) append(only)
      else for (const eventId of new Set(news.map((capture) => capture.eventId))) refresh(eventId)
    },
    forget: ({ id, eventId }) => {
      captures.get(eventId)?.delete(id)
      refresh(eventId)
    },
    settledIn,
    allIn,
    within: (now) => {
      if (JSON.stringify(now) === JSON.stringify(bounds)) return
      bounds = now
      for (const eventId of shown.keys()) refresh(eventId)
    },
  }
}
