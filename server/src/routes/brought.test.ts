/** Results of earlier years: tried, taken once, in the person's history, and never among what was signed. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { BroughtOutcome } from '@able-gauge/core'
import { plainV2, plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let records: Caller
let personId = ''

beforeAll(async () => {
  server = await openTestServer()
  records = await Caller.signedIn(server.address, 'records')
  await addTestDay(server, plainV2(), '2023-05-16', [])
  await addTestDay(server, plainV3(), '2026-11-24', [])
  const row = { number: 'T-1', givenName: 'Jörg', familyName: 'Müller', birthDate: '1999-05-04', category: 'male' }
  const people = [{ ...row, unitId: '', rank: '', email: '', take: 'add' }]
  await records.call('POST', '/api/register', { people, reason: 'x' })
  const { body } = await records.call('GET', '/api/people?search=T-1')
  personId = (body['people'] as { id: string }[])[0]?.id ?? ''
})
afterAll(() => server.close())

const row = (line: number, testDate: string, run: string, number = 'T-1') => ({
  line,
  cells: { number, test_date: testDate, run },
})
const bring = async (isTrial: boolean, ...rows: object[]) => {
  const body = { standardId: 'constabulary-entry', source: 'years.xlsx', isTrial, rows }
  const answer = await records.call('POST', '/api/brought-results', body)
  return { ...answer, outcomes: answer.body['outcomes'] as BroughtOutcome[] }
}
const testsOf = async () =>
  (await records.call('GET', `/api/people/${personId}`)).body['tests'] as Record<string, unknown>[]

test('a trial tells what would become of each row and keeps nothing', async () => {
  const { outcomes, body } = await bring(
    true,
    row(2, '2024-05-21', '9:10'),
    row(3, '2024-05-21', '9:20'),
    row(4, '2019-01-01', '9:10'),
    row(5, '2024-05-21', '9:10', 'nobody'),
    row(6, '2024-05-22', 'nine'),
  )
  expect(
    outcomes.map(({ line, name, version, outcome, findings }) => [line, name, version, outcome, findings[0]?.column]),
  ).toEqual([
    [2, 'Jörg Müller', 2, expect.any(String), undefined],
    [3, 'Jörg Müller', 2, 'already', undefined],
    [4, 'Jörg Müller', null, 'faulty', 'test_date'],
    [5, '', null, 'faulty', 'number'],
    [6, 'Jörg Müller', null, 'faulty', 'run'],
  ])
  expect(body['taken']).toBe(1)
  expect(await testsOf()).toEqual([])
})

test('what is taken stands in the history, marked with its file, once, and can be taken away', async () => {
  const two = [row(2, '2024-05-21', '9:10'), row(3, '2026-05-05', '9:50')]
  expect((await bring(false, ...two)).body['taken']).toBe(2)
  expect((await bring(false, ...two)).body['taken']).toBe(0)
  const tests = await testsOf()
  expect(tests).toMatchObject([
    { testDate: '2024-05-21', standardVersion: 2, broughtIn: 'years.xlsx' },
    { testDate: '2026-05-05', standardVersion: 3, broughtIn: 'years.xlsx' },
  ])
  const outcomes = (verdict: unknown): unknown =>
    (verdict as { marks: { eventId: string; kind: string }[] }).marks.find(({ eventId }) => eventId === 'run')?.kind
  expect(tests.map(({ verdict }) => outcomes(verdict))).toEqual(['met', 'short'])
  // nothing that was signed here
  const officer = await Caller.signedIn(server.address, 'officer')
  const past = await officer.call('GET', '/api/standards/constabulary-entry/2/results')
  expect(past.body['results']).toEqual([])
  const path = `/api/people/${personId}/brought-results/${String(tests[0]?.['entryId'])}`
  expect((await records.call('DELETE', path)).status).toBe(204)
  expect((await records.call('DELETE', path)).status).toBe(404)
  expect(await testsOf()).toHaveLength(1)
})

test('a standard nobody published is refused', async () => {
  const body = { standardId: 'no-such', source: 'x', isTrial: true, rows: [row(2, '2024-05-21', '9:10')] }
  expect(await records.call('POST', '/api/brought-results', body)).toMatchObject({
    status: 422,
    body: { findings: [{ place: 'standardId' }] },
  })
})
