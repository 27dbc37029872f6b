import type { DayRecordEntry, KeyedFigure } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { entry, json, openDay, problem } from '../../../testing/openDay.ts'
import { cellKey, useCards } from './useCards.ts'

const [FIRST, SECOND] = [entry(1), entry(2)]
const keyed = (seq: number, figures: readonly KeyedFigure[]): DayRecordEntry => ({
  id: `k${seq}`,
  seq,
  actorId: 'x',
  actor: `Keyer ${seq}`,
  atMs: seq,
  content: { kind: 'cardsKeyed', eventId: 'press-ups', figures: [...figures] },
})
const count = (entryId: string, value: number): KeyedFigure => ({ entryId, slot: 'count', value })
const open = async (records: readonly DayRecordEntry[]) => {
  const opened = await openDay({
    entries: [FIRST, SECOND, entry(3, { attendance: 'absent' })],
    role: 'grader',
    change: { records },
  })
  const [event] = opened.day.standard.events
  if (!event) throw new Error('The standard has no events.')
  return { ...opened, cards: useCards(() => opened.day, event) }
}

test('everybody who is here has a card, and what is typed is kept as one keying', async () => {
  const { cards, server } = await open([])
  expect(cards.rows.value.map(({ entry: { bib } }) => bib)).toEqual([1, 2])
  cards.typed.value = { [cellKey(FIRST.id, 'count')]: '31', [cellKey(SECOND.id, 'count')]: 'many' }
  await cards.keep()
  expect(cards.wrong.value).toHaveLength(1)
  expect(server.asked).toEqual([])
  cards.typed.value = { [cellKey(FIRST.id, 'count')]: '31' }
  await cards.keep()
  expect(server.asked[0]?.body).toMatchObject({
    content: { kind: 'cardsKeyed', eventId: 'press-ups', figures: [count(FIRST.id, 31)] },
  })
  expect(cards.typed.value).toEqual({})
})
test('after one keying the second is asked for, and the first is not shown', async () => {
  const { cards } = await open([keyed(1, [count(FIRST.id, 31)])])
  expect(cards.isSecond.value).toBe(true)
  expect(cards.pair.value).toBeNull()
  expect(cards.typed.value).toEqual({})
})
test('where two keyings part the card decides, and what agrees goes on record with it, once', async () => {
  const { cards, store } = await open([
    keyed(1, [count(FIRST.id, 31), count(SECOND.id, 24)]),
    keyed(2, [count(FIRST.id, 31), count(SECOND.id, 42)]),
  ])
  expect(cards.unsettled.value).toBe(1)
  await cards.putOnRecord()
  expect(store.allIn('press-ups')).toEqual([])
  cards.settled.value = { [cellKey(SECOND.id, 'count')]: '24' }
  expect(cards.unsettled.value).toBe(0)
  await cards.putOnRecord()
  const figures = store.allIn('press-ups').map((one) => [one.entryId, 'value' in one.payload && one.payload.value])
  expect(figures).toEqual([
    [FIRST.id, 31],
    [SECOND.id, 24],
  ])
  await cards.putOnRecord()
  expect(store.allIn('press-ups')).toHaveLength(2)
})

test('the second keying can be begun while the first is on its way, and takes nothing with it', async () => {
  const { cards, server } = await open([])
  let kept = (): void => undefined
  server.answer('POST', '/records', () => new Promise((resolve) => (kept = () => resolve(json({ id: 'k' }, 201)))))
  const cell = cellKey(FIRST.id, 'count')
  cards.typed.value = { [cell]: '31' }
  const keeping = cards.keep()
  expect(cards.typed.value).toEqual({})
  cards.typed.value = { [cell]: '3' }
  kept()
  await keeping
  expect(cards.typed.value).toEqual({ [cell]: '3' })
})
test('a keying that could not be kept stands there again', async () => {
  const { cards, server } = await open([])
  server.answer('POST', '/records', () => problem(409, 'day.signedOff', 'The day is signed off.'))
  const typed = { [cellKey(FIRST.id, 'count')]: '31' }
  cards.typed.value = typed
  await cards.keep()
  expect(cards.typed.value).toEqual(typed)
  expect(cards.problem.value).toContain('The day is signed off.')
})
