/** Rests that run by themselves: who may start what now, who is still resting and until when. */
import type { Capture } from '../capture/capture.ts'
import type { Mark } from '../judge/mark.ts'
import type { StandardEvent } from '../standard/standard.ts'
import type { DayPlan } from './dayPlan.ts'

export interface RestingEvent {
  readonly event: Pick<StandardEvent, 'id' | 'restAfterMs'>
  readonly marks: ReadonlyMap<string, Mark>
  /** Settled captures of the event. */
  readonly settled: readonly Capture[]
}

export type RestState =
  /** `eventId` is what comes next, `sinceMs` when the rest was over; null before the first event. */
  | { readonly kind: 'mayStart'; readonly eventId: string; readonly sinceMs: number | null }
  | { readonly kind: 'resting'; readonly eventId: string; readonly untilMs: number }
  | { readonly kind: 'underWay'; readonly eventId: string }
  /** Everything is done, or the day is over for this person. */
  | { readonly kind: 'done' }

/**
 * Where each person is. The rest after an event runs from the last capture of it.
 * @param events in the order they are done
 * @param out whoever goes on no more: withdrawn, disqualified
 * @param orders ids of the events in the order of those who rotate, by entry
 */
export const restBoard = (
  events: readonly RestingEvent[],
  entryIds: readonly string[],
  out: ReadonlySet<string>,
  nowMs: number,
  orders: ReadonlyMap<string, readonly string[]> = new Map(),
): Map<string, RestState> => {
  const ends = events.map(({ settled }) => lastMoments(settled))
  const stateIn = (entryId: string): RestState => stateOf(events, ends, entryId, nowMs, orders.get(entryId))
  return new Map(entryIds.map((entryId) => [entryId, out.has(entryId) ? DONE : stateIn(entryId)]))
}

/** In which order those go through the battery whose wave rotates, by entry. */
export const ordersOf = (
  plan: Pick<DayPlan, 'orders'> | null | undefined,
  entries: readonly { readonly id: string; readonly wave: number | null }[],
): ReadonlyMap<string, readonly string[]> => {
  const byWave = new Map((plan?.orders ?? []).map(({ wave, eventIds }) => [wave, eventIds]))
  return new Map(
    entries.flatMap(({ id, wave }) => {
      const order = wave === null ? undefined : byWave.get(wave)
      return order ? [[id, order] as const] : []
    }),
  )
}

const DONE: RestState = { kind: 'done' }

const stateOf = (
  events: readonly RestingEvent[],
  ends: readonly ReadonlyMap<string, number>[],
  entryId: string,
  nowMs: number,
  order: readonly string[] | undefined,
): RestState => {
  const kinds = events.map(({ marks }) => marks.get(entryId)?.kind ?? 'waiting')
  const running = kinds.indexOf('running')
  if (running >= 0) return { kind: 'underWay', eventId: events[running]?.event.id ?? '' }
  const waiting = events.filter((_, index) => kinds[index] === 'waiting')
  const inOrder = order?.flatMap((id) => waiting.find(({ event }) => event.id === id) ?? [])
  const next = (inOrder ?? waiting)[0]
  if (!next) return DONE
  const eventId = next.event.id
  // whatever was done last decides, in whichever order events were taken
  const rests = events.flatMap(({ event }, index) => {
    const endedMs = ends[index]?.get(entryId)
    return endedMs === undefined || kinds[index] === 'waiting' ? [] : [endedMs + (event.restAfterMs ?? 0)]
  })
  if (rests.length === 0) return { kind: 'mayStart', eventId, sinceMs: null }
  const untilMs = Math.max(...rests)
  return untilMs > nowMs ? { kind: 'resting', eventId, untilMs } : { kind: 'mayStart', eventId, sinceMs: untilMs }
}

const NOT_WORK: ReadonlySet<Capture['kind']> = new Set(['cleared', 'decided', 'placed', 'sensed', 'waveStarted'])

const lastMoments = (settled: readonly Capture[]): Map<string, number> => {
  const last = new Map<string, number>()
  for (const { entryId, atMs, kind } of settled) {
    if (entryId !== null && !NOT_WORK.has(kind)) last.set(entryId, Math.max(atMs, last.get(entryId) ?? 0))
  }
  return last
}
