import { createPinia, setActivePinia } from 'pinia'
import { expect, test, vi } from 'vitest'
import { json } from '../testing/openDay.ts'
import { lastDay } from './day/lastDay.ts'
import { makeRouter } from './router.ts'

const ACCOUNT = { id: 'a', signInName: 'a.merrow', displayName: 'Asta Merrow', role: 'grader' }
const SESSION = {
  account: ACCOUNT,
  endsInMs: 60_000,
  demo: null,
  organisation: '',
  isUnfounded: false,
  style: null,
  markSinceMs: null,
  publicAddress: null,
  standardsPublic: false,
  asks: { secondFactor: false, codeToSign: false },
}

test('the application on the home screen begins with the day that was open last, or with all of them', async () => {
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', () => Promise.resolve(json(SESSION)))
  const begun = async (): Promise<string> => {
    const router = makeRouter()
    await router.push('/last')
    return router.currentRoute.value.path
  }
  lastDay.value = null
  expect(await begun()).toBe('/')
  lastDay.value = '01930000-0000-7000-8000-000000002026'
  expect(await begun()).toBe('/days/01930000-0000-7000-8000-000000002026/run')
  lastDay.value = null
})
