/** Whole days out and in, as open files. */
import { printArchive, readArchive } from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { archiveDay, restoreDay } from '../dayArchive.ts'
import { Problem } from '../problem.ts'
import { noteEvent } from '../store/securityStore.ts'
import type { Route } from './route.ts'

const MOST_FINDINGS = 100

export const archiveRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/archive',
    action: 'archive.save',
    cost: 'costly',
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await dayOf(call)
      await noteEvent(server.pool, { kind: 'archive.saved', accountId: account.id, detail: { day: occasion.id } })
      response.type('json').send(printArchive(await archiveDay(server.pool, occasion)))
    },
  },
  {
    method: 'post',
    path: '/api/archives',
    action: 'archives.readIn',
    cost: 'costly',
    handle: async ({ server, request, response, account, token }) => {
      const read = readArchive(request.body as unknown)
      if (!read.ok) {
        throw new Problem(
          422,
          'archive.altered',
          `Nothing was stored. The archive is not what it was when it was written: ${read.findings[0]?.place ?? 'the whole'}.`,
          read.findings.slice(0, MOST_FINDINGS),
        )
      }
      await restoreDay(server.pool, token, read.archive)
      await noteEvent(server.pool, {
        kind: 'archive.readIn',
        accountId: account.id,
        detail: { day: read.archive.occasion.id },
      })
      response.status(201).json({ id: read.archive.occasion.id })
    },
  },
]
