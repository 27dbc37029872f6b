import { expect, test } from 'vitest'
import { ref } from 'vue'
import { freeShortName, referTo, shortNameFrom } from './shortNames.ts'
import { useNames } from './useNames.ts'

test.each([
  ['Run 2,000 m', 'run-2000-m'],
  ['Über-Kopf-Heben', 'uber-kopf-heben'],
  ['  12-minute run ', '12-minute-run'],
  ['Press-ups (hands lifted)', 'press-ups-hands-lifted'],
])('%s becomes %s', (name, short) => {
  expect(shortNameFrom(name)).toBe(short)
})

test('a name that is taken gets a number', () => {
  expect(freeShortName('Run', new Set(['run', 'run-2']))).toBe('run-3')
  expect(freeShortName('', new Set())).toBe('part')
})

test('everything that refers to a short name follows it', () => {
  const draft = {
    events: [{ id: 'a', alternates: [{ eventId: 'hang' }], scoring: { rows: [{ category: 'w' }] } }],
    exemptions: [{ eventIds: ['a', 'b'] }],
  }
  referTo(draft, 'hang', 'bent-hang')
  referTo(draft, 'a', 'press-ups')
  referTo(draft, 'w', 'women')
  expect(draft).toEqual({
    events: [{ id: 'a', alternates: [{ eventId: 'bent-hang' }], scoring: { rows: [{ category: 'women' }] } }],
    exemptions: [{ eventIds: ['press-ups', 'b'] }],
  })
})

test('what is new is named by its name, what another version has keeps its short name', () => {
  const event = { id: 'event-1', name: 'Press-ups' }
  const kept = { id: 'run', name: 'Long run' }
  const draft = {
    events: [event, kept],
    exemptions: [{ eventIds: ['event-1'] }],
    categories: [{ id: 'open', name: 'Open' }],
  }
  const { nameAnew, addCategories, names } = useNames(draft, ref(new Set(['run'])))
  nameAnew(event, 'Press-ups', draft.events)
  nameAnew(kept, 'Long run', draft.events)
  expect(draft.events.map(({ id }) => id)).toEqual(['press-ups', 'run'])
  expect(draft.exemptions).toEqual([{ eventIds: ['press-ups'] }])
  // named again on the same page, it follows once more
  nameAnew(event, 'Push-ups', draft.events)
  expect(event.id).toBe('push-ups')
  addCategories(['Female', 'Male'])
  expect(names.value.category).toEqual([
    { id: 'female', name: 'Female' },
    { id: 'male', name: 'Male' },
  ])
})
