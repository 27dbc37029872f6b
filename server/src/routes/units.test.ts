/** Whoever belongs to a unit sees and works there: every route walked by every role from another unit, and what is within reach listed. */
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { RULES, ROLES, type Role } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, PASSWORD, QUICK_COST, type TestServer } from '../../testing/testServer.ts'
import { hashPassword } from '../access/password.ts'
import { addAccount } from '../store/accountStore.ts'
import { ROUTES } from './index.ts'

let server: TestServer
/** Constabulary with North and South below it, and Fire beside it. */
const UNIT = { constabulary: randomUUID(), north: randomUUID(), south: randomUUID(), fire: randomUUID() }
type UnitName = keyof typeof UNIT
const days = new Map<UnitName | 'house', { occasionId: string; entryIds: string[] }>()
const callers = new Map<string, Caller>()
const BELOW: readonly Role[] = ROLES.filter((role) => role !== 'administrator')

const keep = (id: string, name: string, parentId: string | null, isClosed = false) =>
  as('administrator').call('PUT', `/api/units/${id}`, { name, parentId, isClosed })
const as = (who: string): Caller => {
  const caller = callers.get(who)
  if (!caller) throw new Error(`Nobody is signed in as ${who}.`)
  return caller
}

beforeAll(async () => {
  server = await openTestServer()
  for (const role of ROLES) callers.set(role, await Caller.signedIn(server.address, role))
  await keep(UNIT.constabulary, 'Constabulary', null)
  await keep(UNIT.north, 'North Skerries', UNIT.constabulary)
  await keep(UNIT.south, 'South Skerries', UNIT.constabulary)
  await keep(UNIT.fire, 'Fire Service', null)
  const passwordHash = await hashPassword(PASSWORD, QUICK_COST)
  for (const unit of ['constabulary', 'north'] as const)
    for (const role of BELOW) {
      const signInName = `${role}.${unit}`
      const account = { id: randomUUID(), signInName, displayName: signInName, role, passwordHash, isDemo: false }
      await addAccount(server.owner, { ...account, unitId: UNIT[unit] })
      callers.set(signInName, await Caller.signedIn(server.address, signInName))
    }
  for (const unit of Object.keys(UNIT) as UnitName[])
    days.set(unit, await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }], UNIT[unit]))
  days.set('house', await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }]))
})
afterAll(() => server.close())

const personOf = async (unit: UnitName | 'house'): Promise<string> => {
  const { rows } = await server.owner.query<{ person_id: string }>('select person_id from entries where id = $1', [
    days.get(unit)?.entryIds[0],
  ])
  return rows[0]?.person_id ?? ''
}

const addressOf = async (path: string, unit: UnitName | 'house'): Promise<string> =>
  path
    .replace(':occasionId', days.get(unit)?.occasionId ?? '')
    .replace(':entryId', days.get(unit)?.entryIds[0] ?? '')
    .replace(':personId', await personOf(unit))
    .replace(':eventId', 'grip')
    .replace(':deviceId', 'device-1')
    .replace(':accountId', server.accountIds.administrator)
    .replace(':standardId/:version', 'constabulary-entry/3')

const WALK = ROUTES.flatMap(({ method, path, action }) => BELOW.map((role) => [method, path, role, action] as const))

test.each(WALK)(
  '%s %s by a %s of North reaches nothing of South, of Fire or of the house',
  async (method, path, role, action) => {
    const { ground, roles }: { ground: string; roles: readonly Role[] } = RULES[action]
    for (const unit of ['south', 'fire', 'house'] as const) {
      const address = await addressOf(path, unit)
      const { status, body } = await as(`${role}.north`).call(
        method.toUpperCase(),
        address,
        method === 'get' ? undefined : { reason: 'x' },
      )
      if (!roles.includes(role)) expect(body.title).toBe('access.role')
      else if (path.includes(':occasionId'))
        expect([403, body.title]).toEqual([status, expect.stringMatching(/^access\.(unit|staff)$/)])
      // somebody of another unit is nobody
      else if (path.includes(':personId')) expect(status).toBe(404)
      else if (ground === 'service') expect([status, body.title]).toEqual([403, 'access.unit'])
      else expect(status).not.toBe(500)
    }
  },
)

const listed = async (who: string, path: string, key: string, id = 'id'): Promise<string[]> => {
  const { body } = await as(who).call('GET', path)
  return (body[key] as Record<string, string>[]).map((one) => one[id] ?? '')
}
const dayIds = (...units: (UnitName | 'house')[]): string[] =>
  units.map((unit) => days.get(unit)?.occasionId ?? '').sort()

test.each([
  ['officer.north', ['north']],
  ['viewer.north', ['north']],
  ['viewer.constabulary', ['constabulary', 'north', 'south']],
  ['viewer', ['constabulary', 'north', 'south', 'fire', 'house']],
  // not on the staff of any
  ['grader.north', []],
] as const)('%s sees the days of %o', async (who, units) => {
  expect((await listed(who, '/api/occasions', 'occasions')).sort()).toEqual(dayIds(...units))
})

test.each([
  ['records.north', ['north']],
  ['clerk.constabulary', ['constabulary', 'north', 'south']],
  ['records', ['constabulary', 'north', 'south', 'fire', 'house']],
] as const)('%s sees the people of %o', async (who, units) => {
  const people = await Promise.all(units.map(personOf))
  expect((await listed(who, '/api/people', 'people')).sort()).toEqual(people.sort())
  for (const id of people) expect((await as(who).call('GET', `/api/people/${id}`)).status).toBe(200)
})

test('whoever is put on the staff of another unit’s day works there', async () => {
  const { occasionId } = days.get('fire') ?? { occasionId: '' }
  const { rows } = await server.owner.query<{ id: string }>(
    `select id from accounts where sign_in_name = 'grader.north'`,
  )
  await server.owner.query(`insert into occasion_staff values ($1, $2, 'grader')`, [occasionId, rows[0]?.id])
  expect((await as('grader.north').call('GET', `/api/occasions/${occasionId}`)).status).toBe(200)
  expect(await listed('grader.north', '/api/occasions', 'occasions')).toEqual([occasionId])
  await server.owner.query('delete from occasion_staff where account_id = $1', [rows[0]?.id])
  expect((await as('grader.north').call('GET', `/api/occasions/${occasionId}`)).status).toBe(403)
})

test('a day tells the unit of everybody entered, and nothing of whoever has none', async () => {
  const unitsOn = async (day: UnitName | 'house') =>
    (await as('officer').call('GET', `/api/occasions/${days.get(day)?.occasionId ?? ''}`)).body['unitsOf']
  expect(await unitsOn('north')).toEqual({ [days.get('north')?.entryIds[0] ?? '']: UNIT.north })
  expect(await unitsOn('house')).toEqual({})
})

const NEW_DAY = { name: 'New day', venue: 'Marram Yard', zone: 'Etc/GMT-12', testDate: '2026-12-01', staff: [] }
const plan = (who: string, more: object) =>
  as(who).call('POST', '/api/occasions', { ...NEW_DAY, standardId: 'constabulary-entry', version: 3, ...more })

test('a new day belongs to the unit of who plans it, or to one below, and to no other', async () => {
  const { body } = await plan('officer.constabulary', {})
  const day = await as('officer.constabulary').call('GET', `/api/occasions/${String(body['id'])}`)
  expect(day.body['occasion']).toMatchObject({ unitId: UNIT.constabulary })
  expect((await plan('officer.constabulary', { unitId: UNIT.north })).status).toBe(201)
  for (const unitId of [UNIT.fire, null, randomUUID()])
    expect(await plan('officer.constabulary', { unitId }), String(unitId)).toMatchObject({
      status: 422,
      body: { findings: [{ place: 'unitId', code: 'unknownUnit' }] },
    })
  const moved = (unitId: string | null) =>
    as('officer.constabulary').call('PATCH', `/api/occasions/${String(body['id'])}`, { unitId })
  expect((await moved(UNIT.south)).status).toBe(204)
  expect((await moved(UNIT.fire)).status).toBe(422)
})

const person = (number: string) => ({
  number,
  givenName: 'Tove',
  familyName: 'Okafor-Lind',
  birthDate: '1999-05-04',
  category: 'female',
})

test('a number of another unit is refused without a name; somebody new belongs to the day’s unit', async () => {
  const { body } = await plan('officer.north', {})
  const { rows } = await server.owner.query<{ number: string }>('select number from people where id = $1', [
    await personOf('fire'),
  ])
  const answer = await as('officer.north').call('POST', `/api/occasions/${String(body['id'])}/roster`, {
    waveOf: 12,
    people: [
      { ...person(rows[0]?.number ?? ''), familyName: 'Other' },
      { ...person('N-1'), familyName: 'New' },
    ],
  })
  expect(answer.body['outcomes']).toEqual([{ kind: 'otherUnit' }, { kind: 'entered', known: false }])
  const found = await as('records.north').call('GET', '/api/people?search=N-1')
  expect(found.body['people']).toMatchObject([{ number: 'N-1', unitId: UNIT.north }])
})

test('units are kept by administrators; one that would lie within itself is refused, and a closed one is given to nobody', async () => {
  expect(await keep(UNIT.constabulary, 'Constabulary', UNIT.north)).toMatchObject({
    status: 409,
    body: { title: 'unit.circle' },
  })
  const id = randomUUID()
  expect((await keep(id, 'Gannet Rock', UNIT.fire)).status).toBe(204)
  // the same name once in one unit
  expect((await keep(randomUUID(), 'gannet rock', UNIT.fire)).status).toBe(409)
  const invite = (role: string, unitId: string) =>
    as('administrator').call('POST', '/api/kept-accounts', {
      signInName: `n.${randomUUID().slice(0, 8)}`,
      displayName: 'New',
      role,
      unitId,
    })
  expect((await invite('clerk', id)).status).toBe(201)
  expect(await invite('administrator', id)).toMatchObject({
    status: 422,
    body: { findings: [{ code: 'administratorOfUnit' }] },
  })
  await keep(id, 'Gannet Rock', UNIT.fire, true)
  expect((await invite('clerk', id)).status).toBe(422)
  const accounts = (await as('administrator').call('GET', '/api/kept-accounts')).body['accounts']
  expect(accounts).toContainEqual(expect.objectContaining({ role: 'clerk', unitId: id, state: 'invited' }))
})

test('devices at work are told for the days within reach, with what they said of themselves', async () => {
  const day = days.get('north')?.occasionId ?? ''
  const held = { waiting: 2, refused: 0, clockMs: 12, batteryPercent: 64 }
  expect((await as('grader').call('PUT', `/api/occasions/${day}/devices/phone-3`, held)).status).toBe(204)
  const at = async (who: string): Promise<unknown> => (await as(who).call('GET', '/api/devices')).body['devices']
  const told = { deviceId: 'phone-3', by: 'The grader', occasionId: day, day: 'Test day', ...held }
  expect(await at('officer.north')).toEqual([expect.objectContaining(told)])
  expect(await at('officer.constabulary')).toEqual([expect.objectContaining(told)])
  await server.owner.query('update accounts set unit_id = $1 where sign_in_name = $2', [UNIT.south, 'officer.north'])
  expect(await at('officer.north')).toEqual([])
})
