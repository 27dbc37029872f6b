/** Accounts, and which person each of them is. */
import { AccountsAnswer, LinkBody } from '@able-gauge/core'
import { inTransaction } from '../database.ts'
import { invalidInput, notFound } from '../problem.ts'
import { linkAccount, listAccounts } from '../store/accountStore.ts'
import { notifyAccess } from '../store/dayNotices.ts'
import { findOwnersOfNumbers } from '../store/personStore.ts'
import { noteEvent } from '../store/securityStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

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
      const personId = number === '' ? null : ((await findOwnersOfNumbers(server.pool, [number])).get(number) ?? null)
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
]
