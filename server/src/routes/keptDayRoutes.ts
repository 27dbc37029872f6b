/** Days beyond their own course: copied from an earlier one, put under another standard, cancelled; rehearsals thrown away. */
import { randomUUID } from 'node:crypto'
import {
  CopyDayBody,
  MadeAnswer,
  planFor,
  ReasonBody,
  type Finding,
  type Occasion,
  type Standard,
  StandardOfDayBody,
} from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { carryMarks } from '../carryOver.ts'
import { inTransaction, type Database } from '../database.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { lockLedger } from '../store/captureStore.ts'
import { notifyDay } from '../store/dayNotices.ts'
import {
  cancelDay,
  copyEntries,
  copyStaff,
  listCategories,
  setStandard,
  takeCancellationBack,
  throwRehearsalAway,
} from '../store/keptDayStore.ts'
import { addOccasion, addStaffMember, removeStaffMember } from '../store/occasionStore.ts'
import { findPlan, writePlan } from '../store/planStore.ts'
import { findPublished } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import { inOpenDay } from './openDay.ts'
import type { Route } from './route.ts'

export const keptDayRoutes: readonly Route[] = [
  {
    method: 'post',
    path: '/api/occasions/:occasionId/copy',
    what: 'a new day with place, plan and staff of this one, and its people where wanted',
    answer: MadeAnswer,
    action: 'days.copy',
    body: CopyDayBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const { signedOff: _signed, rehearsal: _rehearsal, cancelled: _cancelled, ...before } = await dayOf(call)
      const { name, testDate, version, withPeople } = readBody(CopyDayBody, request)
      const standard = await publishedFor(server.pool, before.standardId, version)
      if (withPeople) await refuseOtherCategories(server.pool, before.id, standard)
      const id = randomUUID()
      await inTransaction(server.pool, async (db) => {
        await addOccasion(db, { ...before, id, name, testDate, standardVersion: version })
        await copyStaff(db, before.id, id)
        // whoever copies it is in charge of it
        await removeStaffMember(db, id, account.id)
        await addStaffMember(db, id, account.id, 'officer in charge')
        const planned = await findPlan(db, before.id)
        if (planned) await writePlan(db, id, planFor(standard, planned.plan), 0, account.id)
        if (withPeople) {
          await copyEntries(db, before.id, id)
          await carryMarks(db, { id, testDate }, standard, 'everybody')
        }
      })
      response.status(201).json({ id })
    },
  },
  {
    method: 'put',
    path: '/api/occasions/:occasionId/standard',
    what: 'puts the day under another standard, until something is captured',
    answer: 'nothing',
    action: 'plan.write',
    noted: 'day.changed',
    body: StandardOfDayBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const { id, testDate } = await dayOf(call)
      const { standardId, version } = readBody(StandardOfDayBody, request)
      const standard = await publishedFor(server.pool, standardId, version)
      await inOpenDay(server, id, async (db) => {
        if ((await lockLedger(db, id)).lastSeq > 0) throw begun('its standard stays')
        await refuseOtherCategories(db, id, standard)
        await setStandard(db, { id, standardId, standardVersion: version })
        await carryMarks(db, { id, testDate }, standard, 'everybody')
        const planned = await findPlan(db, id)
        if (planned) await writePlan(db, id, planFor(standard, planned.plan), planned.revision, account.id)
        await notifyDay(db, id, 'day')
      })
      response.status(204).end()
    },
  },
  {
    method: 'put',
    path: '/api/occasions/:occasionId/cancellation',
    what: 'cancels the day, until something is captured',
    answer: 'nothing',
    action: 'day.cancel',
    noted: 'day.cancelled',
    body: ReasonBody,
    handle: async (call) => {
      const { server, request, response, token } = call
      const { id } = await dayOf(call)
      const { reason } = readBody(ReasonBody, request)
      await inOpenDay(server, id, async (db) => {
        await cancelDay(db, token, id, reason)
        await notifyDay(db, id, 'day')
      })
      response.status(204).end()
    },
  },
  {
    method: 'delete',
    path: '/api/occasions/:occasionId/cancellation',
    what: 'takes the cancellation back',
    answer: 'nothing',
    action: 'day.cancel',
    noted: 'day.cancelled',
    handle: async (call) => {
      const { server, response, token } = call
      const { id } = await dayOf(call)
      const done = await server.days.run(id, async (db) => {
        const taken = await takeCancellationBack(db, token, id)
        if (taken) await notifyDay(db, id, 'day')
        return taken
      })
      if (!done) throw notFound('cancelled day')
      response.status(204).end()
    },
  },
  {
    method: 'delete',
    path: '/api/rehearsals/:occasionId',
    what: 'throws a rehearsal away, with all there is of it',
    answer: 'nothing',
    action: 'rehearsal.throwAway',
    noted: 'rehearsal.thrownAway',
    handle: async (call) => {
      const { server, response, token } = call
      const { id } = await dayOf(call)
      if (!(await server.days.run(id, (db) => throwRehearsalAway(db, token, id)))) throw notFound('rehearsal')
      response.status(204).end()
    },
  },
]

const begun = (what: string): Problem =>
  new Problem(409, 'day.begun', `Something was captured on this day already, so ${what}. Nothing was changed.`)

/** @throws Problem 422 */
const publishedFor = async (db: Database, id: string, version: number): Promise<Standard> => {
  const published = await findPublished(db, id, version)
  if (published) return published.standard
  const found = `${id} version ${version}`
  throw invalidInput([{ place: 'version', code: 'unknownStandard', found, expected: 'a published standard' }])
}

/** @throws Problem 422 where somebody is entered in a category the standard does not have */
const refuseOtherCategories = async (db: Database, id: Occasion['id'], { categories }: Standard): Promise<void> => {
  const known = new Set(categories.map((category) => category.id))
  const findings = (await listCategories(db, id))
    .filter((category) => !known.has(category))
    .map((category): Finding => {
      const expected = `people in one of: ${[...known].join(', ')}`
      return { place: 'version', code: 'category', found: `somebody entered as ${category}`, expected }
    })
  if (findings.length > 0) throw invalidInput(findings)
}
