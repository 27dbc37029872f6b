/** Rows of a file held against the register: who is new, who is known, and where the two say something else. */
import { sameName } from './samePerson.ts'

/** Somebody as a file says; what it leaves out is empty. */
export interface RegisterRow {
  readonly number: string
  readonly givenName: string
  readonly familyName: string
  /** YYYY-MM-DD */
  readonly birthDate: string
  /** As the organisation writes it; standards name theirs by id. */
  readonly category: string
  /** Id of a unit. */
  readonly unitId: string
  readonly rank: string
  readonly email: string
}

/** Somebody on record, with what is kept about them; what is not known is empty. */
export interface RegisteredPerson extends RegisterRow {
  readonly id: string
  /** Whether they belong to the unit of who asks, or to one below. */
  readonly isWithin: boolean
}

const REGISTERED_FIELDS = [
  'number',
  'givenName',
  'familyName',
  'birthDate',
  'category',
  'unitId',
  'rank',
  'email',
] as const
export type RegisteredField = (typeof REGISTERED_FIELDS)[number]

export type RegisterMatch =
  /** Nobody on record. */
  | { readonly kind: 'new' }
  /** On record, just as the file says. */
  | { readonly kind: 'same'; readonly personId: string }
  /** The number is on record, and the file says something else about them. */
  | { readonly kind: 'differs'; readonly person: RegisteredPerson; readonly fields: readonly RegisteredField[] }
  /** Name and date of birth are on record under another number: the same person, or somebody else. */
  | { readonly kind: 'otherNumber'; readonly person: RegisteredPerson; readonly fields: readonly RegisteredField[] }
  /** The number belongs to somebody of a unit that is not seen from here. */
  | { readonly kind: 'otherUnit' }

const key = (person: Pick<RegisterRow, 'givenName' | 'familyName' | 'birthDate'>): string =>
  `${person.birthDate} ${person.familyName.normalize('NFKC').trim().toLowerCase()}`

/** What each row is, in their order. */
export const matchRegister = (rows: readonly RegisterRow[], known: readonly RegisteredPerson[]): RegisterMatch[] => {
  const byNumber = new Map(known.map((person) => [person.number, person]))
  const byName = new Map(known.map((person) => [key(person), [] as RegisteredPerson[]]))
  for (const person of known) byName.get(key(person))?.push(person)
  return rows.map((row): RegisterMatch => {
    const numbered = byNumber.get(row.number)
    if (numbered) return numbered.isWithin ? numberedMatch(row, numbered) : { kind: 'otherUnit' }
    const named = byName
      .get(key(row))
      ?.find(({ givenName, isWithin }) => isWithin && sameName(givenName, row.givenName))
    return named ? { kind: 'otherNumber', person: named, fields: differingFields(row, named) } : { kind: 'new' }
  })
}

const numberedMatch = (row: RegisterRow, person: RegisteredPerson): RegisterMatch => {
  const fields = differingFields(row, person)
  return fields.length === 0 ? { kind: 'same', personId: person.id } : { kind: 'differs', person, fields }
}

/** What a file says otherwise; what it leaves empty it says nothing about. */
export const differingFields = (row: RegisterRow, person: RegisterRow): RegisteredField[] =>
  REGISTERED_FIELDS.filter((field) => row[field] !== '' && row[field] !== person[field])
