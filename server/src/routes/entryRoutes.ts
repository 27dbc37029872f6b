/** Changes to an entry at muster: bib, attendance, measures, choices; and the answers to the screening questions. */
import { randomUUID } from 'node:crypto'
import {
  checkChoices,
  EntryChangeBody,
  type Finding,
  openHolds,
  RevisionAnswer,
  ScreenedAnswer,
  ScreeningBody,
  screeningConcerns,
  ScreeningsAnswer,
  type Standard,
} from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { refuseOwnEntry } from '../access/ownWave.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { changeEntry, listEntries, setAttendance } from '../store/entryStore.ts'
import { findHouseRules } from '../store/houseRulesStore.ts'
import { addRecord, listRecords } from '../store/recordStore.ts'
import { listScreenings, writeScreening } from '../store/screeningStore.ts'
import { noteEvent } from '../store/securityStore.ts'
import { getStandard } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import { inOpenDay } from './openDay.ts'
import { param, type Route } from './route.ts'

export const entryRoutes: readonly Route[] = [
  {
    method: 'patch',
    path: '/api/occasions/:occasionId/entries/:entryId',
    what: 'changes an entry at muster; 409 when somebody else was faster, or a hold stands',
    answer: RevisionAnswer,
    action: 'entries.change',
    body: EntryChangeBody,
    handle: async (call) => {
      const { server, request, response, account, token } = call
      const occasion = await dayOf(call)
      const entryId = param(call, 'entryId')
      const { revision, bib = null, attendance, note, bodyMassG = null, ...others } = readBody(EntryChangeBody, request)
      const { standard } = await getStandard(server.pool, occasion.standardId, occasion.standardVersion)
      const findings = changeFindings(standard, others)
      if (findings.length > 0) throw invalidInput(findings)
      const { rules: house } = await findHouseRules(server.pool)
      const update = await inOpenDay(server, occasion.id, async (db) => {
        await refuseOwnEntry(db, account, occasion.id, [entryId])
        const before = (await listEntries(db, occasion.id)).find(({ id }) => id === entryId)
        if (!before) throw notFound('entry on this day')
        const holds = openHolds(await listRecords(db, occasion.id)).filter(({ content }) => content.entryId === entryId)
        if (attendance === 'present') refuseHeld(holds.map(({ content }) => content.reason))
        if (attendance === 'present' && house.consentNeeded && !(others.consented ?? before.consented)) {
          throw invalidInput([
            {
              place: 'consented',
              code: 'consent',
              found: 'no consent',
              expected: 'consent, which the house rules ask for',
            },
          ])
        }
        const change = { bib, attendance, note, bodyMassG, ...others }
        const result = await changeEntry(db, occasion.id, entryId, revision, change)
        if (result.kind !== 'changed') return result
        if (attendance === 'held' && holds.length === 0) {
          const content = { kind: 'holdRaised' as const, entryId, reason: note || 'Held at muster' }
          await addRecord(db, occasion.id, token, { id: randomUUID(), content, atMs: server.clock.nowMs() })
        }
        await notifyDay(db, occasion.id, 'day')
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
  {
    method: 'get',
    path: '/api/occasions/:occasionId/screenings',
    what: 'the answers to the screening questions',
    answer: ScreeningsAnswer,
    action: 'screenings.read',
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await dayOf(call)
      await noteEvent(server.pool, { kind: 'screenings.read', accountId: account.id, detail: { day: occasion.id } })
      response.json({ screenings: await listScreenings(server.pool, occasion.id) })
    },
  },
  {
    method: 'put',
    path: '/api/occasions/:occasionId/entries/:entryId/screening',
    what: 'keeps the answers of one person',
    answer: ScreenedAnswer,
    action: 'screenings.read',
    body: ScreeningBody,
    handle: async (call) => {
      const { server, request, response, account, token } = call
      const occasion = await dayOf(call)
      const entryId = param(call, 'entryId')
      const { answers } = readBody(ScreeningBody, request)
      const { rules: house } = await findHouseRules(server.pool)
      const { clearance, unanswered } = screeningConcerns(house, answers)
      if (unanswered.length > 0) {
        throw invalidInput(
          unanswered.map(({ id, text }) => ({
            place: `answers.${id}`,
            code: 'unanswered',
            found: 'nothing',
            expected: `yes or no to: ${text}`,
          })),
        )
      }
      const held = await inOpenDay(server, occasion.id, async (db) => {
        await refuseOwnEntry(db, account, occasion.id, [entryId])
        if (!(await listEntries(db, occasion.id)).some(({ id }) => id === entryId)) throw notFound('entry on this day')
        await writeScreening(db, entryId, answers, account.id, server.clock.nowMs())
        const holds = openHolds(await listRecords(db, occasion.id)).filter(({ content }) => content.entryId === entryId)
        const needed = clearance.length > 0 && !holds.some(({ content }) => content.reason === SCREENING_HOLD)
        if (needed) {
          // which answer it was is for those who may read answers
          const content = { kind: 'holdRaised' as const, entryId, reason: SCREENING_HOLD }
          await addRecord(db, occasion.id, token, { id: randomUUID(), content, atMs: server.clock.nowMs() })
          await setAttendance(db, occasion.id, entryId, 'held')
        }
        await notifyDay(db, occasion.id, 'day')
        return clearance.length > 0
      })
      response.json({ held })
    },
  },
]

const SCREENING_HOLD = 'Screening: an answer needs clearance'

/** @throws Problem 409 while a hold stands */
const refuseHeld = (reasons: readonly string[]): void => {
  if (reasons.length === 0) return
  throw new Problem(
    409,
    'entry.held',
    `Held: ${reasons.join('; ')}. The officer in charge lifts a hold, with a reason. Nothing was changed.`,
  )
}

const changeFindings = (
  standard: Standard,
  { category, choices }: Pick<EntryChangeBody, 'category' | 'choices'>,
): Finding[] => {
  const categories = standard.categories.map(({ id }) => id)
  return [
    ...(category === undefined || categories.includes(category)
      ? []
      : [{ place: 'category', code: 'category', found: category, expected: `one of ${categories.join(', ')}` }]),
    ...(choices ? checkChoices(standard, choices) : []),
  ]
}
