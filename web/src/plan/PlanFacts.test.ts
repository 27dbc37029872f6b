import { flushPromises, mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { entry, MOUNTED, openDay, problem } from '../../testing/openDay.ts'
import { useDone } from '../ui/done.ts'
import PlanFacts from './PlanFacts.vue'
import StaffPersons from './StaffPersons.vue'

test('a date that was left alone is not sent, so that a begun day can still be renamed', async () => {
  const { day, server } = await openDay({ entries: [entry(9)], role: 'officer' })
  const facts = mount(PlanFacts, { props: { day }, ...MOUNTED })
  const [name] = facts.findAll('input')
  await name?.setValue('Spring day')
  await facts.get('form').trigger('submit')
  await flushPromises()
  expect(server.asked.at(-1)).toMatchObject({
    method: 'PATCH',
    body: { name: 'Spring day', venue: day.occasion.venue },
  })
  expect(server.asked.at(-1)?.body).not.toHaveProperty('testDate')
  expect(useDone().told.map(({ what }) => what)).toEqual(['Name, venue and date of the day are saved.'])
  const [, , date] = facts.findAll('input')
  await date?.setValue('2026-12-01')
  await facts.get('form').trigger('submit')
  await flushPromises()
  expect(server.asked.at(-1)?.body).toMatchObject({ testDate: '2026-12-01' })
})

test('a date that must stay is told by the server’s own words, and nothing says that it was saved', async () => {
  const { day, server } = await openDay({ entries: [entry(9)], role: 'officer' })
  server.answer('PATCH', day.occasion.id, () =>
    problem(409, 'day.begun', 'Something was captured on this day already.'),
  )
  const facts = mount(PlanFacts, { props: { day }, ...MOUNTED })
  await facts.get('form').trigger('submit')
  await flushPromises()
  expect(facts.get('[role="alert"]').text()).toBe('Something was captured on this day already.')
  expect(useDone().told).toEqual([])
})

test('each of the staff is linked to a person, or to nobody, and a refusal stands beside the name it is about', async () => {
  const { server } = await openDay({ entries: [entry(9)], role: 'officer' })
  const account = (id: string, displayName: string, personNumber: string | null) =>
    ({ id, signInName: id, displayName, role: 'grader' as const, personNumber }) as const
  const persons = mount(StaffPersons, {
    props: { accounts: [account('one', 'Pell Varga', null), account('two', 'Joss Adair-Nakata', 'T-2')] },
    ...MOUNTED,
  })
  const [first, second] = persons.findAll('form')
  server.answer('PUT', '/accounts/one/person', () => problem(422, 'input.invalid', 'Nobody has this number.'))
  await first?.get('input').setValue(' T-9 ')
  await first?.trigger('submit')
  await flushPromises()
  expect(server.asked.at(-1)).toMatchObject({ path: '/api/accounts/one/person', body: { number: 'T-9' } })
  expect(first?.get('[role="status"]').text()).toBe('Nobody has this number.')
  await second?.get('input').setValue('')
  await second?.trigger('submit')
  await flushPromises()
  expect(server.asked.at(-1)?.body).toEqual({ number: '' })
  expect(second?.get('[role="status"]').text()).toBe('Joss Adair-Nakata is nobody on record.')
})
