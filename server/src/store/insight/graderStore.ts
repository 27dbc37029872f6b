/** What graders counted, refused, corrected and decided. */
import type { DecisionPair } from '@able-gauge/core'
import type { Database } from '../../database.ts'
import { AS_IT_STANDS, CHOSEN, parametersOf, type ChosenResults } from './chosen.ts'

/** What a grader counted of the event as it stands: an easier form is refused at another rate, and never mixed with it. */
const COUNTED = `grader_work g join results r on r.id = g.result_id
       join event_results e on e.result_id = g.result_id and e.event_id = g.event_id and ${AS_IT_STANDS} and not g.is_second`

/** Events in which repetitions are refused. */
export const listGradedEvents = async (db: Database, chosen: ChosenResults): Promise<string[]> => {
  const { rows } = await db.query<{ event_id: string }>(
    `select g.event_id from grader_work g join results r on r.id = g.result_id where ${CHOSEN}
      group by 1 order by count(*) desc`,
    parametersOf(chosen),
  )
  return rows.map((row) => row.event_id)
}

export interface GraderSums {
  readonly accountId: string
  readonly name: string
  readonly candidates: number
  readonly attempts: number
  readonly refused: number
  readonly attemptsSquared: number
  readonly refusedSquared: number
  readonly refusedTimesAttempts: number
  readonly meanAge: number
  readonly metTheRest: number
}

/** Of the counts that stand: what each grader counted and refused, candidate by candidate. */
export const sumGraders = async (db: Database, chosen: ChosenResults, eventId: string): Promise<GraderSums[]> => {
  const { rows } = await db.query<GraderSums>(
    `select g.account_id as "accountId", a.display_name as name, count(*)::integer as candidates,
            sum(g.counted + g.refused)::float8 as attempts, sum(g.refused)::float8 as refused,
            sum((g.counted + g.refused)::float8 ^ 2) as "attemptsSquared", sum(g.refused::float8 ^ 2) as "refusedSquared",
            sum(g.refused::float8 * (g.counted + g.refused)) as "refusedTimesAttempts", avg(r.age_years)::float8 as "meanAge",
            count(*) filter (where cardinality(array_remove(r.short_in, $10)) = 0)::integer as "metTheRest"
       from ${COUNTED} join accounts a on a.id = g.account_id
      where ${CHOSEN} and g.event_id = $10
      group by 1, 2 order by 2`,
    [...parametersOf(chosen), eventId],
  )
  return rows
}

export interface GraderCount {
  readonly accountId: string
  readonly id: string
  readonly times: number
}

/** How often each grader gave each reason. */
export const countReasons = async (db: Database, chosen: ChosenResults, eventId: string): Promise<GraderCount[]> => {
  const { rows } = await db.query<GraderCount>(
    `select g.account_id as "accountId", x.key as id, sum(x.value::integer)::integer as times
       from ${COUNTED}, jsonb_each_text(g.reasons) x
      where ${CHOSEN} and g.event_id = $10 group by 1, 2 order by 3 desc`,
    [...parametersOf(chosen), eventId],
  )
  return rows
}

/** How many candidates of each category each grader had. */
export const countMix = async (db: Database, chosen: ChosenResults, eventId: string): Promise<GraderCount[]> => {
  const { rows } = await db.query<GraderCount>(
    `select g.account_id as "accountId", r.category as id, count(*)::integer as times
       from ${COUNTED}
      where ${CHOSEN} and g.event_id = $10 group by 1, 2 order by 2`,
    [...parametersOf(chosen), eventId],
  )
  return rows
}

export interface SecondCount {
  readonly firstBy: string
  readonly secondBy: string
  readonly first: number
  readonly second: number
  readonly decisions: readonly DecisionPair[]
}

/** Candidates whom two people counted. */
export const listSecondCounts = async (
  db: Database,
  chosen: ChosenResults,
  eventId: string,
): Promise<SecondCount[]> => {
  const { rows } = await db.query<SecondCount>(
    `select f.first_by as "firstBy", f.second_by as "secondBy", f.first, f.second, f.decisions
       from repeated_figures f join results r on r.id = f.result_id
      where ${CHOSEN} and f.event_id = $10 and f.of = 'count' and f.first_by is not null and f.second_by is not null`,
    [...parametersOf(chosen), eventId],
  )
  return rows
}

export interface WatchSums {
  readonly accountId: string
  readonly name: string
  readonly finishes: number
  readonly meanMs: number
  readonly deviationMs: number
}

/** Of finishes that two watches stamped: how each person's differed from the other. */
export const sumWatches = async (db: Database, chosen: ChosenResults): Promise<WatchSums[]> => {
  const { rows } = await db.query<WatchSums>(
    `select x.by as "accountId", a.display_name as name, count(*)::integer as finishes, avg(x.apart)::float8 as "meanMs",
            coalesce(stddev_samp(x.apart), 0)::float8 as "deviationMs"
       from (select f.first_by as by, f.first - f.second as apart
               from repeated_figures f join results r on r.id = f.result_id where ${CHOSEN} and f.of = 'watch'
              union all
             select f.second_by, f.second - f.first
               from repeated_figures f join results r on r.id = f.result_id where ${CHOSEN} and f.of = 'watch') x
       join accounts a on a.id = x.by group by 1, 2 order by 2`,
    parametersOf(chosen),
  )
  return rows
}

export interface StaffSums {
  readonly accountId: string
  readonly name: string
  readonly captured: number
  readonly corrected: number
  readonly overruled: number
  readonly decided: number
  readonly tookOver: number
}

/** What everybody did on the days that somebody chosen was tested on. */
export const sumStaffWork = async (db: Database, chosen: ChosenResults): Promise<StaffSums[]> => {
  const { rows } = await db.query<StaffSums>(
    `select w.account_id as "accountId", a.display_name as name, sum(w.captured)::integer as captured,
            sum(w.corrected)::integer as corrected, sum(w.overruled)::integer as overruled, sum(w.decided)::integer as decided,
            sum(w.took_over)::integer as "tookOver"
       from staff_work w join accounts a on a.id = w.account_id
      where w.occasion_id in (select r.occasion_id from results r where ${CHOSEN}) group by 1, 2 order by 2`,
    parametersOf(chosen),
  )
  return rows
}
