/** Sets that graders practise on: nothing here is on anybody's record. */
import {
  DrillBesideAnswer,
  DrillBody,
  DrillMarksAnswer,
  DrillResult,
  DrillsAnswer,
  rules,
  unitsWithin,
  type Finding,
  type StandardEvent,
} from '@able-gauge/core'
import { saidAlike, scoreBody, type DrillWorth } from '@able-gauge/core/drill'
import type { Pool } from '../database.ts'
import { invalidInput, notFound } from '../problem.ts'
import { addDrill, findDrillBeside, listDrills, listLatestMarks } from '../store/drillStore.ts'
import { findPublished } from '../store/standardStore.ts'
import { listUnits } from '../store/unitStore.ts'
import { readBody } from './body.ts'
import type { Route } from './route.ts'

export const drillRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/drills',
    what: 'the own sets, newest first',
    answer: DrillsAnswer,
    action: 'practise',
    handle: async ({ server, response, account }) => {
      response.json({ drills: await listDrills(server.pool, account.id) })
    },
  },
  {
    method: 'post',
    path: '/api/drills',
    what: 'a set that was worked; it is scored here, from what was pressed',
    answer: DrillResult,
    action: 'practise',
    body: DrillBody,
    handle: async ({ server, request, response, account }) => {
      const sent = readBody(DrillBody, request)
      // a device may think it is later than it is, and its mark would stay fresh for longer
      const body = { ...sent, doneAtMs: Math.min(sent.doneAtMs, Math.floor(server.clock.nowMs())) }
      const { id, standardId, version, eventId, what, level, seed, lanes, more, doneAtMs } = body
      const worth = worthOf(await eventIn(server.pool, body), body)
      await addDrill(server.pool, account.id, body, worth)
      const set = { id, standardId, version, eventId, what, level, seed, lanes, doneAtMs }
      response.status(201).json({ ...set, ...(more === undefined ? {} : { more }), ...worth })
    },
  },
  {
    method: 'get',
    path: '/api/drills/marks',
    what: 'the latest set of everybody, by what was practised and how hard',
    answer: DrillMarksAnswer,
    action: 'practice.marks',
    handle: async ({ server, response, account }) => {
      const within = account.unitId === undefined ? null : unitsWithin(await listUnits(server.pool), account.unitId)
      response.json({ marks: await listLatestMarks(server.pool, within && [...within]) })
    },
  },
  {
    method: 'get',
    path: '/api/drills/:drillId/beside',
    what: 'what others made of the same set; an officer is told who they are',
    answer: DrillBesideAnswer,
    action: 'practise',
    handle: async ({ server, request, response, account }) => {
      const id = String(request.params['drillId'])
      const found = rules.isUuid(id) ? await findDrillBeside(server.pool, account.id, id) : null
      if (!found) throw notFound('set')
      const { own, others } = found
      const event = await eventIn(server.pool, own.drill)
      const isNamed = account.role === 'officer'
      response.json({
        isNamed,
        others: others.map(({ name, drill, worth }) => ({
          name: isNamed ? name : '',
          mark: worth.mark,
          counted: worth.counted,
          together: saidAlike(event, own.drill, drill),
        })),
      })
    },
  },
]

/** @throws Problem 422 for a standard or an event that is not there */
const eventIn = async (
  pool: Pool,
  { standardId, version, eventId }: Pick<DrillBody, 'standardId' | 'version' | 'eventId'>,
): Promise<StandardEvent> => {
  const published = await findPublished(pool, standardId, version)
  if (!published) throw unknown('standardId', `${standardId} version ${version}`, 'a published standard')
  const { events, alternateEvents = [] } = published.standard
  const event = [...events, ...alternateEvents].find(({ id }) => id === eventId)
  if (!event) throw unknown('eventId', eventId, `one of ${events.map(({ id }) => id).join(', ')}`)
  return event
}

const worthOf = (event: StandardEvent, body: DrillBody): DrillWorth => {
  try {
    return scoreBody(event, body)
  } catch (error) {
    if (error instanceof RangeError) throw unknown('what', body.what, 'a movement this event shows')
    throw error
  }
}

const unknown = (place: string, found: string, expected: string) => {
  const finding: Finding = { place, code: 'unknownChoice', found, expected }
  return invalidInput([finding])
}
