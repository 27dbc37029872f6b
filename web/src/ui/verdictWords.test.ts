import { OUTCOMES, PLAIN_STYLE, type Mark } from '@able-gauge/core'
import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import VerdictChip from './VerdictChip.vue'
import { writeAs } from './houseStyle.ts'
import { chipOf, figureOf, markerOf, stepLook, wordFor } from './verdictWords.ts'

test('every outcome has a word of its own, and only met looks met', () => {
  const chips = OUTCOMES.map((outcome) => chipOf({ outcome, settled: true }))
  expect(new Set(chips.map(({ word }) => word)).size).toBe(OUTCOMES.length)
  expect(chips.filter(({ look }) => look === 'met').map(({ word }) => word)).toEqual(['Met'])
})

test('somebody still under way is not told as having failed', () => {
  expect(chipOf({ outcome: 'notFinished', settled: false })).toEqual({ word: 'Not finished', look: 'going' })
  expect(chipOf({ outcome: 'notFinished', settled: true })).toEqual({ word: 'Did not finish', look: 'short' })
})

test('met is a filled diamond, short a hollow one, a case to decide a dotted one', () => {
  const chip = (outcome: 'met' | 'short' | 'open') =>
    mount(VerdictChip, { props: { verdict: { outcome, settled: true } } })
  expect(chip('met').find('path').attributes('fill')).toBe('currentColor')
  expect(chip('short').find('path').attributes('fill')).toBe('none')
  expect(chip('open').find('circle').exists()).toBe(true)
  expect(chip('short').text()).toBe('Short')
})

test('the house has words where the standard has none, and none for what is under way', () => {
  writeAs({ ...PLAIN_STYLE, words: { met: 'Fit', short: 'Not yet', notFinished: 'Broke off' } })
  expect(chipOf({ outcome: 'met', settled: true })).toEqual({ word: 'Fit', look: 'met' })
  expect(chipOf({ outcome: 'met', settled: true, word: 'Passed' }).word).toBe('Passed')
  expect(chipOf({ outcome: 'notFinished', settled: false }).word).toBe('Not finished')
  expect(chipOf({ outcome: 'withdrawn', settled: true }).word).toBe('Withdrawn')
  expect(wordFor(mark({ kind: 'short' }))).toBe('Not yet')
  writeAs(null)
  expect(chipOf({ outcome: 'met', settled: true }).word).toBe('Met')
})

const mark = (change: object): Mark => ({ eventId: 'run', cut: null, trace: [], ...change }) as unknown as Mark

test('a mark without a figure is told in a word', () => {
  expect(wordFor(mark({ kind: 'waiting' }))).toBe('waiting')
  expect(wordFor(mark({ kind: 'ended', reason: 'withdrawn' }))).toBe('withdrawn')
  expect(wordFor(mark({ kind: 'open', reason: 'stoppedForSafety' }))).toBe('stopped for safety')
  expect(figureOf(mark({ kind: 'waiting' }))).toBeNull()
  expect(figureOf(mark({ kind: 'met', rounded: 34 }))).toBe(34)
})

test('the marker follows the decision of the officer', () => {
  expect(markerOf(mark({ kind: 'decided', as: 'short' }))).toBe('short')
  expect(markerOf(mark({ kind: 'decided', as: 'met' }))).toBe('good')
  expect(markerOf(mark({ kind: 'open' }))).toBe('decide')
})

test('only a step that decides has a look of its own', () => {
  const combined = (outcome: 'met' | 'short' | 'open' | 'notStarted') =>
    stepLook({
      code: 'combined',
      outcome,
      deciding: [],
      settled: true,
      eventsToGo: 0,
      because: 'marks',
      combination: 'everyEventMet',
    })
  expect([combined('met'), combined('short'), combined('open'), combined('notStarted')]).toEqual([
    'met',
    'short',
    'decide',
    'leads',
  ])
  expect(stepLook({ code: 'open', reason: 'nearTheCut' })).toBe('decide')
  expect(stepLook({ code: 'decided', as: 'short', reason: '' })).toBe('short')
  expect(stepLook({ code: 'waiting' })).toBe('leads')
})
