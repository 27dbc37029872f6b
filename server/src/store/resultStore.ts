/** Results of signed days, written for reports. What is written here was judged before, and can be written anew at any time. */
import { ageGroupOf, type DayFacts, type PersonFactsOfDay } from '@able-gauge/core'
import type { Database } from '../database.ts'

/** Days that are signed and whose results are not written, or by an older program; rehearsals have none. */
export const listUnwrittenDays = async (db: Database, form: number): Promise<string[]> => {
  const { rows } = await db.query<{ occasion_id: string }>(
    `select s.occasion_id from sign_offs s
      where not exists (select 1 from result_days d where d.occasion_id = s.occasion_id and d.form >= $1)
        and not exists (select 1 from rehearsals r where r.occasion_id = s.occasion_id)
      order by s.signed_at`,
    [form],
  )
  return rows.map((row) => row.occasion_id)
}

/** What is written of a day no longer holds: it is written anew, whoever gets to it first. */
export const forgetWritten = async (db: Database, occasionId: string): Promise<void> => {
  await db.query('delete from result_days where occasion_id = $1', [occasionId])
}

/**
 * Writes the results of a day in place of what was written of it before. Whoever changed units since stays where they were.
 * Call it inside a transaction.
 */
export const writeResults = async (
  db: Database,
  occasionId: string,
  form: number,
  { people, staff }: DayFacts,
): Promise<void> => {
  const { rows: before } = await db.query<{ entry_id: string; unit_id: string | null }>(
    'select entry_id, unit_id from results where occasion_id = $1',
    [occasionId],
  )
  await db.query('delete from results where occasion_id = $1', [occasionId])
  await db.query('delete from staff_work where occasion_id = $1', [occasionId])
  await db.query(
    `insert into results (occasion_id, entry_id, person_id, standard_id, standard_version, test_date, venue, unit_id, category,
                          age_years, age_group, outcome, centipoints, class_name, short_in, near_the_cut)
     select o.id, e.id, e.person_id, o.standard_id, o.standard_version, o.test_date, o.venue,
            case when b.entry_id is null then p.unit_id else b.unit_id end, f.category, f.age_years, f.age_group, f.outcome, f.centipoints,
            f.class_name, f.short_in, f.near_the_cut
       from jsonb_to_recordset($2) f (entry_id uuid, category text, age_years integer, age_group text, outcome text, centipoints integer,
                                      class_name text, short_in text[], near_the_cut boolean)
       join entries e on e.id = f.entry_id join occasions o on o.id = e.occasion_id join people p on p.id = e.person_id
       left join jsonb_to_recordset($3) b (entry_id uuid, unit_id uuid) on b.entry_id = e.id
      where o.id = $1`,
    [occasionId, JSON.stringify(people.map(resultRow)), JSON.stringify(before)],
  )
  await db.query(
    `insert into event_results (result_id, event_id, kind, reason, value, unit, cut, margin, near_the_cut, centipoints,
                                alternate_id, variant_id, is_carried)
     select r.id, f.event_id, f.kind, f.reason, f.value, f.unit, f.cut, f.margin, f.near_the_cut, f.centipoints,
            f.alternate_id, f.variant_id, f.is_carried
       from jsonb_to_recordset($2) f (entry_id uuid, event_id text, kind text, reason text, value integer, unit text, cut integer,
                                      margin integer, near_the_cut boolean, centipoints integer, alternate_id text,
                                      variant_id text, is_carried boolean)
       join results r on r.entry_id = f.entry_id where r.occasion_id = $1`,
    [occasionId, JSON.stringify(people.flatMap(eventRows))],
  )
  await db.query(
    `insert into repeated_figures (result_id, event_id, of, part, first, second, unit, first_by, second_by, decisions)
     select r.id, f.event_id, f.of, f.part, f.first, f.second, f.unit, f.first_by, f.second_by, f.decisions
       from jsonb_to_recordset($2) f (entry_id uuid, event_id text, of text, part text, first integer, second integer, unit text,
                                      first_by uuid, second_by uuid, decisions jsonb)
       join results r on r.entry_id = f.entry_id where r.occasion_id = $1`,
    [occasionId, JSON.stringify(people.flatMap(repeatRows))],
  )
  await db.query(
    `insert into grader_work (result_id, event_id, account_id, is_second, counted, refused, reasons)
     select r.id, f.event_id, f.account_id, f.is_second, f.counted, f.refused, f.reasons
       from jsonb_to_recordset($2) f (entry_id uuid, event_id text, account_id uuid, is_second boolean, counted integer,
                                      refused integer, reasons jsonb)
       join results r on r.entry_id = f.entry_id where r.occasion_id = $1`,
    [occasionId, JSON.stringify(people.flatMap(gradedRows))],
  )
  await db.query(
    `insert into staff_work (occasion_id, account_id, captured, corrected, overruled, decided, took_over)
     select $1, f.account_id, f.captured, f.corrected, f.overruled, f.decided, f.took_over
       from jsonb_to_recordset($2) f (account_id uuid, captured integer, corrected integer, overruled integer, decided integer,
                                      took_over integer)`,
    [
      occasionId,
      JSON.stringify(
        staff.map(({ accountId, tookOver, ...counts }) => ({ account_id: accountId, took_over: tookOver, ...counts })),
      ),
    ],
  )
  await forgetWritten(db, occasionId)
  await db.query('insert into result_days (occasion_id, form) values ($1, $2)', [occasionId, form])
}

const resultRow = ({
  entryId,
  outcome,
  category,
  ageYears,
  centipoints,
  className,
  shortIn,
  events,
}: PersonFactsOfDay) => ({
  entry_id: entryId,
  category,
  age_years: ageYears,
  age_group: ageGroupOf(ageYears),
  outcome,
  centipoints,
  class_name: className,
  short_in: shortIn,
  near_the_cut: events.some(({ nearTheCut }) => nearTheCut),
})

const eventRows = ({ entryId, events }: PersonFactsOfDay) =>
  events.map(({ eventId, kind, reason, value, unit, cut, margin, centipoints, ...event }) => ({
    entry_id: entryId,
    event_id: eventId,
    kind,
    reason,
    value,
    unit,
    cut,
    margin,
    near_the_cut: event.nearTheCut,
    centipoints,
    alternate_id: event.alternateId,
    variant_id: event.variantId,
    is_carried: event.isCarried,
  }))

const repeatRows = ({ entryId, repeats }: PersonFactsOfDay) =>
  repeats.map(({ eventId, of, part, first, second, unit, firstBy, secondBy, decisions }) => ({
    entry_id: entryId,
    event_id: eventId,
    of,
    part,
    first,
    second,
    unit,
    first_by: firstBy,
    second_by: secondBy,
    decisions,
  }))

const gradedRows = ({ entryId, graded }: PersonFactsOfDay) =>
  graded.map(({ eventId, accountId, isSecond, counted, refused }) => ({
    entry_id: entryId,
    event_id: eventId,
    account_id: accountId,
    is_second: isSecond,
    counted,
    refused: Object.values(refused).reduce((sum, one) => sum + one, 0),
    reasons: refused,
  }))
