import fc from 'fast-check'
import { expect, test } from 'vitest'
import { commitmentsIn, commitmentTo, ERASED, joinTexts, separateTexts } from './commitment.ts'
import { leafHash, merkleProof, merkleRoot, rootFrom } from './merkle.ts'
import {
  isAmendmentSignature,
  isDaySignature,
  keyFingerprint,
  publicKeyOf,
  publicKeyPem,
  readPublicKey,
  signAmendment,
  signDayHead,
} from './signature.ts'

// RFC 8032, section 7.1, test 1
const PRIVATE = '9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60'
const PUBLIC = 'd75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a'
const signed = { occasionId: 'a', head: '0'.repeat(64), accountId: 'b', atMs: 7 }

test('the public key of RFC 8032, test 1', () => {
  expect(publicKeyOf(PRIVATE)).toBe(PUBLIC)
})

test('a signature holds for what was signed by the key that signed it, and for nothing else', () => {
  const signature = signDayHead(signed, PRIVATE)
  expect(isDaySignature(signed, signature, PUBLIC)).toBe(true)
  expect(isDaySignature({ ...signed, atMs: 8 }, signature, PUBLIC)).toBe(false)
  expect(isDaySignature(signed, signature, publicKeyOf('1'.repeat(64)))).toBe(false)
  expect(isDaySignature(signed, `${signature.slice(0, -1)}0`, PUBLIC)).toBe(false)
  for (const none of ['', 'xyz', '0'.repeat(128)]) expect(isDaySignature(signed, none, PUBLIC)).toBe(false)
  const amendment = { occasionId: 'a', before: '0'.repeat(64), amendment: { id: 'x' } }
  expect(isAmendmentSignature(amendment, signAmendment(amendment, PRIVATE), PUBLIC)).toBe(true)
  expect(isAmendmentSignature(amendment, signature, PUBLIC)).toBe(false)
})

test('a key is written as other programs read it, and read back', () => {
  expect(publicKeyPem(PUBLIC)).toBe(
    '-----BEGIN PUBLIC KEY-----\nMCowBQYDK2VwAyEA11qYAYKxCrfVS/7TyWQHOg7hcvPapiMlrwIaaPcHURo=\n-----END PUBLIC KEY-----\n',
  )
  expect(readPublicKey(publicKeyPem(PUBLIC))).toBe(PUBLIC)
  expect(readPublicKey(`${PUBLIC}\n`)).toBe(PUBLIC)
  for (const text of ['', 'key', PUBLIC.slice(1), publicKeyPem(PUBLIC).replace('MCow', 'MCox')]) {
    expect(readPublicKey(text)).toBeNull()
  }
  expect(keyFingerprint(PUBLIC)).toMatch(/^([0-9a-f]{4}-){5}[0-9a-f]{4}$/)
})

test('every leaf of a tree of any size leads to its root, and no other does', () => {
  fc.assert(
    fc.property(fc.array(fc.string(), { minLength: 1, maxLength: 40 }), fc.nat(), (items, at) => {
      const hashes = items.map((item, index) => leafHash({ place: String(index), item }))
      const index = at % hashes.length
      const proof = merkleProof(hashes, index)
      expect(rootFrom(hashes[index] ?? '', proof)).toBe(merkleRoot(hashes))
      expect(rootFrom(leafHash({ place: 'x', item: 'forged' }), proof)).not.toBe(merkleRoot(hashes))
    }),
  )
})

test('a root changes with any leaf, its place and the order', () => {
  const hashes = ['a', 'b', 'c'].map((item, index) => leafHash({ place: String(index), item }))
  const [a = '', b = '', c = ''] = hashes
  const roots = [hashes, [a, b], [b, a, c], [a, b, c, c], [a, b, leafHash({ place: '3', item: 'c' })]].map(merkleRoot)
  expect(new Set(roots).size).toBe(roots.length)
})

test('texts stand apart from what is hashed, come back, and can be gone', () => {
  const { payload, texts } = separateTexts('stopped', { reason: 'withdrawn', note: 'felt faint' }, () => 'salt')
  expect(payload).toEqual({ reason: 'withdrawn', note: { commit: commitmentTo('felt faint', 'salt') } })
  expect(commitmentsIn([payload])).toEqual(texts.map(({ commit }) => commit))
  const textOf = (commit: string) => texts.find((one) => one.commit === commit)?.text
  expect(joinTexts(payload, textOf)).toEqual({ reason: 'withdrawn', note: 'felt faint' })
  expect(joinTexts(payload, () => undefined)).toEqual({ reason: 'withdrawn', note: ERASED })
  // a reason that is a code of the protocol is no text
  expect(separateTexts('refused', { reason: 'depth' }, () => 'salt').texts).toEqual([])
})
