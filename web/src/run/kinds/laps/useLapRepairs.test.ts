import { standardNamed } from '@able-gauge/core/testing'
import { expect, test, vi } from 'vitest'
import { effectScope } from 'vue'
import { entry, openDay } from '../../../../testing/openDay.ts'
import { momentAt, useAgreedClock } from '../../../sync/agreedClock.ts'
import type { RunEvent } from './useLapConsole.ts'
import { useLapRepairs } from './useLapRepairs.ts'

const run = standardNamed('v3').events.find(({ protocol }) => protocol.kind === 'timedDistance')
if (run?.protocol.kind !== 'timedDistance') throw new Error('The demo standard holds no run.')
const event = run as RunEvent
const LAP_MS = 110_000

/** Three runners of five laps; the third lap of the first was missed, the second lap of the second touched twice. */
const open = async () => {
  const runners = [entry(1), entry(2), entry(3)]
  const { store } = await openDay({ entries: runners })
  const moment = useAgreedClock().moment()
  if (!moment) throw new Error('The clock is not agreed.')
  const startMs = moment.atMs - 6 * LAP_MS
  const at = (afterMs: number) => momentAt(startMs + afterMs, moment)
  const ids = runners.map(({ id }) => id)
  await store.capture(event.id, null, { kind: 'waveStarted', payload: { wave: 1, entryIds: ids } }, at(0))
  for (const [index, id] of ids.entries()) {
    for (let lap = 1; lap <= 5; lap++) {
      if (index === 0 && lap === 3) continue
      const ms = lap * LAP_MS + index * 700
      await store.capture(event.id, id, { kind: 'crossed', payload: {} }, at(ms))
      if (index === 1 && lap === 2) await store.capture(event.id, id, { kind: 'crossed', payload: {} }, at(ms + 900))
    }
  }
  const scope = effectScope()
  const repairs = scope.run(() =>
    useLapRepairs(
      event,
      () => runners,
      () => 1,
    ),
  )
  if (!repairs) throw new Error('The scope ran nothing.')
  return { repairs, store, ids, at }
}

test('a missed and a doubled stamp are offered, and once repaired the times are right', async () => {
  const { repairs, store, ids } = await open()
  await vi.waitFor(() => expect(repairs.faults.value).toHaveLength(2))
  const [missed, doubled] = repairs.faults.value
  expect([missed?.kind, missed?.lap, doubled?.kind, doubled?.lap]).toEqual(['missed', 3, 'doubled', 2])
  for (const fault of [...repairs.faults.value]) await repairs.repair(fault)
  await vi.waitFor(() => expect(repairs.faults.value).toEqual([]), { timeout: 4_000 })
  const measured = ids.map((id) => {
    const mark = store.marksIn(event.id).value.get(id)
    return mark && 'measured' in mark ? mark.measured : null
  })
  expect(measured).toEqual([5 * LAP_MS, 5 * LAP_MS + 700, 5 * LAP_MS + 1_400])
})
test('an offer that is left as it is does not come back', async () => {
  const { repairs } = await open()
  await vi.waitFor(() => expect(repairs.faults.value).toHaveLength(2))
  const [first] = repairs.faults.value
  if (first) repairs.dismiss(first)
  expect(repairs.faults.value).toHaveLength(1)
})
test('the order of the finish beside the times names who is missing', async () => {
  const { repairs, store, ids, at } = await open()
  for (const [index, id] of ids.entries()) {
    if (index !== 1)
      await store.capture(event.id, id, { kind: 'placed', payload: {} }, at(5 * LAP_MS + index * 700 + 1_000))
  }
  await vi.waitFor(() => expect(repairs.aligned.value.length).toBeGreaterThan(0), { timeout: 4_000 })
  expect(repairs.differences.value).toBeGreaterThan(0)
})
