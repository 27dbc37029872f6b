/** Results of earlier years: columns by the events of the standard, tried in parts, then taken. */
import { createPinia, setActivePinia } from 'pinia'
import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import { effectScope } from 'vue'
import { standardNamed } from '@able-gauge/core/testing'
import { json } from '../../testing/openDay.ts'
import { useResultsImport } from './useResultsImport.ts'

const V3 = standardNamed('v3')
const version = (change: object) => ({
  id: V3.id,
  version: 3,
  state: 'published',
  name: V3.name,
  organisation: V3.organisation,
  inForceFrom: '2026-03-01',
  inForceTo: null,
  events: 2,
  contentHash: 'a'.repeat(64),
  days: 0,
  revision: null,
  editedBy: null,
  retired: null,
  ...change,
})
const DETAIL = {
  state: 'published',
  content: V3,
  contentHash: 'a'.repeat(64),
  revision: null,
  publishedAtMs: 1,
  publishedBy: 'Ines Calloway-Brandt',
  editedBy: null,
  retired: null,
}
interface Sent {
  isTrial: boolean
  source: string
  standardId: string
  rows: { line: number; cells: Record<string, string> }[]
}
const sent: Sent[] = []
beforeEach(() => {
  sent.length = 0
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', (path: string, { body }: { body?: string }) => {
    if (path.endsWith('/standards'))
      return Promise.resolve(
        json({ versions: [version({ version: 2 }), version({}), version({ version: 4, state: 'draft' })] }),
      )
    if (path.includes('/standards/')) return Promise.resolve(json(DETAIL))
    // whatever else is still under way on the page is no import
    if (!path.endsWith('/brought-results')) return Promise.resolve(json({}))
    const asked = JSON.parse(body ?? '{}') as Sent
    sent.push(asked)
    const outcomes = asked.rows.map(({ line }) => ({
      line,
      name: 'Ada Holm',
      version: 3,
      outcome: 'met',
      findings: [],
    }))
    return Promise.resolve(json({ outcomes, taken: outcomes.length }))
  })
})

const begin = async (rows: readonly string[][]) => {
  const made = effectScope().run(useResultsImport)
  if (!made) throw new Error('The import did not begin.')
  await made.begin()
  await flushPromises()
  made.table.value = { headings: ['No', 'Date', 'Press-ups'], rows, encoding: 'utf-8', name: 'years.csv' }
  await flushPromises()
  return made
}

test('the newest published version names the columns, and what is needed is asked for', async () => {
  const { standards, fields, columns, missing } = await begin([['T-1', '21.5.2024', '30']])
  expect(standards.value.map(({ version: newest }) => newest)).toEqual([3])
  expect(fields.value.map(({ field }) => field)).toContain('press-ups')
  expect([columns.value['number'], columns.value['test_date'], columns.value['press-ups']]).toEqual([0, 1, 2])
  expect(missing.value).toEqual([])
  columns.value = { ...columns.value, number: null }
  expect(missing.value.map(({ field }) => field)).toEqual(['number'])
})

test('a trial keeps nothing; another column makes it anew; what is taken is told', async () => {
  const { attempt, tried, columns, take, done } = await begin([['T-1', '21.5.2024', '30']])
  await attempt()
  expect(sent).toMatchObject([
    {
      isTrial: true,
      source: 'years.csv',
      rows: [{ line: 2, cells: { number: 'T-1', test_date: '2024-05-21', 'press-ups': '30' } }],
    },
  ])
  expect(tried.value?.taken).toBe(1)
  columns.value = { ...columns.value, 'press-ups': null }
  await flushPromises()
  expect(tried.value).toBeNull()
  await attempt()
  await take()
  expect(sent.map(({ isTrial }) => isTrial)).toEqual([true, true, false])
  expect(done.value?.taken).toBe(1)
})

test('a long file goes in parts, and its outcomes are one list', async () => {
  const rows = Array.from({ length: 4_500 }, (_, index) => [`T-${index}`, '21.5.2024', '30'])
  const { attempt, tried } = await begin(rows)
  await attempt()
  expect(sent.map((part) => part.rows.length)).toEqual([2_000, 2_000, 500])
  expect(tried.value?.outcomes.at(-1)?.line).toBe(4_501)
  expect(tried.value?.taken).toBe(4_500)
})
