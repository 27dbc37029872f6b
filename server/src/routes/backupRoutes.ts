/** Backups of the whole house, for who looks after it. */
import { open, rm } from 'node:fs/promises'
import { pipeline } from 'node:stream/promises'
import { BackupBody, BackupsAnswer } from '@able-gauge/core'
import { BackupFailed } from '../keeper.ts'
import { Problem } from '../problem.ts'
import { readBody } from './body.ts'
import type { Route } from './route.ts'

export const backupRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/backups',
    what: 'whether backups can be made here, and how the last that was made by itself went',
    answer: BackupsAnswer,
    action: 'backups.make',
    handle: ({ server, response }) => {
      response.json({ canBackUp: server.keeper !== null, last: server.keeper?.last() ?? null })
      return Promise.resolve()
    },
  },
  {
    method: 'post',
    path: '/api/backups',
    what: 'a backup of the whole house, sealed with a passphrase; described in docs/formats/backup.md',
    answer: 'a backup file',
    action: 'backups.make',
    noted: 'backup.made',
    cost: 'costly',
    body: BackupBody,
    handle: async ({ server, request, response }) => {
      const { passphrase } = readBody(BackupBody, request)
      if (!server.keeper)
        throw new Problem(
          503,
          'backup.nobody',
          'Backups are made by the program that starts the server, and none did. Use "npm run backup" on the machine.',
        )
      const file = await server.keeper.backUp(passphrase).catch((error: unknown) => {
        if (!(error instanceof BackupFailed)) throw error
        server.log.error({ err: error }, 'no backup')
        throw new Problem(503, 'backup.failed', 'The backup could not be made. The terminal of the machine says why.')
      })
      // Opened first and taken out of its folder before a byte is sent: whatever ends the sending, nothing is left lying.
      const backup = await open(file)
      await rm(file)
      response.type('application/octet-stream')
      await pipeline(backup.createReadStream(), response)
    },
  },
]
