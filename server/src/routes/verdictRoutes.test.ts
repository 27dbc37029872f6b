import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { judgeDay, type Mark, type RecordedCapture, type Verdict } from '@able-gauge/core'
import {
  capturesOf,
  HAND_WORKED_CASES,
  PLAIN_STANDARDS,
  standardNamed,
  type HandWorkedCase,
} from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { findAllCaptures } from '../store/captureStore.ts'
import { listSnapshots } from '../store/signOffStore.ts'

let server: TestServer
let officer: Caller

beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
})
afterAll(() => server.close())

const marginOf = (mark: Mark | undefined) => (mark && 'margin' in mark ? mark.margin : undefined)

/** The date at the venue of all captures of the table. */
const CAPTURED_ON = '2026-11-24'

/** Seeds the ids, which have to differ from case to case. */
let seed = 0

/** Captures as a device sends them: without an entry rather than with a null one. */
const documents = (handWorked: HandWorkedCase, entryId: string, wave: number) =>
  capturesOf(handWorked, entryId, wave, (seed += 1)).map(({ entryId: candidate, ...rest }) =>
    candidate === null ? rest : { ...rest, entryId: candidate },
  )

test.each([...groups()])('hand-worked, through HTTP: %s', async (_, cases) => {
  const [first] = cases
  if (!first) throw new Error('an empty group')
  const entries = cases.map(({ birthDate, category }, index) => ({
    bib: index + 1,
    wave: index + 1,
    birthDate,
    category,
  }))
  const { occasionId, entryIds } = await addTestDay(server, PLAIN_STANDARDS[first.standard], first.testDate, entries)
  if (first.testDate !== CAPTURED_ON) {
    // judged by the age on its own date, and captured on another that the officer opened it on
    const content = { kind: 'dayOpened', date: CAPTURED_ON, reason: 'The table was captured on one date.' }
    const record = { id: randomUUID(), content }
    expect((await officer.call('POST', `/api/occasions/${occasionId}/records`, record)).status).toBe(201)
  }
  for (const [index, handWorked] of cases.entries()) {
    const captures = documents(handWorked, entryIds[index] ?? '', index + 1)
    if (captures.length === 0) continue
    const { status, body } = await officer.call('POST', `/api/occasions/${occasionId}/captures`, { captures })
    expect(status, `${handWorked.name}: ${body.detail ?? ''}`).toBe(200)
  }
  const { body } = await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)
  const verdicts = new Map(
    (body['verdicts'] as { entryId: string; verdict: Verdict }[]).map(({ entryId, verdict }) => [entryId, verdict]),
  )
  for (const [index, { name, expected }] of cases.entries()) {
    const verdict = verdicts.get(entryIds[index] ?? '')
    const [pressUps, run] = verdict?.marks ?? []
    // a route judges as of now, when the time of every event has run out by itself
    const isRunOut = expected.pressUps === 'running'
    expect([pressUps?.kind, run?.kind, verdict?.outcome], name).toEqual([
      isRunOut ? 'short' : expected.pressUps,
      expected.run,
      isRunOut ? 'short' : expected.verdict,
    ])
    if (expected.margins?.pressUps !== undefined) expect(marginOf(pressUps), name).toBe(expected.margins.pressUps)
    if (expected.margins?.run !== undefined) expect(marginOf(run), name).toBe(expected.margins.run)
  }
})

/** One day for each standard and date of the table. */
function groups(): Map<string, HandWorkedCase[]> {
  const found = new Map<string, HandWorkedCase[]>()
  for (const handWorked of HAND_WORKED_CASES) {
    const key = `${handWorked.standard} ${handWorked.testDate}`
    found.set(key, [...(found.get(key) ?? []), handWorked])
  }
  return found
}

const aMetCase = HAND_WORKED_CASES.find(({ name }) => name === 'exactly 24 press-ups and a clear run')
if (!aMetCase) throw new Error('The hand-worked table changed.')

const addRunDay = async () => {
  const day = await addTestDay(server, PLAIN_STANDARDS.v3, '2026-11-24', [{ bib: 1 }, { bib: 2 }])
  const captures = documents(aMetCase, day.entryIds[0] ?? '', 1)
  await officer.call('POST', `/api/occasions/${day.occasionId}/captures`, { captures })
  return { ...day, captures }
}

test('a day with open verdicts is signed only knowingly, with the right password, and once', async () => {
  const { occasionId } = await addRunDay()
  const sign = (body: object) => officer.call('POST', `/api/occasions/${occasionId}/sign-off`, body)
  expect(await sign({ password: 'wrong', acceptOpen: true })).toMatchObject({
    status: 403,
    body: { title: 'signOff.password' },
  })
  expect(await sign({ password: PASSWORD, acceptOpen: false })).toMatchObject({
    status: 409,
    body: { title: 'signOff.open' },
  })
  expect(await sign({ password: PASSWORD, acceptOpen: true })).toMatchObject({ status: 201 })
  expect(await sign({ password: PASSWORD, acceptOpen: true })).toMatchObject({
    status: 409,
    body: { title: 'day.signedOff' },
  })
})

test('a signed verdict is kept with its hash and inputs, and can be judged again from the captures', async () => {
  const { occasionId, entryIds } = await addRunDay()
  const before = (await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)).body
  await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true })
  const after = (await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)).body
  expect(after['judged']).toBe('signed')
  const byEntry = (a: { entryId: string }, b: { entryId: string }) => a.entryId.localeCompare(b.entryId)
  expect((after['verdicts'] as { entryId: string }[]).sort(byEntry)).toEqual(
    (before['verdicts'] as { entryId: string }[]).sort(byEntry),
  )

  const snapshot = (await listSnapshots(server.pool, occasionId)).find(({ entryId }) => entryId === entryIds[0])
  const inputs = snapshot?.inputs as {
    candidate: Parameters<typeof judgeDay>[1][number]
    testDate: string
    captures: number[]
  }
  const recorded = (await findAllCaptures(server.pool, occasionId)).filter(({ seq }: RecordedCapture) =>
    inputs.captures.includes(seq),
  )
  const again = judgeDay(
    { standard: standardNamed('v3'), testDate: inputs.testDate },
    [inputs.candidate],
    recorded,
  ).get(entryIds[0] ?? '')
  expect(JSON.parse(JSON.stringify(again))).toEqual(snapshot?.verdict)
  expect(again?.outcome).toBe('met')
})

test('what arrives after the signature goes to the annex, once; the day stays as it was signed', async () => {
  const { occasionId, captures } = await addRunDay()
  await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true })
  const path = `/api/occasions/${occasionId}/captures`
  const stored = (await findAllCaptures(server.pool, occasionId)).length
  const late = { ...captures[0], id: '01930000-0000-7000-8000-00000000abcd' }
  for (let turn = 0; turn < 2; turn++) {
    expect(await officer.call('POST', path, { captures: [late, captures[0]] })).toMatchObject({
      status: 200,
      body: {
        captures: [
          { id: late.id, seq: null, annexed: true },
          { id: captures[0]?.id, seq: 1, annexed: false },
        ],
      },
    })
  }
  expect(await findAllCaptures(server.pool, occasionId)).toHaveLength(stored)
  const { body } = await officer.call('GET', `/api/occasions/${occasionId}/annex`)
  expect(body['captures']).toMatchObject([{ id: late.id, kind: captures[0]?.kind, actor: 'The officer' }])
})
