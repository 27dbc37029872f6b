import { expect, test } from 'vitest'
import { jsonSchemaOf } from '../document/jsonSchema.ts'
import { CapturesAnswer } from './captureAnswers.ts'
import { checkAnswer } from './checkAnswer.ts'
import { DayAnswer, OccasionAnswer } from './dayAnswers.ts'
import { RosterAnswer } from './entryAnswers.ts'
import { SecurityEventsAnswer } from './houseAnswers.ts'
import { VerdictsAnswer } from './verdictAnswers.ts'

const places = (type: new () => object, plain: unknown): string[] =>
  checkAnswer(type, plain).map(({ place, code }) => `${place} ${code}`)

const occasion = {
  id: '1',
  name: 'Test day',
  venue: 'Fallow Point track',
  zone: 'Etc/GMT-12',
  testDate: '2026-11-24',
  standardId: 'constabulary-entry',
  standardVersion: 3,
  rehearsal: null,
  signedOff: null,
}

test('what may say nothing says null, and is not left out', () => {
  expect(places(OccasionAnswer, occasion)).toEqual([])
  expect(places(OccasionAnswer, { ...occasion, signedOff: { atMs: 1, by: 'The officer' } })).toEqual([])
  const { signedOff: _, ...without } = occasion
  expect(places(OccasionAnswer, without)).toEqual(['signedOff isObject'])
  expect(places(OccasionAnswer, { ...occasion, signedOff: 'yes' })).toEqual(['signedOff isObject'])
  expect(places(OccasionAnswer, { ...occasion, venue: null })).toEqual(['venue isString'])
})

test('a field nobody declared is told as such, so that a browser can pass over it', () => {
  expect(places(OccasionAnswer, { ...occasion, secret: 1 })).toEqual(['secret unknownProperty'])
})

const capture = {
  id: 'c',
  eventId: 'run',
  entryId: null,
  kind: 'crossed',
  payload: {},
  deviceId: 'd',
  deviceMs: 0,
  atMs: 1,
  uncertaintyMs: 4,
  seq: 1,
  actorId: 'a',
  receivedMs: 1,
}

test.each([
  ['of a kind there is not', { ...capture, kind: 'flown' }],
  ['of a kind only objects have', { ...capture, kind: 'toString' }],
  ['without a number', { ...capture, seq: undefined }],
  ['at no whole millisecond', { ...capture, atMs: 1.5 }],
  ['that is none', null],
])('a capture %s spoils the page it stands on', (_, one) => {
  const page = (captures: readonly unknown[]) => ({ captures, lastSeq: 1, more: false })
  expect(places(CapturesAnswer, page([capture]))).toEqual([])
  expect(places(CapturesAnswer, page([capture, one]))).toEqual(['captures kept'])
})

test('verdicts, outcomes of a roster and facts of the log are known by their form', () => {
  const verdict = { outcome: 'met', settled: true, marks: [{ eventId: 'run', kind: 'met' }], trace: [] }
  const judged = (one: unknown) => ({
    judged: 'live',
    verdicts: [{ entryId: 'e', standardHash: 'h', verdict: one }],
  })
  expect(places(VerdictsAnswer, judged(verdict))).toEqual([])
  expect(places(VerdictsAnswer, judged({ ...verdict, marks: [{ kind: 'met' }] }))).toEqual(['verdicts[0].verdict kept'])
  expect(places(RosterAnswer, { outcomes: [{ kind: 'already' }] })).toEqual([])
  expect(places(RosterAnswer, { outcomes: [{ kind: 'lost' }] })).toEqual(['outcomes kept'])
  const event = { id: 1, atMs: 1, kind: 'signIn', accountId: null, by: null, detail: { address: '::1', twice: true } }
  expect(places(SecurityEventsAnswer, { events: [event], more: false })).toEqual([])
  expect(places(SecurityEventsAnswer, { events: [{ ...event, detail: { names: ['x'] } }], more: false })).toEqual([
    'events[0].detail kept',
  ])
})

test('the schema of what may be null says so', () => {
  const { $defs } = jsonSchemaOf(DayAnswer, 'DayAnswer') as { $defs: Record<string, { properties: object }> }
  expect($defs['OccasionAnswer']?.properties).toMatchObject({
    signedOff: { anyOf: [{ $ref: '#/$defs/SignedOff' }, { type: 'null' }] },
  })
})
