/** Calendar dates as people type them, day first; stored as YYYY-MM-DD. */
import { isLeapYear } from './isLeapYear.ts'
import { parsed, refused, type Parsed } from './parsed.ts'
import { MONTHS } from './printDate.ts'

export type DateRefusal = 'date.form' | 'date.noSuchDay'

const ISO = /^(\d{4})-(\d{1,2})-(\d{1,2})$/
const FIGURES = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/
const WORDS = /^(\d{1,2})\.?\s+(\p{L}{3,9})\.?,?\s+(\d{4})$/u
const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const

/**
 * @example parseDate('24 Nov 2026') // "2026-11-24"
 * @example parseDate('24.11.2026')  // "2026-11-24"
 * @example parseDate('2026-11-24')  // "2026-11-24"
 * @example parseDate('29.2.2026')   // refused: there is no such day
 */
export const parseDate = (text: string): Parsed<string, DateRefusal> => {
  const typed = text.trim()
  const found = partsOf(typed)
  if (!found) return refused('date.form', `"${typed}" is not a date. Write day, month, year, such as 24 Nov 2026.`)
  const [year, month, day] = found
  const days = (DAYS[month - 1] ?? 0) + (month === 2 && isLeapYear(year) ? 1 : 0)
  if (day < 1 || day > days) return refused('date.noSuchDay', `There is no day "${typed}" in the calendar.`)
  return parsed(`${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`)
}

const partsOf = (typed: string): readonly [year: number, month: number, day: number] | null => {
  const iso = ISO.exec(typed)
  if (iso) return [Number(iso[1]), Number(iso[2]), Number(iso[3])]
  const figures = FIGURES.exec(typed)
  if (figures) return [Number(figures[3]), Number(figures[2]), Number(figures[1])]
  const words = WORDS.exec(typed)
  if (!words) return null
  const name = (words[2] ?? '').toLowerCase()
  const month = MONTHS.findIndex((one) => one.toLowerCase().startsWith(name))
  return month < 0 ? null : [Number(words[3]), month + 1, Number(words[1])]
}
