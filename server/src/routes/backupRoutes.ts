/** Backups of the whole house, for who looks after it. */
import { randomUUID } from 'node:crypto'
import { appendFile, open, readdir, rm, stat, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'
import {
  BackupBody,
  BackupsAnswer,
  MadeAnswer,
  RestoreBody,
  RestorePartBody,
  RestoringAnswer,
  rules,
} from '@able-gauge/core'
import { requireSignature } from '../access/signature.ts'
import { KeepingFailed, type Keeper } from '../keeper.ts'
import { notFound, Problem } from '../problem.ts'
import { readBody } from './body.ts'
import { param, type Call, type Route, type Server } from './route.ts'

export const backupRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/backups',
    what: 'whether backups can be made here, and how the last that was made by itself went',
    answer: BackupsAnswer,
    action: 'backups.make',
    handle: ({ server, response }) => {
      const { keeper } = server
      response.json({
        canBackUp: keeper !== null,
        last: keeper?.last() ?? null,
        lastRestored: keeper?.lastRestored() ?? null,
      })
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
      const file = await keeperOf(server)
        .backUp(passphrase)
        .catch((error: unknown) => {
          if (!(error instanceof KeepingFailed)) throw error
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
  {
    method: 'post',
    path: '/api/restores',
    what: 'begins to take in a backup, which is sent in parts',
    answer: MadeAnswer,
    action: 'backups.restore',
    cost: 'costly',
    handle: async ({ server, response }) => {
      keeperOf(server)
      await removeLeftOver()
      const id = randomUUID()
      await writeFile(restoreFile(id), '', { flag: 'wx', mode: 0o600 })
      response.status(201).json({ id })
    },
  },
  {
    method: 'put',
    path: '/api/restores/:restoreId/part',
    what: 'the next part of the backup; 409 unless it begins where the last one ended',
    answer: 'nothing',
    action: 'backups.restore',
    body: RestorePartBody,
    handle: async (call) => {
      const { offset, part } = readBody(RestorePartBody, call.request)
      const file = await restoreIn(call)
      if ((await stat(file)).size !== offset)
        throw new Problem(409, 'restore.offset', 'The parts do not follow each other. Begin anew.')
      await appendFile(file, Buffer.from(part, 'base64'))
      call.response.status(204).end()
    },
  },
  {
    method: 'post',
    path: '/api/restores/:restoreId/start',
    what: 'looks at the backup from end to end and, if it is right, puts it in place of the whole house; the server starts anew',
    answer: RestoringAnswer,
    action: 'backups.restore',
    cost: 'signature',
    noted: 'house.restored',
    body: RestoreBody,
    handle: async (call) => {
      const { server, request, response } = call
      const { passphrase, ...signature } = readBody(RestoreBody, request)
      const file = await restoreIn(call)
      await requireSignature(server.pool, call, signature)
      const holds = await keeperOf(server)
        .restore(file, passphrase)
        .catch(async (error: unknown) => {
          await rm(file, { force: true })
          if (!(error instanceof KeepingFailed)) throw error
          throw new Problem(422, 'restore.refused', `Nothing was replaced. ${error.message}`)
        })
      response.json(holds)
    },
  },
]

const keeperOf = ({ keeper }: Server): Keeper => {
  if (keeper) return keeper
  throw new Problem(
    503,
    'backup.nobody',
    'Backups are made by the program that starts the server, and none did. Use "npm run backup" on the machine.',
  )
}

const BEGUN = 'able-gauge-restore-'
const restoreFile = (id: string): string => path.join(tmpdir(), BEGUN + id)

/** Longer than any is sent. */
const LEFT_OVER_MS = 6 * 3_600_000

/** What somebody began to send and never put back is not left lying. */
const removeLeftOver = async (): Promise<void> => {
  for (const name of (await readdir(tmpdir())).filter((one) => one.startsWith(BEGUN))) {
    const file = path.join(tmpdir(), name)
    const { mtimeMs = Date.now() } = (await stat(file).catch(() => null)) ?? {}
    if (Date.now() - mtimeMs > LEFT_OVER_MS) await rm(file, { force: true })
  }
}

/** The file a restore grows in. @throws Problem 404 for none */
const restoreIn = async (call: Call): Promise<string> => {
  const id = param(call, 'restoreId')
  const file = rules.isUuid(id) ? restoreFile(id) : null
  if (file === null || !(await stat(file).catch(() => null))) throw notFound('restore that was begun')
  return file
}
