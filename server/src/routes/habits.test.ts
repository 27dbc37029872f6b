/** What past days of a standard say of the next one, and what of a plan the standard allows. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import { ASSUMED_HABITS, firstPlan } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { MORNING_MS, sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'

const MINUTE = 60_000
const HEADS = 12
const CAME = 9

let server: TestServer
let officer: Caller
const newDay = () =>
  addTestDay(
    server,
    plainV3(),
    '2026-11-24',
    Array.from({ length: HEADS }, (_, index) => ({ bib: index + 1, wave: 1 })),
  )
beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
})
afterAll(() => server.close())

test('with no day signed nothing is known; a signed one tells how long a start took, and how many came', async () => {
  const past = await newDay()
  const next = await newDay()
  const habits = async () => (await officer.call('GET', `/api/occasions/${next.occasionId}/habits`)).body
  expect(await habits()).toEqual(ASSUMED_HABITS)
  const captures = past.entryIds.slice(0, CAME).flatMap((entryId, index) => {
    const atMs = MORNING_MS + index * 3 * MINUTE
    const own = { eventId: 'press-ups', entryId, deviceId: 'tablet' }
    return [
      sentCapture({ ...own, kind: 'started', payload: {}, atMs }),
      sentCapture({ ...own, kind: 'counted', payload: {}, atMs: atMs + 5_000 }),
    ]
  })
  const sent = await officer.call('POST', `/api/occasions/${past.occasionId}/captures`, { captures })
  expect(sent.status).toBe(200)
  // a day that is not signed may still change
  expect(await habits()).toEqual(ASSUMED_HABITS)
  const signed = await officer.call('POST', `/api/occasions/${past.occasionId}/sign-off`, {
    password: PASSWORD,
    acceptOpen: true,
  })
  expect(signed.status).toBe(201)
  expect(await habits()).toEqual({
    ...ASSUMED_HABITS,
    slots: [
      { eventId: 'press-ups', usualMs: 3 * MINUTE, ownMs: 5_000, spreadPercent: 0, peopleTenths: 10, from: CAME - 1 },
    ],
    absentPercent: (100 * (HEADS - CAME)) / HEADS,
  })
})

test('a wave goes through the battery in another order only where the standard leaves it free', async () => {
  const ids = plainV3().events.map(({ id }) => id)
  const backwards = [{ wave: 1, eventIds: [...ids].reverse() }]
  const saved = async (plain: object, orders: object[]) => {
    const day = await addTestDay(server, plain, '2026-11-24', [{ bib: 1, wave: 1 }])
    const body = { revision: 0, plan: { ...firstPlan(day.standard), orders } }
    return officer.call('PUT', `/api/occasions/${day.occasionId}/plan`, body)
  }
  expect(await saved(plainV3(), backwards)).toMatchObject({
    status: 422,
    body: { findings: [{ place: 'plan.orders[0].eventIds', code: 'order' }] },
  })
  const free = { ...plainV3(), id: 'any-order', order: { kind: 'free' } }
  expect((await saved(free, backwards)).status).toBe(200)
  expect((await saved(free, [{ wave: 1, eventIds: ids.slice(1) }])).status).toBe(422)
})
