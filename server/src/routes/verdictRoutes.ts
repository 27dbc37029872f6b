/** Verdicts: judged from the captures while the day is open, as they were signed afterwards. */
import { randomUUID } from 'node:crypto'
import { amendVerdict, rules, type Occasion } from '@able-gauge/core'
import { verifyPassword } from '../access/password.ts'
import { readableDay, workableDay } from '../access/day.ts'
import { EVERY_ROLE, type Account } from '../access/role.ts'
import type { Database } from '../database.ts'
import { headOfDay } from '../dayArchive.ts'
import { judgeRecord, readDay, snapshotsOf } from '../dayRecord.ts'
import { invalidInput, Problem } from '../problem.ts'
import { findAccountByName } from '../store/accountStore.ts'
import { addAmendment, listAmendments } from '../store/amendmentStore.ts'
import { closeLedger } from '../store/captureStore.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { addSignOff, listSnapshots } from '../store/signOffStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

class SignOffBody {
  @rules.Text(200) password!: string
  /** Signs although something is still open. */
  @rules.Flag() acceptOpen!: boolean
}

class AmendmentBody {
  @rules.Uuid() entryId!: string
  @rules.Slug() eventId!: string
  @rules.Choice(['met', 'short']) as!: 'met' | 'short'
  @rules.Text(500) reason!: string
  @rules.Text(200) password!: string
}

export const verdictRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/verdicts',
    roles: EVERY_ROLE,
    cost: 'costly',
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await readableDay(server.pool, account, param(call, 'occasionId'))
      if (occasion.signedOff) {
        response.json({ judged: 'signed', verdicts: await signedVerdicts(server.pool, occasion) })
        return
      }
      const day = await readDay(server.pool, occasion)
      response.json({
        judged: 'live',
        verdicts: snapshotsOf(day, await judgeRecord(server.pool, day)).map(({ inputs: _, ...rest }) => rest),
      })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/sign-off',
    roles: ['officer'],
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await workableDay(server.pool, account, param(call, 'occasionId'))
      const { password, acceptOpen } = readBody(SignOffBody, request)
      await requirePassword(server.pool, account, password)
      await server.days.run(occasion.id, async (db) => {
        // closing first locks the day: no capture and no change of an entry can come between judging and signing
        if (!(await closeLedger(db, occasion.id)))
          throw new Problem(409, 'day.signedOff', 'The day is signed off already.')
        const day = await readDay(db, occasion)
        const judged = await judgeRecord(db, day)
        const open = [...judged.verdicts.values()].filter(({ settled }) => !settled).length
        if (open > 0 && !acceptOpen) {
          throw new Problem(
            409,
            'signOff.open',
            `${open} verdicts are still open. Settle them, or sign knowing that they stay open.`,
          )
        }
        const snapshots = snapshotsOf(day, judged)
        const head = await headOfDay(db, occasion.id, judged.captures, snapshots)
        await addSignOff(db, occasion.id, account.id, new Date(server.clock.nowMs()), snapshots, head)
        await notifyDay(db, occasion.id, 'day')
      })
      response.status(201).json({ signedOff: true })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/amendments',
    roles: ['officer'],
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await workableDay(server.pool, account, param(call, 'occasionId'))
      const { password, ...amendment } = readBody(AmendmentBody, request)
      await requirePassword(server.pool, account, password)
      if (!occasion.signedOff) {
        throw new Problem(409, 'day.open', 'The day is not signed off. Correct the captures, or decide, instead.')
      }
      const signed = (await listSnapshots(server.pool, occasion.id)).find(
        ({ entryId }) => entryId === amendment.entryId,
      )
      if (!signed?.verdict.marks.some(({ eventId }) => eventId === amendment.eventId)) {
        throw invalidInput([
          {
            place: 'eventId',
            code: 'noMark',
            found: amendment.eventId,
            expected: 'an event this person was judged in',
          },
        ])
      }
      const id = randomUUID()
      await server.days.run(occasion.id, async (db) => {
        await addAmendment(db, occasion.id, { ...amendment, id, accountId: account.id, atMs: server.clock.nowMs() })
        await notifyDay(db, occasion.id, 'day')
      })
      response.status(201).json({ id })
    },
  },
]

/** Verdicts as they stand after the signature: as signed, with the amendments laid on. */
const signedVerdicts = async (db: Database, occasion: Occasion) => {
  const { published } = await readDay(db, occasion)
  const amendments = await listAmendments(db, occasion.id)
  const on = { standard: published.standard, testDate: occasion.testDate }
  return (await listSnapshots(db, occasion.id)).map(({ entryId, standardHash, inputs, verdict }) => {
    const own = amendments.filter((one) => one.entryId === entryId)
    return { entryId, standardHash, verdict: amendVerdict(on, inputs.candidate, verdict, own) }
  })
}

/** A signature takes the password of whoever signs. @throws Problem 403 */
const requirePassword = async (db: Database, account: Account, password: string): Promise<void> => {
  const secret = await findAccountByName(db, account.signInName)
  if (secret && (await verifyPassword(password, secret.passwordHash))) return
  throw new Problem(403, 'signOff.password', 'The password is not right. Nothing was signed.', [
    { place: 'password', code: 'password', found: 'another', expected: 'your own password' },
  ])
}
