/** Where somebody begins, and which pages open to nobody: the server asks again, the router only shows the way. */
import { createPinia, setActivePinia } from 'pinia'
import type { Role } from '@able-gauge/core'
import { expect, test, vi } from 'vitest'
import { json } from '../testing/openDay.ts'
import { makeRouter } from './router.ts'

const DAY = '01930000-0000-7000-8000-000000002026'

const whereTo = async (to: string, account: object | null, secondFactor = false): Promise<string> => {
  setActivePinia(createPinia())
  const asks = { secondFactor, codeToSign: false }
  const answer = {
    account,
    asks,
    endsInMs: account ? 60_000 : null,
    demo: null,
    organisation: '',
    style: null,
    markSinceMs: null,
    publicAddress: null,
    standardsPublic: false,
    isUnfounded: false,
  }
  vi.stubGlobal('fetch', () => Promise.resolve(json(answer)))
  const router = makeRouter()
  await router.push(to)
  return router.currentRoute.value.fullPath
}
const as = (role: Role, change: object = {}) => ({
  id: 'a',
  signInName: 'a.merrow',
  displayName: 'Asta Merrow',
  role,
  ...change,
})

test.each([
  ['administrator', '/accounts'],
  ['records', '/people'],
  ['officer', '/'],
  ['grader', '/'],
  ['timer', '/'],
  ['clerk', '/'],
  ['viewer', '/'],
] as const)('a %s begins at %s', async (role, home) => {
  expect(await whereTo('/', as(role))).toBe(home)
})

test.each(['/sign-in', '/welcome#the-code', '/set-up#ABCD', '/connect', '/mine#the-code'])(
  '%s opens to nobody signed in',
  async (page) => {
    expect(await whereTo(page, null)).toBe(page)
  },
)

test.each(['/', '/accounts', '/own-account', '/people', `/days/${DAY}/run`])(
  '%s asks for a sign-in, and leads back afterwards',
  async (page) => {
    expect(await whereTo(page, null)).toBe(`/sign-in?to=${page}`)
  },
)

test('an authenticator that is asked for comes before every other room', async () => {
  expect(await whereTo('/units', as('administrator'), true)).toBe('/own-account')
  expect(await whereTo('/own-account', as('administrator'), true)).toBe('/own-account')
  expect(await whereTo('/connect', as('administrator'), true)).toBe('/connect')
})

test('a guest of a station stays at the station, but for the pages that open to everybody', async () => {
  const guest = as('grader', { station: { occasionId: DAY, eventIds: ['run'] } })
  for (const page of ['/', '/people', '/own-account', `/days/${DAY}/run/press-ups`, '/days/another/run'])
    expect(await whereTo(page, guest)).toBe(`/days/${DAY}/run`)
  expect(await whereTo(`/days/${DAY}/run/run`, guest)).toBe(`/days/${DAY}/run/run`)
  expect(await whereTo('/connect', guest)).toBe('/connect')
})
