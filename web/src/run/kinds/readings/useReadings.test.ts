import { mount } from '@vue/test-utils'
import { beforeEach, expect, onTestFinished, test, vi } from 'vitest'
import { plainEvent, plainStandard, soundStandard, KIND_CASES } from '@able-gauge/core/testing'
import { entry, MOUNTED, openDay } from '../../../../testing/openDay.ts'
import ReadingsConsole from './ReadingsConsole.vue'

const grip = KIND_CASES.find(({ kind }) => kind === 'attempts')
if (!grip) throw new Error('No case of kind attempts.')
const standard = soundStandard(
  plainStandard([plainEvent(grip, { kind: 'singleCut', unit: 'g', atLeast: 41_000 }, 'grip')]),
)
const [event] = standard.events
if (!event) throw new Error('The standard made for the test has no event.')

beforeEach(() => {
  document.body.innerHTML = ''
})

const open = async (change = {}) => {
  const person = entry(7, change)
  const { store, day } = await openDay({ entries: [person], role: 'grader' })
  // the played server gives the day a standard of two events; here it is one of readings
  store.day = { ...day, standard }
  const console = mount(ReadingsConsole, {
    ...MOUNTED,
    attachTo: document.body,
    props: { day: store.day, event, entry: person, following: entry(8) },
  })
  const type = async (label: string, text: string): Promise<void> => {
    const field = console
      .findAll('.cell')
      .find((cell) => cell.text().startsWith(label))
      ?.find('input')
    await field?.setValue(text)
  }
  return { store, console, type }
}

test('each reading is captured as it is left, and the mark follows from all of them', async () => {
  const { store, console, type } = await open()
  await type('Left, try 1', '38.5')
  await type('Left, try 2', '41')
  await vi.waitFor(() => expect(console.text()).toContain('2 readings so far'))
  await type('Right, try 1', '44 kg')
  await vi.waitFor(() => expect(console.text()).toContain('Met, exactly on the cut'))
  expect(console.text()).toContain('The weaker side counts')
  expect(console.findAll('.cell.counts').map((cell) => cell.find('label').text())).toEqual([
    'Left, try 2 if takencounts',
  ])
  expect(store.allIn('grip').map(({ kind, payload }) => ({ kind, payload }))).toEqual([
    { kind: 'read', payload: { slot: 'left-1', value: 38_500 } },
    { kind: 'read', payload: { slot: 'left-2', value: 41_000 } },
    { kind: 'read', payload: { slot: 'right-1', value: 44_000 } },
  ])
})

test('what cannot be read is told at its field, stays there, and is not captured', async () => {
  const { store, console, type } = await open()
  await type('Left, try 1', '38;5')
  expect(console.text()).toContain('"38;5" is not a mass in kg, such as 34.5.')
  expect(console.find('input').element.value).toBe('38;5')
  // a comma is a decimal sign, but not with three digits behind it
  await type('Left, try 1', '38,500')
  expect(console.text()).toContain('"38,500" could be decimals or thousands.')
  expect(store.allIn('grip')).toEqual([])
})

test('a figure that nobody reaches is asked about, and recorded when it is entered again, deliberately', async () => {
  const { store, console, type } = await open()
  const enter = (): Promise<void> => console.get('input').trigger('keydown', { key: 'Enter' })
  await type('Left, try 1', '385')
  expect(console.get('[role=alert]').text()).toMatch(
    /^Figures here lie between 1 and 200 kg\. Enter 385 again if it is right/,
  )
  // the same press twice, leaving the field, and going on answer nothing
  await enter()
  await console.get('input').trigger('change')
  await console.get('.next-person').trigger('click')
  expect(console.emitted('next')).toBeUndefined()
  expect(store.allIn('grip')).toEqual([])
  const now = performance.now.bind(performance)
  vi.spyOn(performance, 'now').mockImplementation(() => now() + 1_000)
  onTestFinished(() => void vi.restoreAllMocks())
  await enter()
  expect(store.allIn('grip')).toMatchObject([
    { payload: { slot: 'left-1', value: 385_000 }, despite: ['outsideSense'] },
  ])
  expect(console.find('[role=alert]').exists()).toBe(false)
  await console.get('.next-person').trigger('click')
  expect(console.emitted('next')).toHaveLength(1)
  // corrected instead, there is nothing to ask
  await type('Right, try 1', '440')
  await type('Right, try 1', '44')
  expect(console.find('[role=alert]').exists()).toBe(false)
  expect(store.allIn('grip').at(-1)).toMatchObject({ payload: { slot: 'right-1', value: 44_000 } })
  expect(store.allIn('grip').at(-1)).not.toHaveProperty('despite')
  // and the same slip, later, is asked about anew
  await type('Right, try 1', '440')
  expect(console.get('[role=alert]').text()).toContain('Enter 440 again')
})

test('undo voids the last reading and the one before shows again', async () => {
  const { store, console, type } = await open()
  await type('Left, try 1', '38')
  await type('Left, try 1', '39')
  await vi.waitFor(() => expect(store.allIn('grip')).toHaveLength(2))
  const undo = console.findAll('button').find((button) => button.text() === 'Undo the last')
  await undo?.trigger('click')
  await vi.waitFor(() => expect(console.find('input').element.value).toBe('38'))
  expect(store.allIn('grip').map(({ kind }) => kind)).toEqual(['read', 'read', 'voided'])
})

test('whoever is held cannot be read', async () => {
  const { console } = await open({ attendance: 'held', note: 'Screening answer.' })
  expect(console.text()).toContain('Held: may not start. Screening answer.')
  expect(console.find('input').element.disabled).toBe(true)
})

test('a stop for safety is for the officer to decide', async () => {
  const { console } = await open()
  const stop = console.findAll('button').find((button) => button.text() === 'Stop for safety')
  await stop?.trigger('click')
  await vi.waitFor(() => expect(console.text()).toContain('The event was stopped for safety.'))
})
