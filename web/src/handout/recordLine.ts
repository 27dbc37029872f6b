/** What stands on every paper about the record it was made from, so that somebody who only holds paper can check. */
import type { Day } from '../day/day.ts'

export const recordLine = ({ signature }: Pick<Day, 'signature'>): string => {
  if (!signature) return 'Provisional: the day is not signed off yet, and this can still change.'
  const by = signature.key === null ? 'signed before this office had a key' : `signed by the key ${signature.key}`
  return `Record ${signature.head}, ${by}.`
}
