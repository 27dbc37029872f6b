/** Days: the list, and one day with all a screen needs to work on it. */
import type { DayRecordEntry } from '@able-gauge/core'
import { readableDay, staffFilter } from '../access/day.ts'
import { EVERY_ROLE, SEES_BIRTH_DATES, type Account } from '../access/role.ts'
import { candidateOf, readDay, type DayRecord } from '../dayRecord.ts'
import { listAmendments } from '../store/amendmentStore.ts'
import { listEarlierSetUps, type Entry } from '../store/entryStore.ts'
import { listOccasions, listStaff } from '../store/occasionStore.ts'
import { findPlan } from '../store/planStore.ts'
import { listRecords } from '../store/recordStore.ts'
import { listScreened } from '../store/screeningStore.ts'
import { param, type Route } from './route.ts'

export const occasionRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions',
    roles: EVERY_ROLE,
    handle: async ({ server, response, account }) => {
      response.json({ occasions: await listOccasions(server.pool, staffFilter(account)) })
    },
  },
  {
    method: 'get',
    path: '/api/occasions/:occasionId',
    roles: EVERY_ROLE,
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await readableDay(server.pool, account, param(call, 'occasionId'))
      const day = await readDay(server.pool, occasion)
      response.json({
        occasion,
        standard: day.published.standard,
        standardHash: day.published.contentHash,
        staff: await listStaff(server.pool, occasion.id),
        entries: day.entries.map((entry) => entryFor(account, day, entry)),
        plan: await findPlan(server.pool, occasion.id),
        records: (await listRecords(server.pool, occasion.id)).map((record) => recordFor(account, record)),
        screened: [...(await listScreened(server.pool, occasion.id))],
        earlierSetUps: await listEarlierSetUps(server.pool, occasion.id),
        amendments: await listAmendments(server.pool, occasion.id),
      })
    },
  },
]

/** Why somebody is held can be about their health: whoever only looks on learns that there is a hold. */
const recordFor = ({ role }: Account, record: DayRecordEntry): DayRecordEntry => {
  const { content } = record
  if (role !== 'viewer' || (content.kind !== 'holdRaised' && content.kind !== 'holdLifted')) return record
  return { ...record, content: { ...content, reason: 'on record' } }
}

/** Least access: most roles get the age that is judged by, not the date of birth it comes from. */
const entryFor = (account: Account, { occasion, published }: DayRecord, entry: Entry) => {
  const { ageYears, ageCountedOn } = candidateOf(published.standard, occasion.testDate, entry)
  const { birthDate, ...person } = entry.person
  const seesBirthDate = SEES_BIRTH_DATES.includes(account.role)
  return { ...entry, ageYears, ageCountedOn, person: seesBirthDate ? { ...person, birthDate } : person }
}
