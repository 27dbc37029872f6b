/** Devices say what they still hold, so that a day is not signed while captures of it lie on a phone. */
import { DeviceBody, DevicesAnswer } from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { invalidInput } from '../problem.ts'
import { listDeviceReports, writeDeviceReport } from '../store/deviceStore.ts'
import { readBody } from './body.ts'
import { param, type Route } from './route.ts'

const MOST_CHARACTERS = 80

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
      const deviceId = param(call, 'deviceId')
      if (deviceId.length > MOST_CHARACTERS) {
        const expected = `a name of at most ${MOST_CHARACTERS} characters`
        throw invalidInput([{ place: 'deviceId', code: 'length', found: `${deviceId.length} characters`, expected }])
      }
      const report = { deviceId, ...readBody(DeviceBody, request), seenMs: server.clock.nowMs() }
      await writeDeviceReport(server.pool, occasion.id, account.id, report)
      response.status(204).end()
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
