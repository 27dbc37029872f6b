/** Sets that graders practised on. */
import type { DrillBody, DrillLevel, DrillMark, DrillResult, Practised } from '@able-gauge/core'
import type { DrillWorth } from '@able-gauge/core/drill'
import type { Database } from '../database.ts'

type KeptDrill = Omit<DrillBody, 'id'> & { readonly id: string }

/** Keeps a set; one that is sent twice is kept once. */
export const addDrill = async (db: Database, accountId: string, drill: DrillBody, worth: DrillWorth): Promise<void> => {
  await db.query(
    `insert into drills (id, account_id, standard_id, version, event_id, what, level, seed, lanes, more, done_at, answers, ends, worth)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, to_timestamp($11::float8 / 1000), $12, $13, $14) on conflict (id) do nothing`,
    [
      drill.id,
      accountId,
      drill.standardId,
      drill.version,
      drill.eventId,
      drill.what,
      drill.level,
      drill.seed,
      drill.lanes,
      drill.more ?? null,
      drill.doneAtMs,
      JSON.stringify(drill.answers),
      JSON.stringify(drill.ends),
      JSON.stringify(worth),
    ],
  )
}

interface DrillRow {
  readonly id: string
  readonly account_id: string
  readonly name: string
  readonly standard_id: string
  readonly version: number
  readonly event_id: string
  readonly what: Practised
  readonly level: DrillLevel
  readonly seed: number
  readonly lanes: number
  readonly more: string | null
  readonly done_at: Date
  readonly answers: DrillBody['answers']
  readonly ends: DrillBody['ends']
  readonly worth: DrillWorth
}

const setOf = (row: Omit<DrillRow, 'answers' | 'ends'>) => ({
  id: row.id,
  standardId: row.standard_id,
  version: row.version,
  eventId: row.event_id,
  what: row.what,
  level: row.level,
  seed: row.seed,
  lanes: row.lanes,
  ...(row.more === null ? {} : { more: row.more }),
  doneAtMs: row.done_at.getTime(),
})

const MOST_LISTED = 1_000

/** Somebody's sets, newest first. */
export const listDrills = async (db: Database, accountId: string): Promise<DrillResult[]> => {
  const { rows } = await db.query<DrillRow>(
    `select id, standard_id, version, event_id, what, level, seed, lanes, more, done_at, worth
       from drills where account_id = $1 order by done_at desc, id limit ${MOST_LISTED}`,
    [accountId],
  )
  return rows.map((row) => ({ ...setOf(row), ...row.worth }))
}

export interface DrillOf {
  readonly accountId: string
  readonly name: string
  readonly drill: KeptDrill
  readonly worth: DrillWorth
}

/** One set, and the latest of everybody else on the same one. @returns null for a set that is not the account's */
export const findDrillBeside = async (
  db: Database,
  accountId: string,
  id: string,
): Promise<{ readonly own: DrillOf; readonly others: readonly DrillOf[] } | null> => {
  const { rows } = await db.query<DrillRow>(
    `select distinct on (d.account_id) d.*, a.display_name as name
       from drills d join accounts a on a.id = d.account_id
       join drills o on o.id = $2 and o.account_id = $1 and (d.id = o.id or d.account_id <> o.account_id)
        and d.standard_id = o.standard_id and d.version = o.version and d.event_id = o.event_id and d.what = o.what
        and d.level = o.level and d.seed = o.seed and d.lanes = o.lanes and d.more is not distinct from o.more
      order by d.account_id, d.done_at desc`,
    [accountId, id],
  )
  const all = rows.map((row): DrillOf => ({
    accountId: row.account_id,
    name: row.name,
    drill: { ...setOf(row), answers: row.answers, ends: row.ends },
    worth: row.worth,
  }))
  const own = all.find((one) => one.accountId === accountId)
  return own ? { own, others: all.filter((one) => one !== own) } : null
}

/** The latest of everybody in everything, by level. @param unitIds of accounts; null for everybody */
export const listLatestMarks = async (db: Database, unitIds: readonly string[] | null): Promise<DrillMark[]> => {
  const { rows } = await db.query<Pick<DrillRow, 'account_id' | 'name' | 'what' | 'level' | 'worth' | 'done_at'>>(
    `select distinct on (d.account_id, d.what, d.level) d.account_id, a.display_name as name, d.what, d.level, d.worth, d.done_at
       from drills d join accounts a on a.id = d.account_id
      where ($1::uuid[] is null or a.unit_id is null or a.unit_id = any ($1))
      order by d.account_id, d.what, d.level, d.done_at desc`,
    [unitIds],
  )
  return rows.map((row) => ({
    accountId: row.account_id,
    name: row.name,
    what: row.what,
    level: row.level,
    mark: row.worth.mark,
    doneAtMs: row.done_at.getTime(),
  }))
}
