/** Accounts: which person each of them is, who is let in, and where one is signed in. */
import { randomUUID } from 'node:crypto'
import {
  AccountBody,
  AccountClosedBody,
  AccountLinkAnswer,
  AccountsAnswer,
  InviteBody,
  KeptAccountsAnswer,
  LinkBody,
  PasswordBody,
  rules,
  SessionsAnswer,
  type SecurityEventKind,
} from '@able-gauge/core'
import { deriveKey, hashPassword } from '../access/password.ts'
import { newToken } from '../access/session.ts'
import { requireStrong } from '../access/strength.ts'
import { unitFor } from '../access/unit.ts'
import { inTransaction, type Database } from '../database.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { linkAccount, listAccounts } from '../store/accountStore.ts'
import { notifyAccess } from '../store/dayNotices.ts'
import {
  changeAccount,
  changePassword,
  closeAccount,
  endSessions,
  inviteAccount,
  listKeptAccounts,
  listSessions,
  renewAccountLink,
} from '../store/keptAccountStore.ts'
import { findPerson } from '../store/peopleStore.ts'
import { findOwnersOfNumbers } from '../store/personStore.ts'
import { noteEvent } from '../store/securityStore.ts'
import { findSessionParameters } from '../store/sessionStore.ts'
import { readBody } from './body.ts'
import { param, type Call, type Route } from './route.ts'

/** A link that lets somebody choose a password ends after a day. */
const LINK_MS = 24 * 3_600_000

const newLink = () => ({ code: newToken(), ends: new Date(Date.now() + LINK_MS) })

/** The account a path names; whether there is one the database says. @throws Problem 404 for what is no id */
const accountIn = (call: Call): string => {
  const id = param(call, 'accountId')
  if (!rules.isUuid(id)) throw notFound('account')
  return id
}

/** Changes an account, notes it, and has every stream of it look again. */
const changed = async (
  { server, account }: Call,
  kind: SecurityEventKind,
  changedId: string,
  change: (db: Database) => Promise<void>,
): Promise<void> =>
  inTransaction(server.pool, async (db) => {
    await change(db)
    await noteEvent(db, { kind, accountId: account.id, detail: { account: changedId } })
    await notifyAccess(db, changedId)
  })

/** @throws Problem 422 for a unit that is not there, or a part of the house for who looks after all of it */
const refuseUnknownUnit = async (db: Database, { role, unitId }: AccountBody): Promise<void> => {
  if (unitId === undefined) return
  if (role === 'administrator') {
    const expected = 'no unit: an administrator looks after the whole house'
    throw invalidInput([{ place: 'unitId', code: 'administratorOfUnit', found: unitId, expected }])
  }
  await unitFor(db, {}, unitId)
}

const factsOf = ({
  displayName,
  role,
  unitId = null,
}: {
  displayName: string
  role: string
  unitId?: string | null
}) => ({
  displayName: displayName.trim(),
  role,
  unitId,
})

export const accountRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/accounts',
    what: 'who can be put on the staff, and which person each is',
    answer: AccountsAnswer,
    action: 'accounts.read',
    handle: async ({ server, response }) => {
      response.json({ accounts: await listAccounts(server.pool) })
    },
  },
  {
    method: 'put',
    path: '/api/accounts/:accountId/person',
    what: 'says which person an account is, or that it is nobody on record',
    answer: 'nothing',
    action: 'accounts.link',
    body: LinkBody,
    handle: async (call) => {
      const { server, request, response, account, token } = call
      const linkedId = param(call, 'accountId')
      const number = readBody(LinkBody, request).number.trim()
      if (!(await listAccounts(server.pool)).some(({ id }) => id === linkedId)) throw notFound('account')
      const owner = (await findOwnersOfNumbers(server.pool, [number])).get(number)
      const seen = owner === undefined ? null : await findPerson(server.pool, owner, account.unitId ?? null)
      const personId = seen?.id ?? null
      if (number !== '' && personId === null) {
        throw invalidInput([
          { place: 'number', code: 'unknown', found: number, expected: 'the number of somebody on record' },
        ])
      }
      await inTransaction(server.pool, async (db) => {
        await linkAccount(db, token, linkedId, personId)
        await noteEvent(db, {
          kind: 'account.linked',
          accountId: account.id,
          detail: { account: linkedId, person: personId ?? '' },
        })
        await notifyAccess(db, linkedId)
      })
      response.status(204).end()
    },
  },
  {
    method: 'get',
    path: '/api/kept-accounts',
    what: 'everybody who was let in, those invited and closed among them',
    answer: KeptAccountsAnswer,
    action: 'accounts.manage',
    handle: async ({ server, response }) => {
      response.json({ accounts: await listKeptAccounts(server.pool) })
    },
  },
  {
    method: 'post',
    path: '/api/kept-accounts',
    what: 'invites somebody; the link in the answer lets them choose a password, once, within a day',
    answer: AccountLinkAnswer,
    action: 'accounts.manage',
    body: InviteBody,
    handle: async ({ server, request, response, account, token }) => {
      const { signInName, ...facts } = readBody(InviteBody, request)
      await refuseUnknownUnit(server.pool, facts)
      const id = randomUUID()
      const link = newLink()
      await inTransaction(server.pool, async (db) => {
        if (!(await inviteAccount(db, token, { id, signInName, ...factsOf(facts), ...link }))) {
          throw invalidInput([
            { place: 'signInName', code: 'taken', found: signInName, expected: 'a name nobody signs in by' },
          ])
        }
        await noteEvent(db, {
          kind: 'account.invited',
          accountId: account.id,
          detail: { account: id, role: facts.role },
        })
      })
      response.status(201).json({ accountId: id, code: link.code, endsMs: link.ends.getTime() })
    },
  },
  {
    method: 'patch',
    path: '/api/kept-accounts/:accountId',
    what: 'changes name and role of an account',
    answer: 'nothing',
    action: 'accounts.manage',
    body: AccountBody,
    handle: async (call) => {
      const facts = readBody(AccountBody, call.request)
      await refuseUnknownUnit(call.server.pool, facts)
      const id = accountIn(call)
      await changed(call, 'account.changed', id, (db) => changeAccount(db, call.token, id, factsOf(facts)))
      call.response.status(204).end()
    },
  },
  {
    method: 'post',
    path: '/api/kept-accounts/:accountId/link',
    what: 'a new link for an account: an invitation once more, or a new password',
    answer: AccountLinkAnswer,
    action: 'accounts.manage',
    handle: async (call) => {
      const id = accountIn(call)
      const link = newLink()
      await changed(call, 'account.linkMade', id, (db) => renewAccountLink(db, call.token, id, link.code, link.ends))
      call.response.status(201).json({ accountId: id, code: link.code, endsMs: link.ends.getTime() })
    },
  },
  {
    method: 'put',
    path: '/api/kept-accounts/:accountId/closed',
    what: 'closes an account, which signs it out everywhere at once, or opens it again',
    answer: 'nothing',
    action: 'accounts.manage',
    body: AccountClosedBody,
    handle: async (call) => {
      const { closed } = readBody(AccountClosedBody, call.request)
      const id = accountIn(call)
      await changed(call, closed ? 'account.closed' : 'account.opened', id, (db) =>
        closeAccount(db, call.token, id, closed),
      )
      call.response.status(204).end()
    },
  },
  {
    method: 'get',
    path: '/api/kept-accounts/:accountId/sessions',
    what: 'where an account is signed in',
    answer: SessionsAnswer,
    action: 'accounts.manage',
    handle: async (call) => {
      const id = accountIn(call)
      call.response.json({ sessions: await listSessions(call.server.pool, call.token, id) })
    },
  },
  {
    method: 'delete',
    path: '/api/kept-accounts/:accountId/sessions',
    what: 'signs an account out everywhere',
    answer: 'nothing',
    action: 'accounts.manage',
    handle: async (call) => {
      const id = accountIn(call)
      await changed(call, 'sessions.ended', id, (db) => endSessions(db, call.token, id, null))
      call.response.status(204).end()
    },
  },
  {
    method: 'get',
    path: '/api/own-account/sessions',
    what: 'where one is signed in oneself',
    answer: SessionsAnswer,
    action: 'account.own',
    handle: async ({ server, response, account, token }) => {
      response.json({ sessions: await listSessions(server.pool, token, account.id) })
    },
  },
  {
    method: 'delete',
    path: '/api/own-account/sessions/:sessionId',
    what: 'signs oneself out on another device; "others" for all of them',
    answer: 'nothing',
    action: 'account.own',
    handle: async (call) => {
      const { account, token, response } = call
      const which = param(call, 'sessionId')
      if (which !== 'others' && !rules.isUuid(which)) throw notFound('session')
      await changed(call, 'sessions.ended', account.id, (db) =>
        endSessions(db, token, account.id, which === 'others' ? null : which),
      )
      response.status(204).end()
    },
  },
  {
    method: 'put',
    path: '/api/own-account/password',
    what: 'changes the own password; every other device is signed out',
    answer: 'nothing',
    action: 'account.own',
    cost: 'signature',
    body: PasswordBody,
    handle: async (call) => {
      const { server, request, response, account, token } = call
      const { current, password } = readBody(PasswordBody, request)
      requireStrong(password, [account.signInName, account.displayName])
      const key = await deriveKey(current, await findSessionParameters(server.pool, account.signInName))
      const passwordHash = await hashPassword(password)
      await changed(call, 'password.changed', account.id, async (db) => {
        if (!(await changePassword(db, token, key, passwordHash)))
          throw new Problem(403, 'password.wrong', 'Nothing was changed. The password that holds now is another.')
      })
      response.status(204).end()
    },
  },
]
