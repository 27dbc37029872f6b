import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import type { DayAnswer, EntryAnswer } from './dayAnswers.ts'
import type { RecordedCapture } from '../capture/capture.ts'
import type { DayRecordContent, DayRecordEntry } from '../day/record.ts'
import { judgeDay } from '../judge/judgeDay.ts'
import { maskCapture, maskClaims, maskDay, maskVerdict, ON_RECORD } from './mask.ts'
import { ROLES, type Actor } from '../people/may.ts'

const ENTRY = '01890000-0000-7000-8000-0000000000aa'
const guest: Actor = { role: 'grader', station: { occasionId: 'day', eventIds: ['run'] } }
/** Stands in every text about somebody; whoever must not read it must not meet it anywhere. */
const SECRET = 'asthma'

const entry: EntryAnswer = {
  id: ENTRY,
  bib: 7,
  wave: 1,
  category: 'female',
  attendance: 'present',
  note: `${SECRET} note`,
  bodyMassG: null,
  heightMm: null,
  gear: 'vest 4',
  identityChecked: true,
  consented: true,
  choices: { variants: {}, alternates: {}, exemptions: {}, reason: `${SECRET} choice` },
  setUp: { 'run.lane': '3', 'press-ups.mat': '2' },
  revision: 1,
  ageYears: 27,
  ageCountedOn: '2026-11-24',
  person: { id: 'p', number: 'T-7', givenName: 'Tove', familyName: 'Okafor-Lind', birthDate: '1999-05-04' },
}
const CONTENTS: readonly DayRecordContent[] = [
  { kind: 'holdRaised', entryId: ENTRY, reason: `${SECRET} hold` },
  { kind: 'holdLifted', holdId: ENTRY, reason: `${SECRET} lifted` },
  { kind: 'heatDecided', decision: 'go', reason: `${SECRET} heat` },
  { kind: 'protested', entryId: ENTRY, eventId: 'run', text: `${SECRET} protest` },
  { kind: 'protestAnswered', protestId: ENTRY, outcome: 'upheld', reason: `${SECRET} answer` },
  { kind: 'eventConfirmed', eventId: 'press-ups', note: `${SECRET} confirmed` },
  { kind: 'eventConfirmed', eventId: 'run', note: '' },
  { kind: 'clockStepped', byMs: 5 },
]
const records = CONTENTS.map((content, index): DayRecordEntry => {
  return { id: String(index), seq: index + 1, content, actorId: 'a', actor: 'Pell Varga', atMs: index }
})
const day: DayAnswer = {
  occasion: {
    id: 'day',
    name: 'Test day',
    venue: 'Fallow Point track',
    zone: 'UTC',
    testDate: '2026-11-24',
    standardId: 'constabulary-entry',
    standardVersion: 3,
    rehearsal: null,
    signedOff: null,
  },
  standard: standardNamed('v3'),
  standardHash: 'a'.repeat(64),
  bounds: [{ fromMs: 0, beforeMs: 86_400_000 }],
  staff: [{ accountId: 'a', displayName: 'Pell Varga', role: 'grader', duty: 'lane 1' }],
  entries: [entry],
  plan: null,
  records,
  screened: [ENTRY],
  earlierSetUps: { [ENTRY]: { 'run.lane': '2', 'press-ups.mat': '1' } },
  testedBefore: { [ENTRY]: '2026-10-01' },
  earlierFigures: { [ENTRY]: [{ eventId: 'run', value: 561_000, unit: 'ms', testDate: '2025-10-01' }] },
  unitsOf: { [ENTRY]: '01930000-0000-7000-8000-00000000a001' },
  amendments: [],
  readIn: null,
  signature: null,
  rests: { [ENTRY]: { kind: 'ready' } } as unknown as DayAnswer['rests'],
}

test.each(ROLES)('a %s reads reasons and dates of birth only where the work needs them', (role) => {
  const text = JSON.stringify(maskDay(day, { role }))
  expect(text.includes(SECRET)).toBe(['officer', 'grader', 'timer', 'clerk'].includes(role))
  expect(text.includes('1999-05-04')).toBe(['officer', 'clerk', 'records'].includes(role))
  expect(text).toContain('Okafor-Lind')
})

test('who only looks on sees that there is a reason, and that there is none', () => {
  const { records: seen } = maskDay(day, { role: 'viewer' })
  expect(seen).toHaveLength(records.length)
  expect(seen[0]?.content).toEqual({ kind: 'holdRaised', entryId: ENTRY, reason: ON_RECORD })
  expect(seen[3]?.content).toMatchObject({ text: ON_RECORD })
  expect(seen[5]?.content).toMatchObject({ note: ON_RECORD })
  expect(seen[6]?.content).toMatchObject({ note: '' })
})

test('who joined with a station code sees the own station: no numbers, no gear, no other event, no staff', () => {
  const seen = maskDay(day, guest)
  const text = JSON.stringify({ ...seen, standard: null })
  for (const hidden of [SECRET, '1999-05-04', 'T-7', 'vest 4', 'press-ups', 'lane 1']) {
    expect(text, hidden).not.toContain(hidden)
  }
  expect(seen.records.map(({ content }) => content.kind)).toEqual(['eventConfirmed', 'clockStepped'])
  expect(seen).toMatchObject({ staff: [], plan: null, screened: [], amendments: [], unitsOf: {}, earlierFigures: {} })
  expect(seen.entries[0]?.setUp).toEqual({ 'run.lane': '3' })
  expect(seen.earlierSetUps[ENTRY]).toEqual({ 'run.lane': '2' })
  // a station has no whole day to work rests out from, so it gets them
  expect(seen.rests).toEqual(day.rests)
  expect(maskDay(day, { role: 'officer' }).rests).toBeNull()
})

const capture = (kind: string, payload: object, eventId = 'press-ups'): RecordedCapture =>
  ({
    id: `01890000-0000-7000-8000-0000000000${kind.length + 10}`,
    eventId,
    entryId: ENTRY,
    kind,
    payload,
    deviceId: 'd',
    deviceMs: 0,
    atMs: 1_000,
    uncertaintyMs: 5,
    seq: 1,
    actorId: 'a',
    receivedMs: 1_000,
  }) as RecordedCapture

test.each([
  ['stopped', { reason: 'safety', note: `${SECRET} attack` }, { reason: 'safety' }],
  ['voided', { captureId: ENTRY, reason: `${SECRET} pause` }, { captureId: ENTRY, reason: ON_RECORD }],
  ['replaced', { captureId: ENTRY, value: 3, reason: SECRET }, { captureId: ENTRY, value: 3, reason: ON_RECORD }],
  // a code of the protocol is no text, and what an officer decided is said in public
  ['refused', { reason: 'depth' }, { reason: 'depth' }],
  ['decided', { as: 'met', reason: 'seen on video' }, { as: 'met', reason: 'seen on video' }],
])('of a capture "%s" a viewer sees what counts', (kind, payload, seen) => {
  const one = capture(kind, payload)
  expect(maskCapture(one, { role: 'viewer' })?.payload).toEqual(seen)
  expect(maskCapture(one, { role: 'timer' })).toBe(one)
  expect(maskCapture(one, guest)).toBeNull()
  expect(maskCapture({ ...one, eventId: 'run' }, guest)).not.toBeNull()
})

test('a verdict does not tell by its trace what its captures hide', () => {
  const terms = { standard: standardNamed('v3'), testDate: '2026-11-24' }
  const candidate = { entryId: ENTRY, wave: 1, category: 'female', ageYears: 27, ageCountedOn: '2026-11-24' }
  const captures = [
    capture('started', {}),
    { ...capture('stopped', { reason: 'safety', note: `${SECRET} attack` }), atMs: 9_000 },
  ]
  const verdict = judgeDay(terms, [candidate], captures).get(ENTRY)
  if (!verdict) throw new Error('Nobody was judged.')
  expect(JSON.stringify(maskVerdict(verdict, { role: 'grader' }))).toContain(SECRET)
  const seen = maskVerdict(verdict, { role: 'viewer' })
  expect(JSON.stringify(seen)).not.toContain(SECRET)
  expect(seen.outcome).toBe(verdict.outcome)
  expect(seen.marks.map(({ kind }) => kind)).toEqual(verdict.marks.map(({ kind }) => kind))
})

test('who is where is told to those who work the day, to guests about their station', () => {
  const claims = ['run', 'press-ups'].map((eventId) => ({
    eventId,
    entryId: ENTRY,
    deviceId: 'one',
    by: 'A',
    sinceMs: 1,
  }))
  const seenBy = (actor: Actor) => maskClaims(claims, actor).map(({ eventId }) => eventId)
  expect(ROLES.filter((role) => seenBy({ role }).length > 0)).toEqual(['officer', 'grader', 'timer'])
  expect(seenBy({ role: 'grader' })).toEqual(['run', 'press-ups'])
  expect(seenBy(guest)).toEqual(['run'])
})
