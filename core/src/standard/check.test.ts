import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import { findCut } from '../judge/findCut.ts'
import { checkStandard } from './check.ts'
import { parseStandard } from './parseStandard.ts'
import { sayRemark } from './remark.ts'
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

test('the demo standards check clean, together', () => {
  const [v2, v3] = [standardNamed('v2'), standardNamed('v3')]
  expect(checkStandard(v2, [v3])).toEqual([])
  expect(checkStandard(v3, [v2])).toEqual([])
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
