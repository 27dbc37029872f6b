/** The parts of the board: waves people are moved between, lists of the timetable, staff beside it, proposals to choose from. */
import { flushPromises, mount } from '@vue/test-utils'
import { firstPlan, makeTimetable, proposePlans, timetableTask, type Proposal } from '@able-gauge/core'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { entry, json, openDay, type PlayedServer } from '../../testing/openDay.ts'
import { wavesOnGround, type Day } from '../day/day.ts'
import { planners } from '../day/useForecast.ts'
import type { Planner } from '../workers/plan.worker.ts'
import PlanProposals from './PlanProposals.vue'
import PlanWaves from './PlanWaves.vue'
import StaffSide from './StaffSide.vue'
import TimetableList from './TimetableList.vue'
import { usePlan } from './usePlan.ts'

beforeEach(() => {
  const played: Partial<Planner> = { propose: (task) => proposePlans(task, 1) }
  vi.spyOn(planners, 'open').mockReturnValue(played as unknown as ReturnType<typeof planners.open>)
})
afterEach(() => vi.restoreAllMocks())

const open = async () => openDay({ entries: [entry(1), entry(2), entry(3)], role: 'officer' })
const wavesSent = ({ asked }: PlayedServer): unknown[] =>
  asked.filter(({ path }) => path.endsWith('/waves')).map(({ body }) => body)
const namesIn = (page: ReturnType<typeof mount>, wave: string): string[] =>
  page.findAll(`ul[aria-label="${wave}"] .person`).map((one) => one.text())

test('a focused person is moved to the next wave by an arrow key, and never before the first', async () => {
  const { day, server } = await open()
  server.answer('PUT', '/waves', () => json({ changed: 1 }))
  const page = mount(PlanWaves, { props: { day, mayEdit: true }, attachTo: document.body })
  expect(namesIn(page, 'Wave 1')).toHaveLength(3)
  const [first] = page.findAll('.person')
  await first?.trigger('keydown', { key: 'ArrowLeft' })
  await flushPromises()
  expect(wavesSent(server)).toEqual([])
  await first?.trigger('keydown', { key: 'ArrowRight' })
  await flushPromises()
  expect(wavesSent(server)).toEqual([{ waves: [{ entryId: day.entries[0]?.id, wave: 2 }] }])
  page.unmount()
})

test('people are dropped on a wave; who may not plan moves nobody', async () => {
  const { day, server } = await open()
  server.answer('PUT', '/waves', () => json({ changed: 1 }))
  const page = mount(PlanWaves, { props: { day, mayEdit: true } })
  const drop = (entryId: string) =>
    page
      .findAll('.column')
      .at(-1)
      ?.trigger('drop', { dataTransfer: { getData: () => entryId } })
  await drop('somebody else')
  await drop(day.entries[2]?.id ?? '')
  await flushPromises()
  expect(wavesSent(server)).toEqual([{ waves: [{ entryId: day.entries[2]?.id, wave: 2 }] }])
  await page.setProps({ mayEdit: false })
  expect(page.findAll('.person').every((one) => one.attributes('draggable') === 'false')).toBe(true)
  expect(page.findAll('.column')).toHaveLength(1)
})

const laid = (day: Day) => {
  const { events } = day.standard
  const plan = firstPlan(day.standard)
  const [joss] = day.staff
  const { sittings } = makeTimetable(timetableTask(plan, day.standard, wavesOnGround(day)))
  return {
    sittings,
    events: events.map(({ id, name }, index) => ({
      id,
      name,
      staff: index === 0 && joss ? [{ accountId: joss.accountId, name: joss.displayName }] : [],
    })),
    startsAt: '09:00',
  }
}

test('the timetable is listed in time, by wave, by candidate and by member of the staff', async () => {
  const { day } = await open()
  const staffed = {
    ...day,
    staff: [{ accountId: 'joss', displayName: 'Joss Adair', duty: 'grader', role: 'grader' as const }],
  }
  const page = mount(TimetableList, { props: { day: staffed, ...laid(staffed) } })
  const rows = (): string[] => page.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '))
  expect(rows()[0]).toMatch(/^09:00 ?09:\d\d ?Press-ups ?1 ?3/)
  await page.get('select').setValue('wave')
  expect(rows()).toEqual([expect.stringMatching(/^1 ?3 ?09:00–09:\d\d/)])
  await page.get('select').setValue('candidate')
  expect(rows()).toHaveLength(3)
  expect(rows()[1]).toMatch(/^2 ?Tove Number-2 ?1 ?09:0\d/)
  await page.get('select').setValue('staff')
  expect(rows()[0]).toContain('Joss Adair')
  expect(rows()[0]).toMatch(/09:00–09:\d\d Press-ups, wave 1/)
})

test('somebody is put to an event by ticking it, and how long they work stands beside', async () => {
  const { day } = await open()
  const staffed = {
    ...day,
    staff: [{ accountId: 'joss', displayName: 'Joss Adair', duty: 'grader', role: 'grader' as const }],
  }
  const page = mount(StaffSide, {
    props: {
      day: staffed,
      events: [{ id: 'run', name: 'Run 2,000 m' }],
      worksAt: new Map([['joss', []]]),
      busyMs: new Map([['joss', 5_400_000]]),
      lacking: new Map([['joss', new Set(['run'])]]),
      mayEdit: true,
    },
  })
  expect(page.get('summary').text()).toContain('1:30:00')
  await page.get('details').trigger('toggle')
  await page.get('input[type=checkbox]').setValue(true)
  expect(page.emitted('put')).toEqual([['run', 'joss', true]])
  await page.setProps({ busyMs: new Map() })
  expect(page.get('summary').text()).toContain('free')
  // practice is only missed in what somebody works
  expect(page.text()).not.toContain('No fresh practice')
  await page.setProps({ worksAt: new Map([['joss', ['run']]]) })
  expect(page.get('summary').text()).toContain('No fresh practice: Run 2,000 m')
})

test('a proposal is looked at before it is taken; taking sets the waves and changes the plan', async () => {
  const { day, server } = await open()
  server.answer('PUT', '/waves', () => json({ changed: 3 }))
  const draft = usePlan(() => day)
  const page = mount(PlanProposals, { props: { day, draft } })
  const press = (name: RegExp) =>
    page
      .findAll('button')
      .find((button) => name.test(button.text()))
      ?.trigger('click')
  await press(/Propose a plan/)
  await vi.waitFor(() => expect(page.text()).toContain('Take A'))
  expect(page.get('.choice').text()).toMatch(/^A 1 wave of 3, ends \d\d:\d\d$/)
  expect(page.emitted('show')?.at(-1)?.[0]).toMatchObject({ waves: [{ wave: 1 }] })
  expect(wavesSent(server)).toEqual([])
  await press(/Take A/)
  await flushPromises()
  expect(wavesSent(server)).toEqual([{ waves: day.entries.map(({ id }) => ({ entryId: id, wave: 1 })) }])
  expect(page.text()).toContain('A is taken.')
  expect(page.emitted('show')?.at(-1)).toEqual([null])
})

test('where people of several units are entered, those of one are put into the same waves', async () => {
  const entries = Array.from({ length: 8 }, (_, index) => entry(index + 1))
  const unitsOf = Object.fromEntries(entries.map(({ id }, index) => [id, index % 2 ? 'north' : 'south']))
  const { day } = await openDay({ entries, role: 'officer', change: { unitsOf } })
  const page = mount(PlanProposals, { props: { day, draft: usePlan(() => day) } })
  expect(page.findAll('option').map((option) => option.text())).toEqual(['bib', 'category', 'unit'])
  await page.get('select').setValue('unit')
  await page
    .findAll('button')
    .find((button) => button.text() === 'Propose a plan')
    ?.trigger('click')
  await vi.waitFor(() => expect(page.text()).toContain('Take A'))
  const [proposal] = page.emitted('show')?.at(-1) as [Proposal]
  const units = proposal.waves.flatMap(({ entryIds }) => entryIds.map((id) => unitsOf[id]))
  expect(units).toEqual([...Array(4).fill('south'), ...Array(4).fill('north')])
  page.unmount()
})

test('by unit is not offered where everybody is of one', async () => {
  const { day } = await open()
  const page = mount(PlanProposals, { props: { day, draft: usePlan(() => day) } })
  expect(page.findAll('option').map((option) => option.text())).toEqual(['bib', 'category'])
  page.unmount()
})
