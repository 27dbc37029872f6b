/** How closely one thing comes out again, from what was measured twice. */
import { UNITS, type RepeatChoice, type RepeatPoint, type RepeatsAnswer, type RepeatsQuery } from '@able-gauge/core'
import { limitsOfAgreement, repeatabilityOf } from '@able-gauge/core/statistics'
import type { Database } from '../database.ts'
import type { ChosenResults } from '../store/insight/chosen.ts'
import { listPairs, listRepeats, listRetests, type Pairs } from '../store/insight/repeatStore.ts'
import { eventsOf, measuredIn, type Asked } from './chosenIn.ts'

/** Within two months somebody is much the same. */
const WITHIN_DAYS = 60
const MOST_POINTS = 1_500

export const repeatsOf = async (
  db: Database,
  { chosen, standard, query }: Asked<RepeatsQuery>,
): Promise<RepeatsAnswer> => {
  const withinDays = query.within === undefined ? WITHIN_DAYS : Number(query.within)
  const base = { choices: [], events: [], chosen: null, unit: UNITS[0], withinDays, leftOut: 0, found: null }
  if (!chosen || !standard) return { ...base, agreement: null, points: [] }
  const events = eventsOf(standard)
  const measured = measuredIn(standard).map(({ eventId }) => eventId)
  // what is named is read beside the choices, not after them
  const { event, of, part = '' } = query
  const named = event !== undefined && of !== undefined ? { eventId: event, of, part } : null
  const [choices, early] = await Promise.all([
    listRepeats(db, chosen, withinDays, measured),
    named && pairsOf(db, chosen, named, withinDays),
  ])
  const wanted = choices.find(
    ({ eventId, of, part }) =>
      (query.event === undefined || eventId === query.event) &&
      (query.of === undefined || of === query.of) &&
      (query.part === undefined || part === query.part),
  )
  if (!wanted) return { ...base, choices, events, agreement: null, points: [] }
  const isNamed =
    named !== null && named.eventId === wanted.eventId && named.of === wanted.of && named.part === wanted.part
  const read = isNamed ? early : null
  const { pairs, unit, leftOut } = read ?? (await pairsOf(db, chosen, wanted, withinDays))
  const rows = pairs.map(({ first, second }) => [first, second] as const)
  const found = repeatabilityOf(rows)
  return {
    ...base,
    choices,
    events,
    chosen: { ...wanted, pairs: pairs.length },
    unit,
    leftOut,
    found: found && {
      icc21: found.icc21,
      limits: found.limits,
      standardError: found.standardError,
      smallestRealChange: found.smallestRealChange,
    },
    agreement: agreementOf(rows),
    points: someOf(pairs),
  }
}

const pairsOf = (
  db: Database,
  chosen: ChosenResults,
  wanted: Pick<RepeatChoice, 'eventId' | 'of' | 'part'>,
  withinDays: number,
): Promise<Pairs> =>
  wanted.of === 'retests' ? listRetests(db, chosen, wanted.eventId, withinDays) : listPairs(db, chosen, wanted)

const agreementOf = (rows: readonly (readonly [number, number])[]): RepeatsAnswer['agreement'] => {
  const found = limitsOfAgreement(rows)
  return found && { meanDifference: found.meanDifference, deviation: found.deviation, limits: found.limits }
}

/** Evenly taken, so that a picture of very many still looks as it would. */
const someOf = (pairs: readonly RepeatPoint[]): readonly RepeatPoint[] => {
  const step = Math.ceil(pairs.length / MOST_POINTS)
  return step <= 1 ? pairs : pairs.filter((_, at) => at % step === 0)
}

/** The smallest change of one person that is more than noise, from retests; null where too few were tested twice. */
export const smallestChangeIn = async (
  db: Database,
  chosen: ChosenResults,
  eventId: string,
): Promise<number | null> => {
  const { pairs } = await listRetests(db, chosen, eventId, WITHIN_DAYS)
  if (pairs.length < LEAST_PAIRS) return null
  return repeatabilityOf(pairs.map(({ first, second }) => [first, second]))?.smallestRealChange ?? null
}

/** Fewer pairs say too little of how far a figure wanders by itself. */
const LEAST_PAIRS = 10
