/** What somebody did on their own, kept apart from official results. */
import type { Database } from '../database.ts'

export interface SelfTest {
  readonly id: string
  readonly standardId: string
  readonly standardVersion: number
  readonly eventId: string
  readonly testDate: string
  /** By slot, in base units. */
  readonly figures: Readonly<Record<string, number>>
  readonly witness: string
  readonly note: string
}

/** @param accountId who logged it; null for the person, on their own page */
export const addSelfTest = async (
  db: Database,
  personId: string,
  test: SelfTest,
  accountId: string | null,
): Promise<void> => {
  await db.query(
    `insert into self_tests (id, person_id, standard_id, standard_version, event_id, test_date, figures, witness, note, logged_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [
      test.id,
      personId,
      test.standardId,
      test.standardVersion,
      test.eventId,
      test.testDate,
      JSON.stringify(test.figures),
      test.witness,
      test.note,
      accountId,
    ],
  )
}

export const listSelfTests = async (db: Database, personId: string): Promise<SelfTest[]> => {
  const { rows } = await db.query<{
    id: string
    standard_id: string
    standard_version: number
    event_id: string
    test_date: string
    figures: Record<string, number>
    witness: string
    note: string
  }>(
    `select id, standard_id, standard_version, event_id, test_date, figures, witness, note
       from self_tests
      where person_id in (select d.id from people d where d.id = $1 or d.merged_into = $1) order by test_date, logged_at`,
    [personId],
  )
  return rows.map((row) => ({
    id: row.id,
    standardId: row.standard_id,
    standardVersion: row.standard_version,
    eventId: row.event_id,
    testDate: row.test_date,
    figures: row.figures,
    witness: row.witness,
    note: row.note,
  }))
}
