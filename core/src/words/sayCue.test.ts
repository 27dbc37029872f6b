/** What is told before a start, in words: every cue a protocol can give, and what is noted about one person. */
import { expect, test } from 'vitest'
import { plainEvent, plainStandard, sampleOf, soundStandard, KIND_CASES } from '../../testing/index.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { EVENT_KINDS, PROTOCOLS, type Protocol } from '../kinds/kinds.ts'
import { rulingFor } from '../kinds/rulingFor.ts'
import { cuesFor } from '../plan/cuesFor.ts'
import { seededRandom } from '../random/random.ts'
import type { Cue } from '../referee/referee.ts'
import { hasCueWords, sayCue } from './sayCue.ts'

const ANNA = { entryId: 'anna', wave: 1, category: 'female' }

test.each(EVENT_KINDS)('%s: whatever its protocol says, each cue has words', (kind) => {
  const random = seededRandom(11)
  const seen = new Set<string>()
  for (let sample = 0; sample < 150; sample++) {
    const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...sampleOf(PROTOCOLS[kind], random, {}), kind })
    if (!parsed.ok) continue
    for (const cue of rulingFor({ protocol: parsed.value }, ANNA, [], 0).cues) {
      seen.add(cue.code)
      expect(hasCueWords(cue.code), cue.code).toBe(true)
      const { about, text } = sayCue(cue)
      expect(`${about} ${text}`).not.toMatch(/undefined|NaN|null|\[object/)
    }
  }
  // the samples say something, so that the loop above can fail
  expect(seen).toContain('startWord')
})

test.each<[Cue, string, string]>([
  [{ code: 'rest nowhere' }, 'Rests', 'none'],
  [{ code: 'rest up' }, 'Rests', 'in the up position'],
  [{ code: 'warmUp', text: 'easy jog', figures: { minutes: 10 } }, 'Warm-up', '10 min, easy jog'],
  [{ code: 'coolDown', text: '', figures: { minutes: 5 } }, 'Afterwards', '5 min'],
  [{ code: 'ending', text: 'Holds the side', figures: { then: 'fails' } }, 'Ends it', 'Holds the side: fails'],
  [{ code: 'beats', figures: { beatsPerMinute: 50, beatsPerRepetition: 2 } }, 'Beat', '50 a minute, 2 to a repetition'],
  [
    { code: 'beats', figures: { part: 'first-stairs', stepsPerMinute: 54, warmUp: 40 } },
    'Beat',
    'first stairs: 54 steps a minute after a warm-up at 40',
  ],
  [{ code: 'holdFor', figures: { ms: 2_000 } }, 'Hold', 'for 0:02'],
  [{ code: 'stepHeight', figures: { mm: 330 } }, 'Step', '33 cm'],
  [{ code: 'carried', figures: { massG: 20_000 } }, 'Carries', '20 kg'],
])('%j is told', (cue, about, text) => {
  expect(sayCue(cue)).toEqual({ about, text })
})

test('what is noted about one person: alternate or variant, missing body mass, gear, the set-up of last time beside today', () => {
  const [reps] = KIND_CASES
  if (!reps) throw new Error('The table of cases is empty.')
  const cut = { kind: 'singleCut', unit: 'count', atLeast: 30 }
  const setUp = [{ id: 'mat', label: 'Mat', writtenIn: 'cm' }]
  const event = {
    ...plainEvent({ ...reps, protocol: { ...reps.protocol, setUp } }, cut),
    variants: [{ id: 'bench', name: 'Hands on a bench', scoring: cut }],
  }
  const standard = soundStandard(plainStandard([event]))
  const [own] = standard.events
  if (!own) throw new Error('The standard made for the test has no event.')
  const person = { ...ANNA, ageYears: 27, ageCountedOn: '2026-11-24' }
  const told = (more: object, gear = '', now = '', before = '') =>
    cuesFor(
      standard,
      own,
      { ...person, ...more },
      {
        gear,
        setUp: now === '' ? {} : { 'event.mat': now },
        earlierSetUp: before === '' ? {} : { 'event.mat': before },
        earlierFigures: [],
      },
    ).map((cue) => sayCue(cue))
  expect(told({})).toEqual([])
  expect(told({ variants: { event: 'bench' } }, 'knee brace')).toEqual([
    { about: 'Variant', text: 'Hands on a bench' },
    { about: 'Wears', text: 'knee brace' },
  ])
  expect(
    [told({}, '', '41'), told({}, '', '', '43'), told({}, '', '41', '43'), told({}, '', '41', '41')].flat(),
  ).toEqual(['41 cm', 'last time 43 cm', '41 cm, last time 43 cm', '41 cm'].map((text) => ({ about: 'Mat', text })))
})

test('whom a cut by body mass is for has to have been weighed', () => {
  const lift = KIND_CASES.find(({ kind }) => kind === 'heaviestLift')
  if (!lift) throw new Error('No case of a lift.')
  const scoring = {
    kind: 'relativeCut',
    unit: 'g',
    of: 'lesser',
    shareRounding: { mode: 'truncate', step: 500 },
    rows: [{ ageFrom: 0, shareOfBodyMassPermille: 500 }],
  }
  const standard = soundStandard(plainStandard([plainEvent(lift, scoring)]))
  const [own] = standard.events
  if (!own) throw new Error('The standard made for the test has no event.')
  const noted = { gear: '', setUp: {}, earlierSetUp: {}, earlierFigures: [] }
  const codes = (more: object) =>
    cuesFor(standard, own, { ...ANNA, ageYears: 27, ageCountedOn: '2026-11-24', ...more }, noted).map(
      ({ code }) => code,
    )
  expect([codes({}), codes({ bodyMassG: 70_000 })]).toEqual([['noBodyMass'], []])
})
