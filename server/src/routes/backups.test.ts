/** Backups on screen: asked of who can make them, sent once, taken away; what is told when none can be made. */
import { existsSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import { Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { openKeeper, type Channel } from '../keeper.ts'

/** The program that started the server, as far as it is asked for backups. */
class Starter implements Channel {
  readonly asked: { id: string; passphrase: string }[] = []
  /** What it was given to restore, as it stood then. */
  readonly restored: string[] = []
  readonly file = path.join(tmpdir(), `backup-${process.pid}.test`)
  failure: string | null = null

  tell: (message: unknown) => void = () => undefined
  listen = (listener: (message: unknown) => void): void => {
    this.tell = listener
  }

  send = (message: object): void => {
    const { backUp, restore } = message as {
      backUp?: { id: string; passphrase: string }
      restore?: { id: string; file: string; passphrase: string }
    }
    const { failure, file } = this
    const answer = (id: string, result: unknown): void => {
      setImmediate(() => this.tell({ kept: { id, ...(failure === null ? { result } : { failure }) } }))
    }
    if (backUp) {
      this.asked.push(backUp)
      writeFileSync(this.file, 'sealed')
      answer(backUp.id, file)
    }
    if (restore) {
      this.restored.push(readFileSync(restore.file, 'utf8'))
      answer(restore.id, { days: 12, people: 150, captures: 9_000 })
    }
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
  expect((await administrator.call('GET', '/api/backups')).body).toEqual({
    canBackUp: true,
    last: null,
    lastRestored: null,
  })
  const backedUp = { atMs: 1_795_500_000_000, folder: '/media/stick', failure: 'the stick is full' }
  starter.tell({ backedUp })
  expect((await administrator.call('GET', '/api/backups')).body).toMatchObject({ last: backedUp })
})

test('where nobody can make backups, that is said', async () => {
  const lone = await openTestServer()
  const caller = await Caller.signedIn(lone.address, 'administrator')
  expect((await caller.call('GET', '/api/backups')).body).toMatchObject({ canBackUp: false, last: null })
  expect(await caller.call('POST', '/api/backups', { passphrase: PASSPHRASE })).toMatchObject({
    status: 503,
    body: { title: 'backup.nobody' },
  })
  await lone.close()
})

test('a backup comes in by parts that follow each other, and is put back by whoever signs for it', async () => {
  const part = (text: string): string => Buffer.from(text).toString('base64')
  const { status, body } = await administrator.call('POST', '/api/restores')
  expect(status).toBe(201)
  const path = `/api/restores/${String(body['id'])}`
  const send = (offset: number, text: string) => administrator.call('PUT', `${path}/part`, { offset, part: part(text) })
  expect((await send(0, 'the whole ')).status).toBe(204)
  expect(await send(0, 'the whole ')).toMatchObject({ status: 409 })
  expect((await send(10, 'house')).status).toBe(204)
  const start = (change: object = {}) =>
    administrator.call('POST', `${path}/start`, { passphrase: PASSPHRASE, password: PASSWORD, ...change })
  expect(await start({ password: 'not mine' })).toMatchObject({ status: 403, body: { title: 'signOff.password' } })
  expect(starter.restored).toEqual([])
  expect(await start()).toMatchObject({ status: 200, body: { days: 12, people: 150, captures: 9_000 } })
  expect(starter.restored).toEqual(['the whole house'])
  expect((await administrator.call('PUT', '/api/restores/none/part', { offset: 0, part: 'eA==' })).status).toBe(404)
  const officer = await Caller.signedIn(server.address, 'officer')
  expect((await officer.call('POST', '/api/restores')).status).toBe(403)
})

test('a file that is refused is told in words and taken away; how the last restore went stands there afterwards', async () => {
  const path = `/api/restores/${String((await administrator.call('POST', '/api/restores')).body['id'])}`
  starter.failure = 'The passphrase is another, or the file was changed.'
  const refused = await administrator.call('POST', `${path}/start`, { passphrase: 'another one', password: PASSWORD })
  expect(refused).toMatchObject({ status: 422, body: { detail: expect.stringContaining('passphrase is another') } })
  expect((await administrator.call('PUT', `${path}/part`, { offset: 0, part: 'eA==' })).status).toBe(404)
  starter.failure = null
  const restored = { atMs: 1_795_500_000_000, failure: 'the disk is full' }
  starter.tell({ restored })
  expect((await administrator.call('GET', '/api/backups')).body).toMatchObject({ lastRestored: restored })
})

test('what somebody began to send long ago and never put back is taken away by the next', async () => {
  const begin = async (): Promise<string> => String((await administrator.call('POST', '/api/restores')).body['id'])
  const [old, fresh] = [await begin(), await begin()]
  const fileOf = (id: string): string => path.join(tmpdir(), `able-gauge-restore-${id}`)
  utimesSync(fileOf(old), new Date(), new Date(Date.now() - 7 * 3_600_000))
  const last = await begin()
  expect([old, fresh, last].map((id) => existsSync(fileOf(id)))).toEqual([false, true, true])
  for (const id of [fresh, last]) rmSync(fileOf(id))
})
