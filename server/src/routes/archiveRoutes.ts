/** Whole days out and in, as open files. */
import { printArchive, readArchive } from '@able-gauge/core'
import { readableDay } from '../access/day.ts'
import { PLANS_DAYS } from '../access/role.ts'
import { archiveDay, restoreDay } from '../dayArchive.ts'
import { Problem } from '../problem.ts'
import { param, type Route } from './route.ts'

const MOST_FINDINGS = 100

export const archiveRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/archive',
    roles: PLANS_DAYS,
    cost: 'costly',
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await readableDay(server.pool, account, param(call, 'occasionId'))
      response.type('json').send(printArchive(await archiveDay(server.pool, occasion)))
    },
  },
  {
    method: 'post',
    path: '/api/archives',
    roles: PLANS_DAYS,
    cost: 'costly',
    handle: async ({ server, request, response }) => {
      const read = readArchive(request.body as unknown)
      if (!read.ok) {
        throw new Problem(
          422,
          'archive.altered',
          `Nothing was stored. The archive is not what it was when it was written: ${read.findings[0]?.place ?? 'the whole'}.`,
          read.findings.slice(0, MOST_FINDINGS),
        )
      }
      await restoreDay(server.pool, read.archive)
      response.status(201).json({ id: read.archive.occasion.id })
    },
  },
]
