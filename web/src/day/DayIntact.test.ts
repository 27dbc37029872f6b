import { flushPromises, mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { entry, json, MOUNTED, openDay, problem } from '../../testing/openDay.ts'
import SignOffProof from '../signoff/SignOffProof.vue'
import DayIntact from './DayIntact.vue'
import type { Day } from './day.ts'

const signedOff = { atMs: 1_795_500_000_000, by: 'Pell Varga' }
const HEAD = 'head-of-the-day'
const signedDay = (change: Partial<Day> = {}) =>
  openDay({
    entries: [entry(9)],
    role: 'officer',
    signedOff,
    change: { signature: { head: HEAD, key: 'k' }, ...change },
  })
const KEY = { publicKey: 'k', keyFingerprint: 'k' }

const countProofs = (): (() => number) => {
  const played = globalThis.fetch
  let count = 0
  vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
    if (path.endsWith('/proof')) count += 1
    return played(path, init)
  })
  return () => count
}

test('a signed day that is not what was signed says so, and where', async () => {
  const { day, server } = await signedDay()
  server.answer('GET', '/proof', () =>
    json({ proof: { kind: 'signed', ...KEY }, head: HEAD, intact: false, places: ['entries.7'], differences: [] }),
  )
  const banner = mount(DayIntact, { props: { day }, ...MOUNTED })
  await flushPromises()
  expect(banner.get('[role="alert"]').text()).toContain('is not what was signed: entries.7')
})

test('one that is intact, and one that is open, say nothing', async () => {
  const { day, server } = await signedDay()
  server.answer('GET', '/proof', () =>
    json({ proof: { kind: 'signed', ...KEY }, head: HEAD, intact: true, places: [], differences: [] }),
  )
  const signed = mount(DayIntact, { props: { day }, ...MOUNTED })
  await flushPromises()
  expect(signed.find('[role="alert"]').exists()).toBe(false)
  const opened = await openDay({ entries: [entry(9)], role: 'officer' })
  const asked = countProofs()
  const open = mount(DayIntact, { props: { day: opened.day }, ...MOUNTED })
  await flushPromises()
  expect(open.find('[role="alert"]').exists()).toBe(false)
  expect(asked()).toBe(0)
})

test('the day is compared once for all who show it, and again when it was amended', async () => {
  const { day } = await signedDay()
  const asked = countProofs()
  const banner = mount(DayIntact, { props: { day }, ...MOUNTED })
  mount(SignOffProof, { props: { day }, ...MOUNTED })
  await flushPromises()
  expect(asked()).toBe(1)
  await banner.setProps({ day: { ...day } })
  expect(asked()).toBe(1)
  const amendment = { id: '1', entryId: 'e', eventId: 'run', as: 'met' as const, reason: 'video' }
  await banner.setProps({ day: { ...day, amendments: [{ ...amendment, accountId: 'a', atMs: 1, by: 'Pell Varga' }] } })
  expect(asked()).toBe(2)
  banner.unmount()
  mount(DayIntact, { props: { day }, ...MOUNTED })
  expect(asked()).toBe(3)
})

test.each([
  ['signed', 'Proven: signed by a key that is known here.'],
  ['unknownKey', 'Not proven: signed by a key that nobody here has vouched for.'],
  ['noKey', 'Not proven: signed before this office had a key.'],
])('a signature that is "%s" is told in words', async (kind, words) => {
  const { day, server } = await signedDay()
  server.answer('GET', '/proof', () =>
    json({ proof: { kind, ...KEY }, head: HEAD, intact: true, places: [], differences: [] }),
  )
  const proof = mount(SignOffProof, { props: { day }, ...MOUNTED })
  expect(proof.text()).toContain('Comparing with what was signed')
  await flushPromises()
  expect(proof.text()).toContain(words)
  expect(proof.text()).toContain(HEAD)
})

test('what the server cannot tell is told, and asked again by the next room', async () => {
  const { day, server } = await signedDay()
  server.answer('GET', '/proof', () => problem(429, 'limit.costly', 'This account asked for much within a minute.'))
  const proof = mount(SignOffProof, { props: { day }, ...MOUNTED })
  await flushPromises()
  expect(proof.get('[role="alert"]').text()).toBe('This account asked for much within a minute.')
  server.answer('GET', '/proof', () =>
    json({ proof: { kind: 'noKey' }, head: HEAD, intact: true, places: [], differences: [] }),
  )
  const again = mount(SignOffProof, { props: { day }, ...MOUNTED })
  await flushPromises()
  expect(again.text()).toContain('What is stored is what was signed.')
})

test('a key that cannot be had is told at its button', async () => {
  const { day, server } = await signedDay()
  const proof = mount(SignOffProof, { props: { day }, ...MOUNTED })
  await flushPromises()
  server.answer('GET', '/keys', () => problem(401, 'access.signedOut', 'The session has ended. Sign in again.'))
  await proof.get('button').trigger('click')
  await flushPromises()
  expect(proof.get('[role="alert"]').text()).toBe('The session has ended. Sign in again.')
})
