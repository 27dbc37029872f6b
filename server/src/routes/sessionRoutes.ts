/** Signing in and out. These are the only routes that need no session. */
import { randomUUID } from 'node:crypto'
import { Router, type Request, type Response } from 'express'
import {
  FieldReachAnswer,
  FIRST_HOUSE_RULES,
  FoundHouseBody,
  isPrintable,
  LinkCode,
  LinkHolderAnswer,
  LinkPassword,
  PublicStandardAnswer,
  SessionAnswer,
  SignedInAnswer,
  SignIn,
  StationSignIn,
} from '@able-gauge/core'
import { deriveKey, hashPassword } from '../access/password.ts'
import type { Account } from '../access/role.ts'
import { readNeededCode, wrongCode } from '../access/secondFactor.ts'
import { closeSession, giveCookie, newSession, newToken, sessionEnd, sessionOf } from '../access/session.ts'
import { requireStrong } from '../access/strength.ts'
import { DEMO_PASSWORD } from '../demo/password.ts'
import { addressOf, limited, type Limits } from '../limits.ts'
import { inTransaction } from '../database.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { checkAnswerOf } from '../checkedAnswer.ts'
import { isDemoAccount, listDemoAccounts } from '../store/accountStore.ts'
import { listUnits } from '../store/unitStore.ts'
import { notifyAccess } from '../store/dayNotices.ts'
import { findHouseMark, houseMarkSince } from '../store/houseMarkStore.ts'
import { findHouseRules, writeHouseRules } from '../store/houseRulesStore.ts'
import { findLinkHolder, foundHouse, isUnfounded, takeAccountLink, type NewSession } from '../store/keptAccountStore.ts'
import { findOwnersOfNumbers } from '../store/personStore.ts'
import { findSignInSecret } from '../store/secondFactorStore.ts'
import { noteEvent } from '../store/securityStore.ts'
import { findPublished } from '../store/standardStore.ts'
import { findSessionParameters, joinStation, openSession, useSession } from '../store/sessionStore.ts'
import { readBody } from './body.ts'
import { OWN_PAGE_ROUTES, ownPageRouter } from './ownPageRoutes.ts'
import type { OpenRoute, Server } from './route.ts'

const WINDOW_MINUTES = 15

/** What these routes take and answer; no action stands before them. */
export const SESSION_ROUTES: readonly OpenRoute[] = [
  { method: 'get', path: '/api/session', what: 'who is signed in, and for how long', answer: SessionAnswer },
  { method: 'get', path: '/api/session/mark', what: 'the mark of the house', answer: 'a PNG' },
  {
    method: 'get',
    path: '/api/session/field',
    what: 'how other devices on the same network reach this house',
    answer: FieldReachAnswer,
  },
  {
    method: 'post',
    path: '/api/session',
    what: 'signs in and sets the session cookie',
    answer: SignedInAnswer,
    body: SignIn,
  },
  {
    method: 'post',
    path: '/api/session/station',
    what: 'joins a station with its code; the session is for that station alone',
    answer: SignedInAnswer,
    body: StationSignIn,
  },
  {
    method: 'post',
    path: '/api/session/link/holder',
    what: 'whom a link lets in',
    answer: LinkHolderAnswer,
    body: LinkCode,
  },
  {
    method: 'post',
    path: '/api/session/link',
    what: 'chooses a password by a link, once, and signs in',
    answer: SignedInAnswer,
    body: LinkPassword,
  },
  {
    method: 'post',
    path: '/api/session/house',
    what: 'makes the first administrator of a house that has none, with the code from the terminal',
    answer: SignedInAnswer,
    body: FoundHouseBody,
  },
  ...OWN_PAGE_ROUTES,
  {
    method: 'get',
    path: '/api/session/standards/:standardId/:version',
    what: 'a published version, for everybody where the house shows its standards',
    answer: PublicStandardAnswer,
  },
  { method: 'delete', path: '/api/session', what: 'signs out', answer: 'nothing' },
]

export const sessionRouter = (server: Server): Router => {
  const router = Router()
  const { pool } = server
  if (server.checksAnswers) {
    router.use((request, response, next) => {
      const path = `${request.baseUrl}${request.path}`.replace(/\/$/, '')
      const declared = SESSION_ROUTES.find(
        (route) => route.path === path && route.method === request.method.toLowerCase(),
      )
      if (declared) checkAnswerOf(declared.answer, response)
      next()
    })
  }

  router.get('/', async (request, response) => {
    const session = await sessionOf(pool, request)
    const { rules } = await findHouseRules(pool)
    const { organisation = '', style = null, publicAddress = null, standardsPublic = false } = rules
    response.json({
      account: session?.account ?? null,
      asks: session?.asks ?? { secondFactor: false, codeToSign: false },
      // as a span: the clock of a device may be anything
      endsInMs: session ? session.endsMs - Date.now() : null,
      demo: server.demo ? await demoSignIns(server) : null,
      organisation,
      markSinceMs: await houseMarkSince(pool),
      publicAddress,
      standardsPublic,
      style,
      isUnfounded: await isUnfounded(pool),
    })
  })

  router.get('/mark', async (_request, response) => {
    const mark = await findHouseMark(pool)
    if (!mark) throw notFound('mark')
    response.type('png').send(mark)
  })

  router.get('/field', (_request, response) => {
    response.json({ field: server.field?.reach ?? null })
  })

  router.post('/', limitSignIns(server.limits), async (request, response) => {
    const body = readBody(SignIn, request)
    const opening = newSession(request)
    const account = await signIn(server, { ...body, signInName: body.signInName.trim() }, opening).catch(
      async (error: unknown) => {
        if (!(error instanceof Problem)) throw error
        const detail = { address: request.ip ?? '' }
        if (error.code !== 'signIn.codeNeeded') {
          const kind = error.code === 'signIn.code' ? 'secondFactor.refused' : 'signIn.refused'
          await noteEvent(pool, { kind, accountId: null, detail })
        }
        throw error
      },
    )
    await noteEvent(pool, { kind: 'signIn', accountId: account.id, detail: { address: request.ip ?? '' } })
    await welcome(server, request, response, opening.token)
  })

  router.post('/station', ...limitCodes(server.limits), async (request, response) => {
    const { code, name, number } = readBody(StationSignIn, request)
    const token = newToken()
    const guest = {
      id: randomUUID(),
      displayName: name.trim(),
      personId: await personOf(server, number),
      token,
      ends: sessionEnd(),
    }
    const outcome = await joinStation(pool, code.trim().toUpperCase(), guest)
    switch (outcome) {
      case 'joined': {
        await noteEvent(pool, { kind: 'station.joined', accountId: guest.id, detail: { address: request.ip ?? '' } })
        await welcome(server, request, response, token)
        return
      }
      case 'noCode':
        await noteEvent(pool, { kind: 'station.refused', accountId: null, detail: { address: request.ip ?? '' } })
        throw new Problem(
          401,
          'signIn.station',
          'No station has this code. It may have ended; ask the officer in charge.',
        )
      case 'nameTaken':
        throw new Problem(
          409,
          'signIn.nameTaken',
          'Somebody with an account has this name. Sign in with that account, or join with your own name.',
          [{ place: 'name', code: 'nameTaken', found: name, expected: 'your own name' }],
        )
    }
  })

  router.post('/link/holder', ...limitLinks(server.limits), async (request, response) => {
    const { code } = readBody(LinkCode, request)
    const holder = await findLinkHolder(pool, code)
    if (!holder) throw await refusedLink(server, request)
    const { secret, ...facts } = holder
    response.json({ ...facts, hasSecondFactor: secret !== null })
  })

  router.post('/link', ...limitLinks(server.limits), async (request, response) => {
    const { code, password, factorCode } = readBody(LinkPassword, request)
    const holder = await findLinkHolder(pool, code)
    if (!holder) throw await refusedLink(server, request)
    requireStrong(password, [holder.signInName, holder.displayName])
    const typed = await readNeededCode(factorCode, holder.secret)
    const opening = newSession(request)
    const id = await takeAccountLink(pool, code, await hashPassword(password), opening, typed)
    if (id === null) throw holder.secret === null ? await refusedLink(server, request) : wrongCode(401, 'signIn.code')
    await noteEvent(pool, { kind: 'account.linkUsed', accountId: id, detail: { address: request.ip ?? '' } })
    // whoever was signed in with the old password is out
    await notifyAccess(pool, id)
    await welcome(server, request, response, opening.token)
  })

  router.post('/house', ...limitLinks(server.limits), async (request, response) => {
    const { code, organisation, signInName, displayName, password } = readBody(FoundHouseBody, request)
    requireStrong(password, [signInName, displayName, organisation])
    const founder = { code: code.trim(), id: randomUUID(), signInName, displayName }
    const opening = newSession(request)
    const passwordHash = await hashPassword(password)
    const founded = await inTransaction(pool, async (db) => {
      if (!(await foundHouse(db, { ...founder, passwordHash }, opening))) return false
      const { rules, revision } = await findHouseRules(db)
      await writeHouseRules(db, { ...FIRST_HOUSE_RULES, ...rules, organisation: organisation.trim() }, revision)
      await noteEvent(db, { kind: 'house.founded', accountId: founder.id, detail: { address: request.ip ?? '' } })
      return true
    })
    if (!founded) {
      await noteEvent(pool, { kind: 'house.refused', accountId: null, detail: { address: request.ip ?? '' } })
      throw new Problem(
        401,
        'house.wrongCode',
        'Nothing was set up. The code in the terminal is another, the house has an administrator already, or somebody has this name.',
      )
    }
    await welcome(server, request, response, opening.token)
  })

  router.get('/standards/:standardId/:version', async ({ params: { standardId, version } }, response) => {
    const { rules } = await findHouseRules(pool)
    const isNamed = isPrintable(standardId) && /^[1-9]\d{0,4}$/.test(version)
    const found = rules.standardsPublic && isNamed ? await findPublished(pool, standardId, Number(version)) : null
    // what is not shown and what there is not are answered alike
    if (!found) throw notFound('public standard')
    const { standard, contentHash, retired } = found
    response.json({ content: standard, contentHash, lastDay: retired?.lastDay ?? null })
  })

  router.use('/own', ...limitLinks(server.limits), ownPageRouter(server))

  router.delete('/', async (request, response) => {
    await closeSession(pool, request, response)
    response.status(204).end()
  })

  return router
}

/** The same answer for a link that was used, has ended, or never was. */
const refusedLink = async ({ pool }: Server, request: Request): Promise<Problem> => {
  await noteEvent(pool, { kind: 'link.refused', accountId: null, detail: { address: request.ip ?? '' } })
  return new Problem(
    401,
    'link.ended',
    'This link opens nothing: it was used, or it has ended. Ask whoever sent it for a new one.',
  )
}

/** The person a number belongs to, so that nobody works their own wave as a guest. @throws Problem 422 */
const personOf = async ({ pool }: Server, number: string | undefined): Promise<string | null> => {
  if (number === undefined) return null
  const personId = (await findOwnersOfNumbers(pool, [number.trim()])).get(number.trim())
  if (personId) return personId
  throw invalidInput([
    { place: 'number', code: 'unknown', found: number, expected: 'your number in the organisation, or nothing' },
  ])
}

const demoSignIns = async ({ pool }: Server) => {
  const names = new Map((await listUnits(pool)).map(({ id, name }) => [id, name]))
  const accounts = await listDemoAccounts(pool)
  return {
    password: DEMO_PASSWORD,
    accounts: accounts.map(({ signInName, displayName, role, unitId }) => ({
      signInName,
      displayName,
      role,
      unit: names.get(unitId ?? '') ?? '',
    })),
  }
}

/** Demo accounts sign in only while the server shows the demo. @throws Problem 401 */
const signIn = async (
  { pool, demo }: Server,
  { signInName, password, code }: SignIn,
  opening: NewSession,
): Promise<Account> => {
  const usable = demo || !(await isDemoAccount(pool, signInName))
  const parameters = usable ? await findSessionParameters(pool, signInName) : null
  const key = await deriveKey(password, parameters)
  const secret = parameters === null ? undefined : await findSignInSecret(pool, signInName, key)
  if (secret === undefined)
    throw new Problem(401, 'signIn.wrong', 'Name and password do not belong together. Nothing else was changed.')
  const account = await openSession(pool, signInName, key, opening, await readNeededCode(code, secret))
  if (!account) throw wrongCode(401, 'signIn.code')
  return account
}

/** Gives whoever has just signed in their cookie, and tells them who they are and what the house asks of them. */
const welcome = async (server: Server, request: Request, response: Response, token: string): Promise<void> => {
  const used = await useSession(server.pool, token)
  if (!used) throw new Problem(401, 'access.signedOut', 'The session ended at once. Sign in again.')
  giveCookie(request, response, token)
  response.status(201).json({ account: used.account, asks: used.asks })
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

/** Links and the code of the terminal are long; whoever tries many knows none. */
const limitLinks = ({ wrongCodes, wrongCodesTogether }: Limits) => {
  const rule = {
    windowMinutes: WINDOW_MINUTES,
    failuresOnly: true,
    code: 'link.tooMany',
    sentence: (minutes: number) => `Too many links that open nothing. Wait ${minutes} minutes, then try again.`,
  }
  return [
    limited({ ...rule, most: wrongCodes, keyOf: addressOf }),
    limited({ ...rule, most: wrongCodesTogether, keyOf: () => 'everywhere' }),
  ]
}

const textIn = ({ body }: Request, name: string): string => {
  const value = (body as Record<string, unknown> | undefined)?.[name]
  return typeof value === 'string' ? value.trim().toLowerCase().slice(0, 80) : ''
}
