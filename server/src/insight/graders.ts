/** What each grader did; to a grader themselves beside all the others together. */
import {
  kindOf,
  type DecisionCount,
  type GraderShape,
  type GradersAnswer,
  type InsightNamed,
  type ReasonCount,
  type Standard,
} from '@able-gauge/core'
import type { Account } from '../access/role.ts'
import type { Database } from '../database.ts'
import {
  countMix,
  countReasons,
  listGradedEvents,
  listSecondCounts,
  sumGraders,
  sumStaffWork,
  sumWatches,
  type GraderCount,
  type GraderSums,
  type SecondCount,
  type StaffSums,
} from '../store/insight/graderStore.ts'
import { eventsOf, type Asked } from './chosenIn.ts'

const NO_WORK = { captured: 0, corrected: 0, overruled: 0, decided: 0, tookOver: 0 }

export const gradersOf = async (
  db: Database,
  { chosen, standard }: Asked,
  wantedEvent: string | undefined,
  account: Pick<Account, 'id' | 'role'>,
): Promise<GradersAnswer> => {
  const isWhole = account.role === 'officer'
  const nothing = { events: [], eventId: null, reasons: [], graders: [], watches: [], isWhole }
  if (!chosen || !standard) return nothing
  const graded = await listGradedEvents(db, chosen)
  const eventId = graded.find((id) => id === wantedEvent) ?? graded[0] ?? null
  const events = eventsOf(standard).filter((event) => graded.includes(event.eventId))
  if (eventId === null) return nothing
  const [sums, reasons, mix, seconds, work, watches] = await Promise.all([
    sumGraders(db, chosen, eventId),
    countReasons(db, chosen, eventId),
    countMix(db, chosen, eventId),
    listSecondCounts(db, chosen, eventId),
    sumStaffWork(db, chosen),
    sumWatches(db, chosen),
  ])
  const people = new Map([...work, ...sums].map(({ accountId, name }) => [accountId, name]))
  const all = [...people].map(([accountId, name]) => shapeOf(accountId, name, { sums, reasons, mix, seconds, work }))
  const own = all.filter(({ accountId }) => accountId === account.id)
  const others = all.filter(({ accountId }) => accountId !== account.id)
  const graders = isWhole ? all : [...own, ...(others.length > 0 ? [togetherOf(others)] : [])]
  return {
    events,
    eventId,
    reasons: reasonsIn(standard, eventId),
    graders,
    watches: watches.filter(({ accountId }) => isWhole || accountId === account.id),
    isWhole,
  }
}

interface Found {
  readonly sums: readonly GraderSums[]
  readonly reasons: readonly GraderCount[]
  readonly mix: readonly GraderCount[]
  readonly seconds: readonly SecondCount[]
  readonly work: readonly StaffSums[]
}

const shapeOf = (accountId: string, name: string, { sums, reasons, mix, seconds, work }: Found): GraderShape => {
  const own = sums.find((one) => one.accountId === accountId)
  const did = work.find((one) => one.accountId === accountId)
  const countsOf = (counts: readonly GraderCount[]): ReasonCount[] =>
    counts.filter((one) => one.accountId === accountId).map(({ id, times }) => ({ id, times }))
  const twice = seconds.flatMap(({ firstBy, secondBy, first, second, decisions }) => {
    if (firstBy === accountId)
      return [
        {
          more: first - second,
          decisions: decisions.map((one) => ({ own: one.first, other: one.second, times: one.times })),
        },
      ]
    if (secondBy === accountId)
      return [
        {
          more: second - first,
          decisions: decisions.map((one) => ({ own: one.second, other: one.first, times: one.times })),
        },
      ]
    return []
  })
  return {
    accountId,
    name,
    candidates: own?.candidates ?? 0,
    attempts: own?.attempts ?? 0,
    refused: own?.refused ?? 0,
    attemptsSquared: own?.attemptsSquared ?? 0,
    refusedSquared: own?.refusedSquared ?? 0,
    refusedTimesAttempts: own?.refusedTimesAttempts ?? 0,
    meanAge: own?.meanAge ?? 0,
    metTheRest: own?.metTheRest ?? 0,
    reasons: countsOf(reasons),
    categories: countsOf(mix),
    countedTwice: twice.length,
    withinOne: twice.filter(({ more }) => Math.abs(more) <= 1).length,
    countedMore: twice.reduce((sum, { more }) => sum + more, 0),
    decisions: summed(twice.flatMap(({ decisions }) => decisions)),
    captured: did?.captured ?? NO_WORK.captured,
    corrected: did?.corrected ?? NO_WORK.corrected,
    overruled: did?.overruled ?? NO_WORK.overruled,
    decided: did?.decided ?? NO_WORK.decided,
    tookOver: did?.tookOver ?? NO_WORK.tookOver,
  }
}

const summed = (decisions: readonly DecisionCount[]): DecisionCount[] => {
  const counts = new Map<string, DecisionCount>()
  for (const { own, other, times } of decisions) {
    const key = `${own} ${other}`
    counts.set(key, { own, other, times: (counts.get(key)?.times ?? 0) + times })
  }
  return [...counts.values()].sort((a, b) => b.times - a.times)
}

/** All of them as one, without names. */
const togetherOf = (graders: readonly GraderShape[]): GraderShape => {
  const sum = (of: (grader: GraderShape) => number): number => graders.reduce((all, one) => all + of(one), 0)
  const candidates = sum((one) => one.candidates)
  const counts = (of: (grader: GraderShape) => readonly ReasonCount[]): ReasonCount[] => {
    const times = new Map<string, number>()
    for (const one of graders.flatMap(of)) times.set(one.id, (times.get(one.id) ?? 0) + one.times)
    return [...times].map(([id, count]) => ({ id, times: count }))
  }
  return {
    accountId: '',
    name: '',
    candidates,
    attempts: sum((one) => one.attempts),
    refused: sum((one) => one.refused),
    attemptsSquared: sum((one) => one.attemptsSquared),
    refusedSquared: sum((one) => one.refusedSquared),
    refusedTimesAttempts: sum((one) => one.refusedTimesAttempts),
    meanAge: candidates === 0 ? 0 : sum((one) => one.meanAge * one.candidates) / candidates,
    metTheRest: sum((one) => one.metTheRest),
    reasons: counts((one) => one.reasons),
    categories: counts((one) => one.categories),
    countedTwice: sum((one) => one.countedTwice),
    withinOne: sum((one) => one.withinOne),
    countedMore: sum((one) => one.countedMore),
    decisions: summed(graders.flatMap((one) => one.decisions)),
    captured: sum((one) => one.captured),
    corrected: sum((one) => one.corrected),
    overruled: sum((one) => one.overruled),
    decided: sum((one) => one.decided),
    tookOver: sum((one) => one.tookOver),
  }
}

const reasonsIn = ({ events }: Standard, eventId: string): InsightNamed[] => {
  const protocol = events.find(({ id }) => id === eventId)?.protocol
  return protocol ? (kindOf(protocol).refusals?.(protocol) ?? []).map(({ id, label }) => ({ id, name: label })) : []
}
