import fc from 'fast-check'
import { expect, test } from 'vitest'
import { plainStandard, plainV2, plainV3 } from '../../testing/index.ts'
import { sayFinding } from '../document/finding.ts'
import type { EventKind } from '../kinds/kinds.ts'
import { contentHash } from './contentHash.ts'
import { parseStandard } from './parseStandard.ts'
import { eventTemplate } from './standardTemplate.ts'

/** All of it is asked by `npm run test:long`. */
const LONG = process.env['ABLE_GAUGE_LONG'] === '1'

const findingsOf = (plain: unknown) => {
  const parsed = parseStandard(plain)
  return parsed.ok ? [] : parsed.findings
}

/** One change to version 3, and the place at which it must be found. */
const FAULTS: readonly (readonly [string, string, (plain: any) => void])[] = [
  ['a missing name', 'name', (p) => delete p.name],
  ['a blank name', 'name', (p) => (p.name = '   ')],
  ['an unknown property', 'colour', (p) => (p.colour = 'green')],
  ['an unknown property deep inside', 'events[0].protocol.beat', (p) => (p.events[0].protocol.beat = 60)],
  ['a date that does not exist', 'inForceFrom', (p) => (p.inForceFrom = '2026-02-29')],
  ['an end before the beginning', 'inForceTo', (p) => (p.inForceTo = '2026-02-28')],
  ['a version that is not whole', 'version', (p) => (p.version = 3.5)],
  ['no events', 'events', (p) => (p.events = [])],
  ['events that are no list', 'events', (p) => (p.events = {})],
  ['a list where an event belongs', 'events', (p) => (p.events[1] = [])],
  ['an event that is null', 'events[1]', (p) => (p.events[1] = null)],
  ['an unknown event kind', 'events[1].protocol', (p) => (p.events[1].protocol.kind = 'sackRace')],
  ['a kind that is a prototype name', 'events[1].protocol', (p) => (p.events[1].protocol.kind = 'toString')],
  ['a protocol that is a number', 'events[1].protocol', (p) => (p.events[1].protocol = 7)],
  ['no refusal reasons', 'events[0].protocol.refusals', (p) => (p.events[0].protocol.refusals = [])],
  [
    'a refusal without a label',
    'events[0].protocol.refusals[2].label',
    (p) => delete p.events[0].protocol.refusals[2].label,
  ],
  ['a rounding step of zero', 'events[1].rounding.step', (p) => (p.events[1].rounding.step = 0)],
  ['an unknown rounding mode', 'events[1].rounding.mode', (p) => (p.events[1].rounding.mode = 'down')],
  ['seconds where metres are measured', 'events[1].scoring.unit', (p) => (p.events[1].scoring.unit = 'mm')],
  ['a cut on the wrong side', 'events[1].scoring.atLeast', (p) => (p.events[1].scoring.atLeast = 1)],
  ['no cut', 'events[1].scoring.atMost', (p) => delete p.events[1].scoring.atMost],
  ['a cut written as text', 'events[1].scoring.atMost', (p) => (p.events[1].scoring.atMost = '9:40')],
  ['a repeated event id', 'events[1].id', (p) => (p.events[1].id = 'press-ups')],
  ['a repeated category', 'categories[1].id', (p) => (p.categories[1].id = 'female')],
  ['a fixed date that is missing', 'ageRule.fixedDate', (p) => (p.ageRule.countedOn = 'fixedDate')],
  ['a fixed date nobody asked for', 'ageRule.fixedDate', (p) => (p.ageRule.fixedDate = '2026-01-01')],
  ['null where a rule may be left out', 'events[0].protocol.restart', (p) => (p.events[0].protocol.restart = null)],
]

test('the demo standards are sound', () => {
  expect(findingsOf(plainV2())).toEqual([])
  expect(findingsOf(plainV3())).toEqual([])
})

test.each(FAULTS)('%s is found at %s', (_, place, change) => {
  const plain = plainV3()
  change(plain)
  const findings = findingsOf(plain)
  expect(findings.map((finding) => finding.place)).toContain(place)
  for (const finding of findings) expect(sayFinding(finding)).toMatch(/: expected .+, found .+\.$/)
})

test('in a banded table the row is named', () => {
  const plain: any = plainV2()
  plain.events[1].scoring.rows[4].atMost = -1
  plain.events[0].scoring.rows[0].category = 'open'
  plain.events[0].scoring.rows[1].ageTo = 20
  expect(findingsOf(plain).map(({ place }) => place)).toEqual([
    'events[0].scoring.rows[0].category',
    'events[0].scoring.rows[1].ageTo',
    'events[1].scoring.rows[4].atMost',
  ])
  plain.events[1].scoring.rows[4].atMost = 580_000
  expect(findingsOf(plain).map(({ place }) => place)).toEqual([
    'events[0].scoring.rows[0].category',
    'events[0].scoring.rows[1].ageTo',
  ])
})

test('names that reach a prototype are refused by name', () => {
  const plain = JSON.parse('{"format":"able-gauge/standard/1","ageRule":{"__proto__":{"countedOn":"testDate"}}}')
  expect(findingsOf(plain)).toMatchObject([{ place: 'ageRule.__proto__', code: 'unknownProperty' }])
})

test.each([[null], [[]], ['text'], [7], [undefined]])('%j is refused as a whole', (plain) => {
  expect(findingsOf(plain)).toMatchObject([{ place: '', expected: 'an object' }])
})

test('four thousand random changes are each accepted or refused with a place, never a crash', () => {
  const paths = (value: unknown, path: (string | number)[] = []): (string | number)[][] =>
    typeof value === 'object' && value !== null
      ? Object.entries(value).flatMap(([key, inner]) => [[...path, key], ...paths(inner, [...path, key])])
      : []
  const all = paths(plainV2())
  fc.assert(
    fc.property(fc.constantFrom(...all), fc.oneof(fc.jsonValue(), fc.constant(undefined)), (path, value) => {
      const plain: any = plainV2()
      const last = path[path.length - 1] ?? ''
      const owner = path.slice(0, -1).reduce<any>((inner, key) => inner[key], plain)
      owner[last] = value
      const parsed = parseStandard(plain)
      if (!parsed.ok) expect(parsed.findings.length).toBeGreaterThan(0)
    }),
    { numRuns: LONG ? 4_000 : 600 },
  )
})

test('the hash ignores the order of keys and follows every figure', () => {
  const plain: any = plainV3()
  const reordered = Object.fromEntries(Object.entries(plain).reverse())
  expect(contentHash(reordered)).toBe(contentHash(plain))
  const parsed = parseStandard(plain)
  expect(parsed.ok && contentHash(parsed.value)).toBe(contentHash(plain))
  plain.events[1].scoring.atMost += 1
  expect(contentHash(plain)).not.toBe(contentHash(plainV3()))
})

test('the hash is SHA-256 over canonical JSON', () => {
  // printf '{"a":[1,"x"],"b":null}' | sha256sum
  expect(contentHash({ b: null, a: [1, 'x'] })).toBe('854ef06dc57f5dfed10206344ab2d02e0b6c84b0e19436703a5afd0f1f9f2687')
})

test('a run may be published in miles, a press-up may not', () => {
  const published = (kind: EventKind, publishedIn: string) => {
    const event = { ...eventTemplate(kind, 'event'), publishedIn }
    const parsed = parseStandard(plainStandard([event]))
    return parsed.ok ? [] : parsed.findings.map(({ place, code }) => `${place} ${code}`)
  }
  for (const kind of ['timedDistance', 'sprint', 'workChain', 'distanceInTime', 'progressiveShuttle'] as const) {
    expect(published(kind, 'mi'), kind).toEqual([])
  }
  for (const kind of ['repetitionsInTime', 'stepTest', 'heldPosition'] as const) {
    expect(published(kind, 'mi'), kind).toEqual(['events[0].publishedIn publishedIn'])
  }
  expect(published('timedDistance', 'lb')).toEqual(['events[0].publishedIn publishedIn'])
  expect(published('heaviestLift', 'lb')).toEqual([])
})
