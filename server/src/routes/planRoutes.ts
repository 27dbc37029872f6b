/** Planning: a new day, who works on it, who is entered. */
import { randomUUID } from 'node:crypto'
import {
  birthDateExpected,
  DayChangeBody,
  DayPlan,
  type Finding,
  Habits,
  keepsOrder,
  learnHabits,
  MadeAnswer,
  NewDayBody,
  PlanBody,
  RevisionAnswer,
  RosterAnswer,
  type RosterOutcome,
  RosterBody,
  type RosterRow,
  StaffBody,
  StaffListBody,
  type Standard,
  WavesAnswer,
  WavesBody,
  AttendanceAnswer,
  AttendanceBody,
  siteContradictions,
} from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { refuseOwnEntry } from '../access/ownWave.ts'
import { unitFor } from '../access/unit.ts'
import { carryMarks } from '../carryOver.ts'
import { inTransaction } from '../database.ts'
import { invalidInput, Problem } from '../problem.ts'
import { listAccounts } from '../store/accountStore.ts'
import { lockLedger } from '../store/captureStore.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { setWaves, tellExpected } from '../store/entryStore.ts'
import { addOccasion, addStaffMember, changeOccasion, listStaff, removeStaffMember } from '../store/occasionStore.ts'
import { countPastPeople, listPastStarts } from '../store/pastStartStore.ts'
import { findPlan, writePlan } from '../store/planStore.ts'
import { enterPeople } from '../store/rosterStore.ts'
import { findPublished, getStandard } from '../store/standardStore.ts'
import { isZone, unknownZone } from '../zone.ts'
import { readBody } from './body.ts'
import { inOpenDay } from './openDay.ts'
import type { Route, Server } from './route.ts'

export const planRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/habits',
    what: 'how long starts took, and how many came, on past days of the same standard',
    answer: Habits,
    action: 'habits.read',
    handle: async (call) => {
      const { server, response } = call
      const { standardId } = await dayOf(call)
      const starts = await listPastStarts(server.pool, standardId)
      response.json(learnHabits(starts, await countPastPeople(server.pool, standardId)) satisfies Habits)
    },
  },
  {
    method: 'put',
    path: '/api/occasions/:occasionId/plan',
    what: 'keeps the plan; 409 when somebody else was faster',
    answer: RevisionAnswer,
    action: 'plan.write',
    body: PlanBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const { revision, plan } = readBody(PlanBody, request)
      const { standard } = await getStandard(server.pool, occasion.standardId, occasion.standardVersion)
      const findings = planFindings(standard, plan)
      if (findings.length > 0) throw invalidInput(findings)
      const written = await inOpenDay(server, occasion.id, async (db) => {
        const done = await writePlan(db, occasion.id, plan, revision, account.id)
        if (done) await notifyDay(db, occasion.id, 'day')
        return done
      })
      if (written) {
        response.json({ revision: revision + 1 })
        return
      }
      const current = await findPlan(server.pool, occasion.id)
      throw new Problem(
        409,
        'plan.editedMeanwhile',
        `${current?.editedBy ?? 'Somebody else'} changed the plan meanwhile. Nothing was overwritten.`,
      )
    },
  },
  {
    method: 'put',
    path: '/api/occasions/:occasionId/waves',
    what: 'lays entries to waves',
    answer: WavesAnswer,
    action: 'waves.set',
    body: WavesBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const { waves } = readBody(WavesBody, request)
      const changed = await inOpenDay(server, occasion.id, async (db) => {
        await refuseOwnEntry(
          db,
          account,
          occasion.id,
          waves.map(({ entryId }) => entryId),
        )
        const ids = await setWaves(db, occasion.id, waves)
        await notifyDay(db, occasion.id, 'day')
        return ids
      })
      response.json({ changed: changed.length })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/attendance',
    what: 'says of many who are still expected that they come later, or not at all; whoever is here meanwhile stays here',
    answer: AttendanceAnswer,
    action: 'entries.change',
    body: AttendanceBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const { entryIds, attendance } = readBody(AttendanceBody, request)
      const changed = await inOpenDay(server, occasion.id, async (db) => {
        await refuseOwnEntry(db, account, occasion.id, entryIds)
        const count = await tellExpected(db, occasion.id, entryIds, attendance)
        await notifyDay(db, occasion.id, 'day')
        return count
      })
      response.json({ changed })
    },
  },
  {
    method: 'put',
    path: '/api/occasions/:occasionId/staff',
    what: 'the whole staff, with yourself',
    answer: 'nothing',
    action: 'staff.write',
    noted: 'staff.changed',
    body: StaffListBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const { staff } = readBody(StaffListBody, request)
      await refuseStrangers(server, staff)
      if (!staff.some(({ accountId }) => accountId === account.id)) {
        throw invalidInput([
          {
            place: 'staff',
            code: 'self',
            found: 'a staff without you',
            expected: 'whoever plans the day among its staff',
          },
        ])
      }
      await inOpenDay(server, occasion.id, async (db) => {
        const joined = new Set(staff.map(({ accountId }) => accountId))
        // who joined with a station code stays until the code ends
        for (const { accountId, isGuest } of await listStaff(db, occasion.id))
          if (!isGuest) await removeStaffMember(db, occasion.id, accountId)
        for (const accountId of joined) {
          const duties = staff.filter((one) => one.accountId === accountId).map(({ duty }) => duty)
          await addStaffMember(db, occasion.id, accountId, duties.join(', '))
        }
        await notifyDay(db, occasion.id, 'day')
      })
      response.status(204).end()
    },
  },
  {
    method: 'patch',
    path: '/api/occasions/:occasionId',
    what: 'name and venue; date and zone until something is captured',
    answer: 'nothing',
    action: 'plan.write',
    noted: 'day.changed',
    body: DayChangeBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const { unitId, ...change } = readBody(DayChangeBody, request)
      if (change.zone !== undefined && !isZone(change.zone)) throw unknownZone(change.zone)
      await inOpenDay(server, occasion.id, async (db) => {
        const moves = change.testDate !== undefined || change.zone !== undefined
        if (moves && (await lockLedger(db, occasion.id)).lastSeq > 0) {
          throw new Problem(
            409,
            'day.begun',
            'Something was captured on this day already, so its date and zone stay. Open the day on another date instead.',
          )
        }
        const whose = unitId === undefined ? {} : { unitId: await unitFor(db, account, unitId) }
        await changeOccasion(db, occasion.id, { ...change, ...whose })
        await notifyDay(db, occasion.id, 'day')
      })
      response.status(204).end()
    },
  },
  {
    method: 'post',
    path: '/api/occasions',
    what: 'plans a new day',
    answer: MadeAnswer,
    action: 'days.plan',
    body: NewDayBody,
    handle: async ({ server, request, response, account }) => {
      const { standardId, version, staff, unitId: named, ...day } = readBody(NewDayBody, request)
      if (!isZone(day.zone)) throw unknownZone(day.zone)
      if (!(await findPublished(server.pool, standardId, version))) {
        const found = `${standardId} version ${version}`
        throw invalidInput([{ place: 'standardId', code: 'unknownStandard', found, expected: 'a published standard' }])
      }
      await refuseStrangers(server, staff)
      const unitId = await unitFor(server.pool, account, named)
      const id = randomUUID()
      await inTransaction(server.pool, async (db) => {
        await addOccasion(db, {
          ...day,
          id,
          standardId,
          standardVersion: version,
          ...(unitId === null ? {} : { unitId }),
        })
        await addStaffMember(db, id, account.id, 'officer in charge')
        for (const { accountId, duty } of staff) {
          if (accountId !== account.id) await addStaffMember(db, id, accountId, duty)
        }
      })
      response.status(201).json({ id })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/roster',
    what: 'enters up to 1,000 people, each found by number, or by name and date of birth',
    answer: RosterAnswer,
    action: 'roster.enter',
    body: RosterBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const { waveOf, people } = readBody(RosterBody, request)
      const { standard } = await getStandard(server.pool, occasion.standardId, occasion.standardVersion)
      const categories = standard.categories.map(({ id }) => id)
      const unknown = people.flatMap(({ category }, index): Finding[] =>
        categories.includes(category)
          ? []
          : [
              {
                place: `people[${index}].category`,
                code: 'category',
                found: category,
                expected: `one of ${categories.join(', ')}`,
              },
            ],
      )
      const unborn = people.flatMap(({ birthDate }, index): Finding[] => {
        const expected = birthDateExpected(birthDate, occasion.testDate)
        const place = `people[${index}].birthDate`
        return expected === null ? [] : [{ place, code: 'birthDate', found: birthDate, expected }]
      })
      if (unknown.length + unborn.length > 0) throw invalidInput([...unknown, ...unborn])
      const rows = people.map(({ bib = null, wave = null, ...row }): RosterRow => ({ ...row, bib, wave }))
      const outcomes = await inOpenDay(server, occasion.id, async (db): Promise<RosterOutcome[]> => {
        const entered = await enterPeople(db, occasion, rows, { waveOf, reach: account.unitId ?? null })
        await carryMarks(db, occasion, standard, 'expected')
        await notifyDay(db, occasion.id, 'day')
        return entered
      })
      response.json({ outcomes })
    },
  },
]

/** @throws Problem 422 naming each account there is not */
const refuseStrangers = async (server: Server, staff: readonly StaffBody[]): Promise<void> => {
  const known = new Set((await listAccounts(server.pool)).map(({ id }) => id))
  const strangers = staff.flatMap(({ accountId }, index): Finding[] =>
    known.has(accountId)
      ? []
      : [{ place: `staff[${index}].accountId`, code: 'unknown', found: accountId, expected: 'an account' }],
  )
  if (strangers.length > 0) throw invalidInput(strangers)
}

/** A plan is for the battery of its day, and for the days it has. */
const planFindings = (standard: Standard, { days, events: planned, pins, orders = [], site }: DayPlan): Finding[] => {
  const { events, occasionDays = 0 } = standard
  const known = events.map(({ id }) => id)
  const expected = `one of ${known.join(', ')}`
  const unknown = (place: string, eventId: string): Finding[] =>
    known.includes(eventId) ? [] : [{ place, code: 'unknownEvent', found: eventId, expected }]
  return [
    ...planned.flatMap(({ eventId, day }, index) => [
      ...unknown(`plan.events[${index}].eventId`, eventId),
      ...(day < days.length
        ? []
        : [
            {
              place: `plan.events[${index}].day`,
              code: 'day',
              found: String(day),
              expected: `a day from 0 to ${days.length - 1}`,
            },
          ]),
    ]),
    ...pins.flatMap(({ eventId }, index) => unknown(`plan.pins[${index}].eventId`, eventId)),
    ...orders.flatMap(({ eventIds }, index): Finding[] =>
      keepsOrder(standard, eventIds)
        ? []
        : [
            {
              place: `plan.orders[${index}].eventIds`,
              code: 'order',
              found: eventIds.join(', '),
              expected: 'every event once, in an order the standard allows',
            },
          ],
    ),
    ...(site ? siteContradictions(site, known, 'plan.site') : []),
    ...days.flatMap(({ afterDays }, index) =>
      afterDays <= occasionDays
        ? []
        : [
            {
              place: `plan.days[${index}].afterDays`,
              code: 'occasionDays',
              found: String(afterDays),
              expected:
                occasionDays === 0 ? 'one day, as the standard asks' : `at most ${occasionDays} days after the first`,
            },
          ],
    ),
  ]
}
