import { mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { followRepetitions, type CountedProtocol } from '@able-gauge/core'
import { entry, MOUNTED, openDay } from '../../../testing/openDay.ts'
import { timeOfDay } from '../../ui/localTime.ts'
import PutRightDialog from './PutRightDialog.vue'
import { personTarget, waveTarget } from './slipTarget.ts'

const [ANNA, BO, CAI] = [entry(28), entry(29), entry(30)]
const EVENT = 'press-ups'

const open = async () => {
  const { store, day } = await openDay({ entries: [ANNA, BO, CAI], role: 'grader' })
  const protocol = day.standard.events.find(({ id }) => id === EVENT)?.protocol as CountedProtocol
  const ownOf = (id: string) => store.settledIn(EVENT).value.filter(({ entryId }) => entryId === id)
  const capture = (id: string, kind: 'started' | 'counted') => store.capture(EVENT, id, { kind, payload: {} })
  const attemptOf = (id: string) => followRepetitions(protocol, ownOf(id), Date.now())
  const dialogFor = async (id: string, targets = [personTarget(id === ANNA.id ? ANNA : BO, ownOf(id))]) => {
    const dialog = mount(PutRightDialog, {
      props: { modelValue: false, day, eventId: EVENT, targets, others: [ANNA, BO, CAI] },
      global: { ...MOUNTED.global, stubs: { ...MOUNTED.global.stubs, BModal: { template: '<div><slot /></div>' } } },
    })
    await dialog.setProps({ modelValue: true })
    const press = async (words: string) => {
      const button = dialog.findAll('button').find((one) => one.text().includes(words))
      if (!button) throw new Error(`Nothing offers "${words}": ${dialog.text()}`)
      await button.trigger('click')
    }
    return { dialog, press }
  }
  return { store, day, ownOf, capture, attemptOf, dialogFor }
}

test('what was captured of the wrong person belongs to the other, count and all', async () => {
  const { capture, attemptOf, dialogFor, ownOf } = await open()
  capture(ANNA.id, 'started')
  for (let times = 0; times < 3; times++) capture(ANNA.id, 'counted')
  const { press } = await dialogFor(ANNA.id)
  await press('29')
  expect(ownOf(ANNA.id)).toEqual([])
  expect(attemptOf(BO.id).tally.counted).toBe(3)
  expect(attemptOf(BO.id).startedAtMs).not.toBeNull()
})

test('a start too early begins now, and what was counted before it does not count', async () => {
  vi.useFakeTimers({ toFake: ['Date'] })
  const { capture, attemptOf, dialogFor } = await open()
  const start = capture(ANNA.id, 'started')
  const { press } = await dialogFor(ANNA.id)
  await press('Started too early')
  expect(attemptOf(ANNA.id).startedAtMs).toBeGreaterThanOrEqual(start.atMs)
  vi.useRealTimers()
})

test('a false start leaves nobody started', async () => {
  const { capture, attemptOf, dialogFor } = await open()
  capture(ANNA.id, 'started')
  const { press } = await dialogFor(ANNA.id)
  await press('False start')
  expect(attemptOf(ANNA.id).startedAtMs).toBeNull()
})

test('a forgotten start is that of whoever started beside, or the time read off a clock', async () => {
  const { day, capture, attemptOf, dialogFor } = await open()
  const beside = capture(BO.id, 'started')
  const first = await dialogFor(ANNA.id)
  await first.press('Forgot to start: started with 29')
  expect(attemptOf(ANNA.id).startedAtMs).toBe(beside.atMs)

  const second = await dialogFor(ANNA.id)
  const read = timeOfDay(beside.atMs - 20_000, day.occasion.zone)
  await second.dialog.find('input').setValue(read)
  await second.dialog.find('form').trigger('submit')
  expect(Math.floor((attemptOf(ANNA.id).startedAtMs ?? 0) / 1_000)).toBe(Math.floor(beside.atMs / 1_000) - 20)
})

test('what is no time of day says so, and changes nothing', async () => {
  const { dialogFor, ownOf } = await open()
  const { dialog } = await dialogFor(ANNA.id)
  await dialog.find('input').setValue('soon')
  await dialog.find('form').trigger('submit')
  expect(dialog.get('[role=alert]').text()).toContain('"soon" is not a time of day')
  expect(ownOf(ANNA.id)).toEqual([])
})

test('the start of a wave is put right as a whole', async () => {
  const { store, dialogFor } = await open()
  const payload = { wave: 1, entryIds: [ANNA.id, BO.id] }
  const start = store.capture('run', null, { kind: 'waveStarted', payload })
  const { dialog, press } = await dialogFor(ANNA.id, [waveTarget(1, [start], { kind: 'waveStarted', payload })])
  await dialog.setProps({ eventId: 'run' })
  expect(dialog.text()).not.toContain('Wrong person')
  await press('False start')
  expect(store.settledIn('run').value).toEqual([])
})

test('a wave that two timers started is moved as one, or the earlier start would count', async () => {
  const { store, dialogFor } = await open()
  const payload = { wave: 1, entryIds: [ANNA.id, BO.id] }
  const starts = [1, 2].map(() => store.capture('run', null, { kind: 'waveStarted', payload }))
  const { dialog, press } = await dialogFor(ANNA.id, [waveTarget(1, starts, { kind: 'waveStarted', payload })])
  await dialog.setProps({ eventId: 'run' })
  await press('Started too early')
  const moved = store.settledIn('run').value.filter(({ kind }) => kind === 'waveStarted')
  expect(moved).toHaveLength(2)
  expect(new Set(moved.map(({ atMs }) => atMs)).size).toBe(1)
  expect(moved[0]?.atMs).toBeGreaterThanOrEqual(starts[1]?.atMs ?? Infinity)
})
