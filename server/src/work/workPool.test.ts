import { afterAll, beforeAll, expect, test } from 'vitest'
import type { Verdict } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { MORNING_MS, sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller
let occasionId: string
let entryIds: string[]

beforeAll(async () => {
  server = await openTestServer({ work: 'threads' })
  officer = await Caller.signedIn(server.address, 'officer')
  ;({ occasionId, entryIds } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }, { bib: 2 }]))
})
afterAll(() => server.close())

const capture = (kind: string, entryId: string | undefined, atMs: number, payload: object = {}) =>
  sentCapture({ kind, payload, atMs, eventId: 'press-ups', ...(entryId === undefined ? {} : { entryId }) })
const send = (...captures: object[]) => officer.call('POST', `/api/occasions/${occasionId}/captures`, { captures })
const measured = async (): Promise<(number | null | undefined)[]> => {
  const { status, body } = await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)
  expect(status).toBe(200)
  const verdicts = new Map(
    (body['verdicts'] as { entryId: string; verdict: Verdict }[]).map((one) => [one.entryId, one]),
  )
  return entryIds.map((id) => {
    const mark = verdicts.get(id)?.verdict.marks[0]
    return mark && 'measured' in mark ? mark.measured : undefined
  })
}

test('verdicts that are kept follow every capture, correction and change of an entry', async () => {
  const [one, two] = entryIds
  const counted = capture('counted', one, MORNING_MS + 1_000)
  await send(capture('started', one, MORNING_MS), counted, capture('counted', one, MORNING_MS + 2_500))
  await send(capture('stopped', one, MORNING_MS + 9_000, { reason: 'ended' }))
  expect(await measured()).toEqual([2, undefined])
  await send(capture('voided', one, MORNING_MS + 10_000, { captureId: counted.id, reason: 'by mistake' }))
  expect(await measured()).toEqual([1, undefined])
  await send(capture('started', two, MORNING_MS), capture('stopped', two, MORNING_MS + 5_000, { reason: 'ended' }))
  expect(await Promise.all([measured(), measured(), measured()])).toEqual(Array(3).fill([1, 0]))
  expect(await measured()).toEqual([1, 0])
  const change = { revision: 1, bib: 1, attendance: 'present', note: '', category: 'male' }
  expect((await officer.call('PATCH', `/api/occasions/${occasionId}/entries/${one}`, change)).status).toBe(200)
  const { body } = await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)
  expect(body['verdicts']).toHaveLength(2)
})

test('what a job refuses comes back as the same problem, and a thread that ends costs an answer at most', async () => {
  const unknown = '01930000-0000-7000-8000-00000000ffff'
  await expect(server.inside.work.run('archive', { occasionId: unknown })).rejects.toMatchObject({ status: 404 })
  const untouched = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  const sign = () =>
    officer.call('POST', `/api/occasions/${untouched.occasionId}/sign-off`, { password: PASSWORD, acceptOpen: false })
  expect(await sign()).toMatchObject({ status: 409, body: { title: 'signOff.open' } })
  await server.asOwner(
    `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
  )
  for (let status = 0; status !== 200;) {
    ;({ status } = await officer.call('GET', `/api/occasions/${occasionId}/verdicts`))
    expect([200, 503]).toContain(status)
  }
})
