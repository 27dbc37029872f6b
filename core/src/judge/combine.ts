/** Marks -> verdict, with its words. What is decided is decided in `decide`. */
import { Temporal } from 'temporal-polyfill'
import { eventsThatCanBeMissed } from '../standard/canBeMissed.ts'
import type { Standard } from '../standard/standard.ts'
import { decide, isToGo } from './decide.ts'
import type { Mark, Verdict } from './mark.ts'
import type { Outcome } from './outcome.ts'
import { say } from './say.ts'
import type { JudgedOn } from './ground.ts'

/**
 * Combines one person's marks.
 * @param marks one for each event of the standard, in its order
 * @param fullCentipoints the most each of them could earn, for standards with points
 */
export const combine = (
  { standard, testDate }: JudgedOn,
  marks: readonly Mark[],
  fullCentipoints: readonly number[] = [],
): Verdict => {
  const { combination } = standard
  const eventsToGo = marks.filter(isToGo).length
  const { outcome, deciding, settled, because, points } = decide(
    combination,
    marks,
    fullCentipoints,
    combination.kind === 'bestOf' ? eventsThatCanBeMissed(standard) : [],
  )
  const names = deciding.flatMap((place) => eventName(standard, marks[place]))
  const shownPoints = points ? { points } : {}
  const combined = say({
    code: 'combined',
    outcome,
    deciding: names,
    settled,
    eventsToGo,
    because,
    combination: combination.kind,
    ...shownPoints,
  })
  const retest =
    MAY_RETEST.has(outcome) && settled ? [say({ code: 'retest', earliestOn: retestDate(standard, testDate) })] : []
  return { outcome, settled, eventsToGo, ...shownPoints, marks, trace: [combined, ...retest] }
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
