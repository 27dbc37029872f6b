/** Changes to an entry at muster: bib, attendance, note. */
import { ATTENDANCES, rules, type Attendance } from '@able-gauge/core'
import { workableDay } from '../access/day.ts'
import { MUSTERING } from '../access/role.ts'
import { inTransaction } from '../database.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { holdDayOpen } from '../store/captureStore.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { changeEntry, listBibs } from '../store/entryStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

class EntryChangeBody {
  /** The revision that was being looked at. */
  @rules.Whole(1) revision!: number
  @rules.Optional() @rules.Whole(1, 99_999) bib?: number
  @rules.Choice(ATTENDANCES) attendance!: Attendance
  @rules.FreeText(300) note!: string
  @rules.Optional() @rules.Whole(20_000, 400_000) bodyMassG?: number
}

export const entryRoutes: readonly Route[] = [
  {
    method: 'patch',
    path: '/api/occasions/:occasionId/entries/:entryId',
    roles: MUSTERING,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await workableDay(server.pool, account, param(call, 'occasionId'))
      const entryId = param(call, 'entryId')
      const { revision, bib = null, attendance, note, bodyMassG = null } = readBody(EntryChangeBody, request)
      const entered = await listBibs(server.pool, occasion.id, account.id)
      if (!entered.some((entry) => entry.entryId === entryId)) throw notFound('entry on this day')
      const update = await inTransaction(server.pool, async (db) => {
        if (!(await holdDayOpen(db, occasion.id))) {
          throw new Problem(409, 'day.signedOff', 'The day is signed off. Entries can no longer be changed.')
        }
        const result = await changeEntry(db, occasion.id, entryId, revision, { bib, attendance, note, bodyMassG })
        if (result.kind === 'changed') await notifyDay(db, occasion.id, 'day')
        return result
      })
      switch (update.kind) {
        case 'changed':
          response.json({ revision: revision + 1 })
          return
        case 'editedMeanwhile':
          throw new Problem(
            409,
            'entry.editedMeanwhile',
            'Somebody else changed this entry meanwhile. Nothing was overwritten: look at it again.',
          )
        case 'bibTaken':
          throw invalidInput([
            { place: 'bib', code: 'bibTaken', found: String(bib), expected: 'a bib nobody else wears on this day' },
          ])
      }
    },
  },
]
