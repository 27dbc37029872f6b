/** Marks -> verdict, for standards in which every event has to be met. */
import { Temporal } from 'temporal-polyfill'
import type { Standard } from '../standard/standard.ts'
import type { Mark, Verdict } from './mark.ts'
import type { Outcome } from './outcome.ts'
import { say } from './say.ts'
import type { JudgedOn } from './judgeEvent.ts'

/**
 * Combines one person's marks.
 *
 * The first line that applies decides: disqualified, withdrawn, short, to decide, did not finish, still to go, met.
 * "Short" comes before "to decide" because with one event short the standard can no longer be met.
 * @param marks one for each event of the standard, in its order
 */
export const combine = ({ standard, testDate }: JudgedOn, marks: readonly Mark[]): Verdict => {
  const eventsToGo = marks.filter(isToGo).length
  const { outcome, deciding, settled } = decide(marks)
  const names = deciding.map(({ eventId }) => eventName(standard, eventId))
  const combined = say({ code: 'combined', outcome, deciding: names, settled, eventsToGo })
  const retest =
    MAY_RETEST.has(outcome) && settled ? [say({ code: 'retest', earliestOn: retestDate(standard, testDate) })] : []
  return { outcome, settled, eventsToGo, marks, trace: [combined, ...retest] }
}

/** The first day on which the standard lets somebody be tested again. */
export const retestDate = (standard: Pick<Standard, 'retest'>, testDate: string): string =>
  Temporal.PlainDate.from(testDate).add({ days: standard.retest.earliestAfterDays }).toString()

const MAY_RETEST: ReadonlySet<Outcome> = new Set(['short', 'notFinished', 'withdrawn'])

interface Decision {
  readonly outcome: Outcome
  readonly deciding: readonly Mark[]
  readonly settled: boolean
}

const decide = (marks: readonly Mark[]): Decision => {
  const disqualified = marks.filter((mark) => mark.kind === 'ended' && mark.reason === 'disqualified')
  if (disqualified.length > 0) return { outcome: 'disqualified', deciding: disqualified, settled: true }
  const withdrawn = marks.filter((mark) => mark.kind === 'ended' && mark.reason === 'withdrawn')
  if (withdrawn.length > 0) return { outcome: 'withdrawn', deciding: withdrawn, settled: true }
  const short = marks.filter(isShort)
  if (short.length > 0) return { outcome: 'short', deciding: short, settled: true }
  const open = marks.filter(({ kind }) => kind === 'open')
  if (open.length > 0) return { outcome: 'open', deciding: open, settled: false }
  const broken = marks.filter(({ kind }) => kind === 'ended')
  if (broken.length > 0) return { outcome: 'notFinished', deciding: broken, settled: true }
  const toGo = marks.filter(isToGo)
  if (toGo.length === 0) return { outcome: 'met', deciding: marks, settled: true }
  const begun = toGo.length < marks.length || marks.some(({ kind }) => kind === 'running')
  return { outcome: begun ? 'notFinished' : 'notStarted', deciding: toGo, settled: false }
}

const isShort = (mark: Mark): boolean => mark.kind === 'short' || (mark.kind === 'decided' && mark.as === 'short')

const isToGo = ({ kind }: Mark): boolean => kind === 'waiting' || kind === 'running'

const eventName = (standard: Standard, eventId: string): string =>
  standard.events.find(({ id }) => id === eventId)?.name ?? eventId
