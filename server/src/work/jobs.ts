/**
 * What takes longer than other requests should wait for: whole days judged, signed, archived, proven. Each job reads the
 * database itself, in a worker thread; what it answers is text that is sent as it is.
 */
import {
  amendVerdict,
  fingerprint,
  maskVerdict,
  printArchive,
  provenBy,
  differencesFromToday,
  signedFindings,
  SIGNING_STEPS,
  type Actor,
  type RestState,
  type SigningStep,
  type Verdict,
} from '@able-gauge/core'
import { inTransaction, type Pool } from '../database.ts'
import { archiveDay } from '../dayArchive.ts'
import { termsOf, readDay } from '../dayRecord.ts'
import { pastResultsUnder } from '../pastResults.ts'
import { notFound, Problem } from '../problem.ts'
import { readIn, type ReadingIn } from '../readIn.ts'
import { signDay } from '../signDay.ts'
import type { Signer } from '../signer.ts'
import { listAmendments } from '../store/amendmentStore.ts'
import { lockLedger } from '../store/captureStore.ts'
import { notifyDay, notifySigning } from '../store/dayNotices.ts'
import { findOccasion } from '../store/occasionStore.ts'
import { listSnapshots } from '../store/signOffStore.ts'
import { writeDayAnew } from '../writtenResults.ts'
import { keptVerdicts, restsIn } from './keptDay.ts'

/** What a worker works with. */
export interface Workshop {
  readonly pool: Pool
  readonly signer: Signer
}

export interface JobInputs {
  /** Verdicts of a day as an actor may see them: judged while it is open, as signed and amended afterwards. */
  readonly verdicts: { readonly occasionId: string; readonly actor: Actor; readonly nowMs: number }
  readonly archive: { readonly occasionId: string }
  readonly proof: { readonly occasionId: string; readonly knownKeys: readonly string[] }
  readonly sign: {
    readonly occasionId: string
    readonly accountId: string
    readonly token: string
    readonly atMs: number
    readonly acceptOpen: boolean
  }
  readonly rests: { readonly occasionId: string; readonly nowMs: number }
  /** A whole day read in from a file. */
  readonly readIn: ReadingIn
  /** Writes what reports say of a signed day. */
  readonly 'results.write': { readonly occasionId: string }
  /** What was measured on signed-off days under one version. */
  readonly results: { readonly standardId: string; readonly version: number }
}

export type JobName = keyof JobInputs

const MOST_FINDINGS = 50

const dayIn = async ({ pool }: Workshop, occasionId: string) => {
  const occasion = await findOccasion(pool, occasionId)
  if (!occasion) throw notFound('day')
  return readDay(pool, occasion)
}

/** Each job's answer, as JSON text. */
export const JOBS: { readonly [Name in JobName]: (shop: Workshop, input: JobInputs[Name]) => Promise<string> } = {
  verdicts: async (shop, { occasionId, actor, nowMs }) => {
    const day = await dayIn(shop, occasionId)
    const { occasion, published } = day
    const seen = (entryId: string, standardHash: string, verdict: Verdict) => ({
      entryId,
      standardHash,
      verdict: maskVerdict(verdict, actor),
    })
    if (!occasion.signedOff) {
      const verdicts = await keptVerdicts(shop.pool, day, nowMs)
      const listed = [...verdicts].map(([entryId, verdict]) => seen(entryId, published.contentHash, verdict))
      return JSON.stringify({ judged: 'live', verdicts: listed })
    }
    const amendments = await listAmendments(shop.pool, occasionId)
    const terms = await termsOf(shop.pool, occasion, published.standard)
    const listed = (await listSnapshots(shop.pool, occasionId)).map(({ entryId, standardHash, inputs, verdict }) => {
      const own = amendments.filter((one) => one.entryId === entryId)
      return seen(entryId, standardHash, amendVerdict(terms, inputs.candidate, verdict, own))
    })
    return JSON.stringify({ judged: 'signed', verdicts: listed })
  },

  archive: async (shop, { occasionId }) => {
    const { occasion } = await dayIn(shop, occasionId)
    return printArchive(await archiveDay(shop.pool, occasion))
  },

  proof: async (shop, { occasionId, knownKeys }) => {
    const { occasion } = await dayIn(shop, occasionId)
    const archive = await archiveDay(shop.pool, occasion)
    const findings = archive.signOff ? signedFindings(archive) : []
    return JSON.stringify({
      proof: provenBy(archive, knownKeys),
      head: archive.signOff ? fingerprint(archive.signOff.head) : null,
      // what is stored is what was signed
      intact: findings.length === 0,
      places: findings.slice(0, MOST_FINDINGS).map(({ place }) => place),
      differences: archive.signOff && findings.length === 0 ? differencesFromToday(archive) : [],
    })
  },

  sign: async (shop, { occasionId, accountId, token, atMs, acceptOpen }) => {
    await inTransaction(shop.pool, async (db) => {
      // the lock keeps every capture and every change of an entry from coming between judging and signing
      if ((await lockLedger(db, occasionId)).closed)
        throw new Problem(409, 'day.signedOff', 'The day is signed off already.')
      const occasion = await findOccasion(db, occasionId)
      if (!occasion) throw notFound('day')
      const approve = (verdicts: readonly Verdict[]): void => {
        const open = verdicts.filter(({ settled }) => !settled).length
        if (open === 0 || acceptOpen) return
        throw new Problem(
          409,
          'signOff.open',
          `${open} verdicts are still open. Settle them, or sign knowing that they stay open.`,
        )
      }
      // through another connection: this one tells nothing before it commits
      const step = (name: SigningStep): Promise<void> =>
        notifySigning(shop.pool, occasionId, SIGNING_STEPS.indexOf(name), SIGNING_STEPS.length)
      await signDay(db, await readDay(db, occasion), { accountId, token, atMs, signer: shop.signer, approve, step })
      await notifyDay(db, occasionId, 'day')
    })
    return JSON.stringify({ signedOff: true })
  },

  rests: async (shop, { occasionId, nowMs }) => {
    const rests: Record<string, RestState> = await restsIn(shop.pool, await dayIn(shop, occasionId), nowMs)
    return JSON.stringify(rests)
  },

  readIn: async ({ pool, signer }, reading) => JSON.stringify({ id: await readIn(pool, signer, reading) }),

  'results.write': async ({ pool }, { occasionId }) => {
    await writeDayAnew(pool, occasionId)
    return JSON.stringify({ written: true })
  },

  results: async ({ pool }, { standardId, version }) =>
    JSON.stringify({ results: await pastResultsUnder(pool, standardId, version) }),
}
