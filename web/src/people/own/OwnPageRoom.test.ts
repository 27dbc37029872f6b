/** A candidate's own page: asks once for the date of birth, shows results with their reasons, logs a test of one's own. */
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { routeLocationKey } from 'vue-router'
import { judgeResultRow } from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import { json, problem } from '../../../testing/openDay.ts'
import OwnPageRoom from './OwnPageRoom.vue'

const V3 = standardNamed('v3')
const row = { number: 'T-1', birth_date: '1999-05-04', category: 'female', test_date: '2026-11-24' }
const judged = judgeResultRow(V3, { ...row, 'press-ups': '31', run: '9:50' }, 2)
if (!judged.ok) throw new Error('The row of the test is faulty.')

const TEST = {
  occasionId: 'day',
  name: 'Entry test',
  testDate: '2026-11-24',
  standardId: V3.id,
  standardVersion: 3,
  standardName: V3.name,
  entryId: 'entry',
  choices: { variants: {}, alternates: {}, exemptions: {} },
  setUp: {},
  events: V3.events.map(({ id, name }) => ({ id, name })),
  earliestAfterDays: 14,
  conditions: null,
  estimates: [],
  classes: [],
  verdict: judged.verdict,
}
const person = { id: 'p', number: 'T-1', givenName: 'Ada', familyName: 'Holm', birthDate: '1999-05-04', erased: false }
const PAGE = {
  organisation: 'Tarn Isles Testing Office',
  record: { person, tests: [TEST], selfTests: [] as object[], changes: [] },
  standard: V3 as object | null,
  coming: [
    {
      occasionId: 'next',
      name: 'Second try',
      venue: 'Marram Yard',
      zone: 'Etc/GMT-12',
      testDate: '2026-12-12',
      musterMs: null,
    },
  ],
  goals: [] as object[],
}
const asked: { path: string; body: Record<string, unknown> }[] = []
let page: () => Response
beforeEach(() => {
  asked.length = 0
  page = () => json(PAGE)
  sessionStorage.clear()
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', (path: string, { body = '{}' }: { body?: string }) => {
    asked.push({ path, body: JSON.parse(body) as Record<string, unknown> })
    return Promise.resolve(path.endsWith('/self-tests') ? json({ id: 'made' }, 201) : page())
  })
})

const open = async (hash = '#the-code') => {
  const room = mount(OwnPageRoom, { global: { provide: { [routeLocationKey as symbol]: { hash, path: '/mine' } } } })
  const enter = async (date: string): Promise<void> => {
    await room.get('#own-birth').setValue(date)
    await room.get('form').trigger('submit')
    await flushPromises()
  }
  await flushPromises()
  return { room, enter }
}

test('results are shown newest first, each event with its figure, and opened to its reasons', async () => {
  const { room, enter } = await open()
  expect(room.text()).not.toContain('Holm')
  await enter('4.5.1999')
  expect(asked).toMatchObject([{ path: '/api/session/own', body: { code: 'the-code', birthDate: '1999-05-04' } }])
  const text = room.text().replace(/\s+/g, ' ')
  expect(text).toContain('Ada Holm')
  expect(text).toContain('A retest is allowed from 8 December 2026')
  expect(text).toContain('12 December 2026 Second try, Marram Yard')
  const events = room.findAll('summary').map((line) => line.text().replace(/\s+/g, ' '))
  expect(events).toEqual([expect.stringMatching(/^Press-ups ?31, met/), expect.stringMatching(/^Run.* ?9:50, short/)])
  expect(room.findAll('details')[1]?.text()).toContain('At most 9:40')
})

test('a page that does not open says so, and asks again; a page that was opened here is not asked for twice', async () => {
  page = () => problem(401, 'ownPage.closed', 'The page does not open.')
  const { room, enter } = await open()
  await enter('5.5.1999')
  expect(room.get('[role=alert]').text()).toContain('The page does not open')
  page = () => json(PAGE)
  await enter('4.5.1999')
  expect(room.text()).toContain('Ada Holm')
  const again = await open()
  expect(again.room.text()).toContain('Ada Holm')
  expect((await open('')).room.text()).toContain('Open the link on your result sheet')
})

test('a test of one’s own is sent with what opens the page, and a figure that cannot be read is told at its field', async () => {
  const { room, enter } = await open()
  await enter('4.5.1999')
  const field = room.findAll('label').find((label) => label.text().startsWith('Repetitions'))
  await field?.get('input').setValue('thirty')
  await room.get('form.fields').trigger('submit')
  expect(room.get('[role=alert]').text()).toMatch(/^Repetitions:/)
  await field?.get('input').setValue('30')
  await room.get('form.fields').trigger('submit')
  await flushPromises()
  expect(asked.find(({ path }) => path.endsWith('/self-tests'))?.body).toMatchObject({
    key: { code: 'the-code', birthDate: '1999-05-04' },
    test: { standardId: V3.id, standardVersion: 3, eventId: 'press-ups', figures: [{ value: 30 }] },
  })
})

test('somebody without a signed result is told when it comes', async () => {
  page = () => json({ ...PAGE, record: { ...PAGE.record, tests: [] }, standard: null, coming: [] })
  const { room, enter } = await open()
  await enter('4.5.1999')
  expect(room.text()).toContain('It stands here once the day is signed off')
  expect(room.text()).not.toContain('Log the self-test')
})

const SELF = {
  id: 's',
  standardId: V3.id,
  standardVersion: 3,
  eventId: 'press-ups',
  eventName: 'Press-ups',
  testDate: '2026-12-01',
  witness: '',
  note: 'at home',
  figures: { count: 13 },
  read: [{ label: 'Repetitions', value: 13, unit: 'count' }],
  hasPicture: true,
  mark: null,
}
test('a test that was logged wrongly is put right, and both stay to be seen', async () => {
  page = () => json({ ...PAGE, record: { ...PAGE.record, selfTests: [SELF] } })
  const { room, enter } = await open()
  await enter('4.5.1999')
  const press = async (words: string): Promise<void> => {
    await room
      .findAll('button')
      .find((button) => button.text() === words)
      ?.trigger('click')
    await flushPromises()
  }
  await press('Put right')
  const field = room.findAll('label').find((label) => label.text().startsWith('Repetitions'))
  expect((field?.get('input').element as HTMLInputElement).value).toBe('13')
  await field?.get('input').setValue('31')
  const right = { ...SELF, id: 'r', replaces: 's', read: [{ label: 'Repetitions', value: 31, unit: 'count' }] }
  page = () => json({ ...PAGE, record: { ...PAGE.record, selfTests: [SELF, right] } })
  await room.get('form.fields').trigger('submit')
  await flushPromises()
  expect(asked.find(({ path }) => path.endsWith('/self-tests'))?.body['test']).toMatchObject({
    replaces: 's',
    note: 'at home',
  })
  const rows = room.findAll('.tests li').map((row) => [row.classes('replaced'), row.get('strong').text()])
  expect(rows).toEqual([
    [false, '31'],
    [true, '13'],
  ])
  // nothing more is put right by mistake
  expect(room.text()).toContain('Log the self-test')
})

test('a goal says what it takes a week from the last figure on, and is set in the unit of the event', async () => {
  vi.useFakeTimers({ toFake: ['Date'], now: Date.UTC(2026, 10, 24, 12) })
  const goal = { standardId: V3.id, eventId: 'press-ups', value: 40, byDate: '2026-12-15' }
  page = () => json({ ...PAGE, goals: [goal] })
  const { room, enter } = await open()
  await enter('4.5.1999')
  expect(room.get('.goal').text().replace(/\s+/g, ' ')).toContain(
    'Press-ups: 40 by 15 December 2026. 9 more in 21 days: 3 a week.',
  )
  const form = room.findAll('form').find((one) => one.text().includes('Set the goal'))
  await form?.get('select').setValue('run')
  const [figure, by] = form?.findAll('input') ?? []
  await figure?.setValue('9:30')
  await by?.setValue('1.3.2027')
  await form?.trigger('submit')
  await flushPromises()
  expect(asked.find(({ path }) => path.endsWith('/goals'))?.body['goal']).toEqual({
    standardId: V3.id,
    eventId: 'run',
    value: 570_000,
    byDate: '2027-03-01',
  })
  vi.useRealTimers()
})

test('a picture kept with a test is fetched with what opens the page, shown, and put away again', async () => {
  const made = vi.spyOn(URL, 'createObjectURL').mockReturnValue('blob:1')
  const revoked = vi.spyOn(URL, 'revokeObjectURL').mockReturnValue()
  page = () => json({ ...PAGE, record: { ...PAGE.record, selfTests: [SELF] } })
  const { room, enter } = await open()
  await enter('4.5.1999')
  const press = async (words: string): Promise<void> => {
    await room
      .findAll('button')
      .find((button) => button.text() === words)
      ?.trigger('click')
    await flushPromises()
  }
  page = () => new Response(new Uint8Array([255, 216]), { headers: { 'Content-Type': 'image/jpeg' } })
  await press('Picture')
  expect(asked.at(-1)).toEqual({
    path: '/api/session/own/picture',
    body: { key: { code: 'the-code', birthDate: '1999-05-04' }, testId: 's' },
  })
  expect(room.get('.tests img').attributes()).toMatchObject({ src: 'blob:1', alt: 'Kept with Press-ups' })
  await press('Hide the picture')
  expect(room.find('.tests img').exists()).toBe(false)
  expect(revoked).toHaveBeenCalledWith('blob:1')
  expect(made).toHaveBeenCalledTimes(1)
  page = () => problem(404, 'notFound', 'There is no such picture.')
  await press('Picture')
  expect(room.get('[role=alert]').text()).toBe('There is no such picture.')
  vi.restoreAllMocks()
})
