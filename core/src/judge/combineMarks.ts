/** Marks -> outcome, for every way of combining, without words. */
import type { EndReason } from '../referee/ends.ts'
import { roundTo } from '../quantity/rounding.ts'
import type { Combination, PointsTotal } from '../standard/combination.ts'
import type { VerdictPoints } from './markFigures.ts'
import type { OpenReason, Outcome } from './outcome.ts'

/** As much of a mark as deciding needs. */
export type BareMark =
  | { readonly kind: 'met' | 'short' | 'scored' | 'waiting' | 'running'; readonly points?: BarePoints }
  | { readonly kind: 'open'; readonly reason: OpenReason; readonly points?: BarePoints }
  | { readonly kind: 'decided'; readonly as: 'met' | 'short'; readonly points?: BarePoints }
  | { readonly kind: 'ended'; readonly reason: Exclude<EndReason, 'safety'> }
  | { readonly kind: 'exempt'; readonly fixedCentipoints: number | null; readonly total: 'unchanged' | 'proportional' }

interface BarePoints {
  readonly centipoints: number
  readonly minimumCentipoints: number | null
}

/** What deciding has to know of the battery for one person, event by event in the order of the marks. */
export interface PersonsBattery {
  /** Whether the event can be met or missed at all. */
  readonly judged: readonly boolean[]
  /** The most the event as it was chosen can earn; 0 for events without points. */
  readonly fullCentipoints: readonly number[]
  /** The most it can still earn while a variant or an alternate may be chosen. */
  readonly mostCentipoints: readonly number[]
}

export interface Combined {
  readonly outcome: Outcome
  /** Places, in the list of marks, of those that decided. */
  readonly deciding: readonly number[]
  readonly settled: boolean
  /** Why, beyond the single marks. */
  readonly because: 'marks' | 'total' | 'cannotReachTotal' | 'enoughMet' | 'cannotReachEnough' | 'breach' | 'tookPart'
  readonly points?: VerdictPoints
}

/**
 * Decides one person's outcome. There is one order, and the first that applies decides: exempt from everything, disqualified,
 * withdrawn, a breach of safety that overrides, short (when it can no longer change), to decide, did not finish, not started,
 * still to go, took part, met. "Short" comes before "to decide" because with one event short the standard can no longer be met;
 * the word is "met" only where something could have been missed.
 */
export const combineMarks = (
  combination: Combination,
  marks: readonly BareMark[],
  battery: PersonsBattery,
): Combined => {
  if (marks.length > 0 && marks.every(isExempt)) return byMarks('exempt', everyPlace(marks), true)
  const early = marks.some(({ kind }) => kind === 'ended') ? endedEarly(combination, marks) : null
  if (early) return early
  const isJudged = marks.some((mark, place) => battery.judged[place] === true && !isExempt(mark))
  switch (combination.kind) {
    case 'everyEventMet':
      return everyMet(marks, isJudged)
    case 'pointsTotal':
      return pointsTotal(combination, marks, battery, isJudged)
    case 'bestOf':
      return isJudged
        ? bestOf(
            combination.eventsToMeet,
            marks.map((mark, place) => (battery.judged[place] === true ? mark : NOT_ASKED)),
          )
        : whenNoneShort(marks, false)
    case 'tookPart':
      // whoever gives up one event has taken part in it, and goes on with the others
      return whenNoneShort(
        marks.map((mark) => (mark.kind === 'ended' ? TOOK_PART : mark)),
        false,
      )
  }
}

/** What an early end decides by itself. */
const endedEarly = (combination: Combination, marks: readonly BareMark[]): Combined | null => {
  const endedBy = (reason: EndReason): number[] =>
    placesOf(marks, (mark) => mark.kind === 'ended' && mark.reason === reason)
  const disqualified = endedBy('disqualified')
  if (disqualified.length > 0) return byMarks('disqualified', disqualified, true)
  const withdrawn = endedBy('withdrawn')
  if (withdrawn.length > 0) return byMarks('withdrawn', withdrawn, true)
  const breaches = combination.safetyBreachOverrides ? endedBy('breach') : []
  return breaches.length > 0 ? { outcome: 'short', deciding: breaches, settled: true, because: 'breach' } : null
}

const everyMet = (marks: readonly BareMark[], isJudged: boolean): Combined => {
  const short = placesOf(marks, isShort)
  return short.length > 0 ? byMarks('short', short, true) : whenNoneShort(marks, isJudged)
}

/** What follows when no single mark is short. */
const whenNoneShort = (marks: readonly BareMark[], isJudged: boolean): Combined => {
  const open = placesOf(marks, ({ kind }) => kind === 'open')
  if (open.length > 0) return byMarks('open', open, false)
  const broken = placesOf(marks, ({ kind }) => kind === 'ended')
  if (broken.length > 0) return byMarks('notFinished', broken, true)
  const toGo = placesOf(marks, isToGo)
  if (toGo.length > 0) return stillToGo(marks, toGo)
  const all = everyPlace(marks)
  return isJudged
    ? byMarks('met', all, true)
    : { outcome: 'tookPart', deciding: all, settled: true, because: 'tookPart' }
}

const stillToGo = (marks: readonly BareMark[], toGo: readonly number[]): Combined =>
  byMarks(hasBegun(marks) ? 'notFinished' : 'notStarted', toGo, false)

const pointsTotal = (
  combination: PointsTotal,
  marks: readonly BareMark[],
  battery: PersonsBattery,
  isJudged: boolean,
): Combined => {
  const points = pointsOf(combination, marks, battery)
  const { centipoints, asked, full, reachable } = points
  const { className, nextClass } = classOf(combination, centipoints)
  const shown: VerdictPoints = { centipoints, asked, full, className, nextClass }
  const short = placesOf(marks, isShort)
  if (short.length > 0) return { ...byMarks('short', short, true), points: { ...shown, className: null } }
  if (reachable < points.asked) {
    const scored = placesOf(marks, (mark) => 'points' in mark && mark.points !== undefined)
    const because = marks.some(isToGo) || marks.some(({ kind }) => kind === 'open') ? 'cannotReachTotal' : 'total'
    return { outcome: 'short', deciding: scored, settled: true, because, points: { ...shown, className: null } }
  }
  const rest = whenNoneShort(marks, isJudged || points.asked > 0)
  switch (rest.outcome) {
    case 'met':
      return { ...rest, because: 'total', points: shown }
    case 'tookPart':
      return { ...rest, points: shown }
    default:
      return { ...rest, points: { ...shown, className: null } }
  }
}

interface CountedPoints {
  readonly centipoints: number
  readonly asked: number
  readonly full: number
  /** The total if everything to come were done as well as can be. */
  readonly reachable: number
}

const pointsOf = (
  { totalCentipoints }: PointsTotal,
  marks: readonly BareMark[],
  { fullCentipoints, mostCentipoints }: PersonsBattery,
): CountedPoints => {
  let [centipoints, reachable, full, removed] = [0, 0, 0, 0]
  for (const [place, mark] of marks.entries()) {
    const fullHere = fullCentipoints[place] ?? 0
    if (mark.kind === 'exempt' && mark.fixedCentipoints === null) {
      if (mark.total === 'proportional') removed += fullHere
      continue
    }
    full += fullHere
    const here = earned(mark)
    centipoints += here
    reachable += Math.max(here, stillPossible(mark, fullHere, mostCentipoints[place] ?? fullHere))
  }
  const published = full + removed
  // a share of the total asked is never rounded down: nobody gets a lower total than in proportion
  const asked =
    removed === 0 || published === 0
      ? totalCentipoints
      : roundTo(totalCentipoints * full, { mode: 'up', step: published }) / published
  return { centipoints, asked, full, reachable }
}

/** What a mark may yet earn: before the start by any choice that is open, by a decision no more than its figures or the least asked. */
const stillPossible = (mark: BareMark, full: number, most: number): number => {
  switch (mark.kind) {
    case 'waiting':
      return most
    case 'running':
      return full
    case 'open':
      return mark.reason === 'nearTheCut' ? (mark.points?.minimumCentipoints ?? 0) : full
    default:
      return 0
  }
}

/** An open mark counts with what its figures say until it is decided. */
const earned = (mark: BareMark): number => {
  switch (mark.kind) {
    case 'exempt':
      return mark.fixedCentipoints ?? 0
    case 'ended':
      return 0
    case 'decided':
      // a mark decided as met has reached the least points asked
      return mark.as === 'met'
        ? Math.max(mark.points?.centipoints ?? 0, mark.points?.minimumCentipoints ?? 0)
        : (mark.points?.centipoints ?? 0)
    default:
      return mark.points?.centipoints ?? 0
  }
}

const classOf = (
  { classes = [] }: PointsTotal,
  centipoints: number,
): Pick<VerdictPoints, 'className' | 'nextClass'> => ({
  className: classes.findLast(({ fromCentipoints }) => centipoints >= fromCentipoints)?.name ?? null,
  nextClass: classes.find(({ fromCentipoints }) => centipoints < fromCentipoints) ?? null,
})

/** What nobody can miss, nobody can meet: it counts as little as an event somebody is exempt from. */
const NOT_ASKED: BareMark = { kind: 'exempt', fixedCentipoints: null, total: 'unchanged' }
const TOOK_PART: BareMark = { kind: 'scored' }

const bestOf = (eventsToMeet: number, marks: readonly BareMark[]): Combined => {
  const met = placesOf(marks, isMet)
  const couldStillMeet = placesOf(marks, (mark) => isMet(mark) || isToGo(mark) || mark.kind === 'open')
  // an event somebody is exempt from is not asked of them
  const exempt = marks.filter(({ kind }) => kind === 'exempt').length
  const asked = Math.max(0, Math.min(eventsToMeet, marks.length - exempt))
  if (met.length >= asked && met.length > 0) {
    return { outcome: 'met', deciding: met, settled: true, because: 'enoughMet' }
  }
  if (couldStillMeet.length < asked) {
    const lost = marks.flatMap((mark, place) =>
      couldStillMeet.includes(place) || mark.kind === 'exempt' ? [] : [place],
    )
    return { outcome: 'short', deciding: lost, settled: true, because: 'cannotReachEnough' }
  }
  const open = placesOf(marks, ({ kind }) => kind === 'open')
  if (open.length > 0) return byMarks('open', open, false)
  return stillToGo(marks, placesOf(marks, isToGo))
}

const isExempt = ({ kind }: BareMark): boolean => kind === 'exempt'

const everyPlace = (marks: readonly BareMark[]): number[] => marks.map((_, place) => place)

const byMarks = (outcome: Outcome, deciding: readonly number[], settled: boolean): Combined => ({
  outcome,
  deciding,
  settled,
  because: 'marks',
})

const placesOf = (marks: readonly BareMark[], holds: (mark: BareMark) => boolean): number[] => {
  // a plain loop: comparing versions asks this some millions of times
  const places: number[] = []
  for (let place = 0; place < marks.length; place++) {
    const mark = marks[place]
    if (mark && holds(mark)) places.push(place)
  }
  return places
}

const isMet = (mark: BareMark): boolean =>
  mark.kind === 'met' || mark.kind === 'scored' || (mark.kind === 'decided' && mark.as === 'met')

/** Failing at the work itself and a breach of safety are short; breaking off is not finished. */
const isShort = (mark: BareMark): boolean =>
  mark.kind === 'short' ||
  (mark.kind === 'decided' && mark.as === 'short') ||
  (mark.kind === 'ended' && (mark.reason === 'failed' || mark.reason === 'breach'))

export const isToGo = ({ kind }: Pick<BareMark, 'kind'>): boolean => kind === 'waiting' || kind === 'running'

const hasBegun = (marks: readonly BareMark[]): boolean =>
  marks.some((mark) => mark.kind !== 'waiting' && mark.kind !== 'exempt')
