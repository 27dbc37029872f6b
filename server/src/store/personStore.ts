import type { PersonFacts } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface NewPerson extends Pick<PersonFacts, 'number' | 'givenName' | 'familyName'> {
  readonly id: string
  /** YYYY-MM-DD */
  readonly birthDate: string
  readonly category?: string
  readonly rank?: string
  readonly email?: string
  /** Somebody a rehearsal made up. */
  readonly madeUp?: boolean
  readonly unitId?: string | undefined
}

export const addPerson = async (db: Database, person: NewPerson): Promise<void> => {
  await db.query(
    `insert into people (id, number, given_name, family_name, birth_date, made_up, unit_id, category, rank, email)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [
      person.id,
      person.number,
      person.givenName,
      person.familyName,
      person.birthDate,
      person.madeUp ?? false,
      person.unitId,
      person.category?.trim() ?? '',
      person.rank?.trim() ?? '',
      person.email?.trim() ?? '',
    ],
  )
}

/** Ids of those that are on record. */
export const findPeopleByIds = async (db: Database, ids: readonly string[]): Promise<Set<string>> => {
  const { rows } = await db.query<{ id: string }>('select id from people where id = any($1::uuid[])', [ids])
  return new Set(rows.map(({ id }) => id))
}

/** Whose a number is: person ids by number. */
export const findOwnersOfNumbers = async (db: Database, numbers: readonly string[]): Promise<Map<string, string>> => {
  const { rows } = await db.query<{ id: string; number: string }>(
    'select id, number from people where number = any($1)',
    [numbers],
  )
  return new Map(rows.map(({ id, number }) => [number, id]))
}
