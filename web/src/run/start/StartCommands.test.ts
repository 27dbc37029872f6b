import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, expect, test, vi } from 'vitest'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '@able-gauge/core/testing'
import { captureId, seededRandom, type Capture, type Observation } from '@able-gauge/core'
import { entry, MOUNTED, openDay } from '../../../testing/openDay.ts'
import StartCommands from './StartCommands.vue'

const kind = KIND_CASES.find((one) => one.kind === 'repetitionsToFailure')
if (!kind) throw new Error('No case of repetitions to failure.')
const plain = plainEvent(kind, { kind: 'effort' }) as { readonly protocol: object }
const CHECK = 'No pain in the shoulder on a gentle hang.'
const standard = soundStandard(
  plainStandard([
    { ...plain, id: 'first', restAfterMs: 300_000 },
    {
      ...plain,
      id: 'second',
      protocol: {
        ...plain.protocol,
        clearBefore: [CHECK],
        startCommands: ['Begin'],
      },
    },
  ]),
)
const random = seededRandom(7)
const anna = entry(1)
const bela = entry(2)

/** The second event is about to start; the first was ended so long ago. */
const open = async (endedAgoMs: number | null) => {
  const nowMs = Date.now()
  const captured = (atMs: number, observation: Observation): Capture => ({
    id: captureId(atMs, random.bytes(16)),
    eventId: 'first',
    entryId: anna.id,
    deviceId: 'tablet',
    deviceMs: 0,
    atMs,
    uncertaintyMs: 4,
    ...observation,
  })
  const endedMs = nowMs - (endedAgoMs ?? 0)
  const ended = [
    captured(endedMs - 20_000, { kind: 'started', payload: {} }),
    captured(endedMs - 10_000, { kind: 'counted', payload: {} }),
    captured(endedMs, { kind: 'stopped', payload: { reason: 'ended' } }),
  ]
  const { store, day } = await openDay({
    entries: [anna, bela],
    role: 'grader',
    plain: standard,
    captures: endedAgoMs === null ? [] : ended,
  })
  const event = day.standard.events[1]
  if (!event) throw new Error('The standard has one event only.')
  const start = mount(StartCommands, { props: { day, event, entries: [anna, bela] }, ...MOUNTED })
  const press = async (label: string) => {
    const button = start.findAll('button').find((one) => one.text().startsWith(label))
    if (!button) throw new Error(`There is no "${label}". ${start.text()}`)
    await button.trigger('click')
    await flushPromises()
  }
  return { store, start, press }
}
afterEach(() => vi.useRealTimers())

test('what has to be clear is no start until it is put on record, of everybody who starts', async () => {
  const { store, start, press } = await open(null)
  expect(start.text()).toContain('Clear to start, all 2?')
  expect(start.text()).toContain(CHECK)
  expect(start.emitted('go')).toBeUndefined()
  await press('All clear')
  await vi.waitFor(() => expect(start.emitted('go')).toHaveLength(1))
  expect(store.allIn('second').map((one) => [one.kind, one.entryId, one.payload])).toEqual([
    ['cleared', null, { entryIds: [anna.id, bela.id] }],
  ])
  expect(start.emitted('go')?.[0]?.[0]).not.toHaveProperty('despite')
})

test('a rest that runs is asked about, and the answer goes with the start', async () => {
  const { start, press } = await open(60_000)
  await press('All clear')
  await vi.waitFor(() => expect(start.text()).toContain('Start all the same?'))
  expect(start.text()).toMatch(/1 T\. Number-1: the rest still runs for [34]:\d\d/)
  expect(start.text()).not.toContain('Number-2')
  await press('Start all the same')
  await vi.waitFor(() => expect(start.emitted('go')).toHaveLength(1))
  const moment = start.emitted('go')?.[0]?.[0]
  expect(moment).toMatchObject({ despite: ['resting'] })
  // what the disk of the device takes
  expect(structuredClone(moment)).toEqual(moment)
})

test('whoever waits starts nothing, and a rest that is over is not asked about', async () => {
  const resting = await open(60_000)
  await resting.press('All clear')
  await vi.waitFor(() => expect(resting.start.text()).toContain('Start all the same?'))
  await resting.press('Wait')
  expect(resting.start.emitted('cancel')).toHaveLength(1)
  expect(resting.start.emitted('go')).toBeUndefined()
  const rested = await open(300_001)
  await rested.press('All clear')
  await vi.waitFor(() => expect(rested.start.emitted('go')).toHaveLength(1))
})
