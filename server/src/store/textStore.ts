/** What somebody wrote on a day, apart from the records it belongs to, so that it can be erased and they stay as signed. */
import { randomBytes } from 'node:crypto'
import { commitmentsIn, commitmentTo, joinTexts, type CommittedText } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface DayText extends CommittedText {
  /** Whom it is about, or null. */
  readonly entryId: string | null
}

/** A secret for one text. */
export const makeSalt = (): string => randomBytes(16).toString('hex')

/** A text with a secret of its own. */
export const commitTo = (text: string, entryId: string | null): DayText => {
  const salt = makeSalt()
  return { entryId, salt, text, commit: commitmentTo(text, salt) }
}

export const addTexts = async (db: Database, occasionId: string, texts: readonly DayText[]): Promise<void> => {
  if (texts.length === 0) return
  await db.query(
    `insert into day_texts (commit, occasion_id, entry_id, salt, text)
     select t.commit, $1, t."entryId", t.salt, t.text
       from jsonb_to_recordset($2) t (commit text, "entryId" uuid, salt text, text text) on conflict (commit) do nothing`,
    [occasionId, JSON.stringify(texts)],
  )
}

/** Texts that are still there, by commitment. */
export const findTexts = async (db: Database, commits: readonly string[]): Promise<Map<string, CommittedText>> => {
  if (commits.length === 0) return new Map()
  const { rows } = await db.query<{ commit: string; salt: string; text: string }>(
    'select commit, salt, text from day_texts where commit = any($1) and text is not null',
    [commits],
  )
  return new Map(rows.map((row) => [row.commit, row]))
}

/** Puts the texts back wherever a commitment stands. */
export const withTexts = async <Value>(db: Database, value: Value): Promise<Value> => {
  const commits = commitmentsIn(value)
  if (commits.length === 0) return value
  const texts = await findTexts(db, commits)
  return joinTexts(value, (commit) => texts.get(commit)?.text)
}

/** Erases everything written about some entries, and who they were, from whatever table. */
export const eraseTexts = async (db: Database, token: string, entryIds: readonly string[]): Promise<void> => {
  await db.query('select erase_texts($1, $2::uuid[])', [token, entryIds])
}
