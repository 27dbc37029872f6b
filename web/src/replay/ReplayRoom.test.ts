import { rehearseRepetitions, seededRandom, stamp, type Capture, type Observation } from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import { flushPromises, mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { routeLocationKey, routerKey } from 'vue-router'
import { entry, MOUNTED, openDay } from '../../testing/openDay.ts'
import type { Day } from '../day/day.ts'
import ReplayRoom from './ReplayRoom.vue'

const [pressUps] = standardNamed('v3').events
if (pressUps?.protocol.kind !== 'repetitionsInTime') throw new Error('The demo standard changed.')
const { protocol } = pressUps
const START_MS = 1_795_473_248_000
const tove = entry(9)

const first = rehearseRepetitions({ eventId: 'press-ups', deviceId: 'one', random: seededRandom(4) }, protocol, {
  entryId: tove.id,
  startAtMs: START_MS,
  counted: 20,
})
/** Sees all but the fifth, which was not low enough. */
const second = first.map(({ kind, payload, atMs }, at): Capture => {
  const fifth = first.filter((capture) => capture.kind === 'counted')[4]
  const stage = { eventId: 'press-ups', deviceId: 'two', random: seededRandom(90 + at) }
  const observed = (
    first[at] === fifth ? { kind: 'refused', payload: { reason: 'depth' } } : { kind, payload }
  ) as Observation
  return stamp(stage, tove.id, atMs + 80, observed)
})

const open = async (captures: readonly Capture[], change: Partial<Day> = {}) => {
  const { day } = await openDay({ entries: [tove, entry(10)], captures, role: 'officer', change })
  const page = mount(ReplayRoom, {
    ...MOUNTED,
    props: { day },
    global: {
      ...MOUNTED.global,
      provide: {
        [routeLocationKey as symbol]: { params: { eventId: 'press-ups' }, query: {} },
        [routerKey as symbol]: { replace: () => undefined },
      },
    },
  })
  const press = async (name: RegExp): Promise<void> => {
    await page
      .findAll('button')
      .find((button) => name.test(button.text()))
      ?.trigger('click')
    await flushPromises()
  }
  return { page, press }
}

test('two graders play side by side, each with a count, and where they differ is told and gone to', async () => {
  const { page, press } = await open([...first, ...second])
  const beside = () => page.findAll('text.device').map((text) => text.text())
  await press(/^Next difference \(1\)/)
  expect(beside()).toEqual(['another device', '5 here, and stands', 'another device', '4 beside it'])
  expect(page.findAll('.differs.past')).toHaveLength(1)
  await press(/^To the end/)
  expect(beside()[1]).toBe('20 here, and stands')
  expect(beside()[3]).toBe('19 beside it')
  const told = page.get('section[aria-label="Where two graders differ"]').text()
  expect(told).toContain('9 Tove Number-9')
  expect(told).toMatch(/: counted.*: refused, /)
})

test('one grader alone differs from nobody', async () => {
  const { page } = await open(first)
  expect(page.text()).not.toMatch(/differ/i)
  expect(page.findAll('text.device')).toHaveLength(0)
})

test('a device that changed hands names who graded each person on it', async () => {
  const by = (actorId: string, captures: readonly Capture[]): Capture[] =>
    captures.map((capture) => ({ ...capture, actorId }))
  /** The same attempt of somebody else, later. */
  const ofTheNext = (captures: readonly Capture[], seed: number): Capture[] =>
    captures.map(({ deviceId, kind, payload, atMs }, at) =>
      stamp({ eventId: 'press-ups', deviceId, random: seededRandom(seed + at) }, entry(10).id, atMs + 600_000, {
        kind,
        payload,
      } as Observation),
    )
  const staff = [
    { accountId: 'joss', displayName: 'Joss Adair-Nakata', role: 'grader', duty: 'lane 1' },
    { accountId: 'wanda', displayName: 'Wanda Lofthouse', role: 'grader', duty: 'lane 1' },
  ]
  const { page, press } = await open(
    [
      ...by('joss', first),
      ...by('wanda', second),
      ...by('wanda', ofTheNext(first, 300)),
      ...by('joss', ofTheNext(second, 700)),
    ],
    { staff },
  )
  await press(/^To the end/)
  const names = page.findAll('text.device').flatMap((text) => (/^\d/.test(text.text()) ? [] : [text.text()]))
  expect(names).toEqual(['Joss Adair-Nakata', 'Wanda Lofthouse', 'Wanda Lofthouse', 'Joss Adair-Nakata'])
})
