import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'
import { parseStandard } from './parseStandard.ts'

/** A plain copy of a demo standard, whose parts a test changes by name. */
type Plain = any
const demo = (name: string): Plain =>
  JSON.parse(readFileSync(path.resolve(import.meta.dirname, `../../../demo/standards/${name}.json`), 'utf8'))
const [GUARD, FIRE, CHECK] = ['guard-service-v4', 'drill-yard-course-v1', 'active-staff-check-v1'] as const

const event = (plain: Plain, id: string): Plain =>
  [...plain.events, ...(plain.alternateEvents ?? [])].find((one: Plain) => one.id === id)

/** What is changed, in which standard, and where it has to be told. */
const CASES: readonly (readonly [
  what: string,
  file: string,
  change: (plain: Plain) => void,
  place: string,
  code: string,
])[] = [
  ['an event id twice', GUARD, (p) => (event(p, 'march').id = 'run'), 'events[4].id', 'repeated'],
  [
    'an alternate with the id of an event',
    GUARD,
    (p) => (event(p, 'shuttle').id = 'swim'),
    'alternateEvents[1].id',
    'repeated',
  ],
  [
    'a category twice',
    GUARD,
    (p) => p.categories.push({ id: 'female', name: 'Again' }),
    'categories[2].id',
    'repeated',
  ],
  [
    'a variant twice',
    CHECK,
    (p) => (event(p, 'press-ups').variants[1].id = 'knees'),
    'events[4].variants[1].id',
    'repeated',
  ],
  [
    'a station twice',
    FIRE,
    (p) => (event(p, 'course').protocol.stations[2].id = 'hose'),
    'events[0].protocol.stations[2].id',
    'repeated',
  ],
  [
    'a refusal twice',
    GUARD,
    (p) => (event(p, 'pull-ups').protocol.refusals[1].id = 'chin'),
    'events[0].protocol.refusals[1].id',
    'repeated',
  ],
  [
    'an unknown category in a band',
    GUARD,
    (p) => (event(p, 'run').scoring.bands[0].category = 'open'),
    'events[2].scoring.bands[0].category',
    'category',
  ],
  [
    'a role nobody lists',
    GUARD,
    (p) => (event(p, 'run').scoring.bands[0].role = 'diver'),
    'events[2].scoring.bands[0].role',
    'role',
  ],
  [
    'a band that ends before it begins',
    CHECK,
    (p) => (event(p, 'wall-sit').scoring.bands[0].ageTo = 17),
    'events[3].scoring.bands[0].ageTo',
    'ageOrder',
  ],
  ['a unit of another kind', GUARD, (p) => (event(p, 'throw').scoring.unit = 'g'), 'events[1].scoring.unit', 'unit'],
  [
    'a time below zero',
    GUARD,
    (p) => (event(p, 'run').scoring.bands[0].anchor = -1),
    'events[2].scoring.bands[0].anchor',
    'belowZero',
  ],
  [
    'points rounded that are not interpolated',
    GUARD,
    (p) => (event(p, 'pull-ups').scoring.pointsRounding = { mode: 'up', step: 1 }),
    'events[0].scoring.pointsRounding',
    'pointsRounding',
  ],
  [
    'a class twice',
    CHECK,
    (p) => (event(p, 'run').scoring.classes[1].id = 'low'),
    'events[5].scoring.classes[1].id',
    'repeated',
  ],
  [
    'a limit on a task without a clock',
    FIRE,
    (p) => (event(p, 'tower').scoring.atMost = 60_000),
    'events[1].scoring.atMost',
    'limit',
  ],
  ['pounds for a length', GUARD, (p) => (event(p, 'throw').publishedIn = 'lb'), 'events[1].publishedIn', 'publishedIn'],
  [
    'two moments for one announcement',
    GUARD,
    (p) => (event(p, 'run').protocol.announcements[0].atMs = 0),
    'events[2].protocol.announcements[0]',
    'oneMoment',
  ],
  [
    'speeds and levels at once',
    GUARD,
    (p) => (event(p, 'shuttle').protocol.levels = [{ metresPerHour: 9_000, shuttles: 8 }]),
    'alternateEvents[1].protocol.speeds',
    'schedule',
  ],
  [
    'sides counted where one is measured',
    GUARD,
    (p) => (event(p, 'throw').protocol.ofSides = 'lesser'),
    'events[1].protocol.ofSides',
    'sides',
  ],
  [
    'both sides without what they amount to',
    GUARD,
    (p) => (event(p, 'throw').protocol.sides = 'each'),
    'events[1].protocol.ofSides',
    'sides',
  ],
  [
    'a step height for nobody',
    CHECK,
    (p) => (event(p, 'step').protocol.heights = [{ category: 'open', heightMm: 300 }]),
    'events[1].protocol.heights[0].category',
    'category',
  ],
  [
    'a body measure twice',
    CHECK,
    (p) => (event(p, 'body').protocol.measures[1].id = 'mass'),
    'events[0].protocol.measures[1].id',
    'repeated',
  ],
  [
    'an exemption from an unknown event',
    GUARD,
    (p) => p.exemptions[0].eventIds.push('dive'),
    'exemptions[0].eventIds[1]',
    'event',
  ],
  [
    'fixed points without points',
    GUARD,
    (p) => delete p.exemptions[1].fixedCentipoints,
    'exemptions[1].fixedCentipoints',
    'fixedPoints',
  ],
  [
    'points for an event that is left out',
    GUARD,
    (p) => (p.exemptions[0].fixedCentipoints = 100),
    'exemptions[0].fixedCentipoints',
    'fixedPoints',
  ],
  ['a date that ends before it begins', GUARD, (p) => (p.inForceTo = '2021-01-01'), 'inForceTo', 'dateOrder'],
  ['a fixed date that is missing', GUARD, (p) => (p.ageRule.countedOn = 'fixedDate'), 'ageRule.fixedDate', 'fixedDate'],
]

test.each(CASES)('%s is told at its place', (_, file, change, place, code) => {
  const plain = demo(file)
  change(plain)
  const parsed = parseStandard(plain)
  expect(parsed.ok ? [] : parsed.findings.map((finding) => [finding.place, finding.code])).toEqual([[place, code]])
})

test('two other ways of a chain and a judged body measure are told at their place', () => {
  const plain = demo(FIRE)
  plain.events[0].protocol = {
    kind: 'workChain',
    startCommands: ['Go'],
    segments: [
      { id: 'run', name: 'Run', distanceMm: 400_000, repetitions: 3 },
      { id: 'rest', name: 'Rest' },
    ],
  }
  plain.events[1] = {
    id: 'body',
    name: 'Body',
    protocol: { kind: 'bodyMeasures', measures: [{ id: 'mass' }], judged: { id: 'waist', moreIsBetter: false } },
    rounding: { mode: 'truncate', step: 1 },
    scoring: { kind: 'singleCut', unit: 'mm', atMost: 900 },
  }
  const parsed = parseStandard(plain)
  expect(parsed.ok ? [] : parsed.findings.map(({ place, code }) => [place, code])).toEqual([
    ['events[0].protocol.segments[0]', 'oneWork'],
    ['events[0].protocol.segments[1]', 'oneWork'],
    ['events[1].protocol.judged.id', 'judged'],
  ])
})

/** What the form says of a demo standard with a change, by place and what is expected there. */
const findingsWith = (file: string, change: (plain: Plain) => void): readonly string[] => {
  const plain = demo(file)
  change(plain)
  const parsed = parseStandard(plain)
  return parsed.ok ? [] : parsed.findings.map(({ place, expected }) => `${place}: ${expected}`)
}

test('a standard may be in force for a single day, and no shorter', () => {
  const until = (day: string) =>
    findingsWith(GUARD, (p) => {
      p.inForceFrom = '2026-03-01'
      p.inForceTo = day
    })
  expect(until('2026-03-01')).toEqual([])
  expect(until('2026-02-28')).toEqual(['inForceTo: a date on or after 2026-03-01'])
})

test('age is counted on a fixed date where there is one, and there is none otherwise', () => {
  expect(
    findingsWith(GUARD, (p) => (p.ageRule = { ...p.ageRule, countedOn: 'fixedDate', fixedDate: undefined })),
  ).toEqual(['ageRule.fixedDate: a date, because age is counted on a fixed date'])
  expect(
    findingsWith(GUARD, (p) => (p.ageRule = { ...p.ageRule, countedOn: 'testDate', fixedDate: '2026-09-01' })),
  ).toEqual(['ageRule.fixedDate: no date'])
})

test('a band may hold a single year and a role of the standard, no other', () => {
  const row = (change: object) =>
    findingsWith(GUARD, (p) => {
      p.roles = [
        { id: 'diver', name: 'Diver' },
        { id: 'rider', name: 'Rider' },
      ]
      p.events[0].scoring = {
        kind: 'cutByBand',
        unit: 'count',
        rows: [{ ageFrom: 30, ageTo: 30, atLeast: 5, ...change }],
      }
    }).filter((found) => found.includes('.rows[0].age') || found.includes('.rows[0].role'))
  expect([row({}), row({ role: 'rider' })]).toEqual([[], []])
  expect(row({ ageTo: 29 })).toEqual(['events[0].scoring.rows[0].ageTo: an age from 30'])
  expect(row({ role: 'pilot' })).toEqual(['events[0].scoring.rows[0].role: a role of this standard'])
})

test('points are fixed where an event counts with them, and not where it is left out', () => {
  const exempt = (change: object) =>
    findingsWith(GUARD, (p) => {
      p.exemptions = [{ id: 'injury', name: 'Injury', eventIds: [p.events[0].id], ...change }]
    })
  expect(exempt({ effect: 'fixed' })).toEqual([
    'exemptions[0].fixedCentipoints: points, because the event counts with fixed points',
  ])
  expect(exempt({ effect: 'removed', fixedCentipoints: 100 })).toEqual([
    'exemptions[0].fixedCentipoints: none, because the event is left out',
  ])
})
