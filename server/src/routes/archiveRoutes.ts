/** Whole days out and in, as open files. */
import { MadeAnswer, ReadInBody } from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { noteEvent } from '../store/securityStore.ts'
import type { Route } from './route.ts'

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
    handle: async ({ server, request, response, account, token, asks }) => {
      // read to the end by the assembly, as it came
      const bytes: unknown = request.body
      const asked = { bytes: Buffer.isBuffer(bytes) ? bytes : Buffer.alloc(0), account, token, asks }
      const made = await server.work.run('readIn', asked)
      response.status(201).type('json').send(made)
    },
  },
]
