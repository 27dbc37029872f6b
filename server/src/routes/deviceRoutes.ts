/**
 * Devices say what they still hold, so that a day is not signed while captures of it lie on a phone, and whom they have open, so that
 * two of them do not take the same next candidate.
 */
import {
  ClaimBody,
  ClaimsAnswer,
  DeviceBody,
  DevicesAnswer,
  DevicesAtWorkAnswer,
  type Finding,
  maskClaims,
} from '@able-gauge/core'
import { captureGround, dayOf } from '../access/day.ts'
import { requireMay } from '../access/session.ts'
import { inTransaction } from '../database.ts'
import { invalidInput } from '../problem.ts'
import { listClaims, setClaims } from '../store/claimStore.ts'
import { notifyDay } from '../store/dayNotices.ts'
import { listDeviceReports, listDevicesAtWork, writeDeviceReport } from '../store/deviceStore.ts'
import type { CaptureGround } from '../store/occasionStore.ts'
import { getStandard } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import { param, type Call, type Route } from './route.ts'

const MOST_CHARACTERS = 80

/** @throws Problem 422 for a name that is no device's */
const deviceIn = (call: Call): string => {
  const deviceId = param(call, 'deviceId')
  if (deviceId.length <= MOST_CHARACTERS) return deviceId
  const expected = `a name of at most ${MOST_CHARACTERS} characters`
  throw invalidInput([{ place: 'deviceId', code: 'length', found: `${deviceId.length} characters`, expected }])
}

/** @throws Problem 422 for an event the standard does not hold, or somebody who is not entered */
const refuseUnknown = async (
  { server }: Call,
  ground: CaptureGround,
  { eventId, entryIds }: ClaimBody,
): Promise<void> => {
  const { occasion, waveOf } = ground
  const { standard } = await getStandard(server.pool, occasion.standardId, occasion.standardVersion)
  const findings: Finding[] = []
  if (!standard.events.some(({ id }) => id === eventId)) {
    findings.push({ place: 'eventId', code: 'unknown', found: eventId, expected: 'an event of the day' })
  }
  for (const [index, entryId] of entryIds.entries()) {
    if (waveOf.has(entryId)) continue
    findings.push({
      place: `entryIds[${index}]`,
      code: 'unknown',
      found: entryId,
      expected: 'somebody entered on the day',
    })
  }
  if (findings.length > 0) throw invalidInput(findings)
}

/** Who was at work this long ago may be still. */
const SEEN_LATELY_MS = 12 * 3_600_000

export const deviceRoutes: readonly Route[] = [
  {
    method: 'put',
    path: '/api/occasions/:occasionId/devices/:deviceId',
    what: 'tells what a device still holds',
    answer: 'nothing',
    action: 'devices.report',
    body: DeviceBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const report = { deviceId: deviceIn(call), ...readBody(DeviceBody, request), seenMs: server.clock.nowMs() }
      await writeDeviceReport(server.pool, occasion.id, account.id, report)
      response.status(204).end()
    },
  },
  {
    method: 'put',
    path: '/api/occasions/:occasionId/devices/:deviceId/claims',
    what: 'tells whom a device has open; it is believed for half a minute. The answer says who is where',
    answer: ClaimsAnswer,
    action: 'claims.write',
    body: ClaimBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const ground = await captureGround(call)
      const { occasion } = ground
      const claim = readBody(ClaimBody, request)
      requireMay(account, 'claims.write', { occasionId: occasion.id, isStaff: true, eventIds: [claim.eventId] })
      await refuseUnknown(call, ground, claim)
      const claimant = { deviceId: deviceIn(call), accountId: account.id }
      const nowMs = server.clock.nowMs()
      const claims = await inTransaction(server.pool, async (db) => {
        if (await setClaims(db, occasion.id, claimant, claim, nowMs)) await notifyDay(db, occasion.id, 'claims')
        return listClaims(db, occasion.id, nowMs)
      })
      response.json({ claims: maskClaims(claims, account) })
    },
  },
  {
    method: 'get',
    path: '/api/devices',
    what: 'devices at work on open days, seen in the last twelve hours',
    answer: DevicesAtWorkAnswer,
    action: 'devices.watch',
    handle: async ({ server, response, account }) => {
      const nowMs = server.clock.nowMs()
      response.json({ devices: await listDevicesAtWork(server.pool, account, nowMs - SEEN_LATELY_MS), nowMs })
    },
  },
  {
    method: 'get',
    path: '/api/occasions/:occasionId/devices',
    what: 'what each device last said it holds',
    answer: DevicesAnswer,
    action: 'devices.read',
    handle: async (call) => {
      const occasion = await dayOf(call)
      call.response.json({ devices: await listDeviceReports(call.server.pool, occasion.id) })
    },
  },
]
