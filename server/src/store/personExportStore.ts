/** Everything that is kept about one person, table by table, for whoever asks what is known about them. */
import type { Database } from '../database.ts'
import { withTexts } from './textStore.ts'

type Rows = readonly Readonly<Record<string, unknown>>[]

export interface PersonExport {
  readonly entries: Rows
  readonly captures: Rows
  readonly records: Rows
  readonly screenings: Rows
}

/** Of the person and the doubles that point to them. @param withHealth whether screening answers are among it */
export const exportPerson = async (db: Database, personId: string, withHealth: boolean): Promise<PersonExport> => {
  const own = 'select e.id from entries e where canonical(e.person_id) = $1'
  const rowsOf = async (sql: string): Promise<Rows> => (await db.query<Record<string, unknown>>(sql, [personId])).rows
  const entries = await rowsOf(
    `select e.id, o.name as day, o.test_date, o.venue, e.bib, e.wave, e.category, e.attendance, e.note, e.body_mass_g, e.height_mm,
            e.gear, e.identity_checked, e.consented, e.choices, e.set_up
       from entries e join occasions o on o.id = e.occasion_id where canonical(e.person_id) = $1 order by o.test_date`,
  )
  const captures = await rowsOf(
    `select c.entry_id, c.event_id, c.kind, c.payload, c.at_ms::float8 as at_ms, a.display_name as actor
       from captures c join accounts a on a.id = c.actor_id where c.entry_id in (${own}) order by c.at_ms`,
  )
  const records = await rowsOf(
    `select r.content, r.at_ms::float8 as at_ms, a.display_name as actor
       from day_records r join accounts a on a.id = r.actor_id
      where r.content ->> 'entryId' in (select x.id::text from (${own}) x) order by r.at_ms`,
  )
  const screenings = withHealth ? await rowsOf(`select s.* from screenings s where s.entry_id in (${own})`) : []
  return {
    entries,
    captures: await withTexts(db, [...captures]),
    records: await withTexts(db, [...records]),
    screenings,
  }
}
