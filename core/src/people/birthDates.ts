/** Whoever is tested was born some years before, and not in another century: anything else is a slip of the key. */
const [YOUNGEST, OLDEST] = [10, 110]

/** The dates of birth that somebody tested on a date can have, both ends included, as YYYY-MM-DD. */
export const birthDatesFor = (testDate: string): { readonly from: string; readonly to: string } => ({
  from: yearsBefore(testDate, OLDEST),
  to: yearsBefore(testDate, YOUNGEST),
})

const yearsBefore = (date: string, years: number): string => `${Number(date.slice(0, 4)) - years}${date.slice(4)}`

/** What is expected in place of a date of birth that cannot be, or null. */
export const birthDateExpected = (birthDate: string, testDate: string): string | null => {
  const { from, to } = birthDatesFor(testDate)
  return birthDate >= from && birthDate <= to ? null : `a date of birth from ${from} to ${to}`
}
