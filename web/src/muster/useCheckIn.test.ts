import { FIRST_HOUSE_RULES, parseStandard, PLAIN_STYLE, type DayRecordEntry, type Standard } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import { entry, json, openDay, problem } from '../../testing/openDay.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { choicesIn, useCheckIn } from './useCheckIn.ts'
import { plainV3 } from '@able-gauge/core/testing'

const open = async (
  change: Parameters<typeof entry>[1] = {},
  plain?: Standard,
  records: readonly DayRecordEntry[] = [],
) => {
  const one = entry(28, { attendance: 'expected', consented: false, identityChecked: false, ...change })
  const opened = await openDay({ entries: [one], role: 'clerk', change: { records }, ...(plain ? { plain } : {}) })
  useHouseRules().rules = FIRST_HOUSE_RULES
  const checkIn = useCheckIn(
    () => opened.store.day ?? opened.day,
    () => one,
  )
  return { ...opened, checkIn }
}
const sent = (server: Awaited<ReturnType<typeof open>>['server'], method: string) =>
  server.asked.find((one) => one.method === method)?.body

test('measures are taken in either system and sent in base units', async () => {
  const { checkIn, server } = await open()
  server.answer('PATCH', '', () => json({ revision: 2 }))
  Object.assign(checkIn.form, {
    bodyMass: '150 lb',
    height: '172',
    gear: ' vest ',
    consented: true,
    identityChecked: true,
  })
  expect(await checkIn.save()).toBe(true)
  // 150 lb are 68,038.86 g
  expect(sent(server, 'PATCH')).toMatchObject({
    attendance: 'present',
    bodyMassG: 68_039,
    heightMm: 1_720,
    gear: 'vest',
    consented: true,
    revision: 1,
  })
})
test.each([
  [{ bib: 'x' }, /"x" is not a bib/],
  [{ bodyMass: 'heavy' }, /heavy/],
  [{ height: 'tall' }, /tall/],
])('what cannot be read is told and nothing is sent: %o', async (typed, words) => {
  const { checkIn, server } = await open()
  Object.assign(checkIn.form, typed)
  expect(await checkIn.save()).toBe(false)
  expect(checkIn.problem.value).toMatch(words)
  expect(server.asked).toEqual([])
})
test('an answer that needs clearance is told before saving, and saving holds', async () => {
  const { checkIn, server } = await open()
  for (const { id, holdsOn } of FIRST_HOUSE_RULES.screening) checkIn.form.answers[id] = holdsOn === 'yes' ? 'no' : 'yes'
  expect(checkIn.concerns.value).toEqual({ clearance: [], unanswered: [] })
  checkIn.form.answers['faint'] = 'yes'
  expect(checkIn.concerns.value.clearance.map(({ id }) => id)).toEqual(['faint'])
  server.answer('PUT', '/screening', () => json({ held: true }))
  server.answer('PATCH', '', () => json({ revision: 3 }))
  await checkIn.save()
  expect(sent(server, 'PATCH')).toMatchObject({ attendance: 'held' })
})
test('a refusal is told and what was typed stays', async () => {
  const { checkIn, server } = await open()
  checkIn.form.bib = '7'
  server.answer('PATCH', '', () => problem(409, 'entry.editedMeanwhile', 'Somebody else changed this entry.'))
  expect(await checkIn.save()).toBe(false)
  expect(checkIn.problem.value).toContain('On record now: bib 28')
  expect(checkIn.form.bib).toBe('7')
})
test('what the standard offers instead of an event is offered, and goes with its reason', async () => {
  const plain = plainV3() as unknown as { events: { variants?: object[] }[] }
  const [first] = plain.events
  if (first)
    first.variants = [{ id: 'knees', name: 'On the knees', scoring: { kind: 'singleCut', unit: 'count', atLeast: 30 } }]
  const parsed = parseStandard(plain)
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  expect(choicesIn(parsed.value)).toEqual([
    {
      eventId: 'press-ups',
      eventName: 'Press-ups',
      options: [{ value: 'variant knees', label: 'Variant: On the knees' }],
    },
  ])
  const { checkIn, server } = await open({}, parsed.value)
  server.answer('PATCH', '', () => json({ revision: 2 }))
  Object.assign(checkIn.form, { choices: { 'press-ups': 'variant knees' }, reason: 'wrist' })
  await checkIn.save()
  expect(sent(server, 'PATCH')).toMatchObject({
    choices: { variants: { 'press-ups': 'knees' }, alternates: {}, exemptions: {}, reason: 'wrist' },
  })
})

test('once the hold is lifted, saving does not hold anew', async () => {
  const hold = { kind: 'holdRaised' as const, entryId: entry(28).id, reason: 'screening' }
  const kept = { id: 'h', seq: 1, actorId: 'a', actor: 'Odile', atMs: 0, content: hold }
  const { checkIn, store, day } = await open({ attendance: 'held' }, undefined, [kept])
  expect(checkIn.holds.value).toHaveLength(1)
  expect(checkIn.form.attendance).toBe('held')
  store.day = { ...day, records: [] }
  await nextTick()
  expect(checkIn.form.attendance).toBe('present')
})

test('body measures are asked for in the units of the house, also where its rules arrive later', async () => {
  const { checkIn, server } = await open({ bodyMassG: 68_039, heightMm: 1_720 })
  expect(checkIn.form.bodyMass).toBe('68.0390')
  const house = useHouseRules()
  house.rules = { ...FIRST_HOUSE_RULES, style: { ...PLAIN_STYLE, bodyUnits: 'imperial' } }
  await nextTick()
  expect([checkIn.units.value, checkIn.form.bodyMass]).toEqual([{ mass: 'lb', height: 'in' }, '150 lb'])
  server.answer('PATCH', '', () => json({ revision: 2 }))
  Object.assign(checkIn.form, { bodyMass: '151', identityChecked: true, consented: true })
  await checkIn.save()
  expect(sent(server, 'PATCH')).toMatchObject({ bodyMassG: 68_492 })
  house.rules = { ...FIRST_HOUSE_RULES, style: { ...PLAIN_STYLE, bodyUnits: 'both' } }
  await nextTick()
  expect(checkIn.inOtherUnits.value).toContain('151 lb (68.492 kg)')
})
