/** What happens on a day, as it happens (server-sent events), and the server's time for clock agreement. */
import { readableDay } from '../access/day.ts'
import { EVERY_ROLE } from '../access/role.ts'
import { streamDay } from '../live/streamDay.ts'
import { afterIn } from './captureRoutes.ts'
import { param, type Route } from './route.ts'

export const liveRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/time',
    roles: EVERY_ROLE,
    handle: async ({ response }) => {
      response.set('Cache-Control', 'no-store').json({ serverMs: Date.now() })
    },
  },
  {
    method: 'get',
    path: '/api/occasions/:occasionId/live',
    roles: EVERY_ROLE,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await readableDay(server.pool, account, param(call, 'occasionId'))
      const lastSeq = afterIn(request.get('Last-Event-ID') ?? request.query['after'])
      streamDay(server, occasion.id, lastSeq, response)
    },
  },
]
