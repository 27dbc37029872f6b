/** People from a file: what is sent, what has to be decided first, and what becomes of each decision. */
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { effectScope, nextTick } from 'vue'
import type { RegisterMatch, RegisterRow } from '@able-gauge/core'
import { json, problem } from '../../testing/openDay.ts'
import { usePeopleImport } from './usePeopleImport.ts'

const HEADINGS = ['Number', 'Given name', 'Family name', 'Born', 'Rank']
const ROWS = [
  ['T-1', 'Ada', 'Holm', '1990-01-31', 'Sergeant'],
  ['T-2', 'Bo', 'Lind', '31.2.1991', ''],
  ['T-3', 'Cai', 'Ash', '1992-03-03', ''],
  ['T-4', 'Dag', 'Elm', '1993-04-04', ''],
  ['T-5', 'Eva', 'Fir', '1994-05-05', ''],
]
const known = (row: RegisterRow) => ({ ...row, id: `p-${row.number}`, isWithin: true, rank: 'Constable' })
/** What the server says of the good rows: T-1 differs, T-3 is new, T-4 has another number, T-5 is of another unit. */
const matchesOf = (people: readonly RegisterRow[]): RegisterMatch[] =>
  people.map((row): RegisterMatch => {
    if (row.number === 'T-1') return { kind: 'differs', person: known(row), fields: ['rank'] }
    if (row.number === 'T-4')
      return { kind: 'otherNumber', person: { ...known(row), number: 'X-9' }, fields: ['number'] }
    return row.number === 'T-5' ? { kind: 'otherUnit' } : { kind: 'new' }
  })

const sent: {
  path: string
  body: { people: (RegisterRow & { take?: string; personId?: string })[]; reason?: string }
}[] = []
let taking = (): Response => json({ added: 2, changed: 1 }, 201)
beforeEach(() => {
  sent.length = 0
  taking = () => json({ added: 2, changed: 1 }, 201)
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', (path: string, { body = '{}' }: { body?: string }) => {
    const parsed = JSON.parse(body) as (typeof sent)[number]['body']
    sent.push({ path, body: parsed })
    return Promise.resolve(path.endsWith('/compare') ? json({ matches: matchesOf(parsed.people) }) : taking())
  })
})

const begin = async () => {
  const made = effectScope().run(usePeopleImport)
  if (!made) throw new Error('The import did not begin.')
  made.table.value = { headings: HEADINGS, rows: ROWS, encoding: 'utf-8', name: 'people.csv' }
  await nextTick()
  return made
}

test('faulty rows are told and left, the good ones compared, and nothing is stored by that', async () => {
  const { reading, compare, compared } = await begin()
  expect(reading.value.findings.map(({ line, field }) => `${line} ${field}`)).toEqual(['3 birthDate'])
  await compare()
  expect(sent.map(({ path }) => path)).toEqual(['/api/register/compare'])
  expect(sent[0]?.body.people.map(({ number }) => number)).toEqual(['T-1', 'T-3', 'T-4', 'T-5'])
  expect(compared.value).toMatchObject({ same: 0, elsewhere: [6], added: [{ number: 'T-3' }] })
  expect(compared.value?.disputed.map(({ line, mayBeOther }) => [line, mayBeOther])).toEqual([
    [2, false],
    [5, true],
  ])
})

test('each row that differs is decided first; what is left as it is, is not sent', async () => {
  const { compare, decide, undecided, taken, send, reason, done } = await begin()
  await compare()
  expect(undecided.value).toBe(2)
  decide(2, 'change')
  decide(5, 'add')
  expect(undecided.value).toBe(0)
  expect(taken.value.map(({ number, take, personId }) => [number, take, personId])).toEqual([
    ['T-3', 'add', undefined],
    ['T-1', 'change', 'p-T-1'],
    ['T-4', 'add', undefined],
  ])
  expect(reason.value).toBe('As the file people.csv says')
  await send()
  expect(sent.at(-1)).toMatchObject({ path: '/api/register', body: { reason: 'As the file people.csv says' } })
  expect(done.value).toEqual({ added: 2, changed: 1 })
  decide(5, 'leave')
  expect(taken.value).toEqual([])
})

test('all that is open is decided at once, and what was decided stays', async () => {
  const { compare, decide, decideAll, decisions } = await begin()
  await compare()
  decide(5, 'add')
  decideAll('leave')
  expect(decisions.value).toEqual({ 2: 'leave', 5: 'add' })
})

test('a refusal is told and keeps what was decided; another column makes the comparison anew', async () => {
  const { compare, compared, decideAll, decisions, send, problem: told, mapping } = await begin()
  await compare()
  decideAll('change')
  taking = () => problem(409, 'people.changedMeanwhile', 'Somebody else changed the register meanwhile.')
  await send()
  expect(told.value).toContain('Somebody else changed the register')
  expect(decisions.value).toEqual({ 2: 'change', 5: 'change' })
  mapping.value = { ...mapping.value, rank: null }
  await nextTick()
  expect([compared.value, decisions.value]).toEqual([null, {}])
})
