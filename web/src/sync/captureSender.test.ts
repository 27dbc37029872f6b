import 'fake-indexeddb/auto'
import type { Capture } from '@able-gauge/core'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { makeCaptureSender, RETRY_MS, type CaptureSender } from './captureSender.ts'
import { countOfOthers, drop, keep, listWaiting, type WaitingCapture } from './outbox.ts'

const DAY = 'the-day'
let posted: string[][]
let answers: ((ids: readonly string[]) => Response | Error)[]
let refused: WaitingCapture[]
let counts: number[]
let signedOut: boolean
let annexed: number
/** What the server keeps beside the signed day. */
const late = new Set<string>()
/** Who a post said made its captures. */
let madeBy: (string | undefined)[]
let sender: CaptureSender

const stored = (ids: readonly string[] = []) =>
  new Response(JSON.stringify({ captures: ids.map((id) => ({ id, seq: 1, annexed: late.has(id) })) }), {
    status: 200,
    headers: { 'Content-Type': 'application/json' },
  })
const problem = (status: number, detail: string) =>
  new Response(JSON.stringify({ title: 'x', detail, findings: [] }), {
    status,
    headers: { 'Content-Type': 'application/problem+json' },
  })

beforeEach(() => {
  posted = []
  answers = []
  refused = []
  counts = []
  annexed = 0
  madeBy = []
  late.clear()
  signedOut = false
  vi.stubGlobal('fetch', async (_path: string, { body }: { body: string }) => {
    const sent = JSON.parse(body) as { captures: { id: string }[]; madeBy?: string }
    const ids = sent.captures.map(({ id }) => id)
    madeBy.push(sent.madeBy)
    posted.push(ids)
    const answer = (answers.shift() ?? stored)(ids)
    if (answer instanceof Error) throw answer
    return answer
  })
  sender = makeCaptureSender(DAY, 'me', {
    waiting: (count) => counts.push(count),
    refused: (one) => refused.push(one),
    signedOut: (is) => (signedOut = is),
    annexed: (count) => (annexed += count),
  })
})
afterEach(async () => {
  sender.stop()
  for (const account of ['me', 'somebody else']) {
    for (const state of ['waiting', 'refused'] as const)
      await drop((await listWaiting(DAY, account, state)).map(({ id }) => id))
  }
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

const wait = async (id: string, accountId = 'me', byGuest = false): Promise<void> => {
  // the sender looks at nothing else of a capture
  const capture = { id, entryId: null } as unknown as Capture
  const kept = keep({ id, occasionId: DAY, accountId, capture, state: 'waiting', reason: '', byGuest })
  // it is written once the press is painted
  if (vi.isFakeTimers()) await vi.advanceTimersByTimeAsync(100)
  await kept
}
const idsOf = async (state: 'waiting' | 'refused') => (await listWaiting(DAY, 'me', state)).map(({ id }) => id)

test('what waits is sent together, oldest first, and is then gone from the disk', async () => {
  for (const id of ['c', 'a', 'b']) await wait(id)
  await sender.send()
  expect(posted).toEqual([['a', 'b', 'c']])
  expect(await idsOf('waiting')).toEqual([])
  expect(counts).toEqual([3, 0])
})

test('without an answer everything stays and is tried again', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  await wait('a')
  answers.push(() => new TypeError('no network'))
  await sender.send()
  expect(await idsOf('waiting')).toEqual(['a'])
  vi.advanceTimersByTime(RETRY_MS)
  vi.useRealTimers()
  await vi.waitFor(async () => expect(await idsOf('waiting')).toEqual([]))
  expect(posted).toEqual([['a'], ['a']])
})

test('one that is refused holds up no other, is kept and told with the reason', async () => {
  for (const id of ['a', 'b', 'c']) await wait(id)
  answers.push(
    () => problem(422, 'Nothing was stored.'),
    stored,
    () => problem(422, 'Bib 99 is not entered.'),
    stored,
  )
  await sender.send()
  expect(posted).toEqual([['a', 'b', 'c'], ['a'], ['b'], ['c']])
  expect(refused.map(({ id, reason }) => [id, reason])).toEqual([['b', 'Bib 99 is not entered.']])
  expect(await idsOf('refused')).toEqual(['b'])
  expect(await idsOf('waiting')).toEqual([])
})

test('a session that has ended makes captures wait, without hammering the server', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  await wait('a')
  answers.push(() => problem(401, 'You are not signed in.'))
  await sender.send()
  vi.advanceTimersByTime(RETRY_MS * 10)
  expect(signedOut).toBe(true)
  expect(posted).toHaveLength(1)
  expect(await idsOf('waiting')).toEqual(['a'])
})

test('a server that fails is tried again, and nothing is set aside', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  await wait('a')
  answers.push(() => problem(500, 'The server could not do this.'))
  await sender.send()
  expect(refused).toEqual([])
  expect(await idsOf('waiting')).toEqual(['a'])
})

test('one capture the server fails over holds up nothing behind it, and is tried again later', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  for (const id of ['a', 'b', 'c']) await wait(id)
  const failsOver = (bad: string) => (ids: readonly string[]) =>
    ids.includes(bad) ? problem(500, 'The server could not do this.') : stored()
  answers.push(...Array.from({ length: 4 }, () => failsOver('b')))
  await sender.send()
  expect(posted).toEqual([['a', 'b', 'c'], ['a'], ['b'], ['c']])
  expect(refused).toEqual([])
  expect(await idsOf('waiting')).toEqual(['b'])
  vi.advanceTimersByTime(RETRY_MS)
  vi.useRealTimers()
  await vi.waitFor(async () => expect(await idsOf('waiting')).toEqual([]))
})

test.each([405, 415, 431])('an answer of %i is for good and sets only that capture aside', async (status) => {
  for (const id of ['a', 'b']) await wait(id)
  answers.push(
    () => problem(status, 'Nothing was stored.'),
    () => problem(status, 'Nothing was stored.'),
    stored,
  )
  await sender.send()
  expect(refused.map(({ id }) => id)).toEqual(['a'])
  expect(await idsOf('waiting')).toEqual([])
})

test('captures of another account stay for their owner and are counted', async () => {
  await wait('a', 'somebody else')
  await wait('b')
  await sender.send()
  expect(posted).toEqual([['b']])
  expect(await countOfOthers(DAY, 'me')).toBe(1)
})

test('more than fit in one request go in several', async () => {
  for (let index = 0; index < 250; index++) await wait(`id-${String(index).padStart(3, '0')}`)
  await sender.send()
  expect(posted.map((ids) => ids.length)).toEqual([200, 50])
})

test('what a guest left on this device is handed in with whose it is, after the own', async () => {
  await wait('a', 'somebody else', true)
  await wait('b')
  await sender.send()
  expect(posted).toEqual([['b'], ['a']])
  expect(madeBy).toEqual([undefined, 'somebody else'])
  expect(await countOfOthers(DAY, 'me')).toBe(0)
  expect(await listWaiting(DAY, 'somebody else', 'waiting')).toEqual([])
})

test('what arrives after the signature is gone from the device and told', async () => {
  for (const id of ['a', 'b']) await wait(id)
  late.add('b')
  await sender.send()
  expect(annexed).toBe(1)
  expect(await idsOf('waiting')).toEqual([])
})
