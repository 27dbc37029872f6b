/** A whole day read in from a file: proven first, then put on record as read in by whoever did it. */
import { parseDocument, readArchive, ReadInBody } from '@able-gauge/core'
import { requireSignature, type Signatory } from './access/signature.ts'
import { restoreDay } from './dayArchive.ts'
import type { Pool } from './database.ts'
import { knownKeys } from './knownKeys.ts'
import { invalidInput, notJson, Problem } from './problem.ts'
import type { Signer } from './signer.ts'
import { noteEvent } from './store/securityStore.ts'

const MOST_FINDINGS = 100

export interface ReadingIn extends Signatory {
  /** The body of the request as it came: JSON, as `ReadInBody`. */
  readonly bytes: Uint8Array
}

/** @returns the id of the day @throws Problem when it is no archive, not what it was, or clashes with what is here */
export const readIn = async (pool: Pool, signer: Signer, { bytes, ...signatory }: ReadingIn): Promise<string> => {
  const parsed = parseDocument(ReadInBody, parseJson(bytes))
  if (!parsed.ok) throw invalidInput(parsed.findings)
  const { archive: plain, ...signature } = parsed.value
  await requireSignature(pool, signatory, signature)
  const read = readArchive(plain, await knownKeys(pool, signer))
  if (!read.ok) {
    throw new Problem(
      422,
      'archive.altered',
      `Nothing was stored. The archive is not what it was when it was written: ${read.findings[0]?.place ?? 'the whole'}.`,
      read.findings.slice(0, MOST_FINDINGS),
    )
  }
  const { archive, proof } = read
  await restoreDay(pool, signatory.token, archive, proof)
  const detail = { day: archive.occasion.id, proof: proof.kind }
  await noteEvent(pool, { kind: 'archive.readIn', accountId: signatory.account.id, detail })
  return archive.occasion.id
}

const parseJson = (bytes: Uint8Array): unknown => {
  try {
    return JSON.parse(Buffer.from(bytes).toString('utf8')) as unknown
  } catch (error) {
    throw notJson(error)
  }
}
