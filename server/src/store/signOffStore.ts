/** The signature under a day, and the verdicts it stands for. */
import {
  isCommitment,
  readStoredVerdict,
  type ArchivedIdentity,
  type ArchivedSignature,
  type ArchivedVerdict,
  type DayArchive,
  type SignedAmendment,
  type Verdict,
  type VerdictInputs,
} from '@able-gauge/core'
import type { Database } from '../database.ts'
import { findTexts, withTexts } from './textStore.ts'

export interface VerdictSnapshot {
  readonly entryId: string
  readonly standardHash: string
  /** All the verdict was judged from: the candidate as judged and the captures by number. */
  readonly inputs: VerdictInputs
  readonly verdict: Verdict
}

/** Signs a day in the name of whoever's session it is, and closes its log for good. The texts are there before. */
export const signDay = async (
  db: Database,
  occasionId: string,
  token: string,
  { atMs, head, publicKey, signature }: Omit<ArchivedSignature, 'accountId'>,
  verdicts: readonly ArchivedVerdict[],
  identities: readonly ArchivedIdentity[],
): Promise<void> => {
  await db.query('select sign_day($1, $2, $3, $4, $5, $6, $7, $8)', [
    token,
    occasionId,
    new Date(atMs),
    head,
    publicKey,
    signature,
    JSON.stringify(verdicts.map(snapshotRow)),
    JSON.stringify(identities),
  ])
}

/** Puts the signature of an archived day back, with its verdicts and amendments. */
export const restoreSignature = async (
  db: Database,
  token: string,
  occasionId: string,
  signOff: ArchivedSignature,
  { verdicts, identities, amendments }: Pick<DayArchive, 'verdicts' | 'identities' | 'amendments'>,
): Promise<void> => {
  await db.query('select restore_signature($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)', [
    token,
    occasionId,
    signOff.accountId,
    new Date(signOff.atMs),
    signOff.head,
    signOff.publicKey === '' ? null : signOff.publicKey,
    signOff.signature === '' ? null : signOff.signature,
    JSON.stringify(verdicts.map(snapshotRow)),
    JSON.stringify(identities),
    JSON.stringify(amendments.map(amendmentRow)),
  ])
}

const amendmentRow = ({
  id,
  entryId,
  eventId,
  as,
  value,
  reason,
  accountId,
  atMs,
  before,
  signature,
}: SignedAmendment) => ({
  id,
  entry_id: entryId,
  event_id: eventId,
  outcome: as,
  stated: value,
  ...(isCommitment(reason) ? { reason_commit: reason.commit } : { reason }),
  account_id: accountId,
  at_ms: atMs,
  ...(before === '' ? {} : { before }),
  ...(signature === '' ? {} : { signature }),
})

const snapshotRow = ({ entryId, standardHash, inputs, verdict }: ArchivedVerdict) => ({
  entry_id: entryId,
  standard_hash: standardHash,
  inputs,
  verdict,
})

/** The verdicts of a day as they are stored and signed. */
export const listStoredVerdicts = async (db: Database, occasionId: string): Promise<ArchivedVerdict[]> => {
  const { rows } = await db.query<{
    entry_id: string
    standard_hash: string
    inputs: VerdictInputs
    verdict: ArchivedVerdict['verdict']
  }>(
    'select entry_id, standard_hash, inputs, verdict from verdict_snapshots where occasion_id = $1 order by entry_id',
    [occasionId],
  )
  return rows.map((row) => ({
    entryId: row.entry_id,
    standardHash: row.standard_hash,
    inputs: row.inputs,
    verdict: row.verdict,
  }))
}

/** The same with their sentences and texts. */
export const listSnapshots = async (db: Database, occasionId: string): Promise<VerdictSnapshot[]> => {
  const stored = await withTexts(db, await listStoredVerdicts(db, occasionId))
  return stored.map((one) => ({ ...one, verdict: readStoredVerdict(one.verdict, () => undefined) }))
}

export const findSignature = async (db: Database, occasionId: string): Promise<ArchivedSignature | null> => {
  const { rows } = await db.query<{
    account_id: string
    signed_at: Date
    head: string | null
    public_key: string | null
    signature: string | null
  }>('select account_id, signed_at, head, public_key, signature from sign_offs where occasion_id = $1', [occasionId])
  const row = rows[0]
  return row
    ? {
        accountId: row.account_id,
        atMs: row.signed_at.getTime(),
        head: row.head ?? '',
        publicKey: row.public_key ?? '',
        signature: row.signature ?? '',
      }
    : null
}

/** Who entries and accounts were when the day was signed: the commitments, and as JSON what is not erased. */
export const listIdentities = async (
  db: Database,
  occasionId: string,
): Promise<(ArchivedIdentity & { readonly text: string | null })[]> => {
  const { rows } = await db.query<{ of: 'entry' | 'account'; id: string; commit: string }>(
    'select of, id, commit from day_identities where occasion_id = $1 order by of, id',
    [occasionId],
  )
  const texts = await findTexts(
    db,
    rows.map(({ commit }) => commit),
  )
  return rows.map((row) => ({
    ...row,
    salt: texts.get(row.commit)?.salt ?? '',
    text: texts.get(row.commit)?.text ?? null,
  }))
}
