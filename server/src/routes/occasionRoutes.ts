/** Days: the list, and one day with all a screen needs to work on it. */
import {
  type ArchivedSignature,
  DayAnswer,
  fingerprint,
  keyFingerprint,
  maskDay,
  OccasionsAnswer,
  timeBoundsOf,
} from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { candidateOf, readDay, type DayRecord } from '../dayRecord.ts'
import { listAmendments } from '../store/amendmentStore.ts'
import {
  listEarlierFigures,
  listEarlierSetUps,
  listTestedBefore,
  listUnitsOf,
  type Entry,
} from '../store/entryStore.ts'
import { findReadIn } from '../store/importStore.ts'
import { listOccasions, listStaff } from '../store/occasionStore.ts'
import { findPlan } from '../store/planStore.ts'
import { listRecords } from '../store/recordStore.ts'
import { findSignature } from '../store/signOffStore.ts'
import { listScreened } from '../store/screeningStore.ts'
import type { Call, Route } from './route.ts'

export const occasionRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions',
    what: 'the days',
    answer: OccasionsAnswer,
    action: 'days.list',
    handle: async ({ server, response, account }) => {
      response.json({ occasions: await listOccasions(server.pool, account) })
    },
  },
  {
    method: 'get',
    path: '/api/occasions/:occasionId',
    what: 'a day with all a screen needs to work on it',
    answer: DayAnswer,
    action: 'day.read',
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await dayOf(call)
      const day = await readDay(server.pool, occasion)
      const records = await listRecords(server.pool, occasion.id)
      const whole: DayAnswer = {
        occasion,
        standard: day.published.standard,
        standardHash: day.published.contentHash,
        bounds: timeBoundsOf(occasion, day.published.standard, records),
        staff: await listStaff(server.pool, occasion.id),
        entries: day.entries.map((entry) => withAge(day, entry)),
        plan: await findPlan(server.pool, occasion.id),
        records,
        screened: [...(await listScreened(server.pool, occasion.id))],
        earlierSetUps: await listEarlierSetUps(server.pool, occasion.id),
        testedBefore: await listTestedBefore(server.pool, occasion.id),
        earlierFigures: await listEarlierFigures(server.pool, occasion.id),
        unitsOf: await listUnitsOf(server.pool, occasion.id),
        amendments: await listAmendments(server.pool, occasion.id),
        readIn: await findReadIn(server.pool, occasion.id),
        signature: printed(await findSignature(server.pool, occasion.id)),
        rests: account.station ? await restsFor(call, occasion.id) : null,
      }
      response.json(maskDay(whole, account))
    },
  },
]

/** For who sees one station alone and cannot work it out. */
const restsFor = async ({ server }: Call, occasionId: string): Promise<DayAnswer['rests']> =>
  // made by the job of that name
  JSON.parse(await server.work.run('rests', { occasionId, nowMs: server.clock.nowMs() })) as DayAnswer['rests']

const printed = (signature: ArchivedSignature | null): DayAnswer['signature'] =>
  signature && {
    head: fingerprint(signature.head),
    key: signature.publicKey === '' ? null : keyFingerprint(signature.publicKey),
  }

const withAge = ({ occasion, published }: DayRecord, entry: Entry) => {
  const { ageYears, ageCountedOn } = candidateOf(published.standard, occasion.testDate, entry)
  return { ...entry, ageYears, ageCountedOn }
}
