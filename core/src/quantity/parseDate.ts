/** Calendar dates as people type them, in the house's order; stored as YYYY-MM-DD. */
import { isLeapYear } from './isLeapYear.ts'
import { parsed, refused, type Parsed } from './parsed.ts'
import { MONTHS, printShortDate } from './printDate.ts'
import { printStyle } from './style.ts'

export type DateRefusal = 'date.form' | 'date.noSuchDay'

const ISO = /^(\d{4})-(\d{1,2})-(\d{1,2})$/
const FIGURES = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/
const WORDS = /^(\d{1,2})\.?\s+(\p{L}{3,9})\.?,?\s+(\d{4})$/u
const MONTH_FIRST = /^(\p{L}{3,9})\.?\s+(\d{1,2}),?\s+(\d{4})$/u
const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const

/** What to write, for hints. */
export const DATE_EXAMPLES = { dmy: 'day month year', mdy: 'month day, year', ymd: 'year-month-day' } as const

/**
 * @example parseDate('24 Nov 2026') // "2026-11-24"
 * @example parseDate('24.11.2026')  // "2026-11-24"
 * @example parseDate('2026-11-24')  // "2026-11-24"
 * @example parseDate('29.2.2026')   // refused: there is no such day
 */
export const parseDate = (text: string): Parsed<string, DateRefusal> => {
  const typed = text.trim()
  const found = partsOf(typed)
  if (!found)
    return refused(
      'date.form',
      `"${typed}" is not a date. Write ${DATE_EXAMPLES[printStyle().dateOrder]}, such as ${printShortDate('2026-11-24')}.`,
    )
  const [year, month, day] = found
  const days = (DAYS[month - 1] ?? 0) + (month === 2 && isLeapYear(year) ? 1 : 0)
  if (day < 1 || day > days) return refused('date.noSuchDay', `There is no day "${typed}" in the calendar.`)
  return parsed(`${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`)
}

const partsOf = (typed: string): readonly [year: number, month: number, day: number] | null => {
  const iso = ISO.exec(typed)
  if (iso) return [Number(iso[1]), Number(iso[2]), Number(iso[3])]
  const figures = FIGURES.exec(typed)
  if (figures) {
    const [, first, second, year] = figures
    return printStyle().dateOrder === 'mdy'
      ? [Number(year), Number(first), Number(second)]
      : [Number(year), Number(second), Number(first)]
  }
  const dayFirst = WORDS.exec(typed)
  if (dayFirst) return inWords(dayFirst[3], dayFirst[2], dayFirst[1])
  const monthFirst = MONTH_FIRST.exec(typed)
  return monthFirst ? inWords(monthFirst[3], monthFirst[1], monthFirst[2]) : null
}

const inWords = (year = '', name = '', day = ''): readonly [number, number, number] | null => {
  const month = MONTHS.findIndex((one) => one.toLowerCase().startsWith(name.toLowerCase()))
  return month < 0 ? null : [Number(year), month + 1, Number(day)]
}
