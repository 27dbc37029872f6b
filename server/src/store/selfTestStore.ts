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
  readonly variantId?: string
  /** The self-test it puts right. */
  readonly replaces?: string
}

export interface KeptSelfTest extends SelfTest {
  readonly hasPicture: boolean
}

/**
 * @param accountId who logged it; null for the person, on their own page
 * @param picture as JPEG, or null for none
 * @returns false when it puts right what is not theirs, or was put right already
 */
export const addSelfTest = async (
  db: Database,
  personId: string,
  test: SelfTest,
  accountId: string | null,
  picture: Buffer | null,
): Promise<boolean> => {
  const { rowCount } = await db.query(
    `with added as (
       insert into self_tests (id, person_id, standard_id, standard_version, event_id, test_date, figures, witness, note,
                               logged_by, variant_id, replaces)
       select $1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12
        where $12::uuid is null or exists (select 1 from self_tests s where s.id = $12 and canonical(s.person_id) = $2)
       on conflict (replaces) do nothing returning id), kept as (
       insert into self_test_pictures (self_test_id, image) select id, $13 from added where $13::bytea is not null)
     select id from added`,
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
      test.variantId ?? null,
      test.replaces ?? null,
      picture,
    ],
  )
  return rowCount === 1
}

/** The picture that was kept with somebody's self-test, or null. */
export const findSelfTestPicture = async (db: Database, personId: string, testId: string): Promise<Buffer | null> => {
  const { rows } = await db.query<{ image: Buffer }>(
    `select p.image from self_test_pictures p join self_tests s on s.id = p.self_test_id
      where s.id = $2 and canonical(s.person_id) = $1`,
    [personId, testId],
  )
  return rows[0]?.image ?? null
}

export const listSelfTests = async (db: Database, personId: string): Promise<KeptSelfTest[]> => {
  const { rows } = await db.query<{
    id: string
    standard_id: string
    standard_version: number
    event_id: string
    test_date: string
    figures: Record<string, number>
    witness: string
    note: string
    variant_id: string | null
    replaces: string | null
    has_picture: boolean
  }>(
    `select id, standard_id, standard_version, event_id, test_date, figures, witness, note, variant_id, replaces,
            exists (select 1 from self_test_pictures p where p.self_test_id = self_tests.id) as has_picture
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
    hasPicture: row.has_picture,
    ...(row.variant_id === null ? {} : { variantId: row.variant_id }),
    ...(row.replaces === null ? {} : { replaces: row.replaces }),
  }))
}
