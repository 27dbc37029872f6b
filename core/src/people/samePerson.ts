import type { PersonFacts } from '../day/entry.ts'

type Known = Pick<PersonFacts, 'givenName' | 'familyName'> & { readonly birthDate: string }

/** What two records of one person should agree in and do not, in words. Case, spaces around and width of letters do not count. */
export const differencesBetween = (one: Known, other: Known): string[] => [
  ...(sameName(one.givenName, other.givenName) && sameName(one.familyName, other.familyName) ? [] : ['name']),
  ...(one.birthDate === other.birthDate ? [] : ['date of birth']),
]

/** Whether two names are one: case, spaces around and width of letters do not count. */
export const sameName = (one: string, other: string): boolean =>
  one.normalize('NFKC').trim().toLowerCase() === other.normalize('NFKC').trim().toLowerCase()
