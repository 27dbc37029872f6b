/** What the check offers at one press does away with what it found, and brings nothing worse. */
import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { edited } from '../document/edit.ts'
import { checkStandard } from './check.ts'
import { parseStandard } from './parseStandard.ts'
import type { Standard } from './standard.ts'

const FOLDER = new URL('../../../demo/faulty/', import.meta.url)
const standardOf = (document: unknown): Standard => {
  const read = parseStandard(document)
  if (!read.ok) throw new Error(JSON.stringify(read.findings))
  return read.value
}

const offered = readdirSync(FOLDER).flatMap((file) => {
  const document = JSON.parse(readFileSync(new URL(file, FOLDER), 'utf8')) as object
  const read = parseStandard(document)
  return read.ok
    ? checkStandard(read.value).flatMap(({ remedy, ...remark }) => (remedy ? [{ file, document, remark, remedy }] : []))
    : []
})

test.each(offered)('$file: $remedy.label', ({ document, remark, remedy }) => {
  const before = checkStandard(standardOf(document))
  const after = checkStandard(standardOf(edited(document, remedy.edits)))
  expect(after.filter(({ code, place }) => code === remark.code && place === remark.place)).toEqual([])
  const errors = (remarks: typeof after): number => remarks.filter(({ severity }) => severity === 'error').length
  expect(errors(after)).toBeLessThanOrEqual(errors(before))
  expect(after.length).toBeLessThanOrEqual(before.length)
})

test('a remedy is offered for what has one answer', () => {
  expect(offered.map(({ remark, remedy }) => `${remark.code}: ${remedy.label}`)).toMatchInlineSnapshot(`
    [
      "ageWithoutBand: Let 18 to 29 last until 30",
      "alternateUnused: Take Progressive 20 m shuttle away",
      "bandsOverlap: End 18 to 30 at 29",
      "classesOutOfOrder: Put the classes in order",
      "cadenceInCycles: Write 92 beats",
      "roundingTooFine: Round to 0.5 cm",
      "unitLooksWrong: Write 90 kg",
      "tooManyToMeet: Ask for 3",
      "nothingJudged: Combine by taking part",
      "ageWithoutBand: Let 40 to 59 have no end",
      "roundingTooFine: Round to 0.1 s",
      "roundingTooCoarse: Round to 1 s",
      "rowsOutOfOrder: Put the rows in order",
      "harderWithAge: Swap 10:45 and 10:20",
      "unitLooksWrong: Write 9:40",
      "ageWithoutBand: Let 32 to 38 last until 39",
      "ageWithoutBand: Let 20 to 29 begin at 18",
    ]
  `)
})

test('an edit takes out, puts in, and passes over what is not there', () => {
  const document = { a: [{ b: 1 }, { b: 2 }], c: 3 }
  const edits = [{ place: 'a[0]' }, { place: 'c', value: 4 }, { place: 'x.y', value: 5 }]
  expect(edited(document, edits)).toEqual({ a: [{ b: 2 }], c: 4 })
  expect(document).toEqual({ a: [{ b: 1 }, { b: 2 }], c: 3 })
})
