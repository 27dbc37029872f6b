import { Temporal } from 'temporal-polyfill'
import type { AgeRule } from '../standard/standard.ts'

/**
 * The age in completed years on a date.
 * Somebody born on 29 February has their birthday, in a year without one, on the date the standard names.
 * @param birthDate YYYY-MM-DD
 * @param onDate YYYY-MM-DD
 * @throws RangeError when the date lies before the birth
 * @example ageOn('2000-02-29', '2026-02-28', '1 March')     // 25
 * @example ageOn('2000-02-29', '2026-02-28', '28 February') // 26
 */
export const ageOn = (birthDate: string, onDate: string, leapDayBirthday: AgeRule['leapDayBirthday']): number => {
  const birth = Temporal.PlainDate.from(birthDate)
  const on = Temporal.PlainDate.from(onDate)
  if (Temporal.PlainDate.compare(on, birth) < 0) throw new RangeError(`${onDate} is before the birth on ${birthDate}.`)
  return (
    on.year - birth.year - (Temporal.PlainDate.compare(on, birthdayIn(birth, on.year, leapDayBirthday)) < 0 ? 1 : 0)
  )
}

/** The date on which the standard counts the age of somebody tested on `testDate`. */
export const ageReferenceDate = (rule: AgeRule, testDate: string): string => {
  switch (rule.countedOn) {
    case 'testDate':
      return testDate
    case 'fixedDate':
      // the document's validator asks for the date whenever this rule is chosen
      return rule.fixedDate ?? testDate
    case 'endOfCalendarYear':
      return `${testDate.slice(0, 4)}-12-31`
  }
}

const birthdayIn = (
  birth: Temporal.PlainDate,
  year: number,
  leapDayBirthday: AgeRule['leapDayBirthday'],
): Temporal.PlainDate => {
  const bornOnLeapDay = birth.month === 2 && birth.day === 29
  if (!bornOnLeapDay || Temporal.PlainDate.from({ year, month: 1, day: 1 }).inLeapYear) return birth.with({ year })
  return leapDayBirthday === '1 March'
    ? Temporal.PlainDate.from({ year, month: 3, day: 1 })
    : Temporal.PlainDate.from({ year, month: 2, day: 28 })
}
