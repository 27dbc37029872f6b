/** Marks -> verdict, with its words. What is decided is decided in `decide`. */
import { Temporal } from 'temporal-polyfill'
import type { OutcomeWords, Standard } from '../standard/standard.ts'
import { decide, isToGo } from './decide.ts'
import { batteryFor, type JudgedOn } from './ground.ts'
import type { Candidate, Mark, Verdict } from './mark.ts'
import type { Outcome } from './outcome.ts'
import { say } from './say.ts'

/**
 * Combines one person's marks.
 * @param marks one for each event of the standard, in its order
 */
export const combinePerson = (on: JudgedOn, candidate: Candidate, marks: readonly Mark[]): Verdict => {
  const { standard, testDate } = on
  const { combination } = standard
  const eventsToGo = marks.filter(isToGo).length
  const { outcome, deciding, settled, because, points } = decide(combination, marks, batteryFor(on, candidate))
  const names = deciding.flatMap((place) => eventName(standard, marks[place]))
  const shownPoints = points ? { points } : {}
  const word = wordOf(standard, outcome)
  const combined = say({
    code: 'combined',
    outcome,
    deciding: names,
    settled,
    eventsToGo,
    because,
    combination: combination.kind,
    ...shownPoints,
    ...word,
  })
  const retest =
    MAY_RETEST.has(outcome) && settled ? [say({ code: 'retest', earliestOn: retestDate(standard, testDate) })] : []
  return { outcome, ...word, settled, eventsToGo, ...shownPoints, marks, trace: [combined, ...retest] }
}

/** The standard's own word for an outcome; a record that did not end keeps its own until it is settled. */
export const wordOf = (
  { outcomeWords }: Pick<Standard, 'outcomeWords'>,
  outcome: Outcome,
): { readonly word?: string } => {
  const word = outcome in (outcomeWords ?? {}) ? outcomeWords?.[outcome as keyof OutcomeWords] : undefined
  return word === undefined ? {} : { word }
}

/** The first day on which the standard lets somebody be tested again. */
export const retestDate = (standard: Pick<Standard, 'retest'>, testDate: string): string =>
  Temporal.PlainDate.from(testDate).add({ days: standard.retest.earliestAfterDays }).toString()

const MAY_RETEST: ReadonlySet<Outcome> = new Set(['short', 'notFinished', 'withdrawn'])

/** The event that was done: the alternate, where one stood in. */
const eventName = ({ events, alternateEvents = [] }: Standard, mark: Mark | undefined): string[] => {
  if (!mark) return []
  const id = mark.alternateId ?? mark.eventId
  return [[...alternateEvents, ...events].find((event) => event.id === id)?.name ?? id]
}
