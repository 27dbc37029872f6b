/** A server on a database of its own, with accounts of every role and a way to call it as each of them. */
import { randomUUID } from 'node:crypto'
import type { Server as HttpServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import pg from 'pg'
import pino from 'pino'
import { inject } from 'vitest'
import { parseStandard, rolesFor, type Attendance, type Finding, type Standard } from '@able-gauge/core'
import { hashPassword } from '../src/access/password.ts'
import { ROLES, type Role } from '../src/access/role.ts'
import { openPool, type Pool } from '../src/database.ts'
import type { Field } from '../src/field.ts'
import type { Keeper } from '../src/keeper.ts'
import { LIMITS, type Limits } from '../src/limits.ts'
import { openServer } from '../src/openServer.ts'
import type { Server } from '../src/routes/route.ts'
import type { TimeSources } from '../src/serverClock.ts'
import { addAccount } from '../src/store/accountStore.ts'
import { openSetUpSession, tokenOf } from '../src/store/setUpStore.ts'
import { addEntry } from '../src/store/entryStore.ts'
import { addOccasion, addStaffMember } from '../src/store/occasionStore.ts'
import { addPerson } from '../src/store/personStore.ts'
import { addStandard } from '../src/store/standardStore.ts'

export const PASSWORD = 'a password for tests'
/** Of its hash: signing in takes as little as it can. */
export const QUICK_COST = 2 ** 10

export interface Answer {
  readonly status: number
  readonly headers: Headers
  readonly body: {
    readonly title?: string
    readonly detail?: string
    readonly findings?: readonly Finding[]
    readonly [key: string]: unknown
  }
}

export interface TestServer {
  readonly address: string
  readonly pool: Pool
  /** Connections of the database's owner, who may set up what the application may not. */
  readonly owner: Pool
  /** The token of a live session of a role's account. */
  readonly tokenOf: (role: Role) => string
  /** What handlers of this server work with. */
  readonly inside: Server & { readonly http: HttpServer; readonly https: HttpServer | null }
  /** Ids of the accounts, one for each role. */
  readonly accountIds: Readonly<Record<Role, string>>
  /** Lets the server compare its clocks now. */
  readonly lookAtClock: () => Promise<void>
  /** Another server process on the same database. */
  readonly another: () => Promise<{ address: string; close: () => Promise<void> }>
  /** Changes what no role of the application may, as the person would who looks after the database. */
  readonly asOwner: (sql: string) => Promise<void>
  readonly close: () => Promise<void>
}

const inRole = <Value>(of: (role: Role) => Value): Record<Role, Value> => ({
  administrator: of('administrator'),
  officer: of('officer'),
  grader: of('grader'),
  timer: of('timer'),
  clerk: of('clerk'),
  records: of('records'),
  viewer: of('viewer'),
})

export interface TestSettings {
  readonly demo?: boolean
  readonly demoAccounts?: boolean
  readonly limits?: Limits
  readonly time?: TimeSources
  /** Where whole days are judged; in the server's own thread when left out. */
  readonly work?: 'threads' | 'here'
  /** Served over https as well. */
  readonly field?: Field
  /** Who makes backups. */
  readonly keeper?: Keeper
  /** The built application it serves; none when left out. */
  readonly webFolder?: string
  /** Address of a proxy in front whose word counts. */
  readonly trustedProxy?: string
}

export const openTestServer = async ({ demoAccounts = false, ...settings }: TestSettings = {}): Promise<TestServer> => {
  const database = `test_${randomUUID().replaceAll('-', '')}`
  await asSuperuser(`create database ${database} template ${inject('template')}`)
  const url = inject('appUrl').replace('DATABASE', database)
  const first = await listen(url, settings)
  const { pool } = first.server
  const owner = openPool(inject('ownerUrl').replace('DATABASE', database), 2)
  const accountIds = inRole(() => randomUUID())
  const passwordHash = await hashPassword(PASSWORD, QUICK_COST)
  for (const role of ROLES) {
    await addAccount(owner, {
      id: accountIds[role],
      signInName: role,
      displayName: `The ${role}`,
      role,
      passwordHash,
      isDemo: demoAccounts,
    })
    await openSetUpSession(owner, accountIds[role])
  }
  return {
    address: first.address,
    pool,
    owner,
    tokenOf: (role) => tokenOf(accountIds[role]),
    inside: { ...first.server, http: first.http, https: first.https },
    lookAtClock: first.lookAtClock,
    accountIds,
    asOwner: (sql) => asSuperuser(sql, database),
    another: () => listen(url, { demo: settings.demo ?? false, limits: settings.limits ?? LIMITS }),
    close: async () => {
      await first.close()
      await owner.end()
      await asSuperuser(`drop database if exists ${database} with (force)`)
    },
  }
}

interface Listening {
  readonly server: Server
  readonly http: HttpServer
  readonly https: HttpServer | null
  readonly address: string
  readonly lookAtClock: () => Promise<void>
  readonly close: () => Promise<void>
}

const listen = async (
  databaseUrl: string,
  { demo = false, limits = LIMITS, work = 'here', ...settings }: Omit<TestSettings, 'demoAccounts'>,
): Promise<Listening> => {
  const log = pino({ level: 'silent' })
  const { server, http, https, clock, close } = await openServer({
    databaseUrl,
    demo,
    webFolder: null,
    log,
    limits,
    work,
    checksAnswers: true,
    ...settings,
  })
  for (const listener of https ? [http, https] : [http])
    await new Promise<void>((resolve) => listener.listen(0, '127.0.0.1', resolve))
  return {
    server,
    http,
    https,
    address: `http://127.0.0.1:${(http.address() as AddressInfo).port}`,
    lookAtClock: clock.look,
    close,
  }
}

const asSuperuser = async (sql: string, database?: string): Promise<void> => {
  const url = new URL(inject('superUrl'))
  if (database) url.pathname = `/${database}`
  const client = new pg.Client({ connectionString: url.href })
  await client.connect()
  await client.query(sql)
  await client.end()
}

/** One person's browser: keeps the cookie, speaks JSON. */
export class Caller {
  private cookie = ''

  constructor(readonly address: string) {}

  /** @param role or the name of another account that has the password of the tests */
  static async signedIn(address: string, role: string): Promise<Caller> {
    const caller = new Caller(address)
    const { status } = await caller.call('POST', '/api/session', { signInName: role, password: PASSWORD })
    if (status !== 201) throw new Error(`The ${role} could not sign in: ${status}.`)
    return caller
  }

  /** @param body sent as JSON, or as it is when it is a string */
  async call(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
    const sent = body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }
    const response = await fetch(this.address + path, {
      method,
      headers: { 'Content-Type': 'application/json', Cookie: this.cookie, ...headers },
      ...sent,
    })
    const setCookie = response.headers.get('Set-Cookie')
    if (setCookie) this.cookie = setCookie.split(';')[0] ?? ''
    const text = await response.text()
    // a picture or a backup is looked at by whoever asks for it
    const isJson = response.headers.get('Content-Type')?.includes('json') === true
    return {
      status: response.status,
      headers: response.headers,
      body: text === '' || !isJson ? {} : (JSON.parse(text) as Answer['body']),
    }
  }

  get cookieHeader(): string {
    return this.cookie
  }
}

export interface TestEntry {
  readonly bib: number | null
  readonly wave?: number
  readonly birthDate?: string
  readonly category?: string
  readonly attendance?: Attendance
  readonly bodyMassG?: number | null
}

/** Publishes a standard and adds a day under it, with every test account but the viewer on the staff; the people belong to the day's unit. */
export const addTestDay = async (
  { pool, accountIds }: TestServer,
  plainStandard: unknown,
  testDate: string,
  entries: readonly TestEntry[],
  unitId?: string,
): Promise<{ occasionId: string; entryIds: string[]; standard: Standard }> => {
  const parsed = parseStandard(plainStandard)
  if (!parsed.ok) throw new Error(`The standard of a test is unsound: ${JSON.stringify(parsed.findings)}`)
  const standard = parsed.value
  const { rowCount } = await pool.query('select 1 from standards where id = $1 and version = $2', [
    standard.id,
    standard.version,
  ])
  if (rowCount === 0) await addStandard(pool, standard)
  const occasionId = randomUUID()
  await addOccasion(pool, {
    id: occasionId,
    name: 'Test day',
    venue: 'Fallow Point track',
    zone: 'Etc/GMT-12',
    testDate,
    standardId: standard.id,
    standardVersion: standard.version,
    ...(unitId === undefined ? {} : { unitId }),
  })
  for (const role of rolesFor('devices.report')) await addStaffMember(pool, occasionId, accountIds[role], role)
  const entryIds: string[] = []
  for (const {
    bib,
    wave = 1,
    birthDate = '1999-05-04',
    category = 'female',
    attendance = 'present',
    bodyMassG = null,
  } of entries) {
    const [id, personId] = [randomUUID(), randomUUID()]
    await addPerson(pool, {
      id: personId,
      number: `T-${personId.slice(0, 8)}`,
      givenName: 'Tove',
      familyName: 'Okafor-Lind',
      birthDate,
      unitId,
    })
    await addEntry(pool, { id, occasionId, personId, bib, wave, category, attendance, note: '', bodyMassG })
    entryIds.push(id)
  }
  return { occasionId, entryIds, standard }
}
