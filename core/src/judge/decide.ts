/** Marks -> outcome, for every way of combining, without words. */
import type { EndReason } from '../capture/measure.ts'
import { roundTo } from '../quantity/rounding.ts'
import type { Combination, PointsTotal } from '../standard/combination.ts'
import type { VerdictPoints } from './markFigures.ts'
import type { Outcome } from './outcome.ts'

/** As much of a mark as deciding needs. */
export type BareMark =
  | { readonly kind: 'met' | 'short' | 'scored' | 'waiting' | 'running' | 'open'; readonly points?: BarePoints }
  | { readonly kind: 'decided'; readonly as: 'met' | 'short'; readonly points?: BarePoints }
  | { readonly kind: 'ended'; readonly reason: Exclude<EndReason, 'safety'> }
  | { readonly kind: 'exempt'; readonly fixedCentipoints: number | null; readonly total: 'unchanged' | 'proportional' }

interface BarePoints {
  readonly centipoints: number
  readonly minimumCentipoints: number | null
}

export interface Decision {
  readonly outcome: Outcome
  /** Places, in the list of marks, of those that decided. */
  readonly deciding: readonly number[]
  readonly settled: boolean
  /** Why, beyond the single marks. */
  readonly because: 'marks' | 'total' | 'cannotReachTotal' | 'enoughMet' | 'cannotReachEnough' | 'breach' | 'tookPart'
  readonly points?: VerdictPoints
}

/**
 * Decides one person's outcome.
 *
 * The first line that applies decides: breach of safety where it overrides, disqualified, withdrawn, short, to decide,
 * did not finish, still to go, met. "Short" comes before "to decide" because with one event short the standard can no
 * longer be met.
 * @param fullCentipoints the most each event can earn this person, in the order of the marks; 0 for events without points
 * @param judged whether each event can be met or missed at all; only those count where so many have to be met
 */
export const decide = (
  combination: Combination,
  marks: readonly BareMark[],
  fullCentipoints: readonly number[],
  judged: readonly boolean[] = [],
): Decision => {
  const early = marks.some(({ kind }) => kind === 'ended') ? endedEarly(combination, marks) : null
  if (early) return early
  switch (combination.kind) {
    case 'everyEventMet':
      return everyMet(marks)
    case 'pointsTotal':
      return pointsTotal(combination, marks, fullCentipoints)
    case 'bestOf':
      // where nothing can be missed, taking part is all there is
      if (judged.length > 0 && !judged.includes(true)) return { ...whenNoneShort(marks), because: 'tookPart' }
      return bestOf(
        combination.eventsToMeet,
        marks.map((mark, place) => (judged[place] === false ? NOT_ASKED : mark)),
      )
    case 'tookPart':
      return { ...whenNoneShort(marks), because: 'tookPart' }
  }
}

/** What an early end decides by itself. */
const endedEarly = (combination: Combination, marks: readonly BareMark[]): Decision | null => {
  const endedBy = (reason: EndReason): number[] =>
    placesOf(marks, (mark) => mark.kind === 'ended' && mark.reason === reason)
  const breaches = endedBy('breach')
  if (combination.safetyBreachOverrides && breaches.length > 0) {
    return { outcome: 'short', deciding: breaches, settled: true, because: 'breach' }
  }
  const disqualified = endedBy('disqualified')
  if (disqualified.length > 0) return byMarks('disqualified', disqualified, true)
  const withdrawn = endedBy('withdrawn')
  return withdrawn.length > 0 ? byMarks('withdrawn', withdrawn, true) : null
}

const everyMet = (marks: readonly BareMark[]): Decision => {
  const short = placesOf(marks, isShort)
  return short.length > 0 ? byMarks('short', short, true) : whenNoneShort(marks)
}

/** What follows when no single mark is short. */
const whenNoneShort = (marks: readonly BareMark[]): Decision => {
  const open = placesOf(marks, ({ kind }) => kind === 'open')
  if (open.length > 0) return byMarks('open', open, false)
  const broken = placesOf(marks, ({ kind }) => kind === 'ended')
  if (broken.length > 0) return byMarks('notFinished', broken, true)
  const toGo = placesOf(marks, isToGo)
  if (toGo.length > 0) return byMarks(hasBegun(marks) ? 'notFinished' : 'notStarted', toGo, false)
  const all = marks.map((_, place) => place)
  return byMarks(marks.every(({ kind }) => kind === 'exempt') ? 'exempt' : 'met', all, true)
}

const pointsTotal = (
  combination: PointsTotal,
  marks: readonly BareMark[],
  fullCentipoints: readonly number[],
): Decision => {
  const points = pointsOf(combination, marks, fullCentipoints)
  const { asked, centipoints, reachable } = points
  const shown: VerdictPoints = { centipoints, asked, full: points.full, ...classOf(combination, centipoints) }
  const short = placesOf(marks, isShort)
  if (short.length > 0) return { ...byMarks('short', short, true), points: { ...shown, className: null } }
  // whoever broke off has not finished, which says more than a total that is too low
  const brokeOff = marks.some((mark) => mark.kind === 'ended')
  if (reachable < asked && !brokeOff) {
    const scored = placesOf(marks, (mark) => 'points' in mark && mark.points !== undefined)
    const because = marks.some(isToGo) || marks.some(({ kind }) => kind === 'open') ? 'cannotReachTotal' : 'total'
    return { outcome: 'short', deciding: scored, settled: true, because, points: { ...shown, className: null } }
  }
  const rest = whenNoneShort(marks)
  return {
    ...rest,
    because: rest.outcome === 'met' ? 'total' : 'marks',
    points: rest.outcome === 'met' ? shown : { ...shown, className: null },
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
  fullCentipoints: readonly number[],
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
    reachable += isToGo(mark) || mark.kind === 'open' ? Math.max(here, fullHere) : here
  }
  const published = full + removed
  // a share of the total asked is never rounded down: nobody gets a lower total than in proportion
  const asked =
    removed === 0 || published === 0
      ? totalCentipoints
      : roundTo(totalCentipoints * full, { mode: 'up', step: published }) / published
  return { centipoints, asked, full, reachable }
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

const bestOf = (eventsToMeet: number, marks: readonly BareMark[]): Decision => {
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
  const toGo = placesOf(marks, isToGo)
  if (open.length > 0 && met.length + toGo.length < asked) return byMarks('open', open, false)
  if (toGo.length > 0) return byMarks(hasBegun(marks) ? 'notFinished' : 'notStarted', toGo, false)
  return open.length > 0 ? byMarks('open', open, false) : byMarks('exempt', [], true)
}

const byMarks = (outcome: Outcome, deciding: readonly number[], settled: boolean): Decision => ({
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
