import type { PersonRow } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface NewPerson extends Omit<PersonRow, 'category'> {
  readonly id: string
}

export const addPerson = async (db: Database, person: NewPerson): Promise<void> => {
  await db.query('insert into people (id, number, given_name, family_name, birth_date) values ($1, $2, $3, $4, $5)', [
    person.id,
    person.number,
    person.givenName,
    person.familyName,
    person.birthDate,
  ])
}
