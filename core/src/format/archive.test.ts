import fc from 'fast-check'
import { expect, test } from 'vitest'
import { archiveOfOne, chainedArchiveOfOne, TEST_KEY } from '../../testing/index.ts'
import { commitmentTo } from '../day/commitment.ts'
import { leafHash, merkleProof, merkleRoot, rootFrom } from '../day/merkle.ts'
import { keyFingerprint, publicKeyOf, signAmendment, signDayHead } from '../day/signature.ts'
import {
  amendmentHash,
  ARCHIVE_FORMAT,
  dayHead,
  dayLeaves,
  printArchive,
  readVerdicts,
  sealArchive,
  type DayArchive,
} from './archive.ts'
import { readArchive } from './readArchive.ts'

const KEY = publicKeyOf(TEST_KEY)
const OTHER_KEY = '1'.repeat(64)
const placesOf = (plain: unknown): string[] => {
  const read = readArchive(plain, [KEY])
  return read.ok ? [] : read.findings.map(({ place }) => place)
}
type Change = { -readonly [Part in keyof DayArchive]?: DayArchive[Part] }
/** Whoever forges makes all hashes anew, and signs with a key of their own. */
const forged = (change: Change, privateKey: string | null = null): DayArchive => {
  const { leaves: _leaves, seal: _seal, ...whole } = { ...archiveOfOne(), ...change }
  if (!whole.signOff || privateKey === null) return sealArchive(whole)
  const head = dayHead(whole)
  const { accountId, atMs } = whole.signOff
  const signature = signDayHead({ occasionId: whole.occasion.id, head, accountId, atMs }, privateKey)
  return sealArchive({ ...whole, signOff: { accountId, atMs, head, signature, publicKey: publicKeyOf(privateKey) } })
}

test('an archive that nobody touched is proven by the key that signed it', () => {
  const proof = { kind: 'signed', publicKey: KEY, keyFingerprint: keyFingerprint(KEY) }
  expect(readArchive(archiveOfOne(), [KEY])).toMatchObject({ ok: true, proof })
  expect(readArchive(JSON.parse(printArchive(archiveOfOne())), [KEY])).toMatchObject({ ok: true, proof })
})

test('without its key it is unaltered and not proven', () => {
  expect(readArchive(archiveOfOne())).toMatchObject({ ok: true, proof: { kind: 'unknownKey' } })
  expect(readArchive(archiveOfOne(OTHER_KEY), [KEY])).toMatchObject({ ok: true, proof: { kind: 'unknownKey' } })
  expect(readArchive(forged({ signOff: null, verdicts: [] }))).toMatchObject({ ok: true, proof: { kind: 'open' } })
})

const one = archiveOfOne()
const ENTRY = one.entries[0]?.id ?? ''
test.each<[string, Change, string]>([
  ['captures taken out', { captures: one.captures.filter(({ seq }) => seq !== 3) }, `entries.${ENTRY}`],
  [
    'a run a minute faster',
    { captures: one.captures.map((each) => (each.seq === 4 ? { ...each, atMs: each.atMs - 60_000 } : each)) },
    `entries.${ENTRY}`,
  ],
  ['a verdict left out', { verdicts: [] }, `entries.${ENTRY}`],
  [
    'a candidate aged',
    {
      verdicts: one.verdicts.map((each) => ({
        ...each,
        inputs: { ...each.inputs, candidate: { ...each.inputs.candidate, ageYears: 57 } },
      })),
    },
    `entries.${ENTRY}`,
  ],
  ['another venue', { occasion: { ...one.occasion, venue: 'track' } }, 'occasion'],
  ['another standard', { standard: { ...one.standard, source: 'elsewhere' } }, 'standard'],
  ['a log entry at another time', { records: one.records.map((each) => ({ ...each, atMs: 6 })) }, 'day'],
  ['another staff', { staff: [] }, 'staff'],
])('%s is found at its place, and with all hashes made anew by the signature', (_, change, place) => {
  expect(placesOf({ ...one, ...change })).toContain(place)
  expect(placesOf(forged(change))).toContain('signOff.head')
  // re-hashed and signed with another key it may read, and is proven by nobody
  const read = readArchive(forged(change, OTHER_KEY), [KEY])
  expect(read.ok ? read.proof.kind : 'refused').not.toBe('signed')
})

test('a verdict that the captures do not give is refused, whoever signed it', () => {
  const verdicts = one.verdicts.map((each) => ({ ...each, verdict: { ...each.verdict, outcome: 'met' } }))
  expect(placesOf(forged({ verdicts }, TEST_KEY))).toEqual(['verdicts[0].verdict'])
})

test('what an older judge gave and a key signed stands, and is told; without a key it is refused', () => {
  const older = one.verdicts.map(({ inputs: { judge: _judge, ...inputs }, ...each }) => ({
    ...each,
    inputs,
    verdict: { ...each.verdict, outcome: 'met' },
  }))
  const read = readArchive(forged({ verdicts: older }, TEST_KEY), [KEY])
  expect(read).toMatchObject({
    ok: true,
    proof: { kind: 'signed' },
    differences: [{ signed: 'met', today: 'withdrawn' }],
  })
  // as signed, never as it would be given today
  if (read.ok) expect(read.archive.verdicts[0]?.verdict).toMatchObject({ outcome: 'met' })
  // nobody signed it: what the captures give is all that counts
  expect(placesOf(forged({ verdicts: older, signOff: null, amendments: [] }))).toEqual(['verdicts[0].verdict'])
  // nothing to tell where today's judge gives the same
  const same = one.verdicts.map(({ inputs: { judge: _judge, ...inputs }, ...each }) => ({ ...each, inputs }))
  expect(readArchive(forged({ verdicts: same }, TEST_KEY), [KEY])).toMatchObject({ ok: true, differences: [] })
})

test('the signature of one officer is none of another, nor of another moment', () => {
  if (!one.signOff) throw new Error('The archive is signed.')
  expect(placesOf(forged({ signOff: { ...one.signOff, accountId: ENTRY } }))).toEqual(['signOff.signature'])
  expect(placesOf(forged({ signOff: { ...one.signOff, atMs: 10 } }))).toEqual(['signOff.signature'])
})

test('names and texts are who and what was signed, and can be erased', () => {
  const people = one.people.map((person) => ({ ...person, familyName: 'Okafor-Lund' }))
  expect(placesOf(forged({ people }))).toEqual(['people[0]'])
  const accounts = one.accounts.map((account) => ({ ...account, displayName: 'Somebody else' }))
  expect(placesOf(forged({ accounts }))).toEqual(['accounts[0]'])
  const texts = one.texts.map((text) => ({ ...text, text: 'felt fine' }))
  expect(placesOf(forged({ texts }))).toEqual(['texts[0]'])
  const gone = forged({
    texts: [],
    people: one.people.map((person) => ({ ...person, number: 'erased-1', givenName: 'Erased', familyName: 'person' })),
    identities: one.identities.map((identity) => (identity.of === 'entry' ? { ...identity, salt: '' } : identity)),
  })
  expect(readArchive(gone, [KEY])).toMatchObject({ ok: true, proof: { kind: 'signed' } })
  expect(JSON.stringify(readVerdicts(one))).toContain('felt faint')
  expect(JSON.stringify(readVerdicts(gone))).toContain('(erased)')
})

test('amendments are signed one after the other: none can be changed, left out or moved', () => {
  const amend = (before: string, id: string, as: 'met' | 'short') => {
    const stored = {
      id,
      entryId: ENTRY,
      eventId: 'run',
      as,
      reason: { commit: commitmentTo('why', id) },
      accountId: ENTRY,
      atMs: 12,
    }
    const signature = signAmendment({ occasionId: one.occasion.id, before, amendment: stored }, TEST_KEY)
    return { ...stored, before, signature }
  }
  const texts = [...one.texts, ...['1', '2'].map((salt) => ({ commit: commitmentTo('why', salt), salt, text: 'why' }))]
  const first = amend(one.signOff?.head ?? '', '1', 'met')
  const amendments = [first, amend(amendmentHash(first), '2', 'short')]
  expect(placesOf(forged({ texts, amendments }))).toEqual([])
  expect(placesOf(forged({ texts, amendments: amendments.slice(1) }))).toContain('amendments[0]')
  expect(placesOf(forged({ texts, amendments: [...amendments].reverse() }))).toContain('amendments[0]')
  const changed = amendments.map((each, index) => (index === 1 ? { ...each, as: 'met' as const } : each))
  expect(placesOf(forged({ texts, amendments: changed }))).toContain('amendments[1]')
})

test('one person’s result is proven without the others', () => {
  const leaves = dayLeaves(one)
  const index = leaves.findIndex(({ place }) => place === `entries.${ENTRY}`)
  const leaf = leaves[index]
  if (!leaf) throw new Error('The entry has no leaf.')
  const proof = merkleProof(one.leaves, index)
  expect(rootFrom(leafHash(leaf), proof)).toBe(one.signOff?.head)
  expect(merkleRoot(one.leaves)).toBe(one.signOff?.head)
})

test('any single character altered is found, or leaves no archive', () => {
  const text = printArchive(one)
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
      expect(readArchive(plain, [KEY]).ok).toBe(false)
    }),
    { numRuns: 150 },
  )
})

test('an archive of the first form reads, and is proven by no key', () => {
  expect(readArchive(chainedArchiveOfOne(), [KEY])).toMatchObject({ ok: true, proof: { kind: 'noKey' } })
  const read = readArchive(chainedArchiveOfOne())
  if (!read.ok) throw new Error('It reads.')
  // and so does what is written of it today
  expect(readArchive(JSON.parse(printArchive(read.archive)))).toMatchObject({ ok: true, proof: { kind: 'noKey' } })
})

test.each(['plan', 'signOff', 'captures', 'standard', 'texts', 'identities', 'seal'])(
  'an archive without its %s is refused at that place',
  (name) => {
    const parts = Object.fromEntries(Object.entries(one).filter(([key]) => key !== name))
    expect(placesOf(parts)).toEqual([name])
  },
)

test.each([[null], ['text'], [{}], [{ format: 'able-gauge/day-archive/3' }], [{ format: ARCHIVE_FORMAT }]])(
  'what is no archive is refused: %o',
  (plain) => expect(placesOf(plain).length).toBeGreaterThan(0),
)
