/** A backup put back from the house room: sent in parts that follow each other, signed for, and the page goes with the server. */
import { flushPromises, mount } from '@vue/test-utils'
import { BFormFile } from 'bootstrap-vue-next'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { json, problem } from '../../../testing/openDay.ts'
import { useSession } from '../../session/sessionStore.ts'
import RestoreBackup from './RestoreBackup.vue'

const SIGNED_OUT = {
  account: null,
  asks: { secondFactor: false, codeToSign: false },
  endsInMs: null,
  demo: null,
  organisation: '',
  markSinceMs: null,
  publicAddress: null,
  standardsPublic: false,
  style: null,
  isUnfounded: false,
}
const asked: { path: string; body: Record<string, unknown> }[] = []
let start: () => Response
/** What the server answers while it is asked whether it is back. */
let sessions: (() => Promise<Response>)[]
beforeEach(() => {
  asked.length = 0
  sessions = []
  start = () => json({ days: 12, people: 150, captures: 9_000 })
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', (path: string, { body = '{}' }: { body?: string }) => {
    if (path === '/api/session') return sessions.shift()?.() ?? Promise.resolve(json(SIGNED_OUT))
    // a timer of another file on this page may ask for something meanwhile
    if (!path.startsWith('/api/restores')) return Promise.resolve(json({}))
    asked.push({ path, body: JSON.parse(body) as Record<string, unknown> })
    if (path === '/api/restores') return Promise.resolve(json({ id: 'r1' }, 201))
    return Promise.resolve(path.endsWith('/start') ? start() : new Response(null, { status: 204 }))
  })
})
afterEach(() => vi.useRealTimers())

const open = () => {
  const form = mount(RestoreBackup)
  const [passphrase, password] = form.findAll<HTMLInputElement>('input[type=password]')
  const fill = async (size: number): Promise<void> => {
    const file = new File([new Uint8Array(size).fill(65)], 'house.backup')
    form.findComponent(BFormFile).vm.$emit('update:modelValue', file)
    await passphrase?.setValue('twelve quiet otters')
    await password?.setValue('own password')
    await form.get('input[type=checkbox]').setValue(true)
  }
  const isOffered = (): boolean => form.get('button').attributes('disabled') === undefined
  return { form, fill, isOffered }
}

test('nothing is offered until file, passphrase, signature and what it means are there', async () => {
  const { form, fill, isOffered } = open()
  expect(isOffered()).toBe(false)
  await fill(10)
  expect(isOffered()).toBe(true)
  await form.get('input[type=checkbox]').setValue(false)
  expect(isOffered()).toBe(false)
})

test('the file goes in parts, one after the other, then the signature; a refusal is told and nothing is typed any more', async () => {
  start = () => problem(422, 'restore.refused', 'Nothing was replaced. The passphrase is another.')
  const { form, fill } = open()
  await fill(1_300_000)
  await form.trigger('submit')
  await vi.waitFor(() => expect(form.find('[role=alert]').exists()).toBe(true))
  const parts = asked.filter(({ path }) => path === '/api/restores/r1/part').map(({ body }) => body)
  expect(parts.map(({ offset }) => offset)).toEqual([0, 600_000, 1_200_000])
  expect(parts.map(({ part }) => Buffer.from(String(part), 'base64').length)).toEqual([600_000, 600_000, 100_000])
  expect(asked.at(-1)).toEqual({
    path: '/api/restores/r1/start',
    body: { passphrase: 'twelve quiet otters', password: 'own password' },
  })
  expect(form.get('[role=alert]').text()).toContain('Nothing was replaced')
  expect(form.findAll<HTMLInputElement>('input[type=password]')[1]?.element.value).toBe('')
})

test('where the house asks for it the code of the authenticator goes along', async () => {
  useSession().asks = { secondFactor: false, codeToSign: true }
  start = () => problem(403, 'signOff.code', 'The code is not right.')
  const { form, fill, isOffered } = open()
  await fill(10)
  expect(isOffered()).toBe(false)
  await form.get('[autocomplete=one-time-code]').setValue(' 123456 ')
  expect(isOffered()).toBe(true)
  await form.trigger('submit')
  await vi.waitFor(() => expect(form.find('[role=alert]').exists()).toBe(true))
  expect(asked.at(-1)?.body).toMatchObject({ password: 'own password', code: '123456' })
})

test('once it is right the page says what it holds, waits for the server to come back, and goes to the door', async () => {
  const gone = vi.fn()
  vi.stubGlobal('location', { ...window.location, assign: gone })
  const still = { id: 'me', signInName: 'thora', displayName: 'Thora', role: 'administrator' }
  sessions = [
    () => Promise.resolve(json({ ...SIGNED_OUT, account: still, endsInMs: 60_000 })),
    () => Promise.reject(new TypeError('the server is away')),
  ]
  vi.useFakeTimers()
  const { form, fill } = open()
  await fill(10)
  await form.trigger('submit')
  await vi.advanceTimersByTimeAsync(10)
  await flushPromises()
  expect(form.get('[role=status]').text()).toContain('12 days, 150 people, 9000 captures')
  await vi.advanceTimersByTimeAsync(2_500)
  expect(gone).not.toHaveBeenCalled()
  await vi.advanceTimersByTimeAsync(1_000)
  expect(gone).toHaveBeenCalledWith('/sign-in')
})
