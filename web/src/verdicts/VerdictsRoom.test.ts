import { rehearseRepetitions, rehearseWave, seededRandom, type Capture } from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import { flushPromises, mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { entry, json, MOUNTED, openDay } from '../../testing/openDay.ts'
import VerdictsRoom from './VerdictsRoom.vue'

const [pressUps, run] = standardNamed('v3').events
if (pressUps?.protocol.kind !== 'repetitionsInTime' || run?.protocol.kind !== 'timedDistance') {
  throw new Error('The demo standard changed.')
}
const { protocol: repetitions } = pressUps
const { protocol: distance } = run
const START_MS = 1_795_473_248_000

/** 9 is met, 28 is short in press-ups, 40 finishes nearer to the cut than a watch can tell. */
const capturesOfThree = (): Capture[] => {
  const random = seededRandom(4)
  const counts = [
    [9, 30],
    [28, 20],
    [40, 27],
  ] as const
  const finishes = [
    [9, 540_000],
    [28, 550_000],
    [40, 579_900],
  ] as const
  return [
    ...counts.flatMap(([bib, counted]) =>
      rehearseRepetitions({ eventId: 'press-ups', deviceId: 'd', random }, repetitions, {
        entryId: entry(bib).id,
        startAtMs: START_MS,
        counted,
      }),
    ),
    ...rehearseWave(
      { eventId: 'run', deviceId: 'd', random },
      distance,
      1,
      START_MS + 3_600_000,
      finishes.map(([bib, finishMs]) => ({ entryId: entry(bib).id, finishMs })),
    ),
  ]
}
const openRoom = async (role: 'officer' | 'viewer' = 'officer') => {
  vi.stubGlobal('matchMedia', (query: string) => ({
    matches: query.includes('min-width'),
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }))
  const opened = await openDay({
    entries: [entry(9), entry(28), entry(40), entry(3, { attendance: 'absent' })],
    captures: capturesOfThree(),
    role,
  })
  return { ...opened, room: mount(VerdictsRoom, { props: { day: opened.day }, ...MOUNTED }) }
}

test('everybody who came has a row with figures and a verdict; the absent have none', async () => {
  const { room } = await openRoom()
  const rows = room.findAll('tbody tr').map((row) => row.text().replaceAll(/\s+/g, ' '))
  expect(rows).toHaveLength(3)
  expect(rows[0]).toMatch(/^9.*30.*9:00.*Met$/)
  expect(rows[1]).toMatch(/^28.*20.*short.*9:10.*Short$/)
  expect(rows[2]).toMatch(/^40.*27.*9:40.*near the cut.*Decide$/)
})

test('the open case is explained first, and only the officer is asked to decide it', async () => {
  const { room } = await openRoom()
  expect(room.text()).toContain('To decide: Run 2,000 m.')
  await room.get('button.btn-primary').trigger('click')
  expect(room.text()).toContain('The method cannot tell on which side of the cut this lies.')
  expect(room.find('form.decision').exists()).toBe(true)
  expect((await openRoom('viewer')).room.text()).not.toContain('open case')
})

test('a decision with its reason settles the case', async () => {
  const { room, store } = await openRoom()
  await room.get('button.btn-primary').trigger('click')
  await room.get('input[value="met"]').setValue()
  await room.get('textarea').setValue('Backup watch read 9:39.7.')
  await room.get('form.decision').trigger('submit')
  await vi.waitFor(() => expect(store.verdicts.get(entry(40).id)?.outcome).toBe('met'))
  await flushPromises()
  expect(room.text()).toContain('Reason: Backup watch read 9:39.7.')
  expect(room.find('form.decision').exists()).toBe(false)
})

test('the list can be narrowed to one outcome', async () => {
  const { room } = await openRoom()
  await room.get('select').setValue('short')
  expect(room.findAll('tbody tr').map((row) => row.attributes('data-bib'))).toEqual(['28'])
})

test('on a signed day the verdicts are those that were signed, not judged anew', async () => {
  vi.stubGlobal('matchMedia', (query: string) => ({
    matches: query.includes('min-width'),
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }))
  const opened = await openDay({
    entries: [entry(9)],
    captures: [],
    signedOff: { atMs: START_MS, by: 'Ines Calloway-Brandt' },
  })
  const signed = { outcome: 'met', settled: true, eventsToGo: 0, marks: [], trace: [] }
  opened.server.answer('GET', '/verdicts', () =>
    json({ judged: 'signed', verdicts: [{ entryId: entry(9).id, standardHash: 'a', verdict: signed }] }),
  )
  const room = mount(VerdictsRoom, { props: { day: opened.day }, ...MOUNTED })
  await vi.waitFor(() => expect(room.text()).toContain('as signed'))
  expect(room.get('tbody tr').text()).toContain('Met')
})
