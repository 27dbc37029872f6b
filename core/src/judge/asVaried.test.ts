import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, soundStandard, plainStandard } from '../../testing/index.ts'
import { at, bare, ended, ENTRY } from '../../testing/stamped.ts'
import type { Capture } from '../capture/capture.ts'
import { judgeDay } from './judgeDay.ts'

const counted = KIND_CASES.find(({ kind }) => kind === 'repetitionsToFailure')
if (!counted) throw new Error('There is no hand-worked case of repetitions to failure.')
const cut = (atLeast: number) => ({ kind: 'singleCut', unit: 'count', atLeast })
// the form of the event asks 3, on the knees 5
const standard = soundStandard(
  plainStandard([
    {
      ...plainEvent(counted, cut(3)),

      variants: [{ id: 'knees', name: 'On the knees', scoring: cut(5) }],
    },
  ]),
)
const markOf = (captures: readonly Capture[], variants?: Readonly<Record<string, string>>) => {
  const anna = { entryId: ENTRY, wave: 1, ageYears: 27, ageCountedOn: '2026-11-24', category: 'female' }
  const candidate = variants ? { ...anna, variants } : anna
  return judgeDay({ standard, testDate: '2026-11-24' }, [candidate], captures).get(ENTRY)?.marks[0]
}
const varied = (afterMs: number, variant?: string): Capture =>
  at(afterMs, { kind: 'varied', payload: variant === undefined ? {} : { variant } })
const reps = (count: number, fromMs: number): Capture[] =>
  Array.from({ length: count }, (_, index) => bare(fromMs + index * 1_500, 'counted'))
const FOUR = [bare(0, 'started'), ...reps(4, 2_000), ended(20_000)]

test('the form changed at the line is the one that is judged, whatever the entry names', () => {
  expect(markOf(FOUR)).toMatchObject({ kind: 'met', margin: 1 })
  expect(markOf([varied(-5_000, 'knees'), ...FOUR])).toMatchObject({ kind: 'short', margin: -1, variantId: 'knees' })
  expect(markOf(FOUR, { event: 'knees' })).toMatchObject({ kind: 'short', margin: -1 })
  const back = markOf([varied(-5_000), ...FOUR], { event: 'knees' })
  expect(back).toMatchObject({ kind: 'met', margin: 1 })
  expect(back).not.toHaveProperty('variantId')
  expect(markOf([varied(-5_000, 'knees'), varied(-2_000), ...FOUR])).toMatchObject({ kind: 'met' })
})

test('a form changed before anything counts is no doubt, one changed after it is; beginning again makes it sound', () => {
  const knees = varied(4_000, 'knees')
  expect(markOf([varied(1_000, 'knees'), ...FOUR])).not.toHaveProperty('doubts')
  expect(markOf([knees, ...FOUR])).toMatchObject({ doubts: [{ code: 'variedUnderWay', captures: [knees.id] }] })
  const restart = at(3_700, { kind: 'restarted', payload: { reason: 'fault explained' } })
  const codes = (markOf([restart, knees, ...FOUR])?.doubts ?? []).map(({ code }) => code)
  expect(codes).not.toContain('variedUnderWay')
})

test('a form the event does not offer is for a person to decide', () => {
  expect(markOf([varied(-5_000, 'upside-down'), ...FOUR])).toMatchObject({ kind: 'open', reason: 'choiceNotOffered' })
})
