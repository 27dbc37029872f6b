import { isLeapYear } from '../quantity/isLeapYear.ts'
import type { AgeRule } from '../standard/standard.ts'

/**
 * The age in completed years on a date.
 * Somebody born on 29 February has their birthday, in a year without one, on the date the standard names.
 * @param birthDate YYYY-MM-DD
 * @param onDate YYYY-MM-DD
 * @returns a negative number when the date lies before the birth: no band holds it, so that a mistyped date becomes a
 *   case to decide and stops nothing
 * @example ageOn('2000-02-29', '2026-02-28', '1 March')     // 25
 * @example ageOn('2000-02-29', '2026-02-28', '28 February') // 26
 */
export const ageOn = (birthDate: string, onDate: string, leapDayBirthday: AgeRule['leapDayBirthday']): number => {
  const [birthYear, birthday] = [yearOf(birthDate), monthAndDay(birthDate)]
  const [year, day] = [yearOf(onDate), monthAndDay(onDate)]
  return year - birthYear - (day < birthdayIn(birthday, year, leapDayBirthday) ? 1 : 0)
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

// both dates are real ones in the same form, so that their texts compare as the dates do; made for 100,000 people at once
const yearOf = (date: string): number => Number(date.slice(0, 4))
const monthAndDay = (date: string): string => date.slice(5)

const birthdayIn = (birthday: string, year: number, leapDayBirthday: AgeRule['leapDayBirthday']): string => {
  if (birthday !== '02-29' || isLeapYear(year)) return birthday
  return leapDayBirthday === '1 March' ? '03-01' : '02-28'
}
