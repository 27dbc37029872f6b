/** What stands from an earlier day, where a standard has only what was short done again. */
import type { CarriedMark } from '../standard/candidate.ts'
import type { Standard } from '../standard/standard.ts'
import type { Mark, Verdict } from './mark.ts'

/** A signed verdict with its amendments, and where it comes from. */
export interface EarlierTest {
  readonly occasionId: string
  readonly testDate: string
  readonly standardId: string
  readonly standardVersion: number
  readonly verdict: Verdict
}

/** Whether something is asked again: short, not finished, or decided so. */
const isShort = (mark: Mark): boolean =>
  mark.kind === 'short' || mark.kind === 'ended' || (mark.kind === 'decided' && mark.as === 'short')
const stands = (mark: Mark): boolean =>
  mark.kind === 'met' || mark.kind === 'scored' || (mark.kind === 'decided' && mark.as === 'met')

/**
 * @param last the latest test of the person, signed; null for none
 * @returns by event; nothing where everything is done again: under another version, after a test that was met or left open, or
 *   where no single event was short
 */
export const carryOver = (
  { id, version, retest }: Pick<Standard, 'id' | 'version' | 'retest'>,
  last: EarlierTest | null,
): Readonly<Record<string, CarriedMark>> => {
  if (retest.repeats !== 'shortEvents' || last?.standardId !== id || last.standardVersion !== version) return {}
  const { occasionId, verdict } = last
  const isRepeated = (verdict.outcome === 'short' || verdict.outcome === 'notFinished') && verdict.marks.some(isShort)
  if (!isRepeated) return {}
  return Object.fromEntries(
    verdict.marks.filter(stands).map((mark): [string, CarriedMark] => {
      // what stood then already was done on a day before
      const [first] = mark.trace
      const testDate = first?.code === 'carried' ? first.testDate : last.testDate
      return [mark.eventId, { occasionId, testDate, mark }]
    }),
  )
}
