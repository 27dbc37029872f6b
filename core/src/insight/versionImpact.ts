/** Two standards applied to the same past results: who would change, in which event, by how much. */
import { AGE_GROUPS, ageGroupOf } from './ageGroup.ts'
import type { Measure } from '../kinds/measure.ts'
import type { EndReason } from '../referee/ends.ts'
import { ageOn, ageReferenceDate } from '../judge/ageOn.ts'
import { combineMarks } from '../judge/combineMarks.ts'
import { batteryFor, type Terms } from '../judge/basis.ts'
import { judgePlainly, type PlainMark } from '../judge/judgeEvent.ts'
import type { Candidate } from '../judge/mark.ts'
import type { Outcome } from '../judge/outcome.ts'
import type { Fraction } from '../quantity/fraction.ts'
import type { Standard } from '../standard/standard.ts'

/** A past result: the person as they were, and their measures by event id. */
export interface PastResult {
  readonly key: string
  readonly birthDate: string
  readonly testDate: string
  readonly category: string
  readonly role?: string
  readonly bodyMassG?: number
  readonly measures: Readonly<Record<string, PastMeasure | undefined>>
}

/** A value in the unit of the event, or the reason for which there is none. */
export type PastMeasure = { readonly value: number; readonly exact?: Fraction } | { readonly ended: EndReason }

interface ChangedPerson {
  readonly key: string
  readonly category: string
  readonly ageYears: number
  readonly before: Outcome
  readonly after: Outcome
  /** Events whose mark changed, with the distance to the cut under the later standard. */
  readonly events: readonly { readonly eventId: string; readonly margin: number | null }[]
}

interface GroupImpact {
  readonly group: string
  readonly people: number
  readonly metBefore: number
  readonly metAfter: number
}

/** How many of a group met a version, of those who met it or were short. */
export interface FairGroup {
  readonly group: string
  readonly before: { readonly met: number; readonly of: number }
  readonly after: { readonly met: number; readonly of: number }
}

interface EventImpact {
  readonly eventId: string
  readonly metBefore: number
  readonly metAfter: number
  readonly toMet: number
  readonly toShort: number
}

export interface VersionImpact {
  readonly people: number
  readonly metBefore: number
  readonly metAfter: number
  /** How many go from the first outcome to the second; those that stay are included. */
  readonly moves: readonly { readonly before: Outcome; readonly after: Outcome; readonly people: number }[]
  readonly events: readonly EventImpact[]
  readonly groups: readonly GroupImpact[]
  /** To compare groups with each other: by category as the results name it, and by age on the test date. */
  readonly byCategory: readonly FairGroup[]
  readonly byAge: readonly FairGroup[]
  /** Those that change, in the order of the results, at most `mostChanged`. */
  readonly changed: readonly ChangedPerson[]
  readonly changedInAll: number
}

export interface ImpactOptions {
  /** How many changed people to list. */
  readonly mostChanged?: number
  /** Called now and then with how many are done. */
  readonly onProgress?: (done: number) => void
}

const PROGRESS_EVERY = 5_000

/** A comparison under way, for results that come one at a time. */
export interface RunningImpact {
  readonly add: (result: PastResult) => void
  readonly impact: () => VersionImpact
}

const MOST_CHANGED = 500

/** Begins a comparison; each result is judged under both standards by the rules of each, and not kept. */
export const startImpact = (before: Standard, after: Standard, mostChanged = MOST_CHANGED): RunningImpact => {
  const tally = new Tally(before, after)
  return {
    add: (result) => tally.add(result, judgeUnder(before, result), judgeUnder(after, result), mostChanged),
    impact: () => tally.impact(),
  }
}

/** Compares results that are all at hand. */
export const versionImpact = (
  before: Standard,
  after: Standard,
  results: readonly PastResult[],
  { mostChanged, onProgress }: ImpactOptions = {},
): VersionImpact => {
  const running = startImpact(before, after, mostChanged)
  for (const [index, result] of results.entries()) {
    running.add(result)
    if (onProgress && (index + 1) % PROGRESS_EVERY === 0) onProgress(index + 1)
  }
  onProgress?.(results.length)
  return running.impact()
}

interface Judged {
  readonly outcome: Outcome
  readonly ageYears: number
  /** In the order of the standard's events. */
  readonly marks: readonly PlainMark[]
}

const judgeUnder = (standard: Standard, result: PastResult): Judged => {
  const ageCountedOn = ageReferenceDate(standard.ageRule, result.testDate)
  const candidate: Candidate = {
    entryId: result.key,
    ageYears: ageOn(result.birthDate, ageCountedOn, standard.ageRule.leapDayBirthday),
    ageCountedOn,
    category: result.category,
    ...(result.role === undefined ? {} : { role: result.role }),
    ...(result.bodyMassG === undefined ? {} : { bodyMassG: result.bodyMassG }),
  }
  const terms: Terms = { standard, testDate: result.testDate }
  const marks = standard.events.map((event) =>
    judgePlainly(terms, event, candidate, measureOf(result.measures[event.id])),
  )
  const { outcome } = combineMarks(standard.combination, marks, batteryFor(terms, candidate))
  return { outcome, ageYears: candidate.ageYears, marks }
}

const NOT_STARTED: Measure = { kind: 'notStarted', notes: [] }
const READING = { kind: 'readings', taken: [], steps: [] } as const

/** The unit is known from the event; the one of the measure itself is never looked at here. */
const measureOf = (past: PastMeasure | undefined): Measure => {
  if (past === undefined) return NOT_STARTED
  if ('ended' in past) return { kind: 'ended', reason: past.ended, soFar: 0, unit: 'count', notes: [] }
  return { kind: 'complete', ...past, unit: 'count', reading: READING, clockUncertaintyMs: 0, notes: [] }
}

const isMet = (mark: PlainMark | undefined): boolean =>
  mark !== undefined && (mark.kind === 'met' || mark.kind === 'scored' || mark.kind === 'exempt')

/** Decades are coarse enough to be compared under any two sets of bands. */
const groupOf = (category: string, ageYears: number): string => {
  const decade = Math.floor(ageYears / 10) * 10
  if (decade < 20) return `${category}, under 20`
  return decade >= 60 ? `${category}, 60 and over` : `${category}, ${decade}–${decade + 9}`
}

interface EventCounts {
  readonly eventId: string
  /** Place among the events of each standard, -1 where it has no such event. */
  readonly placeBefore: number
  readonly placeAfter: number
  metBefore: number
  metAfter: number
  toMet: number
  toShort: number
}

type FairCounts = { [Side in 'before' | 'after']: { met: number; of: number } }

const countIn = (groups: Map<string, FairCounts>, group: string, before: Outcome, after: Outcome): void => {
  const counts = groups.get(group) ?? { before: { met: 0, of: 0 }, after: { met: 0, of: 0 } }
  groups.set(group, counts)
  for (const [side, outcome] of [
    [counts.before, before],
    [counts.after, after],
  ] as const) {
    // whoever is open, did not finish or was withdrawn says nothing of a standard
    if (outcome !== 'met' && outcome !== 'short') continue
    side.of += 1
    if (outcome === 'met') side.met += 1
  }
}

const fairGroups = (groups: ReadonlyMap<string, FairCounts>, names: readonly string[]): FairGroup[] =>
  names.flatMap((group) => {
    const counts = groups.get(group)
    return counts ? [{ group, ...counts }] : []
  })

class Tally {
  private people = 0
  private readonly moves = new Map<string, { before: Outcome; after: Outcome; people: number }>()
  private readonly groups = new Map<string, { people: number; metBefore: number; metAfter: number }>()
  private readonly categories = new Map<string, FairCounts>()
  private readonly ages = new Map<string, FairCounts>()
  private readonly events: readonly EventCounts[]
  private readonly changed: ChangedPerson[] = []
  private changedInAll = 0

  constructor(before: Standard, after: Standard) {
    const placeIn = ({ events }: Standard, eventId: string): number => events.findIndex(({ id }) => id === eventId)
    const ids = [...new Set([...before.events, ...after.events].map(({ id }) => id))]
    this.events = ids.map((eventId) => ({
      eventId,
      placeBefore: placeIn(before, eventId),
      placeAfter: placeIn(after, eventId),
      metBefore: 0,
      metAfter: 0,
      toMet: 0,
      toShort: 0,
    }))
  }

  add({ key, category }: PastResult, before: Judged, after: Judged, mostChanged: number): void {
    this.people += 1
    const move = this.moves.get(`${before.outcome} ${after.outcome}`)
    if (move) move.people += 1
    else
      this.moves.set(`${before.outcome} ${after.outcome}`, { before: before.outcome, after: after.outcome, people: 1 })
    const name = groupOf(category, before.ageYears)
    const group = this.groups.get(name) ?? { people: 0, metBefore: 0, metAfter: 0 }
    this.groups.set(name, group)
    group.people += 1
    if (before.outcome === 'met') group.metBefore += 1
    if (after.outcome === 'met') group.metAfter += 1
    countIn(this.categories, category, before.outcome, after.outcome)
    countIn(this.ages, ageGroupOf(before.ageYears), before.outcome, after.outcome)
    const changedEvents: { eventId: string; margin: number | null }[] = []
    for (const counts of this.events) {
      const markAfter = after.marks[counts.placeAfter]
      const was = isMet(before.marks[counts.placeBefore])
      const is = isMet(markAfter)
      if (was) counts.metBefore += 1
      if (is) counts.metAfter += 1
      if (was === is) continue
      if (is) counts.toMet += 1
      else counts.toShort += 1
      changedEvents.push({ eventId: counts.eventId, margin: markAfter?.margin ?? null })
    }
    if (before.outcome === after.outcome) return
    this.changedInAll += 1
    if (this.changed.length >= mostChanged) return
    const { ageYears } = before
    this.changed.push({ key, category, ageYears, before: before.outcome, after: after.outcome, events: changedEvents })
  }

  impact(): VersionImpact {
    const groups = [...this.groups].map(([group, counts]) => ({ group, ...counts }))
    const sum = (which: 'metBefore' | 'metAfter'): number => groups.reduce((total, group) => total + group[which], 0)
    return {
      people: this.people,
      metBefore: sum('metBefore'),
      metAfter: sum('metAfter'),
      moves: [...this.moves.values()].sort((a, b) => b.people - a.people),
      events: this.events.map(({ eventId, metBefore, metAfter, toMet, toShort }) => ({
        eventId,
        metBefore,
        metAfter,
        toMet,
        toShort,
      })),
      groups: groups.sort((a, b) => (a.group < b.group ? -1 : 1)),
      byCategory: fairGroups(this.categories, [...this.categories.keys()].sort()),
      byAge: fairGroups(this.ages, AGE_GROUPS),
      changed: this.changed,
      changedInAll: this.changedInAll,
    }
  }
}
