import { flushPromises, mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { entry, json, MOUNTED, openDay, problem } from '../../testing/openDay.ts'
import SignOffRoom from './SignOffRoom.vue'

const openRoom = async (role: 'officer' | 'grader' = 'officer') => {
  const opened = await openDay({ entries: [entry(9), entry(28), entry(3, { attendance: 'absent' })], role })
  return { ...opened, room: mount(SignOffRoom, { props: { day: opened.day }, ...MOUNTED }) }
}
const fill = async (room: Awaited<ReturnType<typeof openRoom>>['room'], password: string, accept: boolean) => {
  await room.get('input[type=password]').setValue(password)
  if (accept) await room.get('input[type="checkbox"]').setValue(true)
}

test('what is open is listed, without those who are absent', async () => {
  const { room } = await openRoom()
  expect(room.get('h1').text()).toBe('2 verdicts are still open')
  expect(room.findAll('ul:not(.loose) li')).toHaveLength(2)
  expect(room.get('.loose').text()).toContain('No briefing is on record.')
})

test('it takes the password and the knowledge that verdicts stay open', async () => {
  const { room, server } = await openRoom()
  const disabled = () => room.get('form button').attributes('disabled') !== undefined
  expect(disabled()).toBe(true)
  await fill(room, 'secret', false)
  expect(disabled()).toBe(true)
  await fill(room, 'secret', true)
  expect(disabled()).toBe(false)
  await room.get('form').trigger('submit')
  await flushPromises()
  expect(server.asked.at(-1)).toMatchObject({ method: 'POST', body: { password: 'secret', acceptOpen: true } })
})

test('a refusal is told in words, and the password does not stay in the field', async () => {
  const { room, server } = await openRoom()
  server.answer('POST', '/sign-off', () =>
    problem(403, 'signOff.password', 'The password is not right. Nothing was signed.'),
  )
  await fill(room, 'wrong', true)
  await room.get('form').trigger('submit')
  await flushPromises()
  expect(room.get('[role="alert"]').text()).toBe('The password is not right. Nothing was signed.')
  expect((room.get('input[type=password]').element as HTMLInputElement).value).toBe('')
})

test('signing waits for captures that are still on their way', async () => {
  const { room, server, store } = await openRoom()
  server.answer('POST', '/captures', () => problem(500, 'server.failed', 'Try again.'))
  await store.capture('run', null, { kind: 'crossed', payload: {} })
  await fill(room, 'secret', true)
  expect(room.text()).toContain('1 capture is still on the way')
  expect(room.get('form button').attributes('disabled')).toBeDefined()
})

test('others are told who signs', async () => {
  const { room } = await openRoom('grader')
  expect(room.find('form').exists()).toBe(false)
  expect(room.text()).toContain('The officer in charge signs here.')
})

test('while the day is signed, how far that is stands there, for whoever looks', async () => {
  const { room, server } = await openRoom()
  let signed = (): void => undefined
  server.answer(
    'POST',
    '/sign-off',
    () => new Promise((resolve) => (signed = () => resolve(json({ signedOff: true })))),
  )
  await fill(room, 'secret', true)
  expect(room.find('[role="status"]').exists()).toBe(false)
  await room.get('form').trigger('submit')
  expect(room.get('[role="status"]').text()).toContain('Reading what is on record, step 1 of 4')
  server.emit('signing', { done: 2, of: 4 })
  await flushPromises()
  expect(room.get('[role="status"]').text()).toContain('Sealing every entry, step 3 of 4')
  signed()
  await flushPromises()
  expect(room.find('[role="status"]').exists()).toBe(false)
  const other = await openRoom('grader')
  other.server.emit('signing', { done: 1, of: 4 })
  await flushPromises()
  expect(other.room.get('[role="status"]').text()).toContain('Judging everybody once more')
})

test('where the house asks for it, nothing is signed without a code of the authenticator', async () => {
  const { room, server, session } = await openRoom()
  session.asks = { secondFactor: false, codeToSign: true }
  const again = mount(SignOffRoom, { props: { day: room.props('day') }, ...MOUNTED })
  await fill(again, 'secret', true)
  const disabled = () => again.get('form button').attributes('disabled') !== undefined
  expect(disabled()).toBe(true)
  await again.get('[autocomplete=one-time-code]').setValue('123 456')
  expect(disabled()).toBe(false)
  await again.get('form').trigger('submit')
  await flushPromises()
  expect(server.asked.at(-1)?.body).toEqual({ password: 'secret', code: '123 456', acceptOpen: true })
  // neither stays in its field
  expect((again.get('[autocomplete=one-time-code]').element as HTMLInputElement).value).toBe('')
})
