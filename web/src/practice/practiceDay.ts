/** A day that is nobody's: one event, made-up candidates, and nothing but a set to practise on. */
import { NO_CHOICES, type DayAnswer, type EntryAnswer, type Standard } from '@able-gauge/core'
import { practiceEvent, type DrillLevel, type Practised } from '@able-gauge/core/drill'

/** What the address of a set names. */
export interface PracticeSet {
  readonly eventId: string
  readonly what: Practised
  readonly level: DrillLevel
  readonly seed: number
  /** Candidates watched at once; of a finish the runners. */
  readonly lanes: number
  readonly more?: string
}

const FINISHERS = 24
const ON_THE_LINE = 6

/** How many can be watched at once. */
export const lanesFor = (what: Practised): readonly number[] => {
  if (what === 'finishLine') return [FINISHERS]
  if (what === 'shuttleTurn') return [ON_THE_LINE]
  if (what === 'reach') return [1]
  return [1, 4]
}

export const eventOf = ({ events, alternateEvents = [] }: Standard, eventId: string) =>
  [...events, ...alternateEvents].find(({ id }) => id === eventId)

/** Made up, as everybody here is. */
const NAMES = [
  ['Orla', 'Vane'],
  ['Teo', 'Marsh'],
  ['Isa', 'Holm'],
  ['Bram', 'Quill'],
  ['Noor', 'Tarrow'],
  ['Elin', 'Stroud'],
  ['Jory', 'Fenn'],
  ['Mika', 'Ash'],
] as const

/** The id of a lane's candidate. */
export const entryIdOf = (lane: number): string => `00000000-0000-4000-8000-${String(lane + 1).padStart(12, '0')}`

const entryOf = (standard: Standard, lane: number, testDate: string): EntryAnswer => {
  const [givenName, familyName] = NAMES[lane % NAMES.length] ?? NAMES[0]
  return {
    id: entryIdOf(lane),
    bib: lane + 1,
    wave: 1,
    category: standard.categories[lane % standard.categories.length]?.id ?? '',
    attendance: 'present',
    note: '',
    bodyMassG: 72_000,
    heightMm: 1_740,
    gear: '',
    identityChecked: true,
    consented: true,
    choices: NO_CHOICES,
    setUp: {},
    revision: 1,
    ageYears: 27,
    ageCountedOn: testDate,
    person: { id: entryIdOf(lane), number: '', givenName, familyName },
  }
}

/** @returns null where the standard has no such event */
export const practiceDay = (standard: Standard, set: PracticeSet, testDate: string): DayAnswer | null => {
  const event = eventOf(standard, set.eventId)
  if (!event) return null
  const { alternateEvents: _alternates, order: _order, exemptions: _exemptions, ...plain } = standard
  return {
    occasion: {
      id: `practice ${set.what} ${set.level} ${set.seed}`,
      name: 'Practice',
      venue: '',
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      testDate,
      standardId: standard.id,
      standardVersion: standard.version,
      rehearsal: null,
      signedOff: null,
    },
    standard: { ...plain, events: [practiceEvent(event)], combination: { kind: 'tookPart' } },
    standardHash: '',
    bounds: null,
    staff: [],
    entries: Array.from({ length: set.lanes }, (_, lane) => entryOf(standard, lane, testDate)),
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
  }
}
