import { expect, test } from 'vitest'
import { placeInWords } from './placeInWords.ts'

const draft = {
  events: [
    {
      name: 'Press-ups',
      scoring: { rows: [{}, {}, {}, { ageFrom: 30, ageTo: 39, category: 'female' }] },
      protocol: { refusals: [{ id: 'depth', label: 'Not low enough' }] },
    },
    { name: '' },
  ],
  categories: [{ id: 'female', name: 'Female' }],
}

test.each([
  ['', 'The document'],
  ['source', 'Source'],
  ['events[0].protocol.durationMs', 'Press-ups, duration'],
  ['events[0].scoring.rows[2].ageFrom', 'Press-ups, rows 3, age from'],
  ['events[0].scoring.rows[3].atLeast', 'Press-ups, Female 30 to 39, at least'],
  ['events[0].protocol.refusals[0].id', 'Press-ups, refusals, Not low enough, id'],
  ['events[1].rounding.step', 'Event 2, rounding, step'],
  ['retest.earliestAfterDays', 'Retest, earliest after days'],
  ['categories[0].name', 'Categories, Female, name'],
])('%s', (place, words) => {
  expect(placeInWords(draft, place)).toBe(words)
})
