/** What happened that bears on who may do what. */
import { listEvents } from '../store/securityStore.ts'
import { afterIn } from './captureRoutes.ts'
import type { Route } from './route.ts'

const PAGE = 200

export const securityRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/security-events',
    action: 'securityLog.read',
    handle: async ({ server, request, response }) => {
      const before = afterIn(request.query['before'])
      response.json({ events: await listEvents(server.pool, before === 0 ? null : before, PAGE) })
    },
  },
]
