/** Doubts about when one person's events were begun: while a rest still ran, while still at another, without having been found clear. */
import { eventsBefore } from '../standard/order.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import type { Mark } from './mark.ts'
import type { StartsOnRecord } from './startsOnRecord.ts'

export type BetweenDoubt =
  /** Begun before the rest after another event was over, by so much. */
  | { readonly kind: 'restNotKept'; readonly eventId: string; readonly afterEventId: string; readonly leftMs: number }
  /** Begun while another event was still under way. */
  | { readonly kind: 'elsewhere'; readonly eventId: string; readonly afterEventId: string }
  /** Begun before an event that has to be done before it, as published. */
  | { readonly kind: 'outOfTurn'; readonly eventId: string; readonly beforeEventId: string }
  /** Begun though nobody ticked what has to be clear before. */
  | { readonly kind: 'notClear'; readonly eventId: string; readonly checks: number }

interface Turn {
  readonly eventId: string
  readonly alternateId: string | undefined
  readonly fromMs: number
  readonly toMs: number | null
}

/**
 * From when each event was begun and ended. It never changes a figure: a person decides. Whoever started somebody despite a rest or another
 * event, by a second press, has answered that question.
 * @param marks of one person
 */
export const doubtsBetween = (
  standard: Pick<Standard, 'events' | 'alternateEvents' | 'order'>,
  entryId: string,
  marks: readonly Mark[],
  starts: StartsOnRecord,
): BetweenDoubt[] => {
  const turns = marks
    .flatMap(({ eventId, alternateId, span }): Turn[] => (span ? [{ eventId, alternateId, ...span }] : []))
    .sort((a, b) => a.fromMs - b.fromMs)
  const before = eventsBefore(standard)
  const begun = new Set<string>()
  return turns.flatMap((turn, index) => {
    begun.add(turn.eventId)
    return [
      ...outOfTurn(turn, before.get(turn.eventId) ?? [], begun, marks),
      ...afterAnother(standard, turn, turns[index - 1], starts.answered(turn.eventId, entryId)),
      ...notClear(standard, turn, starts.isClear(turn.eventId, entryId)),
    ]
  })
}

/** Events nobody asks of this person, and those that stand without having been begun, are not waited for. */
const outOfTurn = (
  { eventId }: Turn,
  before: readonly string[],
  begun: ReadonlySet<string>,
  marks: readonly Mark[],
): BetweenDoubt[] => {
  const passed = before.find(
    (id) =>
      !begun.has(id) &&
      marks.some((mark) => mark.eventId === id && (mark.span !== undefined || mark.kind === 'waiting')),
  )
  return passed === undefined ? [] : [{ kind: 'outOfTurn', eventId, beforeEventId: passed }]
}

const afterAnother = (
  { events }: Pick<Standard, 'events'>,
  { eventId, fromMs }: Turn,
  before: Turn | undefined,
  answered: ReadonlySet<string>,
): BetweenDoubt[] => {
  if (!before) return []
  const { eventId: afterEventId, toMs } = before
  if (toMs === null || fromMs < toMs) {
    return answered.has('underWayElsewhere') ? [] : [{ kind: 'elsewhere', eventId, afterEventId }]
  }
  const restMs = events.find(({ id }) => id === afterEventId)?.restAfterMs ?? 0
  const leftMs = toMs + restMs - fromMs
  return leftMs > 0 && !answered.has('resting') ? [{ kind: 'restNotKept', eventId, afterEventId, leftMs }] : []
}

/** A check that is not clear is no start: no second press answers it. */
const notClear = (
  { events, alternateEvents = [] }: Pick<Standard, 'events' | 'alternateEvents'>,
  { eventId, alternateId }: Turn,
  isClear: boolean,
): BetweenDoubt[] => {
  const done: StandardEvent | undefined = alternateId
    ? alternateEvents.find(({ id }) => id === alternateId)
    : events.find(({ id }) => id === eventId)
  const checks = done?.protocol.clearBefore?.length ?? 0
  return checks > 0 && !isClear ? [{ kind: 'notClear', eventId, checks }] : []
}
