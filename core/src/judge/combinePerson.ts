/** Marks -> verdict, with its words. What is decided is decided in `combineMarks`. */
import { dateAfter } from '../clock/dates.ts'
import type { OutcomeWords, Standard } from '../standard/standard.ts'
import { combineMarks, isToGo, type BareMark } from './combineMarks.ts'
import { batteryFor, type Terms } from './basis.ts'
import type { Candidate, Mark, Verdict } from './mark.ts'
import type { Outcome } from './outcome.ts'
import type { Step } from './trace.ts'

/** As much of a mark as a conclusion needs. */
type Concluding = BareMark & Pick<Mark, 'eventId'> & { readonly alternateId?: string | undefined }

/** A verdict without its marks. */
export type Conclusion = Omit<Verdict, 'marks'>

/**
 * What one person's marks come to, with why.
 * @param marks one for each event of the standard, in its order
 */
export const conclude = (terms: Terms, candidate: Candidate, marks: readonly Concluding[]): Conclusion => {
  const { standard, testDate } = terms
  const { combination } = standard
  const eventsToGo = marks.filter(isToGo).length
  const { outcome, deciding, settled, because, points } = combineMarks(combination, marks, batteryFor(terms, candidate))
  const names = deciding.flatMap((place) => eventName(standard, marks[place]))
  const shown = { ...wordOf(standard, outcome), ...(points ? { points } : {}) }
  const combined: Step = {
    code: 'combined',
    outcome,
    deciding: names,
    settled,
    eventsToGo,
    because,
    combination: combination.kind,
    ...shown,
  }
  const trace: Step[] =
    MAY_RETEST.has(outcome) && settled
      ? [combined, { code: 'retest', earliestOn: retestDate(standard, testDate) }]
      : [combined]
  return { outcome, settled, eventsToGo, trace, ...shown }
}

/**
 * Combines one person's marks.
 * @param marks one for each event of the standard, in its order
 */
export const combinePerson = (terms: Terms, candidate: Candidate, marks: readonly Mark[]): Verdict => {
  return { ...conclude(terms, candidate, marks), marks }
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
export const retestDate = ({ retest }: Pick<Standard, 'retest'>, testDate: string): string => {
  // a file of many people has few dates
  const known = retests.get(retest)?.get(testDate)
  if (known !== undefined) return known
  const made = dateAfter(testDate, retest.earliestAfterDays)
  retests.set(retest, (retests.get(retest) ?? new Map<string, string>()).set(testDate, made))
  return made
}

const retests = new WeakMap<Standard['retest'], Map<string, string>>()

const MAY_RETEST: ReadonlySet<Outcome> = new Set(['short', 'notFinished', 'withdrawn'])

/** The event that was done: the alternate, where one stood in. */
const eventName = ({ events, alternateEvents = [] }: Standard, mark: Concluding | undefined): string[] => {
  if (!mark) return []
  const id = mark.alternateId ?? mark.eventId
  return [[...alternateEvents, ...events].find((event) => event.id === id)?.name ?? id]
}
