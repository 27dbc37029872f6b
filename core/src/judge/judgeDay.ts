/** The whole pipeline in one place: captures -> measures -> marks -> verdict. */
import type { Capture } from '../capture/capture.ts'
import { measureEvent } from '../kinds/measureEntry.ts'
import { settle } from '../capture/settle.ts'
import { factsOf } from '../kinds/facts.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { chosenEvent } from './chosenEvent.ts'
import { applyDecision, decisionsIn } from './decision.ts'
import { combinePerson } from './combinePerson.ts'
import type { JudgedOn } from './ground.ts'
import { judgeEvent } from './judgeEvent.ts'
import type { Candidate, Mark, Verdict } from './mark.ts'
import { say } from './say.ts'

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
  on: JudgedOn,
  candidates: readonly DayCandidate[],
  captures: readonly Capture[],
): Map<string, Verdict> => {
  const marksPerEvent = on.standard.events.map((event) => {
    const ofEvent = captures.filter(({ eventId }) => eventId === event.id)
    return markEvent(on, event, candidates, settle(ofEvent, on.bounds)).marks
  })
  return combineDay(on, candidates, marksPerEvent)
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
 */
export const markEvent = (
  on: JudgedOn,
  event: StandardEvent,
  candidates: readonly DayCandidate[],
  settled: readonly Capture[],
): MarkedEvent => {
  const decisions = decisionsIn(settled)
  const changesAt: number[] = []
  const marked = (marks: Map<string, Mark>): MarkedEvent => {
    const soonest = changesAt.reduce((least, ms) => Math.min(least, ms), Infinity)
    return { marks, changesAtMs: soonest === Infinity ? null : soonest }
  }
  const markAll = (some: readonly DayCandidate[]): [string, Mark][] => {
    const measures = measureEvent(
      (candidate: DayCandidate) => chosenEvent(on.standard, event, candidate).event,
      some,
      settled,
      on.asOfMs ?? null,
    )
    for (const { changesAtMs } of measures.values()) changesAt.push(changesAtMs ?? Infinity)
    return some.map((candidate) => {
      const measure = measures.get(candidate.entryId) ?? { kind: 'notStarted' as const, notes: [] }
      const mark = judgeEvent(on, event, candidate, measure)
      return [candidate.entryId, applyDecision(on, event, candidate, mark, decisions.get(candidate.entryId))]
    })
  }
  try {
    return marked(new Map(markAll(candidates)))
  } catch (error) {
    // one person whose captures cannot be judged must not keep everybody else from a verdict
    if (!(error instanceof Error)) throw error
    return marked(new Map(candidates.flatMap((candidate) => markAlone(event, candidate, () => markAll([candidate])))))
  }
}

/** A mark that nothing stops: what cannot be judged is for a person to look at. */
const markAlone = (event: StandardEvent, { entryId }: DayCandidate, mark: () => [string, Mark][]): [string, Mark][] => {
  try {
    return mark()
  } catch (error) {
    if (!(error instanceof Error)) throw error
    const reason = 'notJudged'
    const trace = [say({ code: 'open', reason })]
    const nothing = { cut: null, measured: null, rounded: null, unit: factsOf(event.protocol).unit }
    return [[entryId, { ...nothing, eventId: event.id, kind: 'open', reason, trace }]]
  }
}

/** Combines the marks of all events into verdicts. @param marksPerEvent in the standard's order */
export const combineDay = (
  on: JudgedOn,
  candidates: readonly DayCandidate[],
  marksPerEvent: readonly ReadonlyMap<string, Mark>[],
): Map<string, Verdict> =>
  new Map(
    candidates.map((candidate) => {
      const marks = marksPerEvent.flatMap((marks) => marks.get(candidate.entryId) ?? [])
      return [candidate.entryId, combinePerson(on, candidate, marks)]
    }),
  )
