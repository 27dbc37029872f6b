/** Answers to the screening questions. They are read by few, are no part of an archive, and can be erased. */
import type { ScreeningAnswer } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface Screening {
  readonly entryId: string
  readonly answers: readonly ScreeningAnswer[]
  readonly atMs: number
}

export const writeScreening = async (
  db: Database,
  entryId: string,
  answers: readonly ScreeningAnswer[],
  actorId: string,
  atMs: number,
): Promise<void> => {
  await db.query(
    `insert into screenings (entry_id, answers, actor_id, at_ms) values ($1, $2, $3, $4)
     on conflict (entry_id) do update set answers = $2, actor_id = $3, at_ms = $4`,
    [entryId, JSON.stringify(answers), actorId, atMs],
  )
}

export const listScreenings = async (db: Database, occasionId: string): Promise<Screening[]> => {
  const { rows } = await db.query<{ entry_id: string; answers: ScreeningAnswer[]; at_ms: string }>(
    `select s.entry_id, s.answers, s.at_ms from screenings s join entries e on e.id = s.entry_id where e.occasion_id = $1`,
    [occasionId],
  )
  return rows.map((row) => ({ entryId: row.entry_id, answers: row.answers, atMs: Number(row.at_ms) }))
}

/** Whether the questions were put to somebody, without the answers. */
export const listScreened = async (db: Database, occasionId: string): Promise<Set<string>> => {
  const { rows } = await db.query<{ entry_id: string }>(
    'select s.entry_id from screenings s join entries e on e.id = s.entry_id where e.occasion_id = $1',
    [occasionId],
  )
  return new Set(rows.map(({ entry_id }) => entry_id))
}
