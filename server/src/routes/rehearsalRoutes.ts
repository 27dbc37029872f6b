/** Rehearsals: made-up days to practise on. */
import { ALL_EVENTS, MadeAnswer, RehearsalBody } from '@able-gauge/core'
import { inTransaction } from '../database.ts'
import { invalidInput } from '../problem.ts'
import { makeRehearsal } from '../rehearsal/makeRehearsal.ts'
import { findPublished } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import type { Route } from './route.ts'

export const rehearsalRoutes: readonly Route[] = [
  {
    method: 'post',
    path: '/api/rehearsals',
    what: 'a made-up day; `ownEventId` is an event to work by hand, or `all-events`',
    answer: MadeAnswer,
    action: 'rehearse',
    body: RehearsalBody,
    cost: 'rehearsal',
    handle: async (call) => {
      const { server, request, response, account } = call
      const {
        standardId,
        version,
        people,
        speed,
        waveOf = 12,
        seed,
        ownEventId = null,
      } = readBody(RehearsalBody, request)
      const published = await findPublished(server.pool, standardId, version)
      if (!published) {
        const found = `${standardId} version ${version}`
        throw invalidInput([{ place: 'standardId', code: 'unknownStandard', found, expected: 'a published standard' }])
      }
      const { standard } = published
      if (ownEventId !== null && ownEventId !== ALL_EVENTS && !standard.events.some(({ id }) => id === ownEventId)) {
        const expected = `one of ${standard.events.map(({ id }) => id).join(', ')}`
        throw invalidInput([{ place: 'ownEventId', code: 'unknownEvent', found: ownEventId, expected }])
      }
      const nowMs = server.clock.nowMs()
      const wish = { people, speed, waveOf, seed: seed ?? nowMs % 1_000_000_000, ownEventId, unitId: account.unitId }
      const id = await inTransaction(server.pool, (db) => makeRehearsal(db, standard, wish, nowMs))
      response.status(201).json({ id })
    },
  },
]
