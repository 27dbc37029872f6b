/** Signing in and out. These are the only routes that need no session. */
import { randomUUID } from 'node:crypto'
import { Router, type Request } from 'express'
import { rules } from '@able-gauge/core'
import { verifyNothing, verifyPassword } from '../access/password.ts'
import { accountOf, closeSession, openSession } from '../access/session.ts'
import type { Account } from '../access/role.ts'
import { DEMO_PASSWORD } from '../demo/password.ts'
import { addressOf, limited, type Limits } from '../limits.ts'
import { Problem } from '../problem.ts'
import { inTransaction } from '../database.ts'
import { addAccount, findAccountByName, listDemoAccounts } from '../store/accountStore.ts'
import { addStaffMember } from '../store/occasionStore.ts'
import { findStationCode } from '../store/stationStore.ts'
import { readBody } from './body.ts'
import type { Server } from './route.ts'

class SignIn {
  @rules.Text(80) signInName!: string
  @rules.Text(200) password!: string
}

class StationSignIn {
  @rules.Text(12) code!: string
  /** Who works there, for the record. */
  @rules.Text(80) name!: string
  /** What the device calls itself, so that one wrong typist closes joining for nobody else. */
  @rules.Optional() @rules.Text(80) device?: string
}

const WINDOW_MINUTES = 15

export const sessionRouter = (server: Server): Router => {
  const router = Router()
  const { pool } = server

  router.get('/', async (request, response) => {
    const account = await accountOf(pool, request)
    response.json({ account, demo: server.demo ? await demoSignIns(server) : null })
  })

  router.post('/', limitSignIns(server.limits), async (request, response) => {
    const { signInName, password } = readBody(SignIn, request)
    const account = await checkPassword(server, signInName.trim(), password)
    if (!account)
      throw new Problem(401, 'signIn.wrong', 'Name and password do not belong together. Nothing else was changed.')
    await openSession(pool, request, response, account)
    response.status(201).json({ account })
  })

  router.post('/station', ...limitCodes(server.limits), async (request, response) => {
    const { code, name } = readBody(StationSignIn, request)
    const station = await findStationCode(pool, code.trim().toUpperCase())
    if (!station) {
      throw new Problem(
        401,
        'signIn.station',
        'No station has this code. It may have ended; ask the officer in charge.',
      )
    }
    const id = randomUUID()
    const { occasionId, eventIds, role } = station
    const account: Account = {
      id,
      signInName: `station-${id}`,
      displayName: name.trim(),
      role,
      station: { occasionId, eventIds },
    }
    await inTransaction(pool, async (db) => {
      // no password opens this account: it lives as long as its session
      await addAccount(db, { ...account, passwordHash: '', isDemo: false })
      await addStaffMember(db, occasionId, id, 'by station code')
    })
    await openSession(pool, request, response, account)
    response.status(201).json({ account })
  })

  router.delete('/', async (request, response) => {
    await closeSession(pool, request, response)
    response.status(204).end()
  })

  return router
}

const demoSignIns = async ({ pool }: Server) => ({
  password: DEMO_PASSWORD,
  accounts: (await listDemoAccounts(pool)).map(({ signInName, displayName, role }) => ({
    signInName,
    displayName,
    role,
  })),
})

const checkPassword = async (server: Server, signInName: string, password: string): Promise<Account | null> => {
  const found = await findAccountByName(server.pool, signInName)
  const usable = found && (server.demo || !found.isDemo) ? found : null
  const right = usable ? await verifyPassword(password, usable.passwordHash) : await verifyNothing(password)
  return usable && right ? usable.account : null
}

/** Failed tries are counted for each address and name; a try that succeeds is not. */
const limitSignIns = ({ wrongSignIns }: Limits) =>
  limited({
    windowMinutes: WINDOW_MINUTES,
    most: wrongSignIns,
    keyOf: (request) => `${addressOf(request)} ${textIn(request, 'signInName')}`,
    failuresOnly: true,
    code: 'signIn.tooMany',
    sentence: (minutes) => `Too many failed tries for this name. Wait ${minutes} minutes, then try again.`,
  })

/**
 * A whole field shares one address, so wrong codes are counted for each device, as it names itself; and all together,
 * because a name costs nothing.
 */
const limitCodes = ({ wrongCodes, wrongCodesTogether }: Limits) => {
  const rule = {
    windowMinutes: WINDOW_MINUTES,
    failuresOnly: true,
    code: 'signIn.tooMany',
    sentence: (minutes: number) => `Too many wrong station codes. Wait ${minutes} minutes, then try again.`,
  }
  return [
    limited({ ...rule, most: wrongCodes, keyOf: (request) => `${addressOf(request)} ${textIn(request, 'device')}` }),
    limited({ ...rule, most: wrongCodesTogether, keyOf: () => 'everywhere' }),
  ]
}

const textIn = ({ body }: Request, name: string): string => {
  const value = (body as Record<string, unknown> | undefined)?.[name]
  return typeof value === 'string' ? value.trim().toLowerCase().slice(0, 80) : ''
}
