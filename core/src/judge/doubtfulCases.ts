/** Cases a person has to look at before a day is signed: what the captures leave open, and what somebody protests. */
import { openProtests, type DayRecordEntry } from '../day/record.ts'
import type { Capture } from '../capture/capture.ts'
import { concernedBy } from '../capture/concernedBy.ts'
import { byArrival, isTimely, type TimeBounds } from '../capture/timeBounds.ts'
import { clockSteps } from '../day/clockSteps.ts'
import type { RefereeCode } from '../referee/codes.ts'
import type { Figures } from '../referee/referee.ts'
import type { Standard } from '../standard/standard.ts'
import { doubtsBetween, type BetweenDoubt } from './betweenEvents.ts'
import { retestDate } from './combinePerson.ts'
import type { Mark, Verdict } from './mark.ts'
import type { OpenReason } from './outcome.ts'
import { startsOnRecord } from './startsOnRecord.ts'

export type DoubtfulCase = { readonly entryId: string; readonly eventId: string } & (
  | { readonly kind: 'open'; readonly reason: OpenReason }
  /** Begun and not complete, while others have ended the event. */
  | { readonly kind: 'incomplete' }
  /** Two watches on one finish that are further apart than hand timing explains. */
  | { readonly kind: 'watches'; readonly apartMs: number }
  | { readonly kind: 'nearTheCut' }
  | Omit<Extract<BetweenDoubt, { kind: 'restNotKept' }>, 'eventId'>
  | Omit<Extract<BetweenDoubt, { kind: 'elsewhere' }>, 'eventId'>
  | Omit<Extract<BetweenDoubt, { kind: 'notClear' }>, 'eventId'>
  | Omit<Extract<BetweenDoubt, { kind: 'outOfTurn' }>, 'eventId'>
  /** Tested again before a retest is allowed. */
  | { readonly kind: 'retestTooEarly'; readonly testedOn: string; readonly earliestOn: string }
  /** The referee of the event found something, so many times; the captures say where. */
  | { readonly kind: 'referee'; readonly code: RefereeCode; readonly count: number; readonly figures: Figures }
  | { readonly kind: 'protest'; readonly protestId: string; readonly text: string }
  /** Captured, by its own clock, outside the day or later than it arrived; ordered by its arrival. */
  | { readonly kind: 'untimely'; readonly count: number }
  /** The server's clock was set while this was measured. */
  | { readonly kind: 'clockStepped'; readonly byMs: number }
)

/** What is on record of a day besides its verdicts. */
export interface DayOnRecord {
  readonly records: readonly DayRecordEntry[]
  /** As they are on record. */
  readonly captures: readonly Capture[]
  /** Moments the day can hold. */
  readonly bounds: TimeBounds | null
  readonly testDate: string
  /** When people were tested by the same standard before, the last time, by entry. */
  readonly testedBefore: Readonly<Record<string, string>>
}

/**
 * Lists them in the order of the battery, protests last.
 * @param verdicts by entry, in the order people are listed
 */
export const doubtfulCases = (
  standard: Standard,
  verdicts: ReadonlyMap<string, Verdict>,
  { records, captures, bounds, testDate, testedBefore }: DayOnRecord,
): DoubtfulCase[] => {
  const { events, uncertainty } = standard
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
  const starts = startsOnRecord(captures)
  const between = people.flatMap(([entryId, { marks }]) =>
    doubtsBetween(standard, entryId, marks, starts).map((doubt) => ({ entryId, ...doubt })),
  )
  const early = people.flatMap(([entryId, verdict]) =>
    tooEarly(standard, entryId, verdict, testDate, testedBefore[entryId]),
  )
  return [...early, ...marked, ...between, ...timeDoubts(captures, records, bounds), ...protests]
}

const tooEarly = (
  standard: Standard,
  entryId: string,
  { outcome }: Verdict,
  testDate: string,
  testedOn: string | undefined,
): DoubtfulCase[] => {
  const [first] = standard.events
  if (!first || testedOn === undefined || outcome === 'notStarted') return []
  const earliestOn = retestDate(standard, testedOn)
  return testDate < earliestOn ? [{ entryId, eventId: first.id, kind: 'retestTooEarly', testedOn, earliestOn }] : []
}

/** What the clocks make doubtful, each person and event once. */
const timeDoubts = (
  captures: readonly Capture[],
  records: readonly DayRecordEntry[],
  bounds: TimeBounds | null,
): DoubtfulCase[] => {
  const steps = clockSteps(records)
  if (!bounds && steps.length === 0) return []
  const timed = new Map<string, { entryId: string; eventId: string; untimely: number; fromMs: number; toMs: number }>()
  for (const capture of captures) {
    const { atMs } = bounds ? byArrival(capture, bounds) : capture
    const untimely = bounds !== null && !isTimely(capture, bounds) ? 1 : 0
    for (const entryId of concernedBy(capture)) {
      const { eventId } = capture
      const key = `${eventId} ${entryId}`
      const known = timed.get(key) ?? { entryId, eventId, untimely: 0, fromMs: atMs, toMs: atMs }
      timed.set(key, {
        ...known,
        untimely: known.untimely + untimely,
        fromMs: Math.min(known.fromMs, atMs),
        toMs: Math.max(known.toMs, atMs),
      })
    }
  }
  return [...timed.values()].flatMap(({ entryId, eventId, untimely, fromMs, toMs }): DoubtfulCase[] => [
    ...(untimely > 0 ? [{ entryId, eventId, kind: 'untimely' as const, count: untimely }] : []),
    ...steps
      .filter((step) => fromMs < step.atMs && step.atMs <= toMs)
      .map(({ byMs }) => ({ entryId, eventId, kind: 'clockStepped' as const, byMs })),
  ])
}

type Doubt =
  | { readonly kind: 'referee'; readonly code: RefereeCode; readonly count: number; readonly figures: Figures }
  | { readonly kind: 'open'; readonly reason: OpenReason }
  | { readonly kind: 'incomplete' }
  | { readonly kind: 'watches'; readonly apartMs: number }
  | { readonly kind: 'nearTheCut' }

const doubtsIn = (mark: Mark, someEnded: boolean, explainedMs: number): Doubt[] => [
  ...casesIn(mark, someEnded, explainedMs),
  ...refereesIn(mark),
]

/** Each of the referee's doubts once, with the figures of the last. */
const refereesIn = ({ doubts = [] }: Mark): Doubt[] => {
  const byCode = new Map<RefereeCode, { count: number; figures: Figures }>()
  for (const { code, figures = {} } of doubts) byCode.set(code, { count: (byCode.get(code)?.count ?? 0) + 1, figures })
  return [...byCode].map(([code, rest]) => ({ kind: 'referee', code, ...rest }))
}

const casesIn = (mark: Mark, someEnded: boolean, explainedMs: number): Doubt[] => {
  const apartMs = watchesApart(mark)
  const watches: Doubt[] = apartMs > explainedMs && mark.kind !== 'decided' ? [{ kind: 'watches', apartMs }] : []
  if (mark.kind === 'open') return [{ kind: 'open', reason: mark.reason }, ...watches]
  if (mark.kind === 'running') return someEnded ? [{ kind: 'incomplete' }] : []
  const isNear = (mark.kind === 'met' || mark.kind === 'short') && mark.nearTheCut
  return [...(isNear ? [{ kind: 'nearTheCut' as const }] : []), ...watches]
}

/** How far the watches on one time are apart, from the trace; 0 with one watch. */
const watchesApart = ({ trace }: Mark): number => {
  const spans = trace.map((step) => {
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
