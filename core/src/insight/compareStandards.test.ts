import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'
import { soundStandard, standardNamed } from '../../testing/index.ts'
import { compareStandards, printComparedAges } from './compareStandards.ts'

const demo = (name: string) =>
  soundStandard(
    JSON.parse(readFileSync(path.resolve(import.meta.dirname, `../../../demo/standards/${name}.json`), 'utf8')),
  )
const [v2, v3] = [demo('constabulary-entry-v2'), demo('constabulary-entry-v3')]

test('what changed is told in words', () => {
  const changes = compareStandards(v2, v3).changes.map(({ what }) => what)
  expect(changes).toContain('In force from 1 March 2026 instead of 1 March 2023.')
  expect(changes).toContain('Run 2,000 m: one cut for everybody, before: cut by band.')
  expect(changes).toContain('Grip: share of body mass, before: cut by band.')
})

// version 2, annex A: 9:15, 9:40, 10:05 for men; 10:20, 10:45, 11:10 for women; version 3: 9:40 for all
test('what is asked of each band stands side by side, with its direction', () => {
  const run = compareStandards(v2, v3).events.find(({ eventId }) => eventId === 'run')
  expect(
    run?.rows.map((row) => [row.category, printComparedAges(row), row.before?.text, row.after?.text, row.direction]),
  ).toEqual([
    ['female', '18 to 29', '10:20', '9:40', 'harder'],
    ['female', '30 to 39', '10:45', '9:40', 'harder'],
    ['female', '40 and over', '11:10', '9:40', 'harder'],
    ['male', '18 to 29', '9:15', '9:40', 'easier'],
    ['male', '30 to 39', '9:40', '9:40', 'same'],
    ['male', '40 and over', '10:05', '9:40', 'harder'],
  ])
})

test('a standard compared with itself shows nothing', () => {
  const { changes, events } = compareStandards(v3, v3)
  expect(changes).toEqual([])
  expect(events.flatMap(({ rows }) => rows).every(({ direction }) => direction === 'same')).toBe(true)
})

test('events that come and go, rules and rests that change are named', () => {
  const small = standardNamed('v3')
  const changed = structuredClone(JSON.parse(JSON.stringify(small)))
  changed.events[0].protocol.cautionsAllowed = 1
  changed.events[0].restAfterMs = 600_000
  changed.events[1].rounding = { mode: 'truncate', step: 1000 }
  changed.retest.earliestAfterDays = 28
  changed.categories.push({ id: 'open', name: 'Open' })
  const words = compareStandards(small, soundStandard(changed)).changes.map(({ what }) => what)
  expect(words).toContain('Press-ups, protocol: cautions allowed 1, before: 2.')
  expect(words).toContain('Press-ups: rest after 10:00, before: 8:00.')
  expect(words).toContain('Run 2,000 m, rounding: mode "truncate", before: "up".')
  expect(words).toContain('Retest: earliest after days 28, before: 14.')
  expect(words).toContain('Scoring category added: Open.')
  const gone = compareStandards(v3, small).changes.map(({ what }) => what)
  expect(gone).toContain('Casualty drag 30 m is no longer part of the standard.')
  expect(compareStandards(small, v3).changes.map(({ what }) => what)).toContain('Grip is new.')
})
