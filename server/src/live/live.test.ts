import { IncomingMessage, ServerResponse } from 'node:http'
import { Socket } from 'node:net'
import type { Response } from 'express'
import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { notifyAccess } from '../store/dayNotices.ts'
import { streamDay } from './streamDay.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let occasionId: string
let timer: Caller

beforeAll(async () => {
  server = await openTestServer()
  timer = await Caller.signedIn(server.address, 'timer')
  ;({ occasionId } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }]))
})
afterAll(() => server.close())

const capture = async (): Promise<void> => {
  const { status } = await timer.call('POST', `/api/occasions/${occasionId}/captures`, { captures: [sentCapture()] })
  expect(status).toBe(200)
}

/** Follows the day and collects the numbers of the captures that arrive, until there are `count`. */
const follow = async (
  address: string,
  count: number,
  headers: Record<string, string>,
  whenOpen: () => Promise<void>,
): Promise<number[]> => {
  const abort = new AbortController()
  const response = await fetch(`${address}/api/occasions/${occasionId}/live`, {
    headers: { Cookie: timer.cookieHeader, ...headers },
    signal: abort.signal,
  })
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader()
  const opened = whenOpen()
  const seqs: number[] = []
  let text = ''
  while (reader && seqs.length < count) {
    const { value, done } = await reader.read()
    if (done) break
    text += value
    const events = text.split('\n\n')
    text = events.pop() ?? ''
    for (const event of events) {
      const data = /^data: (\[.*\])$/m.exec(event)?.[1]
      if (data) seqs.push(...(JSON.parse(data) as { seq: number }[]).map(({ seq }) => seq))
    }
  }
  await opened
  abort.abort()
  return seqs
}

test('a follower gets what is there and what comes', async () => {
  await capture()
  expect(
    await follow(server.address, 3, {}, async () => {
      await capture()
      await capture()
    }),
  ).toEqual([1, 2, 3])
})

test('a follower that comes back goes on after the last number it had', async () => {
  expect(await follow(server.address, 2, { 'Last-Event-ID': '2' }, capture)).toEqual([3, 4])
})

test('two server processes on one database see what the other stores', async () => {
  const other = await server.another()
  expect(await follow(other.address, 2, { 'Last-Event-ID': '3' }, capture)).toEqual([4, 5])
  await other.close()
})

test('a stream that was ended writes nothing more while its reader has yet to take the rest', async () => {
  // an answer without a socket stays as an answer does whose reader is slow: ended, and not closed
  const answer = new ServerResponse(new IncomingMessage(new Socket()))
  const broken: Error[] = []
  answer.on('error', (error) => broken.push(error))
  let mayFollow = true
  const account = { id: server.accountIds.timer, signInName: 'timer', displayName: 'The timer', role: 'timer' } as const
  streamDay(
    server.inside,
    { occasionId, account, afterSeq: 0, mayFollow: () => Promise.resolve(mayFollow), slowReaderMs: 200 },
    answer as Response,
  )
  mayFollow = false
  await notifyAccess(server.pool, account.id)
  await vi.waitFor(() => expect(answer.writableEnded).toBe(true))
  // whoever follows later is woken later, so the ended one has been woken when this one has its capture
  expect(await follow(server.address, 1, { 'Last-Event-ID': '5' }, capture)).toEqual([6])
  expect(broken).toEqual([])
  await vi.waitFor(() => expect(answer.destroyed).toBe(true))
})

test('whoever follows the day hears how far signing it is', async () => {
  const officer = await Caller.signedIn(server.address, 'officer')
  const abort = new AbortController()
  const response = await fetch(`${server.address}/api/occasions/${occasionId}/live`, {
    headers: { Cookie: timer.cookieHeader },
    signal: abort.signal,
  })
  const signing = officer.call('POST', `/api/occasions/${occasionId}/sign-off`, {
    password: PASSWORD,
    acceptOpen: true,
  })
  let text = ''
  for await (const chunk of response.body?.pipeThrough(new TextDecoderStream()) ?? []) {
    text += chunk
    if (text.includes('event: day')) break
  }
  expect((await signing).status).toBe(201)
  abort.abort()
  expect(
    [...text.matchAll(/^event: signing\ndata: (.*)$/gm)].map(([, data]) => JSON.parse(data ?? '') as object),
  ).toEqual([0, 1, 2, 3].map((done) => ({ done, of: 4 })))
})
