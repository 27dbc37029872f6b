/** Days beyond their own course: copied, put under another standard, cancelled; rehearsals thrown away. */
import { NO_CHOICES, type Occasion } from '@able-gauge/core'
import type { Database } from '../database.ts'

/** Cancels a day, in the name of whose session it is; the database refuses one on which something was captured. */
export const cancelDay = async (db: Database, token: string, occasionId: string, reason: string): Promise<void> => {
  await db.query('select cancel_day($1, $2, $3)', [token, occasionId, reason])
}

/** @returns whether the day was cancelled */
export const takeCancellationBack = async (db: Database, token: string, occasionId: string): Promise<boolean> => {
  const { rows } = await db.query<{ done: boolean }>('select take_cancellation_back($1, $2) as done', [
    token,
    occasionId,
  ])
  return rows[0]?.done === true
}

export const isCancelled = async (db: Database, occasionId: string): Promise<boolean> => {
  const { rowCount } = await db.query('select 1 from cancellations where occasion_id = $1', [occasionId])
  return rowCount === 1
}

/** Removes all there is of a rehearsal. @returns false for a day that is none */
export const throwRehearsalAway = async (db: Database, token: string, occasionId: string): Promise<boolean> => {
  const { rows } = await db.query<{ done: boolean }>('select throw_rehearsal_away($1, $2) as done', [token, occasionId])
  return rows[0]?.done === true
}

/** Puts a day under another standard; what was chosen for people belongs to the one before, and goes. */
export const setStandard = async (
  db: Database,
  { id, standardId, standardVersion }: Pick<Occasion, 'id' | 'standardId' | 'standardVersion'>,
): Promise<void> => {
  await db.query('update occasions set standard_id = $2, standard_version = $3 where id = $1', [
    id,
    standardId,
    standardVersion,
  ])
  await db.query(
    `update entries set choices = $2, revision = revision + 1 where occasion_id = $1 and choices <> $2::jsonb`,
    [id, JSON.stringify(NO_CHOICES)],
  )
}

/** The staff of one day on another: those who can still sign in, with their duties. */
export const copyStaff = async (db: Database, from: string, to: string): Promise<void> => {
  await db.query(
    `insert into occasion_staff (occasion_id, account_id, duty)
     select $2, f.account_id, f.duty from occasion_staff f join accounts a on a.id = f.account_id
      where f.occasion_id = $1 and a.can_sign_in and a.station_day is null on conflict do nothing`,
    [from, to],
  )
}

/** The people of one day on another, expected, with their bibs, waves and categories. */
export const copyEntries = async (db: Database, from: string, to: string): Promise<void> => {
  await db.query(
    `insert into entries (id, occasion_id, person_id, bib, wave, category)
     select distinct on (canonical(e.person_id)) gen_random_uuid(), $2, canonical(e.person_id), e.bib, e.wave, e.category
       from entries e join people p on p.id = e.person_id
      where e.occasion_id = $1 and p.erased_at is null and not p.made_up order by canonical(e.person_id), e.bib`,
    [from, to],
  )
}

/** Scoring categories of those entered on a day. */
export const listCategories = async (db: Database, occasionId: string): Promise<string[]> => {
  const { rows } = await db.query<{ category: string }>(
    'select distinct category from entries where occasion_id = $1 order by category',
    [occasionId],
  )
  return rows.map(({ category }) => category)
}
