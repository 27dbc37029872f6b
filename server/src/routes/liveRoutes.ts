/** What happens on a day, as it happens (server-sent events), and the server's time for clock agreement. */
import { TimeAnswer } from '@able-gauge/core'
import type { Response } from 'express'
import { dayOf } from '../access/day.ts'
import { sessionOf } from '../access/session.ts'
import { streamDay } from '../live/streamDay.ts'
import { Problem } from '../problem.ts'
import { afterIn } from './captureRoutes.ts'
import type { Route } from './route.ts'

/** How many streams each account holds on this process. */
const held = new Map<string, number>()

/** Counts a stream until it closes. @returns false when there are too many */
const takeStream = (accountId: string, most: number, response: Response): boolean => {
  const open = held.get(accountId) ?? 0
  if (open >= most) return false
  held.set(accountId, open + 1)
  response.on('close', () => {
    const left = (held.get(accountId) ?? 1) - 1
    if (left > 0) held.set(accountId, left)
    else held.delete(accountId)
  })
  return true
}

export const liveRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/time',
    what: 'the time of the server, for clock agreement',
    answer: TimeAnswer,
    action: 'time.read',
    handle: async ({ server, response }) => {
      response.json({ serverMs: server.clock.nowMs() })
    },
  },
  {
    method: 'get',
    path: '/api/occasions/:occasionId/live',
    what: '`captures` (its id is the last number), `day` (read the day again) and `claims` (who is where); `?after=N` or `Last-Event-ID` resumes',
    answer: 'server-sent events',
    action: 'day.read',
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const afterSeq = afterIn(request.get('Last-Event-ID') ?? request.query['after'])
      const { streams, slowReaderMs } = server.limits
      if (!takeStream(account.id, streams, response)) {
        throw new Problem(429, 'live.tooMany', `${streams} days are followed by this account already.`, [], 30)
      }
      const mayFollow = async (): Promise<boolean> => (await sessionOf(server.pool, request))?.account.id === account.id
      const following = { occasionId: occasion.id, account, afterSeq, mayFollow, slowReaderMs }
      streamDay(server, following, response)
    },
  },
]
