/**
 * What somebody wrote, and who somebody is, stand apart from what is hashed and signed: in their place stands a commitment, the
 * hash of a salt and the text. The text can be erased and the signature still holds; without the salt nobody can guess it.
 */
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import type { CaptureKind } from '../capture/capture.ts'
import type { RecordKind } from './record.ts'

/** Stands where the text stood. */
export interface Commitment {
  /** 64 hexadecimal digits. */
  readonly commit: string
}

/** A text with what proves that it is the one that was committed to. */
export interface CommittedText extends Commitment {
  readonly salt: string
  readonly text: string
}

/** In place of a text that was erased. */
export const ERASED = '(erased)'

export const commitmentTo = (text: string, salt: string): string => bytesToHex(sha256(utf8ToBytes(`${salt}\n${text}`)))

export const isCommitment = (value: unknown): value is Commitment =>
  typeof value === 'object' &&
  value !== null &&
  'commit' in value &&
  typeof value.commit === 'string' &&
  /^[0-9a-f]{64}$/.test(value.commit)

/** Fields in which somebody wrote something, by kind; a reason of another kind is a code of the protocol. */
const TEXT_FIELDS: Readonly<Partial<Record<CaptureKind | RecordKind, readonly string[]>>> = {
  stopped: ['note'],
  restarted: ['reason'],
  voided: ['reason'],
  assigned: ['reason'],
  moved: ['reason'],
  replaced: ['reason'],
  decided: ['reason'],
  heatDecided: ['reason'],
  holdRaised: ['reason'],
  holdLifted: ['reason'],
  eventConfirmed: ['note'],
  protested: ['text'],
  protestAnswered: ['reason'],
  dayOpened: ['reason'],
}

/**
 * Puts commitments in place of the texts of a payload or of an entry of the log.
 * @param makeSalt a new secret for each text
 */
export const separateTexts = (
  kind: CaptureKind | RecordKind,
  payload: object,
  makeSalt: () => string,
): { readonly payload: object; readonly texts: readonly CommittedText[] } => {
  const texts: CommittedText[] = []
  const entries = Object.entries(payload).map(([name, value]: [string, unknown]) => {
    if (typeof value !== 'string' || !TEXT_FIELDS[kind]?.includes(name)) return [name, value]
    const salt = makeSalt()
    const commit = commitmentTo(value, salt)
    texts.push({ commit, salt, text: value })
    return [name, { commit }]
  })
  return { payload: Object.fromEntries(entries) as object, texts }
}

/** Puts the texts back, wherever a commitment stands; one whose text is gone says so. */
export const joinTexts = <Value>(value: Value, textOf: (commit: string) => string | undefined): Value => {
  if (isCommitment(value)) return (textOf(value.commit) ?? ERASED) as Value
  if (Array.isArray(value)) return value.map((item: unknown) => joinTexts(item, textOf)) as Value
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, joinTexts(inner, textOf)])) as Value
}

/** Every commitment in a value. */
export const commitmentsIn = (value: unknown): string[] => {
  if (isCommitment(value)) return [value.commit]
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(commitmentsIn) : []
}
