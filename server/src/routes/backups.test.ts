/** Backups on screen: asked of who can make them, sent once, taken away; what is told when none can be made. */
import { existsSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import { Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'
import { openKeeper, type Channel } from '../keeper.ts'

/** The program that started the server, as far as it is asked for backups. */
class Starter implements Channel {
  readonly asked: { id: string; passphrase: string }[] = []
  readonly file = path.join(tmpdir(), `backup-${process.pid}.test`)
  failure: string | null = null

  tell: (message: unknown) => void = () => undefined
  listen = (listener: (message: unknown) => void): void => {
    this.tell = listener
  }

  send = (message: object): void => {
    const { backUp } = message as { backUp: { id: string; passphrase: string } }
    this.asked.push(backUp)
    writeFileSync(this.file, 'sealed')
    const { failure, file } = this
    setImmediate(() => this.tell({ backup: { id: backUp.id, ...(failure === null ? { file } : { failure }) } }))
  }
}
const starter = new Starter()
let server: TestServer
let administrator: Caller
const PASSPHRASE = 'twelve quiet otters'

beforeAll(async () => {
  const keeper = openKeeper(starter)
  server = await openTestServer(keeper ? { keeper } : {})
  administrator = await Caller.signedIn(server.address, 'administrator')
})
afterAll(() => server.close())

const download = () =>
  fetch(`${server.address}/api/backups`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Cookie: administrator.cookieHeader },
    body: JSON.stringify({ passphrase: PASSPHRASE }),
  })

test('a backup is made with the passphrase, sent, and not left lying', async () => {
  const response = await download()
  expect([response.status, await response.text()]).toEqual([200, 'sealed'])
  expect(starter.asked).toMatchObject([{ passphrase: PASSPHRASE }])
  expect(existsSync(starter.file)).toBe(false)
  // what was done is noted once it was answered
  await vi.waitFor(async () => {
    const log = await administrator.call('GET', '/api/security-events')
    expect(JSON.stringify(log.body)).toContain('backup.made')
    expect(JSON.stringify(log.body)).not.toContain(PASSPHRASE)
  })
})

test('a passphrase that is guessed is refused, and a failure is told without its inside', async () => {
  expect(await administrator.call('POST', '/api/backups', { passphrase: 'short' })).toMatchObject({ status: 422 })
  starter.failure = 'password of the owner: secret'
  const answer = await administrator.call('POST', '/api/backups', { passphrase: PASSPHRASE })
  expect(answer).toMatchObject({ status: 503, body: { title: 'backup.failed' } })
  expect(JSON.stringify(answer.body)).not.toContain('secret')
  starter.failure = null
})

test('how the last one made by itself went is told', async () => {
  expect((await administrator.call('GET', '/api/backups')).body).toEqual({ canBackUp: true, last: null })
  const backedUp = { atMs: 1_795_500_000_000, folder: '/media/stick', failure: 'the stick is full' }
  starter.tell({ backedUp })
  expect((await administrator.call('GET', '/api/backups')).body).toEqual({ canBackUp: true, last: backedUp })
})

test('where nobody can make backups, that is said', async () => {
  const lone = await openTestServer()
  const caller = await Caller.signedIn(lone.address, 'administrator')
  expect((await caller.call('GET', '/api/backups')).body).toEqual({ canBackUp: false, last: null })
  expect(await caller.call('POST', '/api/backups', { passphrase: PASSPHRASE })).toMatchObject({
    status: 503,
    body: { title: 'backup.nobody' },
  })
  await lone.close()
})
