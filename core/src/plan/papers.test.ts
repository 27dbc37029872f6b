import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { EVENT_KINDS } from '../kinds/kinds.ts'
import { eventTemplate } from '../standard/standardTemplate.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { firstPlan } from './dayPlan.ts'
import { cardBoxes, startingLists, waveSheet } from './papers.ts'
import { makeTimetable, timetableTask } from './timetable.ts'

const standard = demoStandard('constabulary-entry-v3')
const eventOf = (id: string, of = standard): StandardEvent => {
  const event = [...of.events, ...(of.alternateEvents ?? [])].find((one) => one.id === id)
  if (!event) throw new Error(`The demo standard has no event "${id}".`)
  return event
}

test('a card for press-ups strikes numbers, tallies refusals by reason, and has a box for each caution', () => {
  const boxes = cardBoxes(eventOf('press-ups'))
  expect(boxes.strike?.what).toBe('repetitions')
  expect(boxes.strike?.upTo).toBeGreaterThanOrEqual(40)
  expect(boxes.refusals).toContain('Not low enough')
  // two are allowed, the third ends it
  expect(boxes).toMatchObject({ cautions: 3, restarts: 1, figures: [] })
})

test('tries and watches have boxes of their own; a course counts faults at its stations', () => {
  expect(cardBoxes(eventOf('grip')).figures.length).toBe(4)
  expect(cardBoxes(eventOf('grip')).strike).toBeNull()
  const course = eventOf('course', demoStandard('drill-yard-course-v1'))
  const boxes = cardBoxes(course)
  expect(boxes.strike).toEqual({
    what: 'stations',
    upTo: 'stations' in course.protocol ? course.protocol.stations.length : 0,
  })
  expect(boxes.faults.some(({ allowed }) => allowed === 2)).toBe(true)
})

test('laps are struck for a wave together: five crossings of the line for 2,000 m', () => {
  expect(waveSheet(eventOf('run'))).toEqual({ kind: 'laps', what: 'laps', laps: 5 })
  expect(waveSheet(eventOf('press-ups'))).toBeNull()
  const guard = demoStandard('guard-service-v4')
  const shuttle = [...guard.events, ...(guard.alternateEvents ?? [])].find(
    ({ name }) => name === 'Progressive 20 m shuttle',
  )
  const sheet = shuttle && waveSheet(shuttle)
  // at 8.5 km/h seven shuttles of 20 m end before the minute, eight after it
  expect(sheet?.kind === 'levels' ? sheet.shuttles[0] : null).toBe(8)
})

test('every kind has a card on which its figures can be written down', () => {
  for (const kind of EVENT_KINDS) {
    const event = eventTemplate(kind, 'event-1') as StandardEvent
    const { strike, figures } = cardBoxes(event)
    expect([kind, strike !== null || figures.length > 0 || waveSheet(event) !== null]).toEqual([kind, true])
  }
})

test('starting lists hold everybody once at every event, in the order they start', () => {
  const waves = [
    { wave: 1, entryIds: ['a', 'b', 'c'] },
    { wave: 2, entryIds: ['d', 'e'] },
  ]
  const ids = standard.events.map(({ id }) => id)
  const lists = startingLists(ids, makeTimetable(timetableTask(firstPlan(standard), standard, waves)))
  expect(lists).toHaveLength(2 * ids.length)
  expect([...new Set(lists.map(({ eventId }) => eventId))]).toEqual(ids)
  for (const { wave, lines } of lists) {
    expect(lines.map(({ entryId }) => entryId).sort()).toEqual(waves.find((one) => one.wave === wave)?.entryIds)
    const starts = lines.map(({ startMs }) => startMs)
    expect(starts).toEqual([...starts].sort((a, b) => a - b))
  }
})
