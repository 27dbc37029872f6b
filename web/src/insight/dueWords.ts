/** How somebody stands to what the house asks, in words, and as rows of a file. */
import { printDate, type DueAnswer, type DuePerson, type DueState } from '@able-gauge/core'
import type { Cells } from '../ui/saveTable.ts'

export const DUE_WORDS: Readonly<Record<Exclude<DueState, 'fine'>, string>> = {
  overdue: 'Overdue',
  never: 'Never tested',
  again: 'Again',
  due: 'Due',
  waiting: 'Not yet',
}

/** Why, in a few words. */
export const sayDue = ({ state, by, allowedFrom, lastDate }: DuePerson): string => {
  const until = by === null ? '' : `by ${printDate(by)}`
  switch (state) {
    case 'overdue':
      return by === null ? '' : `since ${printDate(by)}`
    case 'never':
      return until
    case 'again':
      return ['fell short', until].filter((part) => part !== '').join(', ')
    case 'due':
      return until
    case 'waiting':
      return allowedFrom === null ? '' : `allowed from ${printDate(allowedFrom)}`
    case 'fine':
      return lastDate === null ? '' : `last ${printDate(lastDate)}`
  }
}

/** Events that were short in the last test; where each was met and the whole was not, the total. */
export const shortInWords = ({ shortIn, state }: DuePerson): string => {
  if (shortIn.length > 0) return shortIn.map(({ name }) => name).join(', ')
  return state === 'again' || state === 'waiting' ? 'the total' : ''
}

/** The list as a table, its heading first. */
export const dueTable = ({ calls }: DueAnswer, people: readonly DuePerson[]): Cells => [
  ['call', 'state', 'name', 'number', 'unit', 'by', 'allowed_from', 'last_test', 'short_in', 'entered_on'],
  ...people.map((person) => [
    calls[person.call]?.name ?? '',
    person.state,
    person.name,
    person.number,
    person.unit,
    person.by ?? '',
    person.allowedFrom ?? '',
    person.lastDate ?? '',
    shortInWords(person),
    person.enteredOn,
  ]),
]
