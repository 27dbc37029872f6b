/** Which results a request asks about, within reach of who asks. */
import {
  AGE_RANGES,
  factsOf,
  InsightQuery,
  parseDocument,
  unitsWithin,
  type InsightEvent,
  type InsightPeopleQuery,
  type OrgUnit,
  type Standard,
} from '@able-gauge/core'
import { invalidInput, notFound } from '../problem.ts'
import type { Call } from '../routes/route.ts'
import type { Behind } from '../store/insight/behindStore.ts'
import type { ChosenResults } from '../store/insight/chosen.ts'
import { countVersions, type CountedVersion } from '../store/insight/countStore.ts'
import { getStandard } from '../store/standardStore.ts'
import { listUnits } from '../store/unitStore.ts'

/** What is asked about, and what there is to ask about. */
export interface Asked<Query extends InsightQuery = InsightQuery> {
  readonly query: Query
  /** Null where there is no result of any standard. */
  readonly chosen: ChosenResults | null
  /** Of the version asked about, or the newest there are results of. */
  readonly standard: Standard | null
  readonly versions: readonly CountedVersion[]
  /** Units within reach of who asks. */
  readonly units: readonly OrgUnit[]
  readonly unitIds: readonly string[] | null
}

/** @throws Problem 422 for a filter that is none, 404 for a unit out of reach */
const queryIn = <Query extends object>(type: new () => Query, { request }: Pick<Call, 'request'>): Query => {
  const parsed = parseDocument(type, { ...request.query })
  if (!parsed.ok) throw invalidInput(parsed.findings)
  return parsed.value
}

export const askedIn = async <Query extends InsightQuery>(call: Call, type: new () => Query): Promise<Asked<Query>> => {
  const { server, account } = call
  const query = queryIn(type, call)
  const all = await listUnits(server.pool)
  const own = account.unitId === undefined ? null : unitsWithin(all, account.unitId)
  const units = own === null ? all : all.filter(({ id }) => own.has(id))
  if (query.unit !== undefined && !units.some(({ id }) => id === query.unit)) throw notFound('unit')
  const within = query.unit === undefined ? own : unitsWithin(all, query.unit)
  const unitIds = within === null ? null : [...within]
  const versions = await countVersions(server.pool, own === null ? null : [...own])
  const standardId = query.standard ?? mostResults(versions)
  const base = { query, versions, units, unitIds }
  if (standardId === null) return { ...base, chosen: null, standard: null }
  const version = query.version === undefined ? null : Number(query.version)
  const known = versions.filter((one) => one.standardId === standardId)
  const newest = version ?? known[0]?.version
  if (newest === undefined || (version !== null && !known.some((one) => one.version === version)))
    return { ...base, chosen: null, standard: null }
  const { standard } = await getStandard(server.pool, standardId, newest)
  const chosen: ChosenResults = {
    standardId,
    version,
    from: query.from ?? null,
    to: query.to ?? null,
    unitIds,
    category: query.category ?? null,
    ages: query.age === undefined ? null : AGE_RANGES[query.age],
    venue: query.venue ?? null,
  }
  return { ...base, chosen, standard }
}

const mostResults = (versions: readonly CountedVersion[]): string | null => {
  const counts = new Map<string, number>()
  for (const { standardId, results } of versions) counts.set(standardId, (counts.get(standardId) ?? 0) + results)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null
}

/** Which of the chosen results a request asks to see by name. */
export const behindIn = (query: InsightPeopleQuery): Behind => {
  const { outcome = null, event = null, kind = null, by = 'value', shortIn, near, when = null } = query
  const figure = (text: string | undefined): number | null => (text === undefined ? null : Number(text))
  return {
    outcome,
    eventId: event,
    kind,
    by,
    atLeast: figure(query.atLeast),
    below: figure(query.below),
    shortIn: shortIn?.split('+') ?? null,
    near: near !== undefined,
    when,
  }
}

/** Those with a figure: what is done or not done cannot come out again, nor change by an amount. */
export const measuredIn = (standard: Standard): readonly InsightEvent[] =>
  eventsOf(standard).filter(({ unit }) => unit !== 'done')

/** Events of a standard as figures are told of them. */
export const eventsOf = ({ events }: Standard): InsightEvent[] =>
  events.map(({ id, name, protocol, publishedIn }) => {
    const { unit, sense } = factsOf(protocol)
    return { eventId: id, name, unit, sense, ...(publishedIn ? { publishedIn } : {}) }
  })
