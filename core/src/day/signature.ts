/**
 * Signatures over a day and its amendments (Ed25519, RFC 8032). What is signed is canonical JSON that names its own form, so
 * that a signature over one thing is none over another.
 */
import * as ed25519 from '@noble/ed25519'
import { sha256, sha512 } from '@noble/hashes/sha2.js'
import { bytesToHex, hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js'
import { canonicalJson } from '../standard/contentHash.ts'

ed25519.hashes.sha512 = sha512

/** What an officer's signature under a day stands for. */
export interface DaySigned {
  readonly occasionId: string
  /** Root of the day's tree. */
  readonly head: string
  readonly accountId: string
  readonly atMs: number
}

/** What the signature under an amendment stands for. */
export interface AmendmentSigned {
  readonly occasionId: string
  /** Hash of the amendment before, or the head of the day. */
  readonly before: string
  /** As it is stored, its reason a commitment. */
  readonly amendment: object
}

const message = (form: string, signed: object): Uint8Array => utf8ToBytes(canonicalJson({ form, ...signed }))
const dayMessage = (signed: DaySigned): Uint8Array => message('able-gauge/day-signature/1', signed)
const amendmentMessage = (signed: AmendmentSigned): Uint8Array => message('able-gauge/amendment-signature/1', signed)

/** @param privateKey 32 bytes as hexadecimal digits @returns the signature, 128 hexadecimal digits */
export const signDayHead = (signed: DaySigned, privateKey: string): string => sign(dayMessage(signed), privateKey)
export const signAmendment = (signed: AmendmentSigned, privateKey: string): string =>
  sign(amendmentMessage(signed), privateKey)

const sign = (bytes: Uint8Array, privateKey: string): string => bytesToHex(ed25519.sign(bytes, hexToBytes(privateKey)))

/** The public key of a private one. @returns 64 hexadecimal digits */
export const publicKeyOf = (privateKey: string): string => bytesToHex(ed25519.getPublicKey(hexToBytes(privateKey)))

export const isDaySignature = (signed: DaySigned, signature: string, publicKey: string): boolean =>
  verifies(dayMessage(signed), signature, publicKey)
export const isAmendmentSignature = (signed: AmendmentSigned, signature: string, publicKey: string): boolean =>
  verifies(amendmentMessage(signed), signature, publicKey)

const verifies = (bytes: Uint8Array, signature: string, publicKey: string): boolean => {
  if (!/^[0-9a-f]{128}$/.test(signature) || !/^[0-9a-f]{64}$/.test(publicKey)) return false
  try {
    return ed25519.verify(hexToBytes(signature), bytes, hexToBytes(publicKey))
  } catch {
    // bytes that are no point of the curve are no signature
    return false
  }
}

const FINGERPRINT_DIGITS = 24

/** The first 96 bits of a hash, in fours, to be compared on paper. */
export const fingerprint = (hash: string): string => hash.slice(0, FINGERPRINT_DIGITS).replace(/(.{4})(?=.)/g, '$1-')

/** What names a public key on paper and on screen. */
export const keyFingerprint = (publicKey: string): string => fingerprint(bytesToHex(sha256(hexToBytes(publicKey))))

const SPKI_PREFIX = '302a300506032b6570032100'

/** A public key as other programs read it: SubjectPublicKeyInfo in PEM (RFC 8410). */
export const publicKeyPem = (publicKey: string): string =>
  `-----BEGIN PUBLIC KEY-----\n${base64Of(SPKI_PREFIX + publicKey)}\n-----END PUBLIC KEY-----\n`

/** @returns the key as 64 hexadecimal digits, or null for a text that is no Ed25519 key in PEM or in digits */
export const readPublicKey = (text: string): string | null => {
  const plain = text.trim()
  if (/^[0-9a-f]{64}$/.test(plain)) return plain
  const base64 = /-----BEGIN PUBLIC KEY-----([A-Za-z0-9+/=\s]+)-----END PUBLIC KEY-----/.exec(plain)?.[1]
  if (base64 === undefined) return null
  const hex = hexOf(base64.replaceAll(/\s/g, ''))
  return hex.startsWith(SPKI_PREFIX) && hex.length === SPKI_PREFIX.length + 64 ? hex.slice(SPKI_PREFIX.length) : null
}

const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/'

const base64Of = (hex: string): string => {
  const bits = [...hexToBytes(hex)].map((byte) => byte.toString(2).padStart(8, '0')).join('')
  const signs = bits.match(/.{1,6}/g) ?? []
  const text = signs.map((six) => DIGITS[Number.parseInt(six.padEnd(6, '0'), 2)]).join('')
  return text + '='.repeat((4 - (text.length % 4)) % 4)
}

const hexOf = (base64: string): string => {
  const bits = [...base64.replace(/=+$/, '')].map((sign) => DIGITS.indexOf(sign).toString(2).padStart(6, '0')).join('')
  return (bits.match(/.{8}/g) ?? []).map((eight) => Number.parseInt(eight, 2).toString(16).padStart(2, '0')).join('')
}
