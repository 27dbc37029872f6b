/** The whole pipeline in one place: captures -> measures -> marks -> verdict. */
import type { Capture } from '../capture/capture.ts'
import { byCandidate } from '../capture/byCandidate.ts'
import type { Measure } from '../kinds/measure.ts'
import { measureOwn } from '../kinds/measureEntry.ts'
import { startsIn, waveStarts, type WaveStart } from '../kinds/waveStart.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { factsOf } from '../kinds/facts.ts'
import type { Doubt } from '../referee/referee.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { asVaried, variedDoubts } from './asVaried.ts'
import { chosenEvent } from './chosenEvent.ts'
import { applyDecision, decisionsIn } from './officersDecision.ts'
import { combinePerson } from './combinePerson.ts'
import type { Terms } from './basis.ts'
import { isCurrent, newBook, openBook, type BookPage, type EventBook } from './eventBook.ts'
import { judgeEvent } from './judgeEvent.ts'
import type { Candidate, Mark, Verdict } from './mark.ts'

/** A candidate with the wave they run in. */
export interface DayCandidate extends Candidate {
  readonly wave: number
}

/**
 * Judges everybody of a day.
 * @param captures all captures of the day, in any order
 * @returns a verdict for each candidate, by entry id
 */
export const judgeDay = (
  terms: Terms,
  candidates: readonly DayCandidate[],
  captures: readonly Capture[],
): Map<string, Verdict> => {
  const marksPerEvent = terms.standard.events.map((event) => {
    const ofEvent = captures.filter(({ eventId }) => eventId === event.id)
    return markEvent(terms, event, candidates, settleCaptures(ofEvent, terms.bounds)).marks
  })
  return combineDay(terms, candidates, marksPerEvent)
}

/** Everybody's mark in one event, and how long they hold. */
export interface MarkedEvent {
  readonly marks: ReadonlyMap<string, Mark>
  /** When one of them becomes another by time alone, in agreed ms; null when none does. */
  readonly changesAtMs: number | null
}

/**
 * Marks everybody in one event; a screen keeps the result until a capture of that event arrives, or until it changes by itself.
 * @param settled the event's settled captures
 * @param book what was judged before: whoever nothing has happened to keeps the mark they have
 */
export const markEvent = (
  terms: Terms,
  event: StandardEvent,
  candidates: readonly DayCandidate[],
  settled: readonly Capture[],
  book: EventBook = newBook(),
): MarkedEvent => {
  const { pages } = openBook(book, terms, event)
  const asOfMs = terms.asOfMs ?? null
  book.sorted = byCandidate(settled, book.sorted)
  const { of: ownOf } = book.sorted
  const startFor = startsIn(waveStarts(settled))
  let changesAtMs = Infinity
  const marks = new Map(
    candidates.map((candidate): [string, Mark] => {
      const { entryId } = candidate
      const own = ownOf.get(entryId) ?? NOTHING
      const start = startFor(candidate, own)
      const known = pages.get(entryId)
      const page = isCurrent(known, candidate, own, start, asOfMs)
        ? known
        : { candidate, own, start, asOfMs, ...markOne(terms, event, candidate, own, start) }
      pages.set(entryId, page)
      changesAtMs = Math.min(changesAtMs, page.changesAtMs ?? Infinity)
      return [entryId, page.mark]
    }),
  )
  return { marks, changesAtMs: changesAtMs === Infinity ? null : changesAtMs }
}

const NOTHING: readonly Capture[] = []

/** One person's mark. One whose captures cannot be judged must not keep everybody else from a verdict. */
const markOne = (
  terms: Terms,
  event: StandardEvent,
  candidate: DayCandidate,
  own: readonly Capture[],
  start: WaveStart | undefined,
): Pick<BookPage, 'mark' | 'changesAtMs'> => {
  try {
    const varied = asVaried(candidate, event.id, own)
    const { event: done } = chosenEvent(terms.standard, event, varied)
    const measure = withDoubts(measureOwn(done, varied, own, start, terms.asOfMs ?? null), variedDoubts(own))
    const mark = judgeEvent(terms, event, varied, measure)
    const decision = decisionsIn(own).get(varied.entryId)
    return { mark: applyDecision(terms, event, varied, mark, decision), changesAtMs: measure.changesAtMs ?? null }
  } catch (error) {
    if (!(error instanceof Error)) throw error
    return { mark: notJudged(event), changesAtMs: null }
  }
}

const withDoubts = <Of extends Measure>(measure: Of, more: readonly Doubt[]): Of =>
  more.length === 0 ? measure : { ...measure, doubts: [...(measure.doubts ?? []), ...more] }

/** A mark that nothing stops: what cannot be judged is for a person to look at. */
const notJudged = (event: StandardEvent): Mark => {
  const reason = 'notJudged'
  const trace = [{ code: 'open', reason }] as const
  const nothing = { cut: null, measured: null, rounded: null, unit: factsOf(event.protocol).unit }
  return { ...nothing, eventId: event.id, kind: 'open', reason, trace }
}

/** Combines the marks of all events into verdicts. @param marksPerEvent in the standard's order */
export const combineDay = (
  terms: Terms,
  candidates: readonly DayCandidate[],
  marksPerEvent: readonly ReadonlyMap<string, Mark>[],
): Map<string, Verdict> =>
  new Map(
    candidates.map((candidate) => {
      const marks = marksPerEvent.flatMap((marks) => marks.get(candidate.entryId) ?? [])
      return [candidate.entryId, combinePerson(terms, candidate, marks)]
    }),
  )
