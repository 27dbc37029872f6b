/** Cases a person has to look at before a day is signed: what the captures leave open, and what somebody protests. */
import { openProtests, type DayRecordEntry } from '../day/record.ts'
import type { Standard } from '../standard/standard.ts'
import type { Mark, Verdict } from './mark.ts'
import type { OpenReason } from './outcome.ts'

export type DoubtfulCase = { readonly entryId: string; readonly eventId: string } & (
  | { readonly kind: 'open'; readonly reason: OpenReason }
  /** Begun and not complete, while others have ended the event. */
  | { readonly kind: 'incomplete' }
  /** Two watches on one finish that are further apart than hand timing explains. */
  | { readonly kind: 'watches'; readonly apartMs: number }
  | { readonly kind: 'nearTheCut' }
  | { readonly kind: 'protest'; readonly protestId: string; readonly text: string }
)

/**
 * Lists them in the order of the battery, protests last.
 * @param verdicts by entry, in the order people are listed
 */
export const doubtfulCases = (
  { events, uncertainty }: Pick<Standard, 'events' | 'uncertainty'>,
  verdicts: ReadonlyMap<string, Verdict>,
  records: readonly DayRecordEntry[],
): DoubtfulCase[] => {
  const people = [...verdicts]
  const marked = events.flatMap(({ id: eventId }) => {
    const marks = people.flatMap(([entryId, { marks: own }]) => {
      const mark = own.find((one) => one.eventId === eventId)
      return mark ? [{ entryId, mark }] : []
    })
    const someEnded = marks.some(({ mark: { kind } }) => kind !== 'waiting' && kind !== 'running')
    return marks.flatMap(({ entryId, mark }) =>
      doubtsIn(mark, someEnded, 2 * uncertainty.handTimingMs).map((doubt) => ({ entryId, eventId, ...doubt })),
    )
  })
  const protests = openProtests(records).map(({ id, content: { entryId, eventId, text } }) => ({
    entryId,
    eventId,
    kind: 'protest' as const,
    protestId: id,
    text,
  }))
  return [...marked, ...protests]
}

type Doubt =
  | { readonly kind: 'open'; readonly reason: OpenReason }
  | { readonly kind: 'incomplete' }
  | { readonly kind: 'watches'; readonly apartMs: number }
  | { readonly kind: 'nearTheCut' }

const doubtsIn = (mark: Mark, someEnded: boolean, explainedMs: number): Doubt[] => {
  const apartMs = watchesApart(mark)
  const watches: Doubt[] = apartMs > explainedMs && mark.kind !== 'decided' ? [{ kind: 'watches', apartMs }] : []
  if (mark.kind === 'open') return [{ kind: 'open', reason: mark.reason }, ...watches]
  if (mark.kind === 'running') return someEnded ? [{ kind: 'incomplete' }] : []
  const isNear = (mark.kind === 'met' || mark.kind === 'short') && mark.nearTheCut
  return [...(isNear ? [{ kind: 'nearTheCut' as const }] : []), ...watches]
}

/** How far the watches on one time are apart, from the trace; 0 with one watch. */
const watchesApart = ({ trace }: Mark): number => {
  const spans = trace.map(({ step }) => {
    if (step.code === 'crossings') return spanOf(step.reading.watches?.timesMs ?? [])
    if (step.code !== 'readings') return 0
    // watches on one time share the name of their slot up to the number of the watch
    const groups = new Map<string, number[]>()
    for (const { slot, unit, value } of step.taken) {
      if (unit !== 'ms') continue
      const name = slot.replace(/-watch-\d+$/, '')
      groups.set(name, [...(groups.get(name) ?? []), value])
    }
    return Math.max(0, ...[...groups.values()].map(spanOf))
  })
  return Math.max(0, ...spans)
}

const spanOf = (timesMs: readonly number[]): number =>
  timesMs.length < 2 ? 0 : Math.max(...timesMs) - Math.min(...timesMs)
