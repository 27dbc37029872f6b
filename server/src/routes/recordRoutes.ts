/** The day's log: conditions, briefings, holds, confirmations, protests, cards keyed in. */
import {
  openHolds,
  RecordDocument,
  slotsOf,
  type DayRecordContent,
  type DayRecordEntry,
  type Finding,
  type RecordKind,
} from '@able-gauge/core'
import { workableDay } from '../access/day.ts'
import { EVERY_ROLE, type Account, type Role } from '../access/role.ts'
import type { Database } from '../database.ts'
import { readDay, type DayRecord } from '../dayRecord.ts'
import { invalidInput, Problem } from '../problem.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { releaseHeld, setAttendance } from '../store/entryStore.ts'
import { addRecord, listRecords } from '../store/recordStore.ts'
import { readBody } from './body.ts'
import { inOpenDay } from './openDay.ts'
import { param, type Route } from './route.ts'

/** Who may write what. Only the officer in charge lifts a hold, decides about the heat and answers a protest. */
export const WRITES: Readonly<Record<RecordKind, readonly Role[]>> = {
  conditions: ['officer', 'grader', 'timer', 'clerk'],
  heatDecided: ['officer'],
  briefed: ['officer', 'grader', 'timer'],
  holdRaised: ['officer', 'grader', 'timer', 'clerk'],
  holdLifted: ['officer'],
  eventConfirmed: ['officer', 'grader', 'timer'],
  protested: ['officer', 'grader', 'clerk'],
  protestAnswered: ['officer'],
  cardsKeyed: ['officer', 'grader', 'timer', 'clerk'],
  dayOpened: ['officer'],
  // the server alone notices this
  clockStepped: [],
}

export const recordRoutes: readonly Route[] = [
  {
    method: 'post',
    path: '/api/occasions/:occasionId/records',
    roles: EVERY_ROLE.filter((role) => role !== 'viewer'),
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await workableDay(server.pool, account, param(call, 'occasionId'))
      const { id, content } = readBody(RecordDocument, request)
      refuseOthers(account, content)
      await inOpenDay(server, occasion.id, async (db) => {
        const records = await listRecords(db, occasion.id)
        if (records.some((record) => record.id === id)) return
        const findings = placesWrong(await readDay(db, occasion), records, content)
        if (findings.length > 0) throw invalidInput(findings)
        await addRecord(db, occasion.id, { id, content, actorId: account.id, atMs: server.clock.nowMs() })
        await followHold(db, occasion.id, records, content)
        await notifyDay(db, occasion.id, 'day')
      })
      response.status(201).json({ id })
    },
  },
]

const refuseOthers = ({ role, station }: Account, content: DayRecordContent): void => {
  const roles = WRITES[content.kind]
  if (!roles.includes(role)) {
    throw new Problem(403, 'record.role', `A ${role} may not do this. It takes: ${roles.join(', ')}.`)
  }
  if (
    station &&
    !('eventId' in content && station.eventIds.includes(content.eventId)) &&
    content.kind !== 'holdRaised'
  ) {
    throw new Problem(403, 'access.station', 'You joined with a station code, which is for that station alone.')
  }
}

/** A hold keeps somebody from starting as long as it stands. */
const followHold = async (
  db: Database,
  occasionId: string,
  before: readonly DayRecordEntry[],
  content: DayRecordContent,
): Promise<void> => {
  if (content.kind === 'holdRaised') await setAttendance(db, occasionId, content.entryId, 'held')
  if (content.kind !== 'holdLifted') return
  const lifted = before.find(({ id }) => id === content.holdId)?.content
  if (lifted?.kind !== 'holdRaised') return
  const others = openHolds(before).filter(
    (hold) => hold.id !== content.holdId && hold.content.entryId === lifted.entryId,
  )
  if (others.length > 0) return
  await releaseHeld(db, occasionId, lifted.entryId)
}

/** What a log entry names has to be there. */
const placesWrong = (
  { entries, published: { standard } }: DayRecord,
  records: readonly DayRecordEntry[],
  content: DayRecordContent,
): Finding[] => {
  const wrong = (place: string, found: string, expected: string): Finding[] => [
    { place: `content.${place}`, code: 'unknown', found, expected },
  ]
  const events = standard.events.map(({ id }) => id)
  const entryIds = new Set(entries.map(({ id }) => id))
  const findings: Finding[] = []
  if ('eventId' in content && !events.includes(content.eventId)) {
    findings.push(...wrong('eventId', content.eventId, `one of ${events.join(', ')}`))
  }
  if ('entryId' in content && !entryIds.has(content.entryId)) {
    findings.push(...wrong('entryId', content.entryId, 'an entry of this day'))
  }
  if (content.kind === 'holdLifted' && !openHolds(records).some(({ id }) => id === content.holdId)) {
    findings.push(...wrong('holdId', content.holdId, 'a hold that stands'))
  }
  if (content.kind === 'protestAnswered' && !records.some(({ id }) => id === content.protestId)) {
    findings.push(...wrong('protestId', content.protestId, 'a protest of this day'))
  }
  if (content.kind === 'cardsKeyed') {
    const event = standard.events.find(({ id }) => id === content.eventId)
    const alternates = (standard.alternateEvents ?? []).filter((one) =>
      event?.alternates?.some(({ eventId }) => eventId === one.id),
    )
    const slots = new Set(
      [...(event ? [event] : []), ...alternates].flatMap(({ protocol }) => slotsOf(protocol).map(({ id }) => id)),
    )
    content.figures.forEach(({ entryId, slot }, index) => {
      if (!entryIds.has(entryId)) findings.push(...wrong(`figures[${index}].entryId`, entryId, 'an entry of this day'))
      if (!slots.has(slot)) findings.push(...wrong(`figures[${index}].slot`, slot, `one of ${[...slots].join(', ')}`))
    })
  }
  return findings
}
