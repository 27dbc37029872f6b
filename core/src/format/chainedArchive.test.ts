import fc from 'fast-check'
import { expect, test } from 'vitest'
import { saidIn, titlesIn } from '../../testing/saidIn.ts'
import { chainedArchiveOfOne } from '../../testing/index.ts'
import { brokenLinks, chainOf, CHAIN_START, headOf, withPlaces } from '../day/chain.ts'
import { canonicalJson } from '../standard/contentHash.ts'
import { amendVerdict } from '../judge/amend.ts'
import { CHAINED_FORMAT, linkArchive, readChainedArchive, type ChainedArchive } from './chainedArchive.ts'

const archive = chainedArchiveOfOne
const placesOf = (plain: unknown): string[] => {
  const read = readChainedArchive(plain)
  return read.ok ? [] : read.findings.map(({ place }) => place)
}

test('an archive that nobody touched reads back', () => {
  expect(readChainedArchive(archive())).toMatchObject({ ok: true })
  expect(readChainedArchive(JSON.parse(canonicalJson(archive())))).toMatchObject({ ok: true })
})
test.each<[string, (one: ChainedArchive) => void, string]>([
  ['a name', (one) => Object.assign(one.people[0] ?? {}, { familyName: 'Okafor-Lund' }), 'people[0]'],
  ['the moment of a capture', (one) => Object.assign(one.captures[2] ?? {}, { atMs: 1 }), 'captures[2]'],
  ['the venue', (one) => Object.assign(one.occasion, { venue: 'track' }), 'occasion'],
  ['an outcome', (one) => Object.assign(one.verdicts[0]?.verdict ?? {}, { outcome: 'met' }), 'verdicts[0]'],
  ['the standard', (one) => Object.assign(one.standard, { source: 'elsewhere' }), 'standard'],
  ['the log', (one) => Object.assign(one.records[0] ?? {}, { atMs: 6 }), 'records[0]'],
])('%s that was altered is found at its place', (_, alter, place) => {
  const altered = archive()
  alter(altered)
  expect(placesOf(altered)[0]).toBe(place)
})
test('a capture taken out is found, also when all hashes are made anew', () => {
  const whole = archive()
  expect(placesOf({ ...whole, captures: whole.captures.slice(0, -2) })).toContain('records[0]')
  // one repetition fewer: the verdict no longer follows from the captures, and the signature stands for others
  const forged = linkArchive({ ...whole, captures: whole.captures.filter(({ seq }) => seq !== 3) })
  expect(placesOf(forged)).toEqual(['signOff.head', 'verdicts[0].verdict'])
})
test('any single character altered is found, or leaves no archive', () => {
  const text = canonicalJson(archive())
  fc.assert(
    fc.property(fc.integer({ min: 0, max: text.length - 2 }), fc.constantFrom('0', 'x', '7'), (at, sign) => {
      if (text[at] === sign) return
      const changed = text.slice(0, at) + sign + text.slice(at + 1)
      let plain: unknown
      try {
        plain = JSON.parse(changed)
      } catch {
        return
      }
      expect(readChainedArchive(plain).ok).toBe(false)
    }),
    { numRuns: 150 },
  )
})
test.each(['plan', 'signOff', 'captures', 'standard'])('an archive without its %s is refused at that place', (name) => {
  const parts = Object.fromEntries(Object.entries(archive()).filter(([key]) => key !== name))
  expect(placesOf(parts)).toEqual([name])
})
test.each([[null], ['text'], [{}], [{ format: 'able-gauge/day-archive/2' }], [{ format: CHAINED_FORMAT }]])(
  'what is no archive is refused: %o',
  (plain) => expect(placesOf(plain).length).toBeGreaterThan(0),
)

test('a chain stands for the order, the places and everything before', () => {
  const items = withPlaces('captures', ['a', 'b', 'c'])
  const links = chainOf(items)
  expect(headOf(items)).toBe(links[2])
  expect(headOf([])).toBe(CHAIN_START)
  expect(brokenLinks(items, links)).toEqual([])
  expect(brokenLinks(withPlaces('captures', ['a', 'x', 'c']), links)).toEqual(['captures[1]'])
  expect(brokenLinks(withPlaces('captures', ['b', 'a', 'c']), links)).toEqual(['captures[0]', 'captures[1]'])
  expect(brokenLinks(items, links.slice(0, 2))).toEqual(['captures[2]'])
  expect(brokenLinks(items.slice(0, 2), links)).toEqual(['links[2]'])
})

test('an amendment overrules figures, says so in the trace, and leaves the others alone', () => {
  const { standard, verdicts, entries } = archive()
  const terms = { standard, testDate: '2026-11-24' }
  const [signed] = verdicts
  if (!signed) throw new Error('Nobody was judged.')
  const { candidate } = signed.inputs
  const { verdict } = signed
  const ENTRY = entries[0]?.id ?? ''
  const amended = amendVerdict(terms, candidate, verdict, [
    { entryId: ENTRY, eventId: 'press-ups', as: 'met', reason: 'video' },
  ])
  expect(verdict.outcome).toBe('short')
  expect(amended.outcome).toBe('notFinished')
  expect(amended.marks[0]).toMatchObject({ kind: 'decided', as: 'met', measured: 2 })
  expect(saidIn(amended.marks[0]?.trace).at(-1)).toMatchObject({ title: 'Amended after sign-off: met' })
  expect(amended.marks[1]).toEqual(verdict.marks[1])
  expect(amendVerdict(terms, candidate, verdict, [])).toBe(verdict)
})

test('an amendment may state the measure: the mark, its margin and the outcome follow from it', () => {
  const { standard, verdicts, entries } = archive()
  const terms = { standard, testDate: '2026-11-24' }
  const [signed] = verdicts
  if (!signed) throw new Error('Nobody was judged.')
  const { candidate } = signed.inputs
  const amended = (value: number) =>
    amendVerdict(terms, candidate, signed.verdict, [
      { entryId: entries[0]?.id ?? '', eventId: 'press-ups', value, reason: 'the card says so' },
    ])
  const { cut } = signed.verdict.marks[0] ?? {}
  if (!cut) throw new Error('The press-ups have no cut.')
  expect(amended(cut.value - 1).marks[0]).toMatchObject({ kind: 'short', measured: cut.value - 1, margin: -1 })
  expect(amended(cut.value).marks[0]).toMatchObject({ kind: 'met', measured: cut.value, margin: 0 })
  expect(amended(cut.value + 1).marks[0]).toMatchObject({ kind: 'met', margin: 1 })
  expect(amended(cut.value).outcome).toBe('notFinished')
  const titles = titlesIn(amended(cut.value).marks[0]?.trace)
  expect(titles).toContain(`Amended after sign-off: ${cut.value}`)
  expect(titles.slice(0, 2)).toEqual(titlesIn(signed.verdict.marks[0]?.trace).slice(0, 2))
})
