/** Station codes: made by the officer, joined with in sessionRoutes. */
import { randomInt } from 'node:crypto'
import { StationCodeBody, StationMadeAnswer, StationsAnswer } from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { invalidInput, notFound } from '../problem.ts'
import { getStandard } from '../store/standardStore.ts'
import { addStationCode, endStationCode, listStationCodes } from '../store/stationStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

/** Signs that are told apart on a wet card: no 0 and O, no 1, I and L. */
const SIGNS = '23456789ABCDEFGHJKMNPQRSTUVWXYZ'
const LENGTH = 6
const newCode = (): string => Array.from({ length: LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('')

export const stationRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/stations',
    what: 'codes with which staff join a station',
    answer: StationsAnswer,
    action: 'stations.open',
    handle: async (call) => {
      const { server, response } = call
      const occasion = await dayOf(call)
      response.json({ stations: await listStationCodes(server.pool, occasion.id) })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/stations',
    what: 'makes a code',
    answer: StationMadeAnswer,
    action: 'stations.open',
    noted: 'station.opened',
    body: StationCodeBody,
    handle: async (call) => {
      const { server, request, response, token } = call
      const occasion = await dayOf(call)
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
      await addStationCode(server.pool, occasion.id, token, { code, eventIds, role })
      response.status(201).json({ code })
    },
  },
  {
    method: 'delete',
    path: '/api/occasions/:occasionId/stations/:code',
    what: 'ends a code, and the sessions it gave',
    answer: 'nothing',
    action: 'stations.open',
    noted: 'station.ended',
    handle: async (call) => {
      const { server, response, token } = call
      const occasion = await dayOf(call)
      const ended = await server.days.run(occasion.id, (db) =>
        endStationCode(db, occasion.id, token, param(call, 'code')),
      )
      if (!ended) throw notFound('station code')
      response.status(204).end()
    },
  },
]
