import { expect, test } from 'vitest'
import {
  briefingFor,
  FIRST_HOUSE_RULES,
  passedOverAtMuster,
  heatAdvice,
  houseRuleFindings,
  type HouseRules,
} from './houseRules.ts'

const limit = (fromDeciC: number, advice: 'change' | 'stop') => ({ fromDeciC, advice, measure: advice })
const withRules = (change: Partial<HouseRules>): HouseRules => ({ ...FIRST_HOUSE_RULES, ...change })

test.each([
  [239, null],
  [240, 'change'],
  [279, 'change'],
  [280, 'stop'],
  // a milder limit above one that stops never takes the stop back
  [320, 'stop'],
] as const)('at %i tenths the advice is %s', (heat, advice) => {
  const rules = withRules({ heat: [limit(300, 'change'), limit(280, 'stop'), limit(240, 'change')] })
  expect(heatAdvice(rules, heat)?.advice ?? null).toBe(advice)
})

test('limits that contradict each other are refused at their place', () => {
  const places = (heat: HouseRules['heat']): string[] =>
    houseRuleFindings(withRules({ heat })).map(({ place, code }) => `${place} ${code}`)
  expect(places([limit(240, 'change'), limit(280, 'stop')])).toEqual([])
  expect(places([limit(280, 'stop'), limit(300, 'change')])).toEqual(['rules.heat[1].fromDeciC milder'])
  expect(places([limit(280, 'stop'), limit(280, 'change')])).toEqual(['rules.heat[1].fromDeciC twice'])
  expect(places([limit(280, 'stop'), limit(300, 'stop')])).toEqual([])
})

test('a venue or a group has a name of its own', () => {
  const venue = (name: string) => ({ name, zone: 'Etc/GMT-12', grounds: [] })
  expect(houseRuleFindings(withRules({ venues: [venue('Marram Yard'), venue('marram yard')] }))).toMatchObject([
    { place: 'rules.venues[1].name', code: 'twice' },
  ])
})

test('a standard has one briefing of its own, which is read in place of the general one', () => {
  const rules = withRules({ briefings: [{ standardId: 'fire-course', lines: ['Wear the helmet.'] }] })
  expect(briefingFor(rules, 'fire-course')).toEqual(['Wear the helmet.'])
  expect(briefingFor(rules, 'constabulary-entry')).toEqual(FIRST_HOUSE_RULES.briefing)
  expect(briefingFor(FIRST_HOUSE_RULES, 'fire-course')).toEqual(FIRST_HOUSE_RULES.briefing)
  expect(
    houseRuleFindings(withRules({ briefings: [...(rules.briefings ?? []), ...(rules.briefings ?? [])] })),
  ).toMatchObject([{ place: 'rules.briefings[1].standardId', code: 'twice' }])
})

test('what is passed over at muster is named, and nothing once it is done', () => {
  const none = { identityChecked: false, consented: false, isScreened: false, answers: [] }
  expect(passedOverAtMuster(FIRST_HOUSE_RULES, none)).toEqual(['identity', 'screening', 'consent'])
  const answers = FIRST_HOUSE_RULES.screening.map(({ id }) => ({ questionId: id, answer: 'no' as const }))
  expect(passedOverAtMuster(FIRST_HOUSE_RULES, { ...none, answers: answers.slice(1) })).toContain('screening')
  const done = { identityChecked: true, consented: true, isScreened: false, answers }
  expect(passedOverAtMuster(FIRST_HOUSE_RULES, done)).toEqual([])
  expect(passedOverAtMuster(FIRST_HOUSE_RULES, { ...done, answers: [], isScreened: true })).toEqual([])
  expect(
    passedOverAtMuster(withRules({ consentNeeded: false, screening: [] }), { ...none, identityChecked: true }),
  ).toEqual([])
})

test('of somebody who is here already only what is taken back is asked about', () => {
  const before = { identityChecked: true, consented: false, isScreened: false, answers: [] }
  expect(passedOverAtMuster(FIRST_HOUSE_RULES, before, before)).toEqual([])
  expect(passedOverAtMuster(FIRST_HOUSE_RULES, { ...before, identityChecked: false }, before)).toEqual(['identity'])
})

test.each([
  ['neither how often nor by when', [{ name: 'Yearly', standardId: 'entry' }], ['rules.retests[0].every']],
  [
    'one name twice',
    [
      { name: 'Yearly', standardId: 'entry', before: '2027-01-18' },
      { name: 'yearly', standardId: 'guard', before: '2027-01-18' },
    ],
    ['rules.retests[1].name'],
  ],
  ['a date alone', [{ name: 'Course', standardId: 'entry', before: '2027-01-18' }], []],
])('whom the house calls: %s', (_, retests, places) => {
  expect(houseRuleFindings({ ...FIRST_HOUSE_RULES, retests }).map(({ place }) => place)).toEqual(places)
})
