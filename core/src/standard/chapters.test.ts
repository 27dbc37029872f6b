/** Where the settings of an event stand in print, which of them are offered beside which, and when a version is in force. */
import { expect, test } from 'vitest'
import { EVENT_KINDS, PROTOCOLS } from '../kinds/kinds.ts'
import { descriptionsOf } from '../document/described.ts'
import { CHAPTER_NAMES, chapterOf, inChapter, isOffered, type Chapter } from './chapters.ts'
import { forceOn } from './library.ts'

const CHAPTERS = Object.keys(CHAPTER_NAMES) as Chapter[]

// the order in which each chapter is printed, as a standard's reader finds it
const PRINTED: Readonly<Record<Chapter, string>> = {
  done: 'by task position distanceMm lapLengthMm durationMs lineDistanceMm legs touches timing speeds levels stations walkBetweenMm segments heightMm heights measures unit attemptsAllowed sides holdMs startLoadG incrementG restMs beatsPerMinute beatsPerCycle beatsPerRepetition clockRunsOn startCommands startWords walkingAllowed aidAllowed lapsCalledBy loadG vestG gear',
  counts:
    'countsWhen goodWhen refusals zoneMm counts markEveryMm select ofSides resolution zero lessStandingReach lesserHand clockStopsWhen watchRule handCorrectionMs pulseAfterMs pulseWindowMs estimate judged',
  ends: 'restAllowed longestPauseMs capMs capRepetitions limitMs endsWhen failsWhen missesAllowed missedBeatsAllowed failuresAllowed stoppingAllowed ifStopped cautionsAllowed restart endings',
  table: 'publishedIn rounding minimumCentipoints uncertainty alternates',
  notes: 'clearBefore warmUp coolDown equipment setUp announcements readOut restAfterMs cautions kit notes',
}

test('the chapters stand in the order of a printed standard, each with its settings in theirs', () => {
  expect(CHAPTER_NAMES).toEqual({
    done: 'How it is done',
    counts: 'What counts',
    ends: 'What ends it',
    table: 'What is asked',
    notes: 'Notes',
  })
  const everything = CHAPTERS.flatMap((chapter) => PRINTED[chapter].split(' '))
  const fields = [...everything, 'kind', 'id'].toSorted().map((name) => ({ name }))
  for (const chapter of CHAPTERS) {
    expect(inChapter(fields, chapter).map(({ name }) => name)).toEqual(PRINTED[chapter].split(' '))
    for (const name of PRINTED[chapter].split(' ')) expect(chapterOf(name)).toBe(chapter)
  }
  expect([chapterOf('kind'), chapterOf('id'), chapterOf('unheardOf')]).toEqual([null, null, null])
})

test.each(EVENT_KINDS)('every setting of %s but its kind stands in a chapter', (kind) => {
  const names = [...descriptionsOf(PROTOCOLS[kind]).keys()]
  expect(names.length).toBeGreaterThan(1)
  expect(names.filter((name) => name !== 'kind' && chapterOf(name) === null)).toEqual([])
})

test.each<[string, object, object]>([
  ['fixedDate', { countedOn: 'fixedDate' }, { countedOn: 'testDate' }],
  ['fixedCentipoints', { effect: 'fixed' }, { effect: 'removed' }],
  ['total', { effect: 'removed' }, { effect: 'fixed' }],
  ['band', { allowedBy: 'band' }, { allowedBy: 'choice' }],
  ['pointsRounding', { between: 'interpolate' }, { between: 'lowerRow' }],
  ['handCorrectionMs', { timing: 'hand' }, { timing: 'electronic' }],
  ['ofSides', { sides: 'each' }, { sides: 'one' }],
  ['zero', { unit: 'mm' }, { unit: 'g' }],
  ['lessStandingReach', { unit: 'mm' }, { unit: 'g' }],
  ['lesserHand', { unit: 'mm' }, { unit: 'g' }],
  ['speeds', {}, { levels: [] }],
  ['levels', {}, { speeds: {} }],
  ['repetitions', {}, { distanceMm: 5 }],
  ['setsAllowed', {}, { distanceMm: 5 }],
  ['refusals', {}, { distanceMm: 5 }],
  ['countsWhen', {}, { distanceMm: 5 }],
  ['distanceMm', {}, { repetitions: 5 }],
  ['atLap', {}, { atMs: 5 }],
  ['atLap', {}, { atMm: 5 }],
  ['atMs', {}, { atLap: 5 }],
  ['atMs', {}, { atMm: 5 }],
  ['atMm', {}, { atLap: 5 }],
  ['atMm', {}, { atMs: 5 }],
  ['groups', { kind: 'groups' }, { kind: 'one' }],
  ['minimumCentipoints', { scoring: { kind: 'pointsTable' } }, { scoring: { kind: 'singleCut' } }],
  ['minimumCentipoints', { scoring: { kind: 'pointsByRule' } }, {}],
])('%s is offered beside %j and not beside %j, unless it stands there already', (name, fits, not) => {
  expect(isOffered({ ...fits }, name)).toBe(true)
  expect(isOffered({ ...not }, name)).toBe(false)
  expect(isOffered({ ...not, [name]: 1 }, name)).toBe(true)
})

test('a cut is offered on the side of the event, any other setting always', () => {
  expect([isOffered({}, 'atLeast', 'atLeast'), isOffered({}, 'atMost', 'atLeast')]).toEqual([true, false])
  expect([isOffered({}, 'atLeast', 'atMost'), isOffered({}, 'atMost', 'atMost')]).toEqual([false, true])
  expect([isOffered({}, 'atLeast'), isOffered({}, 'atMost'), isOffered({}, 'gear', 'atMost')]).toEqual([
    true,
    true,
    true,
  ])
})

test.each([
  ['2025-12-31', 'coming'],
  ['2026-01-01', 'now'],
  ['2026-06-30', 'now'],
  ['2026-07-01', 'past'],
])('on %s a version in force from January to June is %s', (date, force) => {
  const version = { state: 'published', inForceFrom: '2026-01-01', inForceTo: '2026-06-30' } as const
  expect(forceOn(version, date)).toBe(force)
  expect(forceOn({ ...version, state: 'retired' }, date)).toBe(force)
  expect(forceOn({ ...version, state: 'draft' }, date)).toBe('draft')
  expect(forceOn({ ...version, inForceFrom: null }, date)).toBe('draft')
  expect(forceOn({ ...version, inForceTo: null }, date)).toBe(force === 'past' ? 'now' : force)
})
