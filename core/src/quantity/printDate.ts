import { printStyle } from './style.ts'

export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

/**
 * A calendar date in words and in the house's order, the same on every machine.
 * @example printDate('2026-03-01') // "1 March 2026"
 */
export const printDate = (date: string): string => ordered(date, (month) => month)

/**
 * The same with the month cut to three letters.
 * @example printShortDate('2026-03-01') // "1 Mar 2026"
 */
export const printShortDate = (date: string): string => ordered(date, (month) => month.slice(0, 3))

const ordered = (date: string, called: (month: string) => string): string => {
  const [year = '', month = '', day = ''] = date.split('-')
  const name = called(MONTHS[Number(month) - 1] ?? month)
  switch (printStyle().dateOrder) {
    case 'dmy':
      return `${Number(day)} ${name} ${year}`
    case 'mdy':
      return `${name} ${Number(day)}, ${year}`
    case 'ymd':
      return date
  }
}
