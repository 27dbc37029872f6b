import type { PersonRow } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface NewPerson extends Omit<PersonRow, 'category'> {
  readonly id: string
  /** Somebody a rehearsal made up. */
  readonly madeUp?: boolean
}

export const addPerson = async (db: Database, person: NewPerson): Promise<void> => {
  await db.query(
    'insert into people (id, number, given_name, family_name, birth_date, made_up) values ($1, $2, $3, $4, $5, $6)',
    [person.id, person.number, person.givenName, person.familyName, person.birthDate, person.madeUp ?? false],
  )
}
