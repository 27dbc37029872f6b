/** What happened that bears on who may do what. */
import { SecurityEventsAnswer } from '@able-gauge/core'
import { listEvents } from '../store/securityStore.ts'
import { afterIn } from './captureRoutes.ts'
import type { Route } from './route.ts'

const PAGE = 200

export const securityRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/security-events',
    what: 'sign-ins, refusals, what few may read, changes; `?before=N` for older ones',
    answer: SecurityEventsAnswer,
    action: 'securityLog.read',
    handle: async ({ server, request, response }) => {
      const before = afterIn(request.query['before'])
      const events = await listEvents(server.pool, before === 0 ? null : before, PAGE)
      response.json({ events, more: events.length === PAGE })
    },
  },
]
