/** The day's log: conditions, briefings, holds, confirmations, protests, cards keyed in. */
import {
  canonicalJson,
  type DayRecordContent,
  type DayRecordEntry,
  entriesJudgedBy,
  type Finding,
  MadeAnswer,
  openHolds,
  RecordDocument,
  slotsOf,
} from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { refuseOwnWave } from '../access/ownWave.ts'
import { requireMay } from '../access/session.ts'
import type { Database } from '../database.ts'
import { readDay, type DayRecord } from '../dayRecord.ts'
import { invalidInput, Problem } from '../problem.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { releaseHeld, setAttendance } from '../store/entryStore.ts'
import { addRecord, listRecords } from '../store/recordStore.ts'
import { readBody } from './body.ts'
import { inOpenDay } from './openDay.ts'
import type { Route } from './route.ts'

export const recordRoutes: readonly Route[] = [
  {
    method: 'post',
    path: '/api/occasions/:occasionId/records',
    what: 'adds to the log of the day, once for each id',
    answer: MadeAnswer,
    action: 'log.write',
    body: RecordDocument,
    handle: async (call) => {
      const { server, request, response, account, token } = call
      const occasion = await dayOf(call)
      const { id, content } = readBody(RecordDocument, request)
      requireMay(account, `log.${content.kind}`, {
        occasionId: occasion.id,
        isStaff: true,
        eventIds: eventsOf(content),
      })
      await inOpenDay(server, occasion.id, async (db) => {
        const records = await listRecords(db, occasion.id)
        const known = records.find((record) => record.id === id)
        if (known && canonicalJson(known.content) !== canonicalJson(content)) throw differs(id)
        if (known) return
        const findings = placesWrong(await readDay(db, occasion), records, content)
        if (findings.length > 0) throw invalidInput(findings)
        const concerned = entriesJudgedBy(content, records)
        if (concerned !== 'nobody') await refuseOwnWave(db, account, occasion.id, concerned)
        await addRecord(db, occasion.id, token, { id, content, atMs: server.clock.nowMs() })
        await followHold(db, occasion.id, records, content)
        await notifyDay(db, occasion.id, 'day')
      })
      response.status(201).json({ id })
    },
  },
]

const eventsOf = (content: DayRecordContent): string[] => ('eventId' in content ? [content.eventId] : [])

const differs = (id: string): Problem =>
  new Problem(409, 'record.differs', `The log has an entry ${id} with other content. Nothing was stored.`, [
    { place: 'id', code: 'differs', found: id, expected: 'an id not used before' },
  ])

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
