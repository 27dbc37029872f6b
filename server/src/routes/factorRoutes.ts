/** The authenticator of an account: set up by its own, given up by its own or, when it is lost, by an administrator. */
import {
  FactorBeginBody,
  FactorCodeBody,
  NewFactorAnswer,
  OwnFactorAnswer,
  RecoveryCodesAnswer,
  rules,
} from '@able-gauge/core'
import { deriveKey } from '../access/password.ts'
import { newRecoveryCodes, newSecret, readCode, secretUri, wrongCode } from '../access/secondFactor.ts'
import { notFound, Problem } from '../problem.ts'
import { findHouseRules } from '../store/houseRulesStore.ts'
import {
  beginSecondFactor,
  confirmSecondFactor,
  dropOwnFactor,
  dropSecondFactor,
  findOwnFactor,
  useOwnCode,
} from '../store/secondFactorStore.ts'
import { noteEvent } from '../store/securityStore.ts'
import { findSessionParameters, isOwnKey } from '../store/sessionStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

const PATH = '/api/own-account/second-factor'

export const factorRoutes: readonly Route[] = [
  {
    method: 'get',
    path: PATH,
    what: 'whether signing in takes the code of an authenticator as well',
    answer: OwnFactorAnswer,
    action: 'account.own',
    handle: async ({ server, response, token }) => {
      const factor = await findOwnFactor(server.pool, token)
      response.json({ isOn: factor?.confirmed === true, recoveryLeft: factor?.recoveryLeft ?? 0 })
    },
  },
  {
    method: 'post',
    path: PATH,
    what: 'what an authenticator is to keep; it counts once a first code was shown',
    answer: NewFactorAnswer,
    action: 'account.own',
    cost: 'signature',
    body: FactorBeginBody,
    handle: async ({ server, request, response, account, token }) => {
      const { password } = readBody(FactorBeginBody, request)
      const key = await deriveKey(password, await findSessionParameters(server.pool, account.signInName))
      if (!(await isOwnKey(server.pool, token, key)))
        throw new Problem(403, 'password.wrong', 'Nothing was changed. The password is another.')
      const secret = newSecret()
      if (!(await beginSecondFactor(server.pool, token, secret)))
        throw new Problem(
          409,
          'secondFactor.inUse',
          'An authenticator is in use. Give it up before you set up another.',
        )
      const { organisation = '' } = (await findHouseRules(server.pool)).rules
      response.status(201).json({ secret, uri: secretUri(secret, account.signInName, organisation) })
    },
  },
  {
    method: 'put',
    path: PATH,
    what: 'shows a first code; from then on signing in takes one; recovery codes are told once',
    answer: RecoveryCodesAnswer,
    action: 'account.own',
    cost: 'signature',
    noted: 'secondFactor.set',
    body: FactorCodeBody,
    handle: async ({ server, request, response, token }) => {
      const { code } = readBody(FactorCodeBody, request)
      const factor = await findOwnFactor(server.pool, token)
      if (!factor || factor.confirmed)
        throw new Problem(409, 'secondFactor.notBegun', 'No authenticator waits for its first code. Begin anew.')
      const { step } = await readCode(code, factor.secret)
      if (step === null) throw wrongCode(403, 'secondFactor.code')
      const codes = newRecoveryCodes()
      if (!(await confirmSecondFactor(server.pool, token, step, codes)))
        throw new Problem(409, 'secondFactor.inUse', 'It was set up meanwhile, on another device.')
      response.json({ codes })
    },
  },
  {
    method: 'post',
    path: `${PATH}/end`,
    what: 'gives the own authenticator up, with a last code',
    answer: 'nothing',
    action: 'account.own',
    cost: 'signature',
    noted: 'secondFactor.dropped',
    body: FactorCodeBody,
    handle: async ({ server, request, response, token }) => {
      const { code } = readBody(FactorCodeBody, request)
      const factor = await findOwnFactor(server.pool, token)
      if (!factor?.confirmed) throw new Problem(409, 'secondFactor.none', 'No authenticator is set up.')
      if (!(await useOwnCode(server.pool, token, await readCode(code, factor.secret))))
        throw wrongCode(403, 'secondFactor.code')
      await dropOwnFactor(server.pool, token)
      response.status(204).end()
    },
  },
  {
    method: 'delete',
    path: '/api/kept-accounts/:accountId/second-factor',
    what: 'takes the authenticator of somebody who lost it off the account',
    answer: 'nothing',
    action: 'accounts.manage',
    handle: async (call) => {
      const { server, response, account, token } = call
      const id = param(call, 'accountId')
      if (!rules.isUuid(id)) throw notFound('account')
      await dropSecondFactor(server.pool, token, id)
      await noteEvent(server.pool, { kind: 'secondFactor.dropped', accountId: account.id, detail: { account: id } })
      response.status(204).end()
    },
  },
]
