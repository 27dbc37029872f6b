import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { PlannedTask } from '@able-gauge/core'
import { main } from './main.ts'

const MINUTE = 60_000
let folder: string
beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'able-gauge-plan-'))
})
afterAll(() => rm(folder, { recursive: true }))

const plan = async (task: object) => {
  const [out, complaints]: [string[], string[]] = [[], []]
  const name = path.join(folder, 'task.json')
  await writeFile(name, JSON.stringify(task))
  const code = await main(['plan', name], {
    out: (line) => out.push(line),
    complain: (line) => complaints.push(line),
    write: () => Promise.resolve(),
  })
  return {
    code,
    complaints: complaints.join('\n'),
    planned: (code === 2 ? null : JSON.parse(out.join(''))) as PlannedTask,
  }
}
const task = {
  format: 'able-gauge/plan-task/1',
  startsAt: '09:00',
  events: [
    { id: 'grip', stations: 1, together: 1, slotMs: 2 * MINUTE, restAfterMs: 4 * MINUTE },
    { id: 'drag', stations: 1, together: 1, slotMs: 3 * MINUTE },
  ],
  people: ['a', 'b', 'c', 'd'].map((id) => ({ id })),
  days: 50,
}

test('a day is planned, bounded and simulated from a file', async () => {
  const { code, planned } = await plan(task)
  expect(code).toBe(0)
  // the first is at the drag at 6 minutes, and four of three minutes follow each other
  expect(planned).toMatchObject({ lengthMs: 18 * MINUTE, boundMs: 18 * MINUTE, conflicts: [] })
  expect(planned.waves.flatMap(({ entryIds }) => entryIds)).toEqual(['a', 'b', 'c', 'd'])
  expect(planned.sittings.map(({ eventId }) => eventId)).toEqual(['grip', 'drag'])
  expect(planned.simulation).toMatchObject({ days: 50, events: [{ eventId: 'grip' }, { eventId: 'drag' }] })
  expect(planned.simulation.likelyMs).toBeGreaterThanOrEqual(planned.simulation.middleMs)
  expect(planned.help).toMatchObject([{ code: 'oneMoreStation', eventId: 'drag' }])
  expect((await plan(task)).planned).toEqual(planned)
})

test('an order that is left free is used, and waves that are given are kept', async () => {
  const free = { ...task, order: { kind: 'free' }, events: task.events.map((one) => ({ ...one, restAfterMs: 0 })) }
  const waves = [
    { wave: 1, people: ['a', 'b'] },
    { wave: 2, people: ['c', 'd'] },
  ]
  const { planned } = await plan({ ...free, waves })
  // both at once: four of three minutes at the drag are the day
  expect(planned.lengthMs).toBe(12 * MINUTE)
  expect(planned.waves.map(({ entryIds }) => entryIds)).toEqual([
    ['a', 'b'],
    ['c', 'd'],
  ])
})

test('a turn put by hand that breaks a rest is told, and the exit code says so', async () => {
  const { code, planned } = await plan({ ...task, pins: [{ eventId: 'drag', wave: 1, startMs: 0 }] })
  expect(code).toBe(1)
  expect(planned.conflicts[0]).toMatchObject({ code: 'rest', afterEventId: 'grip', eventId: 'drag' })
})

test.each([
  [{ ...task, startsAt: '9' }, 'startsAt: expected a time of day such as 09:00, found "9".'],
  [{ ...task, people: [{ id: 'a' }, { id: 'a' }] }, 'people[1].id: expected an id of its own, found a.'],
  [
    { ...task, waves: [{ wave: 1, people: ['a', 'z'] }] },
    'waves[0].people: expected the id of somebody in people, found z.',
  ],
  [{ ...task, waves: [{ wave: 1, people: ['a', 'b', 'c'] }] }, 'waves: expected everybody of people in one wave, once'],
  [
    { ...task, pins: [{ eventId: 'run', wave: 1, startMs: 0 }] },
    'pins[0].eventId: expected one of grip, drag, found run.',
  ],
  [
    { ...task, order: { kind: 'groups', groups: [{ eventIds: ['drag'] }, { eventIds: ['grip'] }] } },
    'order.groups: expected every event once',
  ],
  [{ ...task, events: [task.events[0], task.events[0]] }, 'events[1].id: expected an id of its own'],
])('a task that contradicts itself is refused in its place', async (faulty, says) => {
  const { code, complaints } = await plan(faulty)
  expect(code).toBe(2)
  expect(complaints).toContain(says)
})
