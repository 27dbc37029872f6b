import { expect, test } from 'vitest'
import { formFieldsOf } from '../document/formFields.ts'
import { EVENT_KINDS, PROTOCOLS, type Protocol } from '../kinds/kinds.ts'
import { protocolTemplate } from '../kinds/protocolTemplates.ts'
import { chapterOf, inChapter, isOffered } from '../standard/chapters.ts'
import { settingInWords } from './settingInWords.ts'

const PRESS_UPS = {
  ...protocolTemplate('repetitionsInTime'),
  durationMs: 90_000,
  restAllowed: 'up',
  longestPauseMs: 5_000,
  cautionsAllowed: 2,
} as unknown as Protocol // a template with figures

test('each setting has its own sentence of the printed rules', () => {
  expect(settingInWords(PRESS_UPS, 'longestPauseMs')).toEqual(['A pause of more than 5 s ends it.'])
  expect(settingInWords(PRESS_UPS, 'durationMs')).toEqual(['As many as possible in 1:30.'])
  expect(settingInWords(PRESS_UPS, 'restAllowed')).toEqual(['Resting in the up position only; the clock runs on.'])
  expect(settingInWords(PRESS_UPS, 'cautionsAllowed')[0]).toMatch(/caution/)
  expect(settingInWords(PRESS_UPS, 'restart')).toEqual([])
})

test('every setting of every kind stands in a chapter of the printed standard', () => {
  const names = EVENT_KINDS.flatMap((kind) => formFieldsOf(PROTOCOLS[kind]).map(({ name }) => name))
  expect(names.filter((name) => chapterOf(name) === null)).toEqual([])
  expect(inChapter(formFieldsOf(PROTOCOLS.repetitionsInTime), 'ends').map(({ name }) => name)).toEqual([
    'restAllowed',
    'longestPauseMs',
    'cautionsAllowed',
    'restart',
    'endings',
  ])
})

/** Words for people that are printed in a place of their own: the start, the notes, what is read out. */
const PRINTED_ELSEWHERE = new Set(['announcements', 'readOut', 'notes'])

test('what a template settles is told in the rules, or printed elsewhere', () => {
  const unsaid = EVENT_KINDS.flatMap((kind) => {
    const protocol = protocolTemplate(kind) as Protocol
    return formFieldsOf(PROTOCOLS[kind])
      .filter(({ name }) => Reflect.get(protocol, name) !== undefined && !PRINTED_ELSEWHERE.has(name))
      .filter(({ name }) => settingInWords(protocol, name).length === 0)
      .map(({ name }) => `${kind}.${name}`)
  })
  expect(unsaid).toMatchInlineSnapshot(`
    [
      "sprint.select",
      "attempts.startCommands",
      "heaviestLift.startCommands",
    ]
  `)
})

test('only what fits is offered; what stands there already can be taken out', () => {
  expect(isOffered({}, 'atLeast', 'atMost')).toBe(false)
  expect(isOffered({}, 'atMost', 'atMost')).toBe(true)
  expect(isOffered({ atLeast: 4 }, 'atLeast', 'atMost')).toBe(true)
  expect(isOffered({ countedOn: 'testDate' }, 'fixedDate')).toBe(false)
  expect(isOffered({ countedOn: 'fixedDate' }, 'fixedDate')).toBe(true)
  expect(isOffered({ distanceMm: 400_000 }, 'repetitions')).toBe(false)
  expect(isOffered({ scoring: { kind: 'pointsTable' } }, 'minimumCentipoints')).toBe(true)
  expect(isOffered({ scoring: { kind: 'singleCut' } }, 'minimumCentipoints')).toBe(false)
})
