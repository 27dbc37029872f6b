/** Standards of a single event, for one kind and one scoring. */
import { parseStandard } from '../src/standard/parseStandard.ts'
import type { EventKind } from '../src/kinds/kinds.ts'
import type { Scoring } from '../src/standard/scoring.ts'
import type { Standard, StandardEvent } from '../src/standard/standard.ts'
import { KIND_CASES, type KindCase } from './kindCases.ts'

const CATEGORIES = [
  { id: 'female', name: 'Female' },
  { id: 'male', name: 'Male' },
]

/** A plain document with the given events; anything may be replaced. */
export const plainStandard = (events: readonly object[], change: object = {}): object => ({
  format: 'able-gauge/standard/1',
  id: 'made-for-tests',
  name: 'Made for tests',
  organisation: 'Tarn Isles testing office',
  version: 1,
  inForceFrom: '2026-01-01',
  source: 'Made up.',
  ageRule: { countedOn: 'testDate', leapDayBirthday: '1 March' },
  categories: CATEGORIES,
  events,
  combination: { kind: 'everyEventMet' },
  retest: { earliestAfterDays: 14 },
  uncertainty: { handTimingMs: 0, nearTheCut: 'flag' },
  ...change,
})

/** An event of a kind with a scoring. */
export const plainEvent = ({ kind, protocol, rounding }: KindCase, scoring: object, id = 'event'): object => ({
  id,
  name: 'Event',
  protocol: { kind, ...protocol },
  rounding,
  scoring,
})

/** @throws Error with the findings when a document made for a test is unsound */
export const soundStandard = (plain: unknown): Standard => {
  const parsed = parseStandard(plain)
  if (!parsed.ok) throw new Error(`A standard made for tests is unsound: ${JSON.stringify(parsed.findings)}`)
  return parsed.value
}

/** Four bands of which only women of 30 to 39 are asked `value`. */
export const bandsWith = <Asked extends object>(asked: Asked, others: Asked): object[] => [
  { ageFrom: 18, ageTo: 29, category: 'female', ...others },
  { ageFrom: 30, ageTo: 39, category: 'female', ...asked },
  { ageFrom: 40, category: 'female', ...others },
  { ageFrom: 18, category: 'male', ...others },
]

/** Parts of a standard of one event that are not as the plain one has them. */
export type StandardChange = { readonly event?: Partial<StandardEvent> } & Omit<Partial<Standard>, 'events'>

/**
 * A standard of one event of a kind with a scoring, rounded down to whole units: the event is sound, what is changed is taken as it is, so
 * that what the form refuses can be looked at as well.
 */
export const standardWith = (
  kind: EventKind,
  scoring: Scoring,
  { event: changed = {}, ...change }: StandardChange = {},
): { readonly standard: Standard; readonly event: StandardEvent } => {
  const one = KIND_CASES.find((each) => each.kind === kind)
  if (!one) throw new Error(`There is no case of ${kind}.`)
  const standard = soundStandard(plainStandard([plainEvent(one, { kind: 'effort' })]))
  const [plain] = standard.events
  if (!plain) throw new Error('The standard has no event.')
  const event: StandardEvent = { ...plain, rounding: { mode: 'truncate', step: 1 }, scoring, ...changed }
  return { standard: { ...standard, events: [event], ...change }, event }
}
