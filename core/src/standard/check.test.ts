import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { plainStandard, soundStandard, standardNamed } from '../../testing/index.ts'
import { findCut } from '../judge/findCut.ts'
import { factsOf } from '../kinds/facts.ts'
import { EVENT_KINDS, type Protocol } from '../kinds/kinds.ts'
import { checkStandard } from './check.ts'
import { contentHash } from './contentHash.ts'
import { schoolsFor } from './schools.ts'
import { eventTemplate, scoringTemplate } from './standardTemplate.ts'
import { parseStandard } from './parseStandard.ts'
import { sayRemark } from '../document/remark.ts'
import type { Standard } from './standard.ts'

const FAULTY = path.resolve(import.meta.dirname, '../../../demo/faulty')

/** Each file holds one fault: where it must be found, and by which name. */
const FAULTS: Readonly<Record<string, readonly [place: string, code: string]>> = {
  'age-in-no-band': ['events[1].scoring.rows[1]', 'ageWithoutBand'],
  'oldest-band-ends': ['events[0].scoring.rows[5]', 'ageWithoutBand'],
  'youngest-band-starts-late': ['events[0].scoring.rows[0]', 'ageWithoutBand'],
  'bands-overlap': ['events[1].scoring.rows[4].ageFrom', 'bandsOverlap'],
  'category-in-no-band': ['events[0].scoring.rows', 'categoryWithoutBand'],
  'rows-swapped': ['events[1].scoring.rows[1].atMost', 'harderWithAge'],
  'seconds-as-milliseconds': ['events[1].scoring.atMost', 'unitLooksWrong'],
  'slipped-digit': ['events[0].scoring.atLeast', 'cutOutOfRange'],
  'cut-off-the-step': ['events[1].scoring.atMost', 'cutOffStep'],
  'no-rest': ['events[0].restAfterMs', 'restMissing'],
  'rounded-to-minutes': ['events[1].rounding.step', 'roundingTooCoarse'],
  'rounded-to-milliseconds': ['events[1].rounding.step', 'roundingTooFine'],
  'wrong-unit': ['events[1].scoring.unit', 'unit'],
  'cut-on-the-wrong-side': ['events[0].scoring.atLeast', 'cut'],
  'slower-earns-more': ['events[0].scoring.bands[0].rows[2].centipoints', 'worseEarnsMore'],
  'rows-out-of-order': ['events[1].scoring.bands[0].rows[2]', 'rowsOutOfOrder'],
  'row-twice': ['events[1].scoring.bands[1].rows[2].value', 'rowRepeated'],
  'total-out-of-reach': ['combination.totalCentipoints', 'totalUnreachable'],
  'total-never-missed': ['combination.totalCentipoints', 'totalAlwaysReached'],
  'class-out-of-reach': ['combination.classes[2].fromCentipoints', 'classUnreachable'],
  'classes-out-of-order': ['combination.classes[1].fromCentipoints', 'classesOutOfOrder'],
  'minimum-out-of-reach': ['events[0].minimumCentipoints', 'minimumUnreachable'],
  'alternate-nowhere': ['events[0].alternates[1].eventId', 'alternateNowhere'],
  'alternate-unused': ['alternateEvents[1]', 'alternateUnused'],
  'norm-classes-out-of-order': ['events[3].scoring.bands[0].from[2]', 'classesOutOfOrder'],
  'norm-class-empty': ['events[3].scoring.bands[1].from[2]', 'classUnreachable'],
  'cycles-for-beats': ['events[1].protocol.beatsPerMinute', 'cadenceInCycles'],
  'kilograms-for-grams': ['events[5].scoring.atLeast', 'unitLooksWrong'],
  'more-to-meet-than-events': ['combination.eventsToMeet', 'tooManyToMeet'],
  'nothing-judged': ['combination', 'nothingJudged'],
  'finer-than-the-ruler': ['events[2].rounding.step', 'roundingTooFine'],
  'class-values-missing': ['events[2].scoring.bands[0].from', 'classCount'],
  'school-that-does-not-fit': ['events[1].scoring.kind', 'school'],
  'throw-has-a-hole': ['events[1].scoring.bands[3]', 'ageWithoutBand'],
  'unknown-property': ['events[0].protocol.restPlace', 'unknownProperty'],
}

const read = (name: string) => parseStandard(JSON.parse(readFileSync(path.join(FAULTY, `${name}.json`), 'utf8')))

test('every faulty file is in the list, and there are at least a dozen', () => {
  const files = readdirSync(FAULTY).map((file) => path.basename(file, '.json'))
  expect(files.sort()).toEqual(Object.keys(FAULTS).sort())
  expect(files.length).toBeGreaterThanOrEqual(12)
})

test.each(Object.entries(FAULTS))('%s is found, and nothing else', (name, [place, code]) => {
  const parsed = read(name)
  const found = parsed.ok ? checkStandard(parsed.value) : parsed.findings
  expect(found.map((one) => [one.place, one.code])).toContainEqual([place, code])
  // a cut on the wrong side is both missing on one side and too many on the other
  expect(found.length).toBeLessThanOrEqual(name === 'cut-on-the-wrong-side' ? 2 : 1)
})

/** What is said of each of them in full, read through once by a person: words, figures, examples, what mends it. */
const SAID = JSON.parse(
  readFileSync(path.resolve(import.meta.dirname, '../../testing/faultsSaid.json'), 'utf8'),
) as Readonly<Record<string, unknown>>

test.each(Object.keys(FAULTS))('%s is said in full, with who it concerns and what mends it', (name) => {
  const parsed = read(name)
  expect(parsed.ok ? checkStandard(parsed.value) : parsed.findings).toEqual(SAID[name])
})

test('the demo standards check clean, together', () => {
  const [v2, v3] = [standardNamed('v2'), standardNamed('v3')]
  expect(checkStandard(v2, [v3])).toEqual([])
  expect(checkStandard(v3, [v2])).toEqual([])
})

const STANDARDS = path.resolve(import.meta.dirname, '../../../demo/standards')
const DEMO = readdirSync(STANDARDS).map(
  (file) => [file, JSON.parse(readFileSync(path.join(STANDARDS, file), 'utf8'))] as const,
)

test.each(DEMO)('the demo file %s checks clean, and has one hash as a file and as it is read', (_, plain) => {
  const parsed = parseStandard(plain)
  expect(parsed.ok && checkStandard(parsed.value)).toEqual([])
  // exported and imported again: the same document, the same hash
  const again = parsed.ok ? parseStandard(JSON.parse(JSON.stringify(parsed.value))) : parsed
  expect(parsed.ok && contentHash(parsed.value)).toBe(contentHash(plain))
  expect(again.ok && contentHash(again.value)).toBe(contentHash(plain))
})

test('every kind of event can be begun from a template, with every school that fits, without an error', () => {
  for (const kind of EVENT_KINDS) {
    const { protocol, rounding } = eventTemplate(kind, 'event') as { protocol: Protocol; rounding: { step: number } }
    for (const school of schoolsFor(protocol, factsOf(protocol))) {
      const event = {
        id: 'event',
        name: 'Event',
        protocol,
        rounding,
        scoring: scoringTemplate(school, protocol, rounding.step),
      }
      const errors = checkStandard(soundStandard(plainStandard([event]))).filter(({ severity }) => severity === 'error')
      // bands that begin at 18 are for whoever is old enough
      expect(errors, `${kind} by ${school}`).toEqual([])
    }
  }
})

test('two versions in force on one day are found', () => {
  const open: Standard = { ...standardNamed('v2') }
  delete open.inForceTo
  expect(checkStandard(standardNamed('v3'), [open])).toMatchObject([{ place: 'inForceFrom', code: 'datesOverlap' }])
})

test('every remark has an example and a way to mend', () => {
  for (const name of Object.keys(FAULTS)) {
    const parsed = read(name)
    for (const remark of parsed.ok ? checkStandard(parsed.value) : []) {
      expect(sayRemark(remark)).toMatch(/^(error|warning): \S+: .+[.] .+[.] .+[.]$/)
      expect(sayRemark(remark)).not.toMatch(/undefined|NaN|null/)
    }
  }
})

test('in a standard that checks without errors every person of a valid age has exactly one band', () => {
  const plain = structuredClone(standardNamed('v2'))
  const age = fc.integer({ min: 16, max: 50 })
  const row = fc.record({
    ageFrom: age,
    length: fc.integer({ min: 0, max: 15 }),
    category: fc.constantFrom('female', 'male'),
    open: fc.boolean(),
  })
  fc.assert(
    fc.property(
      fc.array(row, { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 16, max: 90 }),
      fc.constantFrom('female', 'male'),
      (rows, ageYears, category) => {
        const bands = rows.map(({ ageFrom, length, open, category: of }) => ({
          ageFrom,
          ...(open ? {} : { ageTo: ageFrom + length }),
          category: of,
          atLeast: 20,
        }))
        const [pressUps] = plain.events
        if (!pressUps) throw new Error('The demo standard changed.')
        const event = { ...pressUps, scoring: { kind: 'cutByBand' as const, unit: 'count' as const, rows: bands } }
        const clean = checkStandard({ ...plain, events: [event] }).every(({ severity }) => severity !== 'error')
        const youngest = Math.min(...bands.map(({ ageFrom }) => ageFrom))
        if (clean && ageYears >= youngest) expect(findCut(event, { ageYears, category }).ok).toBe(true)
        // the other way round: a hole or an overlap at this age is never overlooked
        if (ageYears >= youngest && !findCut(event, { ageYears, category }).ok) expect(clean).toBe(false)
      },
    ),
    { numRuns: 500 },
  )
})

/** Remarks on one event of a kind with a scoring. */
const remarksOn = (protocol: object, scoring: object, change: object = {}): string[] => {
  const event = { id: 'event', name: 'Event', protocol, rounding: { mode: 'truncate', step: 1 }, scoring }
  return checkStandard(soundStandard(plainStandard([event], change))).map(({ code }) => code)
}
const pressUps = eventTemplate('repetitionsInTime', 'event') as { protocol: object }
const table = (...rows: readonly (readonly [value: number, centipoints: number])[]) => ({
  kind: 'pointsTable',
  unit: 'count',
  between: 'lowerRow',
  bands: [{ ageFrom: 0, rows: rows.map(([value, centipoints]) => ({ value, centipoints })) }],
})
const TOTAL = { combination: { kind: 'pointsTotal', totalCentipoints: 5_000 } }

test('a points table printed from the top down is in order, one with a row out of place is not', () => {
  expect(remarksOn(pressUps.protocol, table([40, 10_000], [30, 8_000], [20, 6_000]), TOTAL)).toEqual([])
  expect(remarksOn(pressUps.protocol, table([20, 6_000], [30, 8_000], [40, 10_000]), TOTAL)).toEqual([])
  expect(remarksOn(pressUps.protocol, table([40, 10_000], [20, 6_000], [30, 8_000]), TOTAL)).toEqual(['rowsOutOfOrder'])
})

test('nothing for nothing may stand in a table; points for nothing may not', () => {
  expect(remarksOn(pressUps.protocol, table([0, 0], [20, 6_000], [40, 10_000]), TOTAL)).toEqual([])
  expect(remarksOn(pressUps.protocol, table([0, 500], [20, 6_000], [40, 10_000]), TOTAL)).toEqual(['cutOutOfRange'])
})

test('a cut of nothing is told, and one below a foot line is not', () => {
  const cut = (unit: string, atLeast: number) => ({ kind: 'singleCut', unit, atLeast })
  expect(remarksOn(pressUps.protocol, cut('count', 0))).toEqual(['cutOutOfRange'])
  const reach = eventTemplate('attempts', 'event') as { protocol: object }
  expect(remarksOn({ ...reach.protocol, unit: 'mm', resolution: 10 }, cut('mm', 0))).toContain('cutOutOfRange')
  const fromLine = { ...reach.protocol, unit: 'mm', resolution: 1, zero: 230 }
  expect(remarksOn(fromLine, cut('mm', 0))).not.toContain('cutOutOfRange')
  expect(remarksOn(fromLine, cut('mm', -50))).not.toContain('cutOutOfRange')
})

test('every role that is declared has a row where rows ask for roles', () => {
  const row = (role?: string) => ({ ageFrom: 0, atLeast: 20, ...(role ? { role } : {}) })
  const roles = [
    { id: 'driver', name: 'Driver' },
    { id: 'leader', name: 'Crew leader' },
  ]
  const asked = (...rows: object[]) =>
    remarksOn(pressUps.protocol, { kind: 'cutByBand', unit: 'count', rows }, { roles })
  expect(asked(row('driver'))).toEqual(['roleWithoutBand'])
  expect(asked(row('driver'), row('leader'))).toEqual([])
  expect(asked(row())).toEqual([])
})
