/** The dialogs by which an administrator keeps accounts, and one's own: what is asked of the server, and what is said when it refuses. */
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import type { KeptAccount } from '@able-gauge/core'
import { beforeEach, expect, test, vi } from 'vitest'
import type { Component } from 'vue'
import { routeLocationKey, routerKey } from 'vue-router'
import { json, MOUNTED, problem } from '../../../testing/openDay.ts'
import { useSession } from '../../session/sessionStore.ts'
import AccountDialog from './AccountDialog.vue'
import AccountLink from './AccountLink.vue'
import FoundRoom from './FoundRoom.vue'
import InviteDialog from './InviteDialog.vue'
import SignInRoom from '../../session/SignInRoom.vue'
import OwnFactor from './OwnFactor.vue'
import OwnAccountRoom from './OwnAccountRoom.vue'
import WelcomeRoom from './WelcomeRoom.vue'

const NOTHING = { secondFactor: false, codeToSign: false }
const LINK = { accountId: 'a', code: 'code-of-the-link', endsMs: 1_795_467_600_000 }
const ANNA: KeptAccount = {
  id: 'a',
  signInName: 'anna.brandt',
  displayName: 'Anna Brandt',
  role: 'grader',
  personNumber: null,
  state: 'open',
  hasSecondFactor: false,
}
const PHONE = { id: 's1', device: 'Firefox/130.0 Android', sinceMs: 1, usedMs: 2, isThis: false }
const HERE = { id: 's2', device: 'Firefox/130.0 Linux', sinceMs: 1, usedMs: 2, isThis: true }

const asked: { method: string; path: string; body: unknown }[] = []
let answers: Record<string, () => Response> = {}
beforeEach(() => {
  asked.length = 0
  answers = {}
  vi.stubGlobal('fetch', (path: string, { method, body }: { method: string; body?: string }) => {
    const key = `${method} ${path.replace('/api', '')}`
    if (method !== 'GET') asked.push({ method, path, body: body === undefined ? undefined : JSON.parse(body) })
    return Promise.resolve(answers[key]?.() ?? new Response(null, { status: 204 }))
  })
})

const DIALOG = { template: '<div><slot /><button class="ok" @click="$emit(\'ok\', $event)" /></div>', emits: ['ok'] }
const replaced = vi.fn()
const open = async (component: Component, props: object = {}, hash = '') => {
  const pinia = createPinia()
  setActivePinia(pinia)
  useSession().account = { id: 'me', signInName: 'thora', displayName: 'Thora Lind', role: 'administrator' }
  const route = { fullPath: '/', path: '/', hash, query: {}, params: {} }
  const mounted = mount(component, {
    props,
    global: {
      ...MOUNTED.global,
      plugins: [pinia],
      stubs: { ...MOUNTED.global.stubs, BModal: DIALOG },
      provide: { [routeLocationKey as symbol]: route, [routerKey as symbol]: { replace: replaced, push: replaced } },
    },
  })
  await flushPromises()
  const press = async (words: string): Promise<void> => {
    const button = mounted.findAll('button').find((one) => one.text().includes(words))
    if (!button) throw new Error(`Nothing offers "${words}": ${mounted.text()}`)
    await button.trigger('click')
    await flushPromises()
  }
  const submit = async (): Promise<void> => {
    await mounted.get('form').trigger('submit')
    await flushPromises()
  }
  const fill = async (fields: Readonly<Record<string, string>>): Promise<void> => {
    for (const [id, text] of Object.entries(fields)) await mounted.get(`#${id}`).setValue(text)
  }
  return { mounted, press, submit, fill, alert: () => mounted.find('[role=alert]') }
}

const openAccount = async (account: KeptAccount, sessions = [PHONE]) => {
  answers['GET /kept-accounts/a/sessions'] = () => json({ sessions })
  const dialog = await open(AccountDialog, { account: null })
  await dialog.mounted.setProps({ account })
  await flushPromises()
  return dialog
}

test('name and role of an account are saved together', async () => {
  const { mounted, fill, submit } = await openAccount(ANNA)
  await fill({ 'account-name': ' Anna Brandt-Lind ', 'account-role': 'timer' })
  await submit()
  expect(asked).toEqual([
    { method: 'PATCH', path: '/api/kept-accounts/a', body: { displayName: 'Anna Brandt-Lind', role: 'timer' } },
  ])
  expect(Object.keys(mounted.emitted())).toEqual(expect.arrayContaining(['changed', 'close']))
})

test('what the server refuses is said, and the dialog stays with what was typed', async () => {
  const { mounted, press, alert } = await openAccount({ ...ANNA, role: 'administrator' })
  answers['PUT /kept-accounts/a/closed'] = () => problem(409, 'account.lastAdministrator', 'The only administrator.')
  await press('Close the account')
  expect(alert().text()).toContain('The only administrator.')
  expect(mounted.emitted('close')).toBeUndefined()
})

test('an account is shown out, signed out, let in by a new link, each by its own press', async () => {
  const { mounted, press } = await openAccount(ANNA)
  answers['POST /kept-accounts/a/link'] = () => json(LINK, 201)
  await press('Sign out everywhere')
  await press('New password by link')
  await press('Close the account')
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual([
    'DELETE /api/kept-accounts/a/sessions',
    'POST /api/kept-accounts/a/link',
    'PUT /api/kept-accounts/a/closed',
  ])
  expect(mounted.emitted('linkMade')).toEqual([[LINK, 'Anna Brandt']])
})

test('what cannot be is not offered: a closed account has no link, one that is invited no sessions', async () => {
  const closed = await openAccount({ ...ANNA, state: 'closed' })
  expect(closed.mounted.text()).toContain('Open it again')
  expect(closed.mounted.text()).not.toContain('by link')
  const invited = await openAccount({ ...ANNA, state: 'invited' }, [])
  expect(invited.mounted.text()).toContain('Invite once more')
  expect(invited.mounted.text()).not.toContain('Signed in')
})

test('an invitation offers a sign-in name, and hands the link on', async () => {
  answers['POST /kept-accounts'] = () => json(LINK, 201)
  const { mounted, fill, submit } = await open(InviteDialog, { modelValue: true })
  await fill({ display: 'Ásta Merrow' })
  expect(mounted.get<HTMLInputElement>('#sign-in').element.value).toBe('asta.merrow')
  await fill({ role: 'clerk' })
  await submit()
  expect(asked[0]?.body).toEqual({ displayName: 'Ásta Merrow', signInName: 'asta.merrow', role: 'clerk' })
  expect(mounted.emitted('invited')).toEqual([[LINK, 'Ásta Merrow']])
})

test('a link is shown as an address and to be scanned; a browser that may not copy says so', async () => {
  answers['GET /session/field'] = () => json({ field: null })
  vi.stubGlobal('navigator', { ...navigator, clipboard: { writeText: () => Promise.reject(new Error('not here')) } })
  const { mounted, press } = await open(AccountLink, { link: LINK, name: 'Anna Brandt' })
  expect(mounted.get('.address').text()).toBe(`${location.origin}/welcome#${LINK.code}`)
  await vi.waitFor(() => expect(mounted.find('img').exists()).toBe(true))
  await press('Copy the address')
  expect(mounted.get('[role=status]').text()).toContain('does not let the page copy')
})

test('two passwords that differ are told before anybody is asked', async () => {
  answers['GET /own-account/sessions'] = () => json({ sessions: [HERE, PHONE] })
  const { fill, submit, alert, mounted, press } = await open(OwnAccountRoom)
  await fill({ current: 'old one', 'new-password': 'seven quiet otters', 'new-password-again': 'seven quiet otter' })
  await submit()
  expect(alert().text()).toContain('not the same')
  expect(asked).toEqual([])
  await fill({ 'new-password-again': 'seven quiet otters' })
  await submit()
  expect(asked[0]).toMatchObject({ method: 'PUT', body: { current: 'old one', password: 'seven quiet otters' } })
  // nothing of it stays in the fields
  for (const field of mounted.findAll<HTMLInputElement>('input')) expect(field.element.value).toBe('')
  await press('Sign out there')
  await press('Sign out everywhere else')
  expect(asked.slice(1).map(({ path }) => path)).toEqual([
    '/api/own-account/sessions/s1',
    '/api/own-account/sessions/others',
  ])
})

const FACTOR = '/own-account/second-factor'
test('an authenticator is set up with a first code; recovery codes are shown once, and it is given up with a last one', async () => {
  answers[`GET ${FACTOR}`] = () => json({ isOn: false, recoveryLeft: 0 })
  answers[`POST ${FACTOR}`] = () => json({ secret: 'GEZDGNBVGY3TQOJQ', uri: 'otpauth://totp/x' }, 201)
  answers[`PUT ${FACTOR}`] = () => problem(403, 'secondFactor.code', 'The code is not right.')
  const { fill, submit, alert, mounted, press } = await open(OwnFactor)
  await fill({ 'factor-password': 'old one' })
  await submit()
  expect(mounted.text()).toContain('GEZD GNBV GY3T QOJQ')
  await fill({ 'factor-first': '123456' })
  await submit()
  expect(alert().text()).toContain('not right')
  answers[`PUT ${FACTOR}`] = () => json({ codes: ['AAAAA-BBBBB', 'CCCCC-DDDDD'] })
  await submit()
  expect(mounted.text()).toContain('CCCCC-DDDDD')
  await press('I have them')
  expect(mounted.text()).not.toContain('CCCCC-DDDDD')
  expect(mounted.text()).toContain('2 of the recovery codes are left')
  await fill({ 'factor-last': '654321' })
  await submit()
  expect(asked.map(({ method, body }) => [method, body])).toEqual([
    ['POST', { password: 'old one' }],
    ['PUT', { code: '123456' }],
    ['PUT', { code: '123456' }],
    ['POST', { code: '654321' }],
  ])
})

test('a lost authenticator is taken off by an administrator', async () => {
  answers['GET /kept-accounts/a/sessions'] = () => json({ sessions: [] })
  const { mounted, press } = await open(AccountDialog, { account: null })
  await mounted.setProps({ account: { ...ANNA, hasSecondFactor: true } })
  await flushPromises()
  await press('lost authenticator')
  expect(asked).toEqual([{ method: 'DELETE', path: '/api/kept-accounts/a/second-factor', body: undefined }])
})

test('a code of the authenticator is asked for once name and password were right', async () => {
  answers['POST /session'] = () => problem(401, 'signIn.codeNeeded', 'Now the code.')
  const { fill, submit, mounted } = await open(SignInRoom)
  await fill({ name: 'anna.brandt', password: 'seven quiet otters' })
  expect(mounted.find('#factor').exists()).toBe(false)
  await submit()
  expect(mounted.find('[role=alert]').exists()).toBe(false)
  await fill({ factor: '123456' })
  answers['POST /session'] = () => json({ account: { ...ANNA }, asks: { secondFactor: true, codeToSign: false } }, 201)
  await submit()
  expect(asked.at(-1)?.body).toEqual({ signInName: 'anna.brandt', password: 'seven quiet otters', code: '123456' })
  expect(useSession().asks.secondFactor).toBe(true)
})

test('a link welcomes whom it lets in, and signs them in with the password they choose', async () => {
  const name = { signInName: 'anna.brandt', displayName: 'Anna Brandt', role: 'grader' }
  const holder = { ...name, isNew: true, hasSecondFactor: true }
  answers['POST /session/link/holder'] = () => json(holder)
  answers['POST /session/link'] = () => json({ account: { ...ANNA }, asks: NOTHING }, 201)
  const { mounted, fill, submit } = await open(WelcomeRoom, {}, '#the-code')
  expect(mounted.get('h1').text()).toBe('Welcome, Anna Brandt')
  const passwords = { 'new-password': 'seven quiet otters', 'new-password-again': 'seven quiet otters' }
  await fill({ ...passwords, factor: '123456' })
  await submit()
  expect(asked.map(({ body }) => body)).toEqual([
    { code: 'the-code' },
    { code: 'the-code', password: 'seven quiet otters', factorCode: '123456' },
  ])
  expect(replaced).toHaveBeenLastCalledWith('/')
})

test('a link that opens nothing says so, and leads to the sign-in page', async () => {
  answers['POST /session/link/holder'] = () => problem(401, 'link.ended', 'This link opens nothing.')
  const { mounted, alert } = await open(WelcomeRoom, {}, '#spent')
  expect(alert().text()).toContain('This link opens nothing.')
  expect(mounted.find('form').exists()).toBe(false)
})

test('setting a house up takes the code out of the address, and says what was wrong with it', async () => {
  answers['POST /session/house'] = () => problem(401, 'house.wrongCode', 'Nothing was set up.')
  const { fill, submit, alert, mounted } = await open(FoundRoom, {}, '#ABCD-EFGH')
  expect(mounted.get<HTMLInputElement>('#code').element.value).toBe('ABCD-EFGH')
  await fill({
    organisation: 'Skerry Brigade',
    display: 'Asta Merrow',
    'new-password': 'seven quiet otters',
    'new-password-again': 'seven quiet otters',
  })
  await submit()
  expect(asked[0]?.body).toEqual({
    code: 'ABCD-EFGH',
    organisation: 'Skerry Brigade',
    displayName: 'Asta Merrow',
    signInName: 'asta.merrow',
    password: 'seven quiet otters',
  })
  expect(alert().text()).toContain('Nothing was set up.')
})
