/** Units and sites of the organisation: read by everybody, kept by administrators. */
import { rules, UnitBody, UnitsAnswer } from '@able-gauge/core'
import { inTransaction } from '../database.ts'
import { notFound } from '../problem.ts'
import { notifyAccess } from '../store/dayNotices.ts'
import { keepUnit, listAccountsOfUnits, listUnits } from '../store/unitStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

export const unitRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/units',
    what: 'the units of the organisation',
    answer: UnitsAnswer,
    action: 'units.read',
    handle: async ({ server, response }) => {
      response.json({ units: await listUnits(server.pool) })
    },
  },
  {
    method: 'put',
    path: '/api/units/:unitId',
    what: 'makes a unit under an id of your own, renames, moves or closes it',
    answer: 'nothing',
    action: 'units.write',
    noted: 'unit.changed',
    body: UnitBody,
    handle: async (call) => {
      const { server, request, response, token } = call
      const id = param(call, 'unitId')
      if (!rules.isUuid(id)) throw notFound('unit')
      const { name, parentId, isClosed } = readBody(UnitBody, request)
      await inTransaction(server.pool, async (db) => {
        await keepUnit(db, token, { id, name: name.trim(), parentId, isClosed })
        // whoever watches a day that is out of reach now is asked again
        for (const accountId of await listAccountsOfUnits(db)) await notifyAccess(db, accountId)
      })
      response.status(204).end()
    },
  },
]
