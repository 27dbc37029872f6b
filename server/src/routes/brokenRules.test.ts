/** Every rule broken once, through HTTP: captures posted with no console open, marks and doubts read back. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { Mark, Verdict } from '@able-gauge/core'
import { BROKEN_RULES, brokenEvent, plainStandard } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller

beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
})
afterAll(() => server.close())

/** Early on the day of the test, so that it is over whenever this runs. */
const START_MS = Date.UTC(2026, 10, 24, 2)

const saidOf = (mark: Mark | undefined): unknown => {
  if (mark && 'measured' in mark) return mark.measured
  return mark?.kind === 'ended' ? mark.reason : mark?.kind
}

test('each comes to what was worked by hand', async () => {
  const standard = plainStandard(BROKEN_RULES.map(brokenEvent), { id: 'broken-rules' })
  const { occasionId, entryIds } = await addTestDay(server, standard, '2026-11-24', [{ bib: 1 }])
  const [entryId = ''] = entryIds
  for (const [at, one] of BROKEN_RULES.entries()) {
    const captures = one.seen.map(([afterMs, kind, payload = {}, deviceId = 'one']) =>
      sentCapture({
        eventId: `event-${at}`,
        kind,
        payload: kind === 'waveStarted' ? { wave: 1, entryIds: [entryId] } : payload,
        ...(kind === 'waveStarted' ? {} : { entryId }),
        deviceId,
        atMs: START_MS + afterMs,
        uncertaintyMs: 0,
      }),
    )
    const { status, body } = await officer.call('POST', `/api/occasions/${occasionId}/captures`, { captures })
    expect(status, `${one.name}: ${body.detail ?? ''}`).toBe(200)
  }
  const answer = await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)
  const [first] = answer.body['verdicts'] as { verdict: Verdict }[]
  for (const [at, one] of BROKEN_RULES.entries()) {
    const mark = first?.verdict.marks.find(({ eventId }) => eventId === `event-${at}`)
    expect(saidOf(mark), one.name).toBe(one.comesTo)
    const codes = [...new Set(mark?.doubts?.map(({ code }) => code) ?? [])]
    expect(codes.sort(), one.name).toEqual([...(one.doubts ?? [])].sort())
  }
})
