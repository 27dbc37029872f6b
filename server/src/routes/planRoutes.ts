/** Planning: a new day, who works on it, who is entered. */
import { randomUUID } from 'node:crypto'
import { rules, type Finding, type RosterRow } from '@able-gauge/core'
import { workableDay } from '../access/day.ts'
import { MUSTERING, PLANS_DAYS } from '../access/role.ts'
import { inTransaction } from '../database.ts'
import { invalidInput, Problem } from '../problem.ts'
import { listAccounts } from '../store/accountStore.ts'
import { holdDayOpen } from '../store/captureStore.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { addOccasion, addStaffMember } from '../store/occasionStore.ts'
import { enterPeople, type RosterOutcome } from '../store/rosterStore.ts'
import { findPublished, getStandard } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

class StaffBody {
  @rules.Uuid() accountId!: string
  @rules.Text(80) duty!: string
}

class NewDayBody {
  @rules.Text(120) name!: string
  @rules.Text(120) venue!: string
  @rules.Text(60) zone!: string
  @rules.CalendarDate() testDate!: string
  @rules.Slug() standardId!: string
  @rules.Whole(1) version!: number
  /** Besides the officer who plans the day. */
  @rules.NestedList(() => StaffBody, 0, 100) staff!: StaffBody[]
}

class RosterRowBody {
  @rules.Text(80) number!: string
  @rules.Text(80) givenName!: string
  @rules.Text(80) familyName!: string
  @rules.CalendarDate() birthDate!: string
  @rules.Slug() category!: string
  @rules.Optional() @rules.Whole(1, 99_999) bib?: number
  @rules.Optional() @rules.Whole(1, 999) wave?: number
}

class RosterBody {
  /** How many start together, where a row names no wave. */
  @rules.Whole(1, 500) waveOf!: number
  @rules.NestedList(() => RosterRowBody, 1, 1_000) people!: RosterRowBody[]
}

export const planRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/accounts',
    roles: PLANS_DAYS,
    handle: async ({ server, response }) => {
      response.json({ accounts: await listAccounts(server.pool) })
    },
  },
  {
    method: 'post',
    path: '/api/occasions',
    roles: PLANS_DAYS,
    handle: async ({ server, request, response, account }) => {
      const { standardId, version, staff, ...day } = readBody(NewDayBody, request)
      if (!isZone(day.zone)) {
        throw invalidInput([
          { place: 'zone', code: 'zone', found: day.zone, expected: 'a time zone such as Etc/GMT-12' },
        ])
      }
      if (!(await findPublished(server.pool, standardId, version))) {
        const found = `${standardId} version ${version}`
        throw invalidInput([{ place: 'standardId', code: 'unknownStandard', found, expected: 'a published standard' }])
      }
      const known = new Set((await listAccounts(server.pool)).map(({ id }) => id))
      const strangers = staff.flatMap(({ accountId }, index): Finding[] =>
        known.has(accountId)
          ? []
          : [{ place: `staff[${index}].accountId`, code: 'unknown', found: accountId, expected: 'an account' }],
      )
      if (strangers.length > 0) throw invalidInput(strangers)
      const id = randomUUID()
      await inTransaction(server.pool, async (db) => {
        await addOccasion(db, { ...day, id, standardId, standardVersion: version })
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
    roles: MUSTERING,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await workableDay(server.pool, account, param(call, 'occasionId'))
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
      if (unknown.length > 0) throw invalidInput(unknown)
      const rows = people.map(({ bib = null, wave = null, ...row }): RosterRow => ({ ...row, bib, wave }))
      const outcomes = await inTransaction(server.pool, async (db): Promise<RosterOutcome[]> => {
        if (!(await holdDayOpen(db, occasion.id))) {
          throw new Problem(409, 'day.signedOff', 'The day is signed off. Nobody can be entered any more.')
        }
        const entered = await enterPeople(db, occasion.id, rows, waveOf)
        await notifyDay(db, occasion.id, 'day')
        return entered
      })
      response.json({ outcomes })
    },
  },
]

const isZone = (zone: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    // an unknown zone is what is asked about
    return false
  }
}
