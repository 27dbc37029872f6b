import { expect, test } from 'vitest'
import type { Capture } from '../capture/capture.ts'
import type { DayRecordContent, DayRecordEntry } from '../day/record.ts'
import { takesOfficer } from './officerOnly.ts'
import { entriesJudgedBy, ownWaveTouched, type EnteredWaves, type Target } from './ownWave.ts'

const [OWN, MATE, OTHER] = ['own', 'mate', 'other'] as const
const entered: EnteredWaves = {
  ownWave: 2,
  waveOf: new Map([
    [OWN, 2],
    [MATE, 2],
    [OTHER, 1],
  ]),
}
const nobodyOwn: EnteredWaves = { ...entered, ownWave: null }
const about = (kind: string, entryId: string | null, payload: object = {}): Capture =>
  ({
    id: 'c',
    eventId: 'run',
    kind,
    payload,
    entryId,
    deviceId: 'd',
    deviceMs: 0,
    atMs: 0,
    uncertaintyMs: 0,
  }) as Capture
const none = (): undefined => undefined
const target = (
  kind: string,
  entryId: string | null,
  payload: object = {},
  authorWave: number | null = null,
): Target => ({
  capture: about(kind, entryId, payload),
  authorWave,
})

test.each<[string, Capture, number | null]>([
  ['oneself', about('counted', OWN), 2],
  ['somebody in the own wave', about('counted', MATE), 2],
  ['somebody in another wave', about('counted', OTHER), null],
  ['nobody yet', about('crossed', null), null],
  ['the start of the own wave', about('waveStarted', null, { wave: 2, entryIds: [] }), 2],
  ['a start that names somebody of it', about('waveStarted', null, { wave: 9, entryIds: [MATE] }), 2],
  ['the start of another wave', about('waveStarted', null, { wave: 1, entryIds: [OTHER] }), null],
])('capturing about %s', (_, capture, wave) => {
  expect(ownWaveTouched([capture], entered, none)).toBe(wave)
  expect(ownWaveTouched([about('counted', OTHER), capture], entered, none)).toBe(wave)
  expect(ownWaveTouched([capture], nobodyOwn, none)).toBeNull()
})

test.each<[string, Capture, Target, number | null]>([
  ['voiding what was counted for a mate', about('voided', null, { captureId: 'x' }), target('counted', MATE), 2],
  ['voiding what was counted for another', about('voided', null, { captureId: 'x' }), target('counted', OTHER), null],
  [
    'moving the start of the own wave',
    about('moved', null, { captureId: 'x' }),
    target('waveStarted', null, { wave: 2, entryIds: [] }),
    2,
  ],
  ['giving a stamp to a mate', about('assigned', MATE, { captureId: 'x' }), target('crossed', null), 2],
  ['giving a stamp to another', about('assigned', OTHER, { captureId: 'x' }), target('crossed', null), null],
])('%s', (_, capture, corrected, wave) => {
  expect(ownWaveTouched([capture], entered, (id) => (id === 'x' ? corrected : undefined))).toBe(wave)
})

test('a stamp somebody made while their own wave ran becomes no time of that wave through another’s hand', () => {
  const byOneOfWave1 = target('crossed', null, {}, 1)
  const give = (entryId: string) =>
    ownWaveTouched([about('assigned', entryId, { captureId: 'x' })], nobodyOwn, () => byOneOfWave1)
  expect(give(OTHER)).toBe(1)
  expect(give(MATE)).toBeNull()
})

const logged = (id: string, content: DayRecordContent): DayRecordEntry => {
  return { id, seq: 1, content, actorId: 'a', actor: 'Pell Varga', atMs: 0 }
}
const log = [
  logged('hold', { kind: 'holdRaised', entryId: MATE, reason: 'blood pressure' }),
  logged('protest', { kind: 'protested', entryId: OTHER, eventId: 'run', text: 'one lap more' }),
]
test.each<[DayRecordContent, readonly string[] | null | 'nobody']>([
  [{ kind: 'eventConfirmed', eventId: 'run', note: '' }, null],
  [{ kind: 'cardsKeyed', eventId: 'run', figures: [{ entryId: MATE, slot: 's', value: 1 }] }, [MATE]],
  [{ kind: 'protested', entryId: OWN, eventId: 'run', text: 'why' }, [OWN]],
  [{ kind: 'protestAnswered', protestId: 'protest', outcome: 'upheld', reason: 'why' }, [OTHER]],
  [{ kind: 'protestAnswered', protestId: 'unknown', outcome: 'upheld', reason: 'why' }, []],
  [{ kind: 'holdLifted', holdId: 'hold', reason: 'measured again' }, [MATE]],
  [{ kind: 'holdRaised', entryId: OWN, reason: 'why' }, 'nobody'],
  [{ kind: 'briefed', eventIds: [] }, 'nobody'],
  [{ kind: 'dayOpened', date: '2026-11-25', reason: 'storm' }, 'nobody'],
])('the log entry %o judges %o', (content, judged) => {
  expect(entriesJudgedBy(content, log)).toEqual(judged)
})

test.each<[string, Capture, boolean]>([
  ['deciding a mark', about('decided', OTHER, { as: 'met', reason: 'video' }), true],
  ['disqualifying', about('stopped', OTHER, { reason: 'disqualified' }), true],
  ['stopping for safety', about('stopped', OTHER, { reason: 'safety' }), false],
  ['counting', about('counted', OTHER), false],
  ['refusing a repetition', about('refused', OTHER, { reason: 'disqualified' }), false],
])('%s takes an officer, and so does undoing it: %#', (_, capture, takes) => {
  const undo = about('voided', null, { captureId: 'x', reason: 'by mistake' })
  expect(takesOfficer(capture, none)).toBe(takes)
  expect(takesOfficer(undo, () => ({ capture, byOfficer: false }))).toBe(takes)
  expect(takesOfficer(undo, () => ({ capture, byOfficer: true }))).toBe(true)
  expect(takesOfficer(undo, none)).toBe(false)
})
