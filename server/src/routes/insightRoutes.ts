/** What the results of many days say. */
import {
  DueAnswer,
  DueDayBody,
  EventGroupsAnswer,
  EventQuery,
  fingerprint,
  GradersAnswer,
  InsightAnswer,
  InsightDaysAnswer,
  InsightPeopleAnswer,
  InsightPeopleQuery,
  InsightQuery,
  MadeAnswer,
  NoiseAnswer,
  ProgressAnswer,
  RepeatsAnswer,
  RepeatsQuery,
  unitsWithin,
  VenuesAnswer,
} from '@able-gauge/core'
import { askedIn, behindIn, eventsOf } from '../insight/chosenIn.ts'
import { printLines } from '../insight/dataFile.ts'
import { dueIn, makeDueDay } from '../insight/due.ts'
import { gradersOf } from '../insight/graders.ts'
import { overviewOf } from '../insight/overview.ts'
import { noiseOf, progressOf } from '../insight/progress.ts'
import { repeatsOf } from '../insight/repeats.ts'
import { venuesOf } from '../insight/venues.ts'
import { findHouseRules } from '../store/houseRulesStore.ts'
import { listBehind, listDaysOf, listLines } from '../store/insight/behindStore.ts'
import { countEventGroups } from '../store/insight/countStore.ts'
import { listUnits } from '../store/unitStore.ts'
import { dateIn, isZone, unknownZone } from '../zone.ts'
import { readBody } from './body.ts'
import type { Route } from './route.ts'

/** Asked of by the filters of the room, in the address. */
const FILTERS = '`?standard=&version=&from=&to=&unit=&category=&age=&venue=`'

export const insightRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/insight/results',
    what: `how results of signed days came out (${FILTERS})`,
    answer: InsightAnswer,
    action: 'insight.read',
    handle: async (call) => {
      call.response.json(await overviewOf(call.server.pool, await askedIn(call, InsightQuery)))
    },
  },
  {
    method: 'get',
    path: '/api/insight/events',
    what: `who met each event by version, year, venue, unit, category and age (${FILTERS})`,
    answer: EventGroupsAnswer,
    action: 'insight.read',
    handle: async (call) => {
      const { chosen } = await askedIn(call, InsightQuery)
      call.response.json({ groups: chosen ? await countEventGroups(call.server.pool, chosen) : [] })
    },
  },
  {
    method: 'get',
    path: '/api/insight/venues',
    what: `whether events on laid out ground come out alike at every venue (${FILTERS})`,
    answer: VenuesAnswer,
    action: 'insight.read',
    handle: async (call) => {
      call.response.json(await venuesOf(call.server.pool, await askedIn(call, InsightQuery)))
    },
  },
  {
    method: 'get',
    path: '/api/insight/people',
    what: `the people behind a figure, latest first (${FILTERS}, and \`&outcome=&event=&kind=&by=&atLeast=&below=&shortIn=&near=&when=\`)`,
    answer: InsightPeopleAnswer,
    action: 'people.read',
    handle: async (call) => {
      const { chosen, query } = await askedIn(call, InsightPeopleQuery)
      call.response.json(
        chosen ? await listBehind(call.server.pool, chosen, behindIn(query)) : { inAll: 0, people: [] },
      )
    },
  },
  {
    method: 'get',
    path: '/api/insight/days',
    what: `the signed days figures come from, with their fingerprints (${FILTERS})`,
    answer: InsightDaysAnswer,
    action: 'insight.read',
    handle: async (call) => {
      const { chosen } = await askedIn(call, InsightQuery)
      const days = chosen ? await listDaysOf(call.server.pool, chosen) : []
      call.response.json({
        days: days.map(({ head, ...day }) => ({ ...day, fingerprint: head === null ? '' : fingerprint(head) })),
      })
    },
  },
  {
    method: 'get',
    path: '/api/insight/data',
    what: `every result without a name, a line each, with value and margin of each event in its base unit (${FILTERS})`,
    answer: 'CSV',
    action: 'insight.read',
    cost: 'costly',
    handle: async (call) => {
      const { chosen, standard } = await askedIn(call, InsightQuery)
      const lines = chosen ? await listLines(call.server.pool, chosen) : []
      call.response.type('text/csv').send(printLines(standard ? eventsOf(standard) : [], lines))
    },
  },
  {
    method: 'get',
    path: '/api/insight/repeats',
    what: `how closely things come out again (${FILTERS}, and \`&event=&of=&part=&within=\`)`,
    answer: RepeatsAnswer,
    action: 'insight.read',
    handle: async (call) => {
      call.response.json(await repeatsOf(call.server.pool, await askedIn(call, RepeatsQuery)))
    },
  },
  {
    method: 'get',
    path: '/api/insight/graders',
    what: `what graders counted, refused and decided (${FILTERS}, and \`&event=\`); a grader sees the own figures beside all others together`,
    answer: GradersAnswer,
    action: 'insight.graders',
    handle: async (call) => {
      const asked = await askedIn(call, EventQuery)
      call.response.json(await gradersOf(call.server.pool, asked, asked.query.event, call.account))
    },
  },
  {
    method: 'get',
    path: '/api/insight/noise',
    what: 'how large a change of one person has to be to be more than noise, by event (`?standard=&event=`)',
    answer: NoiseAnswer,
    action: 'people.read',
    handle: async (call) => {
      call.response.json(await noiseOf(call.server.pool, await askedIn(call, EventQuery)))
    },
  },
  {
    method: 'get',
    path: '/api/insight/progress',
    what: `an event year by year, and how each person changed in it (${FILTERS}, and \`&event=\`)`,
    answer: ProgressAnswer,
    action: 'people.read',
    handle: async (call) => {
      call.response.json(await progressOf(call.server.pool, await askedIn(call, EventQuery)))
    },
  },
  {
    method: 'get',
    path: '/api/insight/due',
    what: 'who is due for a test by what the house rules ask',
    answer: DueAnswer,
    action: 'people.read',
    handle: async ({ server, response, account }) => {
      const { rules } = await findHouseRules(server.pool)
      const today = dateIn(rules.venues?.[0]?.zone ?? 'UTC', server.clock.nowMs())
      const units = await listUnits(server.pool)
      const house = { retests: rules.retests ?? [], units, reach: account.unitId ?? null, today }
      response.json(await dueIn(server.pool, house))
    },
  },
  {
    method: 'post',
    path: '/api/insight/due/day',
    what: 'a new day with people entered who are due',
    answer: MadeAnswer,
    action: 'days.plan',
    body: DueDayBody,
    handle: async ({ server, request, response, account }) => {
      const body = readBody(DueDayBody, request)
      if (!isZone(body.zone)) throw unknownZone(body.zone)
      const units = await listUnits(server.pool)
      const unitIds = account.unitId === undefined ? null : [...unitsWithin(units, account.unitId)]
      response.status(201).json({ id: await makeDueDay(server.pool, body, account, unitIds) })
    },
  },
]
