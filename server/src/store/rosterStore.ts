/** People put on a day: found among those who are known, or added, and entered once. */
import { randomUUID } from 'node:crypto'
import type { Occasion, RosterOutcome, RosterRow } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { addEntry } from './entryStore.ts'
import { addPerson } from './personStore.ts'

interface PersonOnRecord {
  readonly id: string
  readonly given_name: string
  readonly family_name: string
  readonly birth_date: string
  readonly is_within: boolean
}

/**
 * Enters people on a day, each by number, or by name and date of birth; who is new belongs to the day's unit. Call it inside a
 * transaction that holds the day open.
 * @param waveOf how many start together, for rows that name no wave
 * @param reach the unit of who enters them, null for the whole house: names of other units are not told
 * @returns what became of each row, in their order
 */
export const enterPeople = async (
  db: Database,
  { id: occasionId, unitId }: Pick<Occasion, 'id' | 'unitId'>,
  rows: readonly RosterRow[],
  { waveOf, reach }: { readonly waveOf: number; readonly reach: string | null },
): Promise<RosterOutcome[]> => {
  const { rows: entered } = await db.query<{ person_id: string; bib: number | null; wave: number }>(
    'select canonical(person_id) as person_id, bib, wave from entries where occasion_id = $1',
    [occasionId],
  )
  const people = new Set(entered.map(({ person_id }) => person_id))
  const bibs = new Set(entered.flatMap(({ bib }) => bib ?? []))
  // bibs the rows ask for are theirs before free ones are handed out
  const wanted = new Set(rows.flatMap(({ bib }) => bib ?? []))
  const inWave = new Map<number, number>()
  for (const { wave } of entered) inWave.set(wave, (inWave.get(wave) ?? 0) + 1)
  let free = 1
  const outcomes: RosterOutcome[] = []
  for (const row of rows) {
    const found = await findPerson(db, row, reach)
    if (found && !isSame(found, row)) {
      const name = `${found.given_name} ${found.family_name}`
      outcomes.push(
        found.is_within ? { kind: 'otherPerson', name, birthDate: found.birth_date } : { kind: 'otherUnit' },
      )
      continue
    }
    if (found && people.has(found.id)) {
      outcomes.push({ kind: 'already' })
      continue
    }
    if (row.bib !== null && bibs.has(row.bib)) {
      outcomes.push({ kind: 'bibTaken' })
      continue
    }
    while (bibs.has(free) || wanted.has(free)) free += 1
    const bib = row.bib ?? free
    const wave = row.wave ?? firstWaveWithRoom(inWave, waveOf)
    const personId = found?.id ?? randomUUID()
    if (!found) await addPerson(db, { id: personId, ...row, unitId })
    await addEntry(db, {
      id: randomUUID(),
      occasionId,
      personId,
      bib,
      wave,
      category: row.category,
      attendance: 'expected',
      note: '',
      bodyMassG: null,
    })
    people.add(personId)
    bibs.add(bib)
    inWave.set(wave, (inWave.get(wave) ?? 0) + 1)
    outcomes.push({ kind: 'entered', known: found !== undefined })
  }
  return outcomes
}

const firstWaveWithRoom = (inWave: ReadonlyMap<number, number>, waveOf: number): number => {
  let wave = 1
  while ((inWave.get(wave) ?? 0) >= waveOf) wave += 1
  return wave
}

/** By number first: names are written in many ways. A double leads to the person it was merged into; people a rehearsal made up are nobody. */
const findPerson = async (db: Database, row: RosterRow, reach: string | null): Promise<PersonOnRecord | undefined> => {
  const { rows } = await db.query<PersonOnRecord>(
    `select coalesce(merged_into, id) as id, given_name, family_name, birth_date,
            $5::uuid is null or unit_within(unit_id, $5) as is_within
       from people
      where not made_up and (number = $1
         or (lower(given_name) = lower($2) and lower(family_name) = lower($3) and birth_date = $4))
      order by number = $1 desc limit 1`,
    [row.number, row.givenName, row.familyName, row.birthDate, reach],
  )
  return rows[0]
}

const isSame = (person: PersonOnRecord, row: RosterRow): boolean =>
  person.birth_date === row.birthDate && person.family_name.toLowerCase() === row.familyName.toLowerCase()
