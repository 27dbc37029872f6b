/** Behind a reverse proxy that is named, as docs/operations.md sets one up: cookies, addresses and streams; and without one nobody's word counts. */
import { createServer, request as ask, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../testing/testServer.ts'

const FROM = '203.0.113.7'
let server: TestServer
let proxy: Server
let address = ''

/** Passes everything on as it comes, says who asked and that they came over https. */
const openProxy = (to: string): Promise<Server> => {
  const { hostname, port } = new URL(to)
  const passing = createServer((request, response) => {
    const headers = { ...request.headers, 'x-forwarded-for': FROM, 'x-forwarded-proto': 'https' }
    const { method = 'GET', url: path = '/' } = request
    const passed = ask({ hostname, port, method, path, headers }, (answer) => {
      response.writeHead(answer.statusCode ?? 502, answer.headers)
      answer.pipe(response)
    })
    passed.once('error', () => response.destroy())
    response.once('close', () => passed.destroy())
    request.pipe(passed)
  })
  return new Promise((resolve) => passing.listen(0, '127.0.0.1', () => resolve(passing)))
}

beforeAll(async () => {
  server = await openTestServer({ trustedProxy: '127.0.0.1' })
  proxy = await openProxy(server.address)
  address = `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`
})
afterAll(async () => {
  proxy.closeAllConnections()
  proxy.close()
  await server.close()
})

const signIn = (at: string) =>
  fetch(`${at}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'X-Forwarded-Proto': 'https', 'X-Forwarded-For': FROM },
    body: JSON.stringify({ signInName: 'officer', password: PASSWORD }),
  })

test('who came over https to the proxy gets a secure cookie, and is noted with their own address', async () => {
  const answer = await signIn(address)
  expect(answer.status).toBe(201)
  expect(answer.headers.get('set-cookie')).toMatch(/^able_gauge_session=.*; Secure/)
  const officer = await Caller.signedIn(address, 'officer')
  const events = (await officer.call('GET', '/api/security-events')).body['events'] as { detail: object }[]
  expect(events[0]?.detail).toEqual({ address: FROM })
})

test('what is written from a page of the proxy’s own name is taken, from another page refused', async () => {
  const officer = await Caller.signedIn(address, 'officer')
  const write = (origin: string) => officer.call('POST', '/api/keys', { key: 'none', name: 'x' }, { Origin: origin })
  expect((await write(address)).status).toBe(422)
  expect((await write('https://elsewhere.example')).status).toBe(403)
})

test('a stream comes through piece by piece', async () => {
  const { occasionId } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  const timer = await Caller.signedIn(address, 'timer')
  const stop = new AbortController()
  const stream = await fetch(`${address}/api/occasions/${occasionId}/live`, {
    headers: { Cookie: timer.cookieHeader },
    signal: stop.signal,
  })
  expect(stream.headers.get('x-accel-buffering')).toBe('no')
  expect(stream.headers.get('content-encoding')).toBeNull()
  const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader()
  const seen: string[] = []
  const reading = (async () => {
    for (;;) {
      const part = await reader?.read()
      if (!part || part.done) return
      seen.push(part.value)
    }
  })().catch(() => undefined)
  const captures = [sentCapture()]
  expect((await timer.call('POST', `/api/occasions/${occasionId}/captures`, { captures })).status).toBe(200)
  await vi.waitFor(() => expect(seen.join('')).toContain(captures[0]?.id ?? 'nothing'))
  stop.abort()
  await reading
})

test('where no proxy is named, nobody says of themselves where they come from', async () => {
  const alone = await openTestServer()
  const answer = await signIn(alone.address)
  expect(answer.headers.get('set-cookie')).toMatch(/^able_gauge_session_plain=/)
  expect(answer.headers.get('set-cookie')).not.toContain('Secure')
  const officer = await Caller.signedIn(alone.address, 'officer')
  const events = (await officer.call('GET', '/api/security-events')).body['events'] as { detail: object }[]
  expect(JSON.stringify(events)).not.toContain(FROM)
  await alone.close()
})
