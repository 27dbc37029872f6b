/** People from a file into the register: compared, decided, taken; read in again it finds its own people. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { RegisterMatch, RegisterRow } from '@able-gauge/core'
import { Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let records: Caller

beforeAll(async () => {
  server = await openTestServer()
  records = await Caller.signedIn(server.address, 'records')
})
afterAll(() => server.close())

const row = (number: string, change: Partial<RegisterRow> = {}): RegisterRow => ({
  number,
  givenName: 'Jörg',
  familyName: `Müller-${number}`,
  birthDate: '1999-05-04',
  category: 'male',
  unitId: '',
  rank: '',
  email: '',
  ...change,
})
const compare = async (...people: RegisterRow[]): Promise<RegisterMatch[]> =>
  (await records.call('POST', '/api/register/compare', { people })).body['matches'] as RegisterMatch[]
const take = (people: object[], reason = 'As the file says') =>
  records.call('POST', '/api/register', { people, reason })
const add = (...rows: RegisterRow[]) => take(rows.map((one) => ({ ...one, take: 'add' })))
const personOf = (match: RegisterMatch | undefined): string =>
  match?.kind === 'differs' || match?.kind === 'otherNumber' ? match.person.id : ''

test('a file is compared, taken in, and finds its own people the second time', async () => {
  const file = Array.from({ length: 150 }, (_, index) => row(`A-${index}`))
  expect(new Set((await compare(...file)).map(({ kind }) => kind))).toEqual(new Set(['new']))
  expect(await add(...file)).toMatchObject({ status: 201, body: { added: 150, changed: 0 } })
  expect(new Set((await compare(...file)).map(({ kind }) => kind))).toEqual(new Set(['same']))
  // taken in twice nobody is there twice
  expect(await add(file[0] ?? row(''))).toMatchObject({ status: 409, body: { title: 'people.changedMeanwhile' } })
})

test('a corrected file changes who is there, with a reason in the record of the person', async () => {
  await add(row('B-1'), row('B-2'))
  const corrected = row('B-1', { givenName: 'Jorge', birthDate: '1999-04-05', rank: 'Sergeant' })
  const [match] = await compare(corrected)
  expect(match).toMatchObject({ kind: 'differs', fields: ['givenName', 'birthDate', 'rank'] })
  const personId = personOf(match)
  expect(await take([{ ...corrected, take: 'change', personId }])).toMatchObject({
    status: 201,
    body: { added: 0, changed: 1 },
  })
  const { body } = await records.call('GET', `/api/people/${personId}`)
  expect(body).toMatchObject({
    person: { givenName: 'Jorge', birthDate: '1999-04-05', rank: 'Sergeant', category: 'male' },
    changes: [{ what: 'corrected', reason: 'As the file says', by: 'The records' }],
  })
})

test('a new number of somebody on record is the same person or another, as it was decided', async () => {
  await add(row('C-1'))
  const renumbered = row('C-9', { familyName: 'Müller-C-1' })
  const [match] = await compare(renumbered)
  expect(match).toMatchObject({ kind: 'otherNumber', person: { number: 'C-1' } })
  await take([{ ...renumbered, take: 'change', personId: personOf(match) }])
  expect((await records.call('GET', '/api/people?search=C-1')).body['people']).toMatchObject([{ number: 'C-9' }])
  const twin = row('C-8', { familyName: 'Müller-C-1' })
  expect((await add(twin)).status).toBe(201)
  expect((await records.call('GET', '/api/people?search=Müller-C-1')).body['people']).toHaveLength(2)
})

test('all rows are taken or none, and a row that stands otherwise by now is named', async () => {
  await add(row('D-1'))
  const answer = await add(row('D-2'), row('D-1'))
  expect(answer).toMatchObject({ status: 409, body: { findings: [{ place: 'people[1]', found: 'same' }] } })
  expect((await records.call('GET', '/api/people?search=D-2')).body['people']).toEqual([])
  expect((await take([{ ...row('D-3'), take: 'change', personId: server.accountIds.viewer }])).status).toBe(409)
  expect(await add(row('D-4', { birthDate: '2031-01-01' }))).toMatchObject({
    status: 422,
    body: { findings: [{ place: 'people[0].birthDate' }] },
  })
  expect(await add(row('D-5', { unitId: server.accountIds.viewer }))).toMatchObject({
    status: 422,
    body: { findings: [{ place: 'unitId' }] },
  })
})

test('two files at once do not make two of one person', async () => {
  const other = await Caller.signedIn(server.address, 'officer')
  const body = { people: [{ ...row('E-1'), take: 'add' }], reason: 'x' }
  const both = await Promise.all([records, other].map((caller) => caller.call('POST', '/api/register', body)))
  expect(both.map(({ status }) => status).sort()).toEqual([201, 409])
})

test('somebody erased is no match, and nothing of rank or e-mail is left', async () => {
  await add(row('F-1', { rank: 'Sergeant', email: 'f@tarn.example' }))
  const people = (await records.call('GET', '/api/people?search=F-1')).body['people'] as { id: string }[]
  const id = people[0]?.id ?? ''
  expect((await records.call('POST', `/api/people/${id}/erase`, { reason: 'asked for' })).status).toBe(204)
  const { person } = (await records.call('GET', `/api/people/${id}`)).body as { person: object }
  expect(JSON.stringify(person)).not.toMatch(/Sergeant|tarn.example|F-1/)
  expect((await compare(row('F-1')))[0]).toEqual({ kind: 'new' })
})

test('what is blank is nothing, for a correction as for a file', async () => {
  expect((await add(row('Z-1', { category: ' ', rank: ' ', email: '  ' }))).status).toBe(201)
  const blank = async () =>
    ((await records.call('GET', '/api/register')).body['people'] as { id: string; number: string }[]).find(
      ({ number }) => number === 'Z-1',
    )
  expect(await blank()).not.toHaveProperty('category')
  const change = { category: '   ', rank: ' Sergeant ', reason: 'misspelt' }
  expect((await records.call('PATCH', `/api/people/${(await blank())?.id ?? ''}`, change)).status).toBe(204)
  expect(await blank()).toMatchObject({ rank: 'Sergeant' })
  expect(await blank()).not.toHaveProperty('category')
})
