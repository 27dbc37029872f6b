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
 * A calendar date in words, the same on every machine.
 * @example printDate('2026-03-01') // "1 March 2026"
 */
export const printDate = (date: string): string => {
  const [year = '', month = '', day = ''] = date.split('-')
  return `${Number(day)} ${MONTHS[Number(month) - 1] ?? month} ${year}`
}
