import type { Capture } from '@able-gauge/core'
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
