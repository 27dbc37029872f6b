import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { json, problem } from '../../../testing/openDay.ts'
import type { Checked } from '../../workers/check.worker.ts'
import { useDraft } from './useDraft.ts'

let answer: Checked = { isSound: true, remarks: [] }
vi.mock('../../workers/check.worker.ts?worker', () => ({
  default: class {
    terminate = (): void => undefined
  },
}))
vi.mock('comlink', () => ({ wrap: () => ({ check: () => Promise.resolve(answer) }) }))

const asked: { method: string; path: string; body: { revision?: number; content?: { name?: string } } }[] = []
let answers: Record<string, () => Response> = {}
let scope: EffectScope

beforeEach(() => {
  vi.useFakeTimers()
  asked.length = 0
  answer = { isSound: true, remarks: [] }
  answers = {}
  scope = effectScope()
  vi.stubGlobal('fetch', (path: string, { method, body }: { method: string; body?: string }) => {
    const parsed = body === undefined ? {} : JSON.parse(body)
    if (method !== 'GET') asked.push({ method, path, body: parsed })
    const own = answers[`${method} ${path.replace('/api/standards/watch/1', '')}`]
    if (own) return Promise.resolve(own())
    if (method === 'PUT') return Promise.resolve(json({ revision: Number(parsed.revision) + 1 }))
    return Promise.resolve(json(path.endsWith('/standards') ? { versions: [] } : {}))
  })
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

const open = () => {
  const draft = scope.run(() => useDraft('watch', 1, { name: 'Watch' }, 4))
  if (!draft) throw new Error('The scope has ended.')
  return draft
}

test('what is typed is saved by itself, after a moment, each time with the revision the one before got', async () => {
  const { draft, saved } = open()
  draft['name'] = 'Harbour'
  draft['name'] = 'Harbour Watch'
  await vi.advanceTimersByTimeAsync(100)
  expect(saved.value).toBe('waiting')
  await vi.advanceTimersByTimeAsync(1_500)
  expect(saved.value).toBe('saved')
  draft['name'] = 'Harbour Watch Test'
  await vi.advanceTimersByTimeAsync(1_500)
  expect(asked.map(({ body }) => [body.revision, body.content?.name])).toEqual([
    [4, 'Harbour Watch'],
    [5, 'Harbour Watch Test'],
  ])
})

test('when somebody else was faster nothing is overwritten, and what was typed stays', async () => {
  answers['PUT '] = () => problem(409, 'standard.editedMeanwhile', 'Somebody else changed this draft meanwhile.')
  const { draft, saved, problem: told } = open()
  draft['name'] = 'Mine'
  await vi.advanceTimersByTimeAsync(1_500)
  expect(saved.value).toBe('failed')
  expect(told.value).toBe('Somebody else changed this draft meanwhile. What you typed stays on this page.')
  expect(draft['name']).toBe('Mine')
})

test('findings are sorted to their places, and errors stop publishing', async () => {
  const remark = {
    place: 'events[0].scoring.rows[1]',
    severity: 'error' as const,
    what: 'A hole.',
    example: '',
    mend: '',
  }
  answer = { isSound: true, remarks: [remark, { ...remark, place: 'name', severity: 'warning' }] }
  const { byPlace, errors, mayPublish } = open()
  await vi.advanceTimersByTimeAsync(300)
  expect(errors.value).toBe(1)
  expect(mayPublish.value).toBe(false)
  expect(byPlace.value.get('events[0].scoring.rows[1]')).toEqual([remark])
})

test('publishing saves first; what the server finds is told with its places', async () => {
  const refused = {
    title: 'input.invalid',
    status: 422,
    detail: 'Nothing was stored.',
    findings: [{ place: 'inForceFrom', code: 'datesOverlap', found: 'Two versions.', expected: '' }],
  }
  answers['POST /publish'] = () => json(refused, 422)
  const { draft, publish, problem: told } = open()
  draft['name'] = 'Harbour'
  await vi.advanceTimersByTimeAsync(10)
  expect(await publish()).toBe(false)
  expect(asked.map(({ method, body }) => [method, body.revision])).toEqual([
    ['PUT', 4],
    ['POST', 5],
  ])
  expect(told.value).toContain('inForceFrom: Two versions.')
  answers['POST /publish'] = () => json({ contentHash: 'a' })
  expect(await publish()).toBe(true)
})

test('what the check says waits while something is being pressed, so that nothing moves under a finger', async () => {
  const { draft, remarks } = open()
  await vi.advanceTimersByTimeAsync(500)
  answer = { isSound: true, remarks: [{ place: 'name', severity: 'error', what: 'Twice.', example: '', mend: '' }] }
  window.dispatchEvent(new MouseEvent('mousedown'))
  draft['name'] = 'Harbour'
  await vi.advanceTimersByTimeAsync(500)
  expect(remarks.value).toEqual([])
  window.dispatchEvent(new MouseEvent('mouseup'))
  await vi.advanceTimersByTimeAsync(10)
  expect(remarks.value).toHaveLength(1)
})
