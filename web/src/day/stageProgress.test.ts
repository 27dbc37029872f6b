import type { Mark, Verdict, Attendance } from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import { expect, test } from 'vitest'
import { entry as entryWith } from '../../testing/openDay.ts'
import { progressOf } from '../run/eventProgress.ts'
import type { Day, Entry } from './day.ts'
import { stageProgress } from './stageProgress.ts'

const entry = (id: string, attendance: Attendance): Entry => entryWith(1, { id, attendance })

// marks and verdicts are told apart by these fields alone here
const mark = (kind: string): Mark => ({ kind }) as unknown as Mark
const verdict = (settled: boolean, ...kinds: string[]): Verdict =>
  ({ settled, marks: kinds.map(mark) }) as unknown as Verdict

const day = (entries: Entry[], signedOff: Day['occasion']['signedOff'] = null): Day => ({
  occasion: {
    id: 'd',
    name: '',
    venue: '',
    zone: 'UTC',
    testDate: '2026-11-24',
    standardId: '',
    standardVersion: 3,
    rehearsal: null,
    signedOff,
  },
  standard: standardNamed('v3'),
  standardHash: '',
  bounds: null,
  staff: [],
  entries,
  plan: null,
  records: [],
  screened: [],
  earlierSetUps: {},
  testedBefore: {},
  unitsOf: {},
  earlierFigures: {},
  amendments: [],
  readIn: null,
  signature: null,
  rests: null,
})

test('each stage is filled as far as it is done', () => {
  const entries = [entry('a', 'present'), entry('b', 'present'), entry('c', 'held'), entry('d', 'absent')]
  const verdicts = new Map([
    ['a', verdict(true, 'met', 'met')],
    ['b', verdict(false, 'met', 'running')],
    ['c', verdict(false, 'waiting', 'waiting')],
  ])
  expect(stageProgress(day(entries), verdicts)).toEqual({
    // people are entered, nothing is planned; checked in, not briefed
    plan: 0.5,
    muster: expect.closeTo(0.6),
    run: 0.5,
    verdicts: 1 / 3,
    signOff: 0,
  })
  expect(stageProgress(day(entries, { atMs: 0, by: '' }), verdicts).signOff).toBe(1)
})

test('a day without entries has nothing done, rather than everything', () => {
  expect(stageProgress(day([]), new Map())).toMatchObject({ muster: 0, run: 0, verdicts: 0 })
})

test('the progress of an event counts those who are here, and those who began before they left', () => {
  const entries = [entry('a', 'present'), entry('b', 'absent'), entry('c', 'absent'), entry('d', 'held')]
  const marks = new Map([
    ['a', mark('running')],
    ['b', mark('met')],
    ['c', mark('waiting')],
  ])
  expect(progressOf(entries, marks)).toEqual({ done: 1, underWay: 1, here: 2 })
})
