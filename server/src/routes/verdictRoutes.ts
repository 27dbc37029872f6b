/** Verdicts: judged from the captures while the day is open, as they were signed afterwards. */
import { rules } from '@able-gauge/core'
import { verifyPassword } from '../access/password.ts'
import { readableDay, workableDay } from '../access/day.ts'
import { EVERY_ROLE } from '../access/role.ts'
import { inTransaction } from '../database.ts'
import { judgeRecord, readDay, snapshotsOf } from '../dayRecord.ts'
import { Problem } from '../problem.ts'
import { findAccountByName } from '../store/accountStore.ts'
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

export const verdictRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/verdicts',
    roles: EVERY_ROLE,
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await readableDay(server.pool, account, param(call, 'occasionId'))
      if (occasion.signedOff) {
        const snapshots = await listSnapshots(server.pool, occasion.id)
        response.json({
          judged: 'signed',
          verdicts: snapshots.map(({ entryId, standardHash, verdict }) => ({ entryId, standardHash, verdict })),
        })
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
      const secret = await findAccountByName(server.pool, account.signInName)
      if (!secret || !(await verifyPassword(password, secret.passwordHash))) {
        throw new Problem(403, 'signOff.password', 'The password is not right. Nothing was signed.', [
          { place: 'password', code: 'password', found: 'another', expected: 'your own password' },
        ])
      }
      await inTransaction(server.pool, async (db) => {
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
        await addSignOff(db, occasion.id, account.id, new Date(), snapshotsOf(day, judged))
        await notifyDay(db, occasion.id, 'day')
      })
      response.status(201).json({ signedOff: true })
    },
  },
]
