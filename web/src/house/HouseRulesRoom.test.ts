/** The rules of the house edited as a whole: what one part says never loses what another holds, and empty fields are left out. */
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { FIRST_HOUSE_RULES, PLAIN_STYLE, printDate, type HouseRules } from '@able-gauge/core'
import { json, MOUNTED } from '../../testing/openDay.ts'
import { useSession, type Role } from '../session/sessionStore.ts'
import { writeAs } from '../ui/houseStyle.ts'
import HouseRulesRoom from './HouseRulesRoom.vue'

const VENUE = { name: 'Marram Yard', zone: 'Etc/GMT-12', grounds: [] }
const VERSION = {
  version: 1,
  state: 'published',
  organisation: 'Tarn Isles',
  inForceFrom: '2026-01-01',
  inForceTo: null,
  events: 2,
  contentHash: 'a',
  days: 0,
}
const written: HouseRules[] = []
const read: string[] = []
let stored: HouseRules
beforeEach(() => {
  stored = { ...FIRST_HOUSE_RULES, organisation: 'Tarn Isles', venues: [VENUE] }
  written.length = read.length = 0
  sessionStorage.clear()
  vi.stubGlobal('fetch', (path: string, { method, body = '{}' }: { method: string; body?: string }) => {
    if (method === 'GET') read.push(path)
    if (path === '/api/standards') {
      const versions = [
        { ...VERSION, id: 'fire-course', name: 'Drill-yard Course' },
        { ...VERSION, id: 'entry', name: 'Entry Standard' },
      ]
      return Promise.resolve(json({ versions }))
    }
    if (path !== '/api/house-rules') return Promise.resolve(json({}, 404))
    if (method === 'GET') return Promise.resolve(json({ rules: stored, revision: 1 }))
    stored = (JSON.parse(body) as { rules: HouseRules }).rules
    written.push(stored)
    return Promise.resolve(json({ revision: 2 }))
  })
})

const STUBS = { ...MOUNTED.global.stubs, HouseBand: true, HouseTabs: true, HouseKeys: true, HouseLog: true }
const open = async (role: Role = 'officer') => {
  setActivePinia(createPinia())
  useSession().account = { id: 'me', signInName: 'ines', displayName: 'Ines', role }
  const room = mount(HouseRulesRoom, { global: { ...MOUNTED.global, stubs: STUBS } })
  await flushPromises()
  const save = async (): Promise<HouseRules> => {
    await room.get('form').trigger('submit')
    await flushPromises()
    const [rules] = written.slice(-1)
    if (!rules) throw new Error(`Nothing was saved: ${room.text()}`)
    return rules
  }
  const press = async (words: string): Promise<void> => {
    await room
      .findAll('button')
      .find((button) => button.text() === words)
      ?.trigger('click')
  }
  return { room, save, press }
}

test('what is not touched is written as it was, venues of another room among it', async () => {
  const { save } = await open()
  const rules = await save()
  expect(rules).toMatchObject({ organisation: 'Tarn Isles', venues: [VENUE], screening: FIRST_HOUSE_RULES.screening })
  for (const empty of ['publicAddress', 'keepDays', 'idleMinutes']) expect(rules).not.toHaveProperty(empty)
  expect(rules.style).toEqual(PLAIN_STYLE)
})

test('address, words and codes are written as they are meant', async () => {
  const { room, save } = await open()
  await room.get('#public-address').setValue(' https://tests.example/ ')
  await room.get('#style-sign').setValue(',')
  await room.get('#style-units').setValue('both')
  await room.get('#style-met').setValue(' Fit ')
  await room.get('#style-short').setValue('  ')
  const codes = room.findAll<HTMLInputElement>('.tick input').slice(-2)
  for (const code of codes) await code.setValue(true)
  expect(await save()).toMatchObject({
    publicAddress: 'https://tests.example',
    style: { decimalSign: ',', dateOrder: 'dmy', bodyUnits: 'both', words: { met: 'Fit' } },
    administratorsByCode: true,
    signingByCode: true,
  })
  expect(stored.style?.words).toEqual({ met: 'Fit' })
})

test('once saved, this page writes as the house does', async () => {
  const { room, save } = await open()
  await room.get('#style-order').setValue('ymd')
  expect(printDate('2026-11-24')).toBe('24 November 2026')
  await save()
  expect(printDate('2026-11-24')).toBe('2026-11-24')
  writeAs(null)
})

test('a standard gets a briefing of its own, which begins with the general one and ends when it is emptied', async () => {
  const { room, save, press } = await open()
  const another = room.get('.another')
  expect(another.findAll('option').map((option) => option.text())).toContain('Drill-yard Course')
  await another.setValue('fire-course')
  const own = room.get<HTMLTextAreaElement>('textarea[aria-label="Briefing for days under Drill-yard Course"]')
  expect(own.element.value).toBe(FIRST_HOUSE_RULES.briefing.join('\n'))
  await own.setValue('Wear the helmet.\n\n  Keep off the hose. ')
  expect((await save()).briefings).toEqual([
    { standardId: 'fire-course', lines: ['Wear the helmet.', 'Keep off the hose.'] },
  ])
  // one for each standard
  expect(
    room
      .get('.another')
      .findAll('option')
      .map((option) => option.text()),
  ).not.toContain('Drill-yard Course')
  await room.get('textarea[aria-label="Briefing for days under Drill-yard Course"]').setValue('\n')
  expect((await save()).briefings).toEqual([])
  await press('Another question')
  expect(room.findAll('input[aria-label^="Question"]')).toHaveLength(FIRST_HOUSE_RULES.screening.length + 1)
})

test('who may not read standards is not shown a refusal for it', async () => {
  const { room } = await open('administrator')
  expect(read).not.toContain('/api/standards')
  expect(room.find('.another').exists()).toBe(false)
  expect(room.find('[role=alert]').exists()).toBe(false)
})

test('a fresh mark is asked of graders with figures, and of nobody once the tick is gone', async () => {
  const { room, save } = await open()
  expect(await save()).not.toHaveProperty('practice')
  const tick = room
    .findAll('.tick')
    .find((label) => label.text().includes('practice room'))
    ?.get<HTMLInputElement>('input')
  expect(room.text()).not.toContain('Agreement beyond chance')
  await tick?.setValue(true)
  const [agreement, level, days] = tick?.element.closest('.tick')?.nextElementSibling?.querySelectorAll('input') ?? []
  for (const [field, figure] of [
    [agreement, '75'],
    [level, '4'],
    [days, '90'],
  ] as const) {
    if (!field) throw new Error('A figure has no field.')
    field.value = figure
    field.dispatchEvent(new Event('input'))
    field.dispatchEvent(new Event('change'))
  }
  expect((await save()).practice).toEqual({ atLeastHundredths: 75, level: 4, withinDays: 90 })
  await tick?.setValue(false)
  expect(await save()).not.toHaveProperty('practice')
})
