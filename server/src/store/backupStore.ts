/** For the owner's role alone: what a backup says of itself, and what a restored house has to be told. */
import type { Database } from '../database.ts'
import { erasePerson } from './peopleStore.ts'
import { closeSetUpSessions, openSetUpSession, tokenOf } from './setUpStore.ts'

/** Somebody whose data was taken away, and by whom. */
export interface Erasure {
  readonly personId: string
  readonly reason: string
  readonly accountId: string
}

export const countKept = async (db: Database): Promise<{ days: number; people: number; captures: number }> => {
  const { rows } = await db.query<{ days: number; people: number; captures: number }>(
    `select (select count(*)::integer from occasions) as days,
            (select count(*)::integer from people where merged_into is null and not made_up) as people,
            (select count(*)::integer from captures) as captures`,
  )
  return rows[0] ?? { days: 0, people: 0, captures: 0 }
}

export const listErasures = async (db: Database): Promise<Erasure[]> => {
  const { rows } = await db.query<{ person_id: string; reason: string; account_id: string }>(
    `select person_id, reason, account_id from people_changes where what = 'erased'`,
  )
  return rows.map((row) => ({ personId: row.person_id, reason: row.reason, accountId: row.account_id }))
}

/** Erases again whom a backup from before their erasure brought back. @returns how many that were */
export const eraseAgain = async (db: Database, erasures: readonly Erasure[]): Promise<number> => {
  const { rows } = await db.query<{ id: string }>(
    'select id from people where id = any($1::uuid[]) and erased_at is null',
    [erasures.map(({ personId }) => personId)],
  )
  const back = new Set(rows.map(({ id }) => id))
  const again = erasures.filter(({ personId }) => back.has(personId))
  for (const { personId, reason, accountId } of again) {
    // an account made since the backup is not in it; the right was checked when it was done the first time
    const { rows: known } = await db.query<{ id: string }>(
      `select id from accounts where role = 'officer' order by id = $1 desc limit 1`,
      [accountId],
    )
    const actor = known[0]?.id
    if (actor === undefined)
      throw new Error('The restored house has no officer in whose name people could be erased again.')
    await openSetUpSession(db, actor)
    await erasePerson(db, tokenOf(actor), personId, reason, actor)
  }
  await closeSetUpSessions(db)
  return again.length
}

/** Who was signed in when the backup was made is not; links and codes of then open nothing now. */
export const signEverybodyOut = async (db: Database): Promise<void> => {
  await db.query('delete from sessions')
  await db.query('delete from account_links where used_at is null')
  await db.query('update station_codes set ended_at = now() where ended_at is null')
}

const SERVER_ACCOUNT = '00000000-0000-8000-8000-000000000001'

/** What this house signed with its earlier key stays proven. */
export const believeFormerKey = async (db: Database, publicKey: string): Promise<void> => {
  await db.query(
    'insert into trusted_keys (public_key, name, added_by) values ($1, $2, $3) on conflict (public_key) do nothing',
    [publicKey, 'This house, before it was restored', SERVER_ACCOUNT],
  )
}
