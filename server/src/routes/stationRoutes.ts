/** Station codes: made by the officer, joined with in sessionRoutes. */
import { randomInt } from 'node:crypto'
import { rules } from '@able-gauge/core'
import { workableDay } from '../access/day.ts'
import { PLANS_DAYS } from '../access/role.ts'
import { invalidInput, notFound } from '../problem.ts'
import { getStandard } from '../store/standardStore.ts'
import { addStationCode, endStationCode, listStationCodes } from '../store/stationStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

class StationCodeBody {
  @rules.SlugList(1, 40) eventIds!: string[]
  @rules.Choice(['grader', 'timer']) role!: 'grader' | 'timer'
}

/** Signs that are told apart on a wet card: no 0 and O, no 1, I and L. */
const SIGNS = '23456789ABCDEFGHJKMNPQRSTUVWXYZ'
const LENGTH = 6
const newCode = (): string => Array.from({ length: LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('')

export const stationRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/stations',
    roles: PLANS_DAYS,
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await workableDay(server.pool, account, param(call, 'occasionId'))
      response.json({ stations: await listStationCodes(server.pool, occasion.id) })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/stations',
    roles: PLANS_DAYS,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await workableDay(server.pool, account, param(call, 'occasionId'))
      const { eventIds, role } = readBody(StationCodeBody, request)
      const { standard } = await getStandard(server.pool, occasion.standardId, occasion.standardVersion)
      const known = standard.events.map(({ id }) => id)
      const unknown = eventIds.find((id) => !known.includes(id))
      if (unknown !== undefined) {
        throw invalidInput([
          { place: 'eventIds', code: 'unknownEvent', found: unknown, expected: `one of ${known.join(', ')}` },
        ])
      }
      const code = newCode()
      await addStationCode(server.pool, occasion.id, { code, eventIds, role }, account.id)
      response.status(201).json({ code })
    },
  },
  {
    method: 'delete',
    path: '/api/occasions/:occasionId/stations/:code',
    roles: PLANS_DAYS,
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await workableDay(server.pool, account, param(call, 'occasionId'))
      const ended = await server.days.run(occasion.id, (db) => endStationCode(db, occasion.id, param(call, 'code')))
      if (!ended) throw notFound('station code')
      response.status(204).end()
    },
  },
]
