/** Signs a day: judges it as it is stored, commits to who everybody is, and signs the root of it all. */
import {
  dayHead,
  factsOfDay,
  FACTS_FORM,
  inputsIn,
  JUDGE_VERSION,
  judgeDay,
  storeVerdict,
  withTokens,
  type ArchivedIdentity,
  type ArchivedVerdict,
  type RecordedCapture,
  type SigningStep,
  type Verdict,
} from '@able-gauge/core'
import type { Database } from './database.ts'
import { asJson, identitiesOf, partsOfDay } from './dayArchive.ts'
import { candidateOf, termsOf, type DayRecord } from './dayRecord.ts'
import type { Signer } from './signer.ts'
import { listAccountsById } from './store/accountStore.ts'
import { signDay as storeSignature } from './store/signOffStore.ts'
import { writeResults } from './store/resultStore.ts'
import { addTexts, commitTo } from './store/textStore.ts'

export interface Signing {
  readonly accountId: string
  /** Of the officer's session, in whose name the database signs. */
  readonly token: string
  readonly atMs: number
  readonly signer: Signer
  /** Asked before anything is written; throws when the day is not to be signed. */
  readonly approve?: (verdicts: readonly Verdict[]) => void
  /** Told before each step. */
  readonly step?: (name: SigningStep) => Promise<void>
}

/** Call it inside a transaction that holds the ledger, so that nothing comes between judging and signing. */
export const signDay = async (
  db: Database,
  day: DayRecord,
  { accountId, token, atMs, signer, approve, step = () => Promise.resolve() }: Signing,
): Promise<void> => {
  const { occasion, published, entries } = day
  await step('read')
  const parts = await partsOfDay(db, day)
  const terms = await termsOf(db, occasion, published.standard)
  const candidates = entries.map((entry) => candidateOf(published.standard, occasion.testDate, entry))
  await step('judge')
  const recorded = parts.captures.map((capture) => withTokens(capture) as RecordedCapture)
  const inputsOf = inputsIn(recorded)
  const asSigned = { ...terms, asOfMs: occasion.rehearsal ? null : atMs }
  const judged = judgeDay(asSigned, candidates, recorded)
  approve?.([...judged.values()])
  const verdicts = candidates.flatMap((candidate): ArchivedVerdict[] => {
    const verdict = judged.get(candidate.entryId)
    const captures = inputsOf(candidate.entryId).map(({ seq }) => seq)
    const inputs = { candidate, testDate: occasion.testDate, captures, judge: JUDGE_VERSION }
    return verdict
      ? [
          {
            entryId: candidate.entryId,
            standardHash: published.contentHash,
            inputs,
            verdict: asJson(storeVerdict(verdict)),
          },
        ]
      : []
  })
  await step('seal')
  const accounts = parts.accounts.some(({ id }) => id === accountId)
    ? parts.accounts
    : [...parts.accounts, ...(await listAccountsById(db, [accountId]))]
  const who = identitiesOf({ ...parts, accounts }).map(({ of, id, text }) => {
    const committed = commitTo(text, of === 'entry' ? id : null)
    return { committed, identity: { of, id, commit: committed.commit, salt: committed.salt } }
  })
  const identities = who.map(({ identity }) => identity).sort(byKindThenId)
  const signed = {
    occasionId: occasion.id,
    head: dayHead({ ...parts, identities, verdicts: [...verdicts].sort((a, b) => (a.entryId < b.entryId ? -1 : 1)) }),
    accountId,
    atMs,
  }
  await step('store')
  await addTexts(
    db,
    occasion.id,
    who.map(({ committed }) => committed),
  )
  const signature = { atMs, head: signed.head, publicKey: signer.publicKey, signature: signer.signDay(signed) }
  await storeSignature(db, occasion.id, token, signature, verdicts, identities)
  if (occasion.rehearsal) return
  await writeResults(db, occasion.id, FACTS_FORM, factsOfDay(asSigned, candidates, judged, recorded))
}

const byKindThenId = (a: ArchivedIdentity, b: ArchivedIdentity): number =>
  `${a.of} ${a.id}` < `${b.of} ${b.id}` ? -1 : 1
