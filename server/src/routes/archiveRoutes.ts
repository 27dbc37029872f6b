/** Whole days out and in, as open files. */
import { MadeAnswer, readArchive, ReadInBody } from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { requirePassword } from '../access/signature.ts'
import { restoreDay } from '../dayArchive.ts'
import { Problem } from '../problem.ts'
import { noteEvent } from '../store/securityStore.ts'
import { readBody } from './body.ts'
import { knownKeys } from './keyRoutes.ts'
import type { Route } from './route.ts'

const MOST_FINDINGS = 100

export const archiveRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/archive',
    what: 'the whole day as a file',
    answer: 'an [archive](archive.md)',
    action: 'archive.save',
    cost: 'costly',
    handle: async (call) => {
      const { server, response, account } = call
      const occasion = await dayOf(call)
      await noteEvent(server.pool, { kind: 'archive.saved', accountId: account.id, detail: { day: occasion.id } })
      response.type('json').send(await server.work.run('archive', { occasionId: occasion.id }))
    },
  },
  {
    method: 'post',
    path: '/api/archives',
    what: 'reads an [archive](archive.md) in, once it is proven',
    answer: MadeAnswer,
    action: 'archives.readIn',
    cost: 'signature',
    body: ReadInBody,
    handle: async (call) => {
      const { server, request, response, account, token } = call
      const { password, archive } = readBody(ReadInBody, request)
      await requirePassword(call, password)
      const read = readArchive(archive, await knownKeys(server))
      if (!read.ok) {
        throw new Problem(
          422,
          'archive.altered',
          `Nothing was stored. The archive is not what it was when it was written: ${read.findings[0]?.place ?? 'the whole'}.`,
          read.findings.slice(0, MOST_FINDINGS),
        )
      }
      await restoreDay(server.pool, token, read.archive, read.proof)
      await noteEvent(server.pool, {
        kind: 'archive.readIn',
        accountId: account.id,
        detail: { day: read.archive.occasion.id, proof: read.proof.kind },
      })
      response.status(201).json({ id: read.archive.occasion.id })
    },
  },
]
