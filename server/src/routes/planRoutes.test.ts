import { afterAll, beforeAll, expect, test } from 'vitest'
import { guessMapping, readRoster, type RosterRow } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller

beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
  // publishes the standard
  await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
})
afterAll(() => server.close())

const DAY = {
  name: 'Entry test, group D',
  venue: 'Fallow Point track',
  zone: 'Etc/GMT-12',
  testDate: '2026-12-01',
  standardId: 'constabulary-entry',
  version: 3,
  staff: [] as object[],
}
const plan = async (change: object = {}) => officer.call('POST', '/api/occasions', { ...DAY, ...change })
const newDay = async (): Promise<string> => String((await plan()).body['id'])
const person = (number: string, change: object = {}) => ({
  number,
  givenName: 'Tove',
  familyName: `Family-${number}`,
  birthDate: '1999-05-04',
  category: 'female',
  ...change,
})
const enter = (day: string, people: readonly object[], waveOf = 12) =>
  officer.call('POST', `/api/occasions/${day}/roster`, { waveOf, people })
const kindsOf = (body: { readonly [key: string]: unknown }) =>
  (body['outcomes'] as { kind: string }[]).map(({ kind }) => kind)
const entriesOf = async (day: string) =>
  (await officer.call('GET', `/api/occasions/${day}`)).body['entries'] as { bib: number; wave: number }[]

test('a planned day is open, empty, and worked by its officer and staff', async () => {
  const { status, body } = await plan({ staff: [{ accountId: server.accountIds.timer, duty: 'finish line' }] })
  expect(status).toBe(201)
  const day = await officer.call('GET', `/api/occasions/${String(body['id'])}`)
  expect(day.body).toMatchObject({ occasion: { name: DAY.name, standardVersion: 3, signedOff: null }, entries: [] })
  expect(day.body['staff']).toMatchObject([{ duty: 'officer in charge' }, { duty: 'finish line' }])
})
test.each([
  [{ zone: 'Tarn/Isles' }, 'zone'],
  [{ testDate: '2026-02-30' }, 'testDate'],
  [{ version: 99 }, 'standardId'],
  [{ staff: [{ accountId: '00000000-0000-4000-8000-000000000009', duty: 'x' }] }, 'staff[0].accountId'],
])('a day that cannot be is refused with its place: %o', async (change, place) => {
  const { status, body } = await plan(change)
  expect(status).toBe(422)
  expect(body.findings?.map((finding) => finding.place)).toContain(place)
})
test('people get free bibs and waves with room, and those who ask for a bib or a wave get it', async () => {
  const day = await newDay()
  const people = [person('A-1'), person('A-2', { bib: 1 }), person('A-3', { wave: 3 }), person('A-4'), person('A-5')]
  expect(kindsOf((await enter(day, people, 2)).body)).toEqual(Array(5).fill('entered'))
  const entries = await entriesOf(day)
  expect(entries.map(({ bib }) => bib).sort()).toEqual([1, 2, 3, 4, 5])
  expect(entries.map(({ wave }) => wave).sort()).toEqual([1, 1, 2, 2, 3])
})
test('somebody known is found by number, or by name and birth date, and entered once', async () => {
  const [first, second] = [await newDay(), await newDay()]
  await enter(first, [person('B-1')])
  const { body } = await enter(second, [person('B-1'), person('B-9', { familyName: 'Family-B-1' })])
  expect(body['outcomes']).toEqual([{ kind: 'entered', known: true }, { kind: 'already' }])
})
test('a number that is somebody else’s and a bib that is worn are told, and the others entered', async () => {
  const day = await newDay()
  await enter(day, [person('C-1', { bib: 7 })])
  const { body } = await enter(day, [
    person('C-1', { familyName: 'Other', birthDate: '1980-01-01' }),
    person('C-2', { bib: 7 }),
    person('C-3'),
  ])
  expect(kindsOf(body)).toEqual(['otherPerson', 'bibTaken', 'entered'])
})
test('an unknown category is refused with its place', async () => {
  const { status, body } = await enter(await newDay(), [person('D-1', { category: 'veteran' })])
  expect(status).toBe(422)
  expect(body.findings?.[0]?.place).toBe('people[0].category')
})

test('of 500 people with 40 faulty rows the 460 are entered and the 40 explained; corrected, the 40 follow without doubles', async () => {
  const headings = ['number', 'given name', 'family name', 'born', 'category', 'bib']
  const row = (index: number): string[] => [
    `E-${index}`,
    'Ansa',
    `Number-${index}`,
    `19${70 + (index % 30)}-0${1 + (index % 9)}-1${index % 10}`,
    index % 2 === 0 ? 'female' : 'male',
    '',
  ]
  const spoil = [
    (cells: string[]) => cells.with(0, ''),
    (cells: string[]) => cells.with(3, '31.2.1990'),
    (cells: string[]) => cells.with(4, 'other'),
    (cells: string[]) => cells.with(5, 'x'),
    (cells: string[]) => cells.with(2, ''),
    (cells: string[]) => cells.with(0, 'E-1'),
    (cells: string[]) =>
      cells
        .with(1, 'Ansa')
        .with(2, 'Number-1')
        .with(3, row(1)[3] ?? ''),
    (cells: string[]) => cells.with(3, 'soon'),
  ]
  const good = Array.from({ length: 500 }, (_, index) => row(index + 1))
  const faulty = good.map((cells, index) => {
    const spoiled = index > 0 && index % 12 === 11 && index < 481 ? spoil[((index / 12) % spoil.length) | 0] : undefined
    return spoiled ? spoiled(cells) : cells
  })
  const read = (table: string[][]) =>
    readRoster(
      table,
      guessMapping(headings),
      [
        { id: 'female', name: 'Female' },
        { id: 'male', name: 'Male' },
      ],
      '2026-11-24',
    )
  const people = (rows: readonly { row: RosterRow }[]) =>
    rows.map(({ row: { bib, wave, ...rest } }) => ({ ...rest, ...(bib ? { bib } : {}), ...(wave ? { wave } : {}) }))
  const first = read(faulty)
  expect(first.rows).toHaveLength(460)
  expect(new Set(first.findings.map(({ line }) => line)).size).toBe(40)
  const day = await newDay()
  expect(kindsOf((await enter(day, people(first.rows))).body)).toEqual(Array(460).fill('entered'))
  const again = await enter(day, people(read(good).rows))
  expect(kindsOf(again.body).filter((kind) => kind === 'entered')).toHaveLength(40)
  expect(kindsOf(again.body).filter((kind) => kind === 'already')).toHaveLength(460)
  const entries = await entriesOf(day)
  expect(entries).toHaveLength(500)
  expect(new Set(entries.map(({ bib }) => bib)).size).toBe(500)
})
