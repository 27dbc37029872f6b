/** Verdicts: judged from the captures while the day is open, as they were signed afterwards. */
import { randomUUID } from 'node:crypto'
import {
  AmendmentBody,
  amendmentHash,
  type ArchivedAmendment,
  MadeAnswer,
  type Occasion,
  ruledFindings,
  SignedAnswer,
  SignOffBody,
  VerdictsAnswer,
  withAlternates,
} from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { refuseOwnWave } from '../access/ownWave.ts'
import { requireSignature } from '../access/signature.ts'
import type { Database } from '../database.ts'
import { invalidInput, Problem } from '../problem.ts'
import { addAmendment, listSignedAmendments } from '../store/amendmentStore.ts'
import { getStandard } from '../store/standardStore.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { forgetWritten } from '../store/resultStore.ts'
import { findSignature, listSnapshots } from '../store/signOffStore.ts'
import { addTexts, commitTo } from '../store/textStore.ts'
import { readBody } from './body.ts'
import type { Call, Route } from './route.ts'

export const verdictRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/verdicts',
    what: 'verdicts with their traces',
    answer: VerdictsAnswer,
    action: 'verdicts.read',
    cost: 'costly',
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await dayOf(call)
      const nowMs = server.clock.nowMs()
      response.type('json').send(await server.work.run('verdicts', { occasionId: occasion.id, actor: account, nowMs }))
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/sign-off',
    what: 'signs the day; 409 while verdicts are open and `acceptOpen` is false',
    answer: SignedAnswer,
    action: 'day.sign',
    body: SignOffBody,
    cost: 'signature',
    handle: async (call) => {
      const { server, request, response, account, token } = call
      const occasion = await dayOf(call)
      const { acceptOpen, ...signature } = readBody(SignOffBody, request)
      await requireSignature(server.pool, call, signature)
      await refuseOwnWave(server.pool, account, occasion.id, null)
      const signing = { accountId: account.id, token, atMs: server.clock.nowMs(), acceptOpen }
      response.status(201).type('json')
      response.send(await server.work.run('sign', { occasionId: occasion.id, ...signing }))
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/amendments',
    what: 'changes a mark after the signature',
    answer: MadeAnswer,
    action: 'day.amend',
    body: AmendmentBody,
    cost: 'signature',
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const { password, code, ...amendment } = readBody(AmendmentBody, request)
      await requireSignature(server.pool, call, { password, ...(code === undefined ? {} : { code }) })
      if (!occasion.signedOff) {
        throw new Problem(409, 'day.open', 'The day is not signed off. Correct the captures, or decide, instead.')
      }
      await refuseUnlessAmendable(server.pool, occasion, amendment)
      const id = randomUUID()
      await server.days.run(occasion.id, async (db) => {
        await refuseOwnWave(db, account, occasion.id, [amendment.entryId])
        await amend(db, call, occasion.id, { ...amendment, id })
        await forgetWritten(db, occasion.id)
        await notifyDay(db, occasion.id, 'day')
      })
      // what it changes of reports is written by a worker; should that fail, the day is written at the next start
      await server.work.run('results.write', { occasionId: occasion.id })
      response.status(201).json({ id })
    },
  },
]

type Change = Omit<ArchivedAmendment, 'accountId' | 'atMs'>

/** @throws Problem 422 unless there is a mark, and the ruling suits its event */
const refuseUnlessAmendable = async (
  db: Database,
  { id, standardId, standardVersion }: Occasion,
  ruled: Omit<Change, 'id'>,
): Promise<void> => {
  const { entryId, eventId } = ruled
  const signed = (await listSnapshots(db, id)).find((one) => one.entryId === entryId)
  const { standard } = await getStandard(db, standardId, standardVersion)
  const event = standard.events.find((one) => one.id === eventId)
  if (!event || !signed?.verdict.marks.some((mark) => mark.eventId === eventId)) {
    const expected = 'an event this person was judged in'
    throw invalidInput([{ place: 'eventId', code: 'noMark', found: eventId, expected }])
  }
  const findings = ruledFindings(ruled, withAlternates(standard, event), '')
  if (findings.length > 0) throw invalidInput(findings)
}

/** Signs an amendment after the one before it, or after the day's own signature. */
const amend = async (
  db: Database,
  { server, account, token }: Call,
  occasionId: string,
  { reason, ...change }: Change,
): Promise<void> => {
  const [last] = (await listSignedAmendments(db, occasionId)).slice(-1)
  const before = last ? amendmentHash(last) : ((await findSignature(db, occasionId))?.head ?? '')
  const why = commitTo(reason, change.entryId)
  await addTexts(db, occasionId, [why])
  // not before the last one, so that their order is the order they were signed in
  const atMs = Math.max(server.clock.nowMs(), (last?.atMs ?? 0) + 1)
  const amendment = { ...change, reason: { commit: why.commit }, accountId: account.id, atMs }
  const signature = server.signer.signAmendment({ occasionId, before, amendment })
  await addAmendment(db, occasionId, token, { ...amendment, before, signature }, why.commit)
}
