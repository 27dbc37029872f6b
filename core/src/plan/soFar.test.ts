import { expect, test } from 'vitest'
import type { Mark } from '../judge/mark.ts'
import { soFarOf } from './soFar.ts'

const BEGAN = 1_000_000
// nothing else of a mark is asked
const mark = (kind: Mark['kind'], span?: { fromMs: number; toMs: number | null }): Mark =>
  ({ kind, ...(span ? { span } : {}) }) as Mark
const soFar = (marks: Record<string, Mark>) =>
  soFarOf([{ eventId: 'grip', marks: new Map(Object.entries(marks)) }], new Set(['z']), BEGAN, BEGAN + 600_000)

test('what is over has both its moments, what runs has no end, what waits is not there', () => {
  expect(
    soFar({
      a: mark('met', { fromMs: BEGAN + 60_000, toMs: BEGAN + 120_000 }),
      b: mark('running', { fromMs: BEGAN + 300_000, toMs: null }),
      c: mark('waiting'),
      d: mark('exempt'),
      e: mark('short'),
    }),
  ).toEqual({
    nowMs: 600_000,
    done: new Map([
      ['a grip', { fromMs: 60_000, toMs: 120_000 }],
      ['b grip', { fromMs: 300_000, toMs: null }],
      ['e grip', { fromMs: 600_000, toMs: 600_000 }],
    ]),
    out: new Set(['z']),
  })
})

test('before anything was done there is nothing to go on from', () => {
  expect(soFar({ a: mark('waiting') })).toBeNull()
})
