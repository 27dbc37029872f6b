import { firstPlan, type DayPlan } from '@able-gauge/core'
import { expect, test, vi } from 'vitest'
import { nextTick, shallowRef } from 'vue'
import { entry, json, openDay, problem } from '../../testing/openDay.ts'
import type { Day, StoredPlan } from '../day/day.ts'
import { usePlan } from './usePlan.ts'
import { useTimetable } from './useTimetable.ts'

const stored = (day: Day, revision: number, change: (plan: DayPlan) => DayPlan = (plan) => plan): StoredPlan => ({
  plan: change(firstPlan(day.standard)),
  revision,
  editedBy: 'Ines Calloway-Brandt',
  editedAtMs: 0,
})
const place =
  (eventId: string, text: string) =>
  (plan: DayPlan): DayPlan => ({
    ...plan,
    events: plan.events.map((one) => (one.eventId === eventId ? { ...one, place: text } : one)),
  })
const open = async () => {
  const opened = await openDay({ entries: [entry(1), entry(2)], role: 'officer' })
  const day = shallowRef<Day>({ ...opened.day, plan: stored(opened.day, 1) })
  return { ...opened, day, draft: usePlan(() => day.value) }
}

test('what is changed is told in words until it is saved with the revision that was seen', async () => {
  const { draft, server } = await open()
  draft.changeEvent('run', { stations: 2 })
  expect(draft.changes.value.map(({ sentence }) => sentence)).toEqual(['Run 2,000 m: 2 stations'])
  server.answer('PUT', '/plan', () => json({ revision: 2 }))
  await draft.save()
  expect(draft.changes.value).toEqual([])
  expect(server.asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({ revision: 1 })
})
test('with nothing changed here, what somebody else saves is shown', async () => {
  const { draft, day } = await open()
  day.value = { ...day.value, plan: stored(day.value, 2, place('run', 'Track')) }
  await nextTick()
  expect(draft.meanwhile.value).toBeNull()
  expect(draft.plan.value.events[1]?.place).toBe('Track')
})
test('what somebody else saves while mine is being put away is shown as soon as it is', async () => {
  const { draft, server, day } = await open()
  draft.changeEvent('run', { stations: 2 })
  server.answer('PUT', '/plan', async () => {
    day.value = { ...day.value, plan: stored(day.value, 3, place('run', 'Track')) }
    await nextTick()
    return json({ revision: 2 })
  })
  await draft.save()
  expect(draft.plan.value.events[1]?.place).toBe('Track')
  expect(draft.changes.value).toEqual([])
})
test('with changes here, theirs are told, and mine go on top or are dropped', async () => {
  const { draft, day } = await open()
  draft.changeEvent('press-ups', { place: 'Hall' })
  day.value = { ...day.value, plan: stored(day.value, 2, place('run', 'Track')) }
  await nextTick()
  expect(draft.meanwhile.value).toMatchObject({ by: 'Ines Calloway-Brandt', clashes: [] })
  draft.putMineOnTop()
  expect(draft.plan.value.events.map((one) => one.place)).toEqual(['Hall', 'Track'])
  expect(draft.changes.value).toHaveLength(1)
})
test('where both changed the same, that is named, and theirs can be taken', async () => {
  const { draft, day } = await open()
  draft.changeEvent('run', { place: 'Field' })
  day.value = { ...day.value, plan: stored(day.value, 2, place('run', 'Track')) }
  await nextTick()
  expect(draft.meanwhile.value?.clashes).toEqual(['Run 2,000 m: at Field'])
  draft.takeTheirs()
  expect(draft.plan.value.events[1]?.place).toBe('Track')
})
test('a save that meets somebody else’s is no error but theirs beside mine; any other refusal is told', async () => {
  const { draft, server } = await open()
  draft.changeEvent('run', { place: 'Field' })
  server.answer('PUT', '/plan', () => problem(409, 'plan.editedMeanwhile', 'Somebody else changed the plan.'))
  await draft.save()
  await vi.waitFor(() => expect(draft.meanwhile.value).not.toBeNull())
  expect(draft.problem.value).toBe('')
  server.answer('PUT', '/plan', () => problem(409, 'day.signedOff', 'The day is signed off.'))
  await draft.save()
  expect(draft.problem.value).toBe('The day is signed off.')
  draft.drop()
  expect(draft.changes.value).toEqual([])
})

test('what a timetable breaks is one sentence for a wave, by the person who lacks most', async () => {
  const { day, draft } = await open()
  draft.changeEvent('run', { together: 2 })
  draft.change({ ...draft.plan.value, pins: [{ eventId: 'run', wave: 1, startMs: 0 }] })
  const { conflicts, broken } = useTimetable(() => day.value, draft.plan)
  // nobody is on the staff of this day, which is told beside it
  expect(conflicts.value.slice(1)).toEqual([
    'Nobody on the staff is medical cover. Put somebody on it, with that duty.',
    'Press-ups: nobody is assigned.',
    'Run 2,000 m: nobody is assigned.',
  ])
  // the second press-ups end at 6:00 and the rest is 8:00, so 14:00 are missing
  expect(conflicts.value[0]).toBe(
    'Run 2,000 m, wave 1: 2 Tove Number-2 would start 14:00 before the rest after Press-ups is over.',
  )
  expect([...broken.value]).toEqual(['run 1'])
})
test('whoever is absent takes no place', async () => {
  const { day, draft } = await open()
  day.value = { ...day.value, entries: [entry(1), entry(2, { attendance: 'absent' })] }
  const { timetable } = useTimetable(() => day.value, draft.plan)
  expect(timetable.value.sittings[0]?.starts).toHaveLength(1)
})
