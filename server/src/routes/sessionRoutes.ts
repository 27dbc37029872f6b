/** Signing in and out. These are the only routes that need no session. */
import { randomUUID } from 'node:crypto'
import { Router, type Request } from 'express'
import { ipKeyGenerator, rateLimit } from 'express-rate-limit'
import { rules } from '@able-gauge/core'
import { verifyNothing, verifyPassword } from '../access/password.ts'
import { accountOf, closeSession, openSession } from '../access/session.ts'
import type { Account } from '../access/role.ts'
import { DEMO_PASSWORD } from '../demo/password.ts'
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
}

const FAILURES_ALLOWED = 10
const WINDOW_MINUTES = 15

export const sessionRouter = (server: Server): Router => {
  const router = Router()
  const { pool } = server

  router.get('/', async (request, response) => {
    const account = await accountOf(pool, request)
    response.json({ account, demo: server.demo ? await demoSignIns(server) : null })
  })

  router.post('/', limitFailures(), async (request, response) => {
    const { signInName, password } = readBody(SignIn, request)
    const account = await checkPassword(server, signInName.trim(), password)
    if (!account)
      throw new Problem(401, 'signIn.wrong', 'Name and password do not belong together. Nothing else was changed.')
    await openSession(pool, request, response, account)
    response.status(201).json({ account })
  })

  router.post('/station', limitFailures(), async (request, response) => {
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
const limitFailures = () =>
  rateLimit({
    windowMs: WINDOW_MINUTES * 60_000,
    limit: FAILURES_ALLOWED,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: (request) => `${ipKeyGenerator(request.ip ?? '')} ${nameIn(request)}`,
    handler: () => {
      throw new Problem(
        429,
        'signIn.tooMany',
        `Too many failed tries for this name. Wait ${WINDOW_MINUTES} minutes, then try again.`,
      )
    },
  })

/** Tries at station codes count together, whatever code and name they give. */
const nameIn = (request: Request): string => {
  const body = request.body as { signInName?: unknown; code?: unknown } | undefined
  if (body?.code !== undefined) return 'station'
  return typeof body?.signInName === 'string' ? body.signInName.trim().toLowerCase().slice(0, 80) : ''
}
