import { settleCaptures, type Capture } from '@able-gauge/core'
import { computed } from 'vue'
import { expect, test } from 'vitest'
import { makeCaptureLedger } from './captureLedger.ts'

const crossing = (id: string, atMs: number): Capture => ({
  id,
  eventId: 'run',
  entryId: 'a',
  kind: 'crossed',
  payload: {},
  deviceId: 'd',
  deviceMs: 0,
  atMs,
  uncertaintyMs: 4,
})

test('what is shown follows every capture, in the order they happened', () => {
  const ledger = makeCaptureLedger()
  const times = computed(() => ledger.settledIn('run').value.map(({ atMs }) => atMs))
  expect(times.value).toEqual([])
  ledger.merge([crossing('b', 20)])
  ledger.merge([crossing('a', 10)])
  expect(times.value).toEqual([10, 20])
})

test('a capture that comes back from the server counts once', () => {
  const ledger = makeCaptureLedger()
  ledger.merge([crossing('a', 10)])
  ledger.merge([crossing('a', 10)])
  expect(ledger.settledIn('run').value).toHaveLength(1)
})

test('a refused capture is taken back, and other events stay as they are', () => {
  const ledger = makeCaptureLedger()
  const other = ledger.settledIn('press-ups').value
  ledger.merge([crossing('a', 10), crossing('b', 20)])
  ledger.forget(crossing('a', 10))
  expect(ledger.settledIn('run').value.map(({ id }) => id)).toEqual(['b'])
  expect(ledger.settledIn('press-ups').value).toBe(other)
})

test('one capture after another, corrections among them, gives what settling all of them gives', () => {
  const voided = { ...crossing('v', 15), kind: 'voided', payload: { captureId: 'b', reason: 'x' } } as Capture
  const moved = { ...crossing('m', 60), kind: 'moved', payload: { captureId: 'c', toMs: 5, reason: 'x' } } as Capture
  const all = [
    crossing('a', 10),
    voided,
    crossing('b', 20),
    crossing('d', 40),
    crossing('c', 30),
    moved,
    crossing('e', 50),
  ]
  const ledger = makeCaptureLedger()
  for (const capture of all) {
    ledger.merge([capture])
    expect(ledger.settledIn('run').value).toEqual(settleCaptures(ledger.allIn('run')))
  }
})

test('a capture whose time was made sure replaces the one before', () => {
  const ledger = makeCaptureLedger()
  ledger.merge([crossing('a', 10)])
  expect(ledger.settledIn('run').value).toHaveLength(1)
  ledger.merge([crossing('a', 12)])
  expect(ledger.settledIn('run').value.map(({ atMs }) => atMs)).toEqual([12])
})
