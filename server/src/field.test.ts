/** A field: the same house over http and https, two sessions that do not know of each other, and nothing that outlasts the address. */
import { X509Certificate } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { request } from 'node:https'
import type { AddressInfo } from 'node:net'
import path from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openAuthority } from '../../scripts/lib/authority.mjs'
import { DATA } from '../../scripts/lib/paths.mjs'
import { Caller, openTestServer, PASSWORD, type TestServer } from '../testing/testServer.ts'
import { readEnvironment } from './environment.ts'
import { openField } from './field.ts'
import { NO_LIMITS } from './limits.ts'

let folder: string
let server: TestServer
let authority: string

beforeAll(async () => {
  folder = mkdtempSync(path.join(DATA, 'field-test-'))
  const files = await openAuthority(folder, ['192.168.43.1'], ['field-laptop'])
  const field = openField({ ...files, addresses: ['192.168.43.1'], httpsPort: 4643 }, 4680)
  authority = new X509Certificate(field.authorityDer).toString()
  server = await openTestServer({ field, limits: NO_LIMITS })
})
afterAll(async () => {
  await server.close()
  rmSync(folder, { recursive: true, force: true })
})

interface Answered {
  readonly status: number
  readonly headers: Readonly<Record<string, string | string[] | undefined>>
  readonly body: string
}

/** As a device that believes the authority. */
const overHttps = (method: string, address: string, cookie = '', body?: object): Promise<Answered> =>
  new Promise((resolve, reject) => {
    const { port } = server.inside.https?.address() as AddressInfo
    const asking = request(
      {
        host: '127.0.0.1',
        servername: 'field-laptop',
        port,
        method,
        path: address,
        ca: authority,
        headers: { 'Content-Type': 'application/json', Cookie: cookie },
      },
      (response) => {
        let text = ''
        response.on('data', (chunk: Buffer) => (text += chunk.toString()))
        response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, body: text }))
      },
    )
    asking.on('error', reject)
    asking.end(body === undefined ? undefined : JSON.stringify(body))
  })
const cookieOf = ({ headers }: Answered): string => String(headers['set-cookie']?.[0] ?? '')
const SIGN_IN = { signInName: 'officer', password: PASSWORD }

test('whoever asks, signed in or not, learns how others reach this machine', async () => {
  const { body } = await new Caller(server.address).call('GET', '/api/session/field')
  expect(body).toMatchObject({ field: { addresses: ['192.168.43.1'], httpPort: 4680, httpsPort: 4643 } })
  const { fingerprint } = body['field'] as { fingerprint: string }
  expect(fingerprint.replaceAll(' ', '')).toBe(new X509Certificate(authority).fingerprint256.replaceAll(':', ''))
})

test('a house that serves no field says so', async () => {
  const plain = await openTestServer()
  try {
    expect((await new Caller(plain.address).call('GET', '/api/session/field')).body).toEqual({ field: null })
    expect((await fetch(`${plain.address}/field/authority.crt`)).status).toBe(404)
    // whoever serves one address for good may tell browsers to insist on https
    expect((await fetch(`${plain.address}/api/session`)).headers.get('Strict-Transport-Security')).not.toBeNull()
  } finally {
    await plain.close()
  }
})

test('the authority is handed out as phones take it, and its key is not', async () => {
  const answer = await fetch(`${server.address}/field/authority.crt`)
  expect(answer.headers.get('Content-Type')).toBe('application/x-x509-ca-cert')
  const taken = new X509Certificate(Buffer.from(await answer.arrayBuffer()))
  expect(taken.ca).toBe(true)
  for (const file of ['authority-key.pem', 'server-key.pem', '..%2fauthority-key.pem'])
    expect((await fetch(`${server.address}/field/${file}`)).status).toBe(404)
})

test('over both the same house answers, and neither tells a browser to insist on this address', async () => {
  const secure = await overHttps('GET', '/api/session')
  const plain = await fetch(`${server.address}/api/session`)
  expect(JSON.parse(secure.body)).toEqual(await plain.json())
  expect(secure.headers['strict-transport-security']).toBeUndefined()
  expect(plain.headers.get('Strict-Transport-Security')).toBeNull()
})

test('a session over https is for https alone, and one over http does not take its place', async () => {
  const secure = cookieOf(await overHttps('POST', '/api/session', '', SIGN_IN))
  expect(secure).toMatch(/^able_gauge_session=.*HttpOnly.*Secure.*SameSite=Strict/)
  const plain = new Caller(server.address)
  const { headers } = await plain.call('POST', '/api/session', SIGN_IN)
  const given = headers.get('Set-Cookie') ?? ''
  expect(given).toMatch(/^able_gauge_session_plain=/)
  expect(given).not.toContain('Secure')
  const [secureCookie = ''] = secure.split(';')
  expect((await overHttps('GET', '/api/occasions', secureCookie)).status).toBe(200)
  expect((await plain.call('GET', '/api/occasions')).status).toBe(200)
  // a cookie of the other opens nothing
  const [, token = ''] = secureCookie.split('=')
  const stolen = await fetch(`${server.address}/api/occasions`, { headers: { Cookie: secureCookie } })
  expect(stolen.status).toBe(401)
  expect((await overHttps('GET', '/api/occasions', `able_gauge_session_plain=${token}`)).status).toBe(401)
  // signing out over one leaves the other
  await overHttps('DELETE', '/api/session', secureCookie)
  expect((await overHttps('GET', '/api/occasions', secureCookie)).status).toBe(401)
  expect((await plain.call('GET', '/api/occasions')).status).toBe(200)
})

test('the settings of a field name their place when they are wrong', () => {
  const env = { ABLE_GAUGE_DATABASE_URL: 'postgresql://x', ABLE_GAUGE_FIELD_FOLDER: '/field' }
  expect(readEnvironment({ ABLE_GAUGE_DATABASE_URL: 'postgresql://x' }).field).toBeNull()
  expect(() => readEnvironment(env)).toThrow('ABLE_GAUGE_HTTPS_PORT')
  expect(() => readEnvironment({ ...env, ABLE_GAUGE_HTTPS_PORT: '70000' })).toThrow('ABLE_GAUGE_HTTPS_PORT is "70000"')
  const field = { ...env, ABLE_GAUGE_HTTPS_PORT: '4643', ABLE_GAUGE_FIELD_ADDRESSES: '10.0.0.7,192.168.1.2' }
  expect(readEnvironment(field).field).toEqual({
    authorityFile: '/field/authority.pem',
    certificateFile: '/field/server.pem',
    keyFile: '/field/server-key.pem',
    addresses: ['10.0.0.7', '192.168.1.2'],
    httpsPort: 4643,
  })
})
