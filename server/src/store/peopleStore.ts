/** People across days: search, their tests, doubles merged, data erased. */
import { randomUUID } from 'node:crypto'
import {
  readStoredVerdict,
  type ArchivedVerdict,
  type EntryChoices,
  type Person,
  type PersonChange,
  type PersonSummary,
  type RegisteredField,
  type RegisteredPerson,
  type RegisterRow,
  type StoredVerdict,
  type Verdict,
} from '@able-gauge/core'
import type { Database } from '../database.ts'
import { eraseTexts, withTexts } from './textStore.ts'

const COLUMNS =
  'p.id, p.number, p.given_name, p.family_name, p.birth_date, p.erased_at, p.unit_id, p.category, p.rank, p.email'

interface PersonRecord {
  id: string
  number: string
  given_name: string
  family_name: string
  birth_date: string
  erased_at: Date | null
  unit_id: string | null
  category: string
  rank: string
  email: string
}

export interface PeopleSearch {
  /** Part of the name or the number; empty for everybody. */
  readonly search: string
  readonly most: number
  /** The unit whose people are looked through, with those below it; null for the whole house. */
  readonly reach: string | null
}

export const searchPeople = async (db: Database, { search, most, reach }: PeopleSearch): Promise<PersonSummary[]> => {
  const { rows } = await db.query<PersonRecord & { tests: number; last_test: string | null }>(
    `with found as (
       select p.* from people p
        where not p.made_up and p.merged_into is null and ($3::uuid is null or unit_within(p.unit_id, $3))
          and ($1 = '' or p.number ilike '%' || $1 || '%' or p.given_name || ' ' || p.family_name ilike '%' || $1 || '%')
        order by p.family_name, p.given_name limit $2
     )
     select ${COLUMNS}, t.tests, t.last_test
       from found p cross join lateral (
         select count(distinct o.id)::integer as tests, max(o.test_date) as last_test
           from entries e join occasions o on o.id = e.occasion_id join sign_offs s on s.occasion_id = o.id
          where e.person_id in (select p.id union all select d.id from people d where d.merged_into = p.id)
       ) t order by p.family_name, p.given_name`,
    [search.replaceAll(/[%_\\]/g, String.raw`\$&`), most, reach],
  )
  return rows.map((row) => ({ ...personFromRow(row), tests: row.tests, lastTest: row.last_test }))
}

/** A person and the doubles that point to them; the results of each stay where they were signed. */
const OWN_AND_DOUBLES = 'select d.id from people d where d.id = $1 or d.merged_into = $1'

/** @param reach the unit of who asks; null for the whole house */
export const findPerson = async (db: Database, id: string, reach: string | null): Promise<Person | null> => {
  const { rows } = await db.query<PersonRecord>(
    `select ${COLUMNS} from people p where p.id = $1 and not p.made_up and p.merged_into is null
        and ($2::uuid is null or unit_within(p.unit_id, $2))`,
    [id, reach],
  )
  return rows[0] ? personFromRow(rows[0]) : null
}

export interface TestOfPerson {
  readonly occasionId: string
  readonly name: string
  readonly testDate: string
  readonly standardId: string
  readonly standardVersion: number
  readonly standardName: string
  readonly entryId: string
  readonly choices: EntryChoices
  readonly setUp: Readonly<Record<string, string>>
  readonly conditions: { readonly airDeciC: number; readonly humidityPercent: number; readonly windKmh?: number } | null
  /** Null while the day is not signed off. */
  readonly signed: { readonly candidate: ArchivedVerdict['inputs']['candidate']; readonly verdict: Verdict } | null
}

/** Everything a person was entered for, oldest first. Rehearsals are not tests. */
export const listTestsOf = async (db: Database, personId: string): Promise<TestOfPerson[]> => {
  const { rows } = await db.query<{
    occasion_id: string
    name: string
    test_date: string
    standard_id: string
    standard_version: number
    standard_name: string
    entry_id: string
    choices: EntryChoices
    set_up: Record<string, string>
    conditions: TestOfPerson['conditions']
    inputs: ArchivedVerdict['inputs'] | null
    verdict: StoredVerdict | null
  }>(
    `select o.id as occasion_id, o.name, o.test_date, o.standard_id, o.standard_version,
            st.content ->> 'name' as standard_name, e.id as entry_id, e.choices, e.set_up, v.inputs, v.verdict,
            (select jsonb_strip_nulls(jsonb_build_object('airDeciC', c.content -> 'airDeciC', 'windKmh', c.content -> 'windKmh',
                                                         'humidityPercent', c.content -> 'humidityPercent'))
               from day_records c where c.occasion_id = o.id and c.content ->> 'kind' = 'conditions'
              order by c.seq limit 1) as conditions
       from entries e join occasions o on o.id = e.occasion_id
       join standards st on st.id = o.standard_id and st.version = o.standard_version
       left join verdict_snapshots v on v.occasion_id = o.id and v.entry_id = e.id
      where e.person_id in (${OWN_AND_DOUBLES}) and not exists (select 1 from rehearsals r where r.occasion_id = o.id)
      order by o.test_date, o.id`,
    [personId],
  )
  return (await withTexts(db, rows)).map((row) => ({
    occasionId: row.occasion_id,
    name: row.name,
    testDate: row.test_date,
    standardId: row.standard_id,
    standardVersion: row.standard_version,
    standardName: row.standard_name,
    entryId: row.entry_id,
    choices: row.choices,
    setUp: row.set_up,
    conditions: row.conditions,
    signed:
      row.inputs && row.verdict
        ? { candidate: row.inputs.candidate, verdict: readStoredVerdict(row.verdict, () => undefined) }
        : null,
  }))
}

export type Merge =
  | { readonly kind: 'merged'; readonly entries: number }
  /** Both are entered on the same day, so they are two people or one of the entries is wrong. */
  | { readonly kind: 'sameDay'; readonly day: string }

/**
 * Lets a double point to the person it is a double of. Nothing is moved: results stay as they were signed, and the pointer
 * can be taken back. Call it inside a transaction.
 */
export const mergePeople = async (
  db: Database,
  doubleId: string,
  intoId: string,
  reason: string,
  accountId: string,
): Promise<Merge> => {
  const { rows } = await db.query<{ name: string }>(
    `select o.name from entries a join entries b on b.occasion_id = a.occasion_id
       join occasions o on o.id = a.occasion_id
      where a.person_id in (${OWN_AND_DOUBLES}) and b.person_id in (select d.id from people d where d.id = $2 or d.merged_into = $2)
      limit 1`,
    [doubleId, intoId],
  )
  if (rows[0]) return { kind: 'sameDay', day: rows[0].name }
  const { rows: counted } = await db.query<{ entries: number }>(
    `select count(*)::integer as entries from entries e where e.person_id in (${OWN_AND_DOUBLES})`,
    [doubleId],
  )
  // doubles that point to the double point on
  const { rows: followed } = await db.query<{ id: string }>(
    'update people set merged_into = $2 where merged_into = $1 returning id',
    [doubleId, intoId],
  )
  await db.query('update people set merged_into = $2 where id = $1', [doubleId, intoId])
  const entries = counted[0]?.entries ?? 0
  const detail = { into: intoId, entries, followed: followed.map(({ id }) => id) }
  await addChange(db, doubleId, 'merged', detail, reason, accountId)
  return { kind: 'merged', entries }
}

/** Takes a merge back, with the doubles that came along. @returns false when the person was not merged */
export const unmergePerson = async (
  db: Database,
  id: string,
  { reason, accountId, reach }: { readonly reason: string; readonly accountId: string; readonly reach: string | null },
): Promise<boolean> => {
  const { rowCount } = await db.query(
    `update people set merged_into = null where id = $1 and merged_into is not null
        and ($2::uuid is null or unit_within(unit_id, $2))`,
    [id, reach],
  )
  if (rowCount !== 1) return false
  const { rows } = await db.query<{ detail: { followed?: string[] } }>(
    `select detail from people_changes where person_id = $1 and what = 'merged' order by at desc limit 1`,
    [id],
  )
  await db.query('update people set merged_into = $1 where id = any($2::uuid[])', [id, rows[0]?.detail.followed ?? []])
  await addChange(db, id, 'unmerged', {}, reason, accountId)
  return true
}

/** Puts right what was written down wrongly about somebody; what is undefined stays. @returns false when the number is taken */
export const correctPerson = async (
  db: Database,
  id: string,
  change: { readonly [Field in Exclude<RegisteredField, 'unitId'>]?: string | undefined } & {
    /** Null for no unit. */
    readonly unitId?: string | null | undefined
  },
  reason: string,
  accountId: string,
): Promise<boolean> => {
  const { rowCount } = await db.query('select 1 from people where number = $1 and id <> $2', [change.number ?? '', id])
  if (rowCount !== 0) return false
  await db.query(
    `update people set number = coalesce($2, number), given_name = coalesce($3, given_name),
            family_name = coalesce($4, family_name), birth_date = coalesce($5, birth_date), category = coalesce($6, category),
            rank = coalesce($7, rank), email = coalesce($8, email), unit_id = case when $9 then $10 else unit_id end
      where id = $1`,
    [
      id,
      change.number,
      change.givenName,
      change.familyName,
      change.birthDate,
      change.category?.trim(),
      change.rank?.trim(),
      change.email?.trim(),
      change.unitId !== undefined,
      change.unitId,
    ],
  )
  // which fields, and not what stood in them: the reason says why
  const fields = Object.entries(change).flatMap(([field, value]) => (value === undefined ? [] : [field]))
  await addChange(db, id, 'corrected', { fields }, reason, accountId)
  return true
}

/**
 * Everybody on record whom rows of a file may mean: by number, or by name and date of birth. A double stands for whom it was
 * merged into, under its own number.
 * @param reach the unit of who asks; null for the whole house
 */
export const findRegistered = async (
  db: Database,
  rows: readonly RegisterRow[],
  reach: string | null,
): Promise<RegisteredPerson[]> => {
  const { rows: found } = await db.query<RegisteredRow>(
    `select ${COLUMNS}, d.number as own_number, $4::uuid is null or coalesce(unit_within(p.unit_id, $4), false) as is_within
       from people d join people p on p.id = coalesce(d.merged_into, d.id)
      where not d.made_up and (d.number = any($1)
         or (lower(d.family_name), d.birth_date) in (select lower(n), b from unnest($2::text[], $3::date[]) as row (n, b)))`,
    [
      rows.map(({ number }) => number),
      rows.map(({ familyName }) => familyName),
      rows.map(({ birthDate }) => birthDate),
      reach,
    ],
  )
  return found.map(registeredFromRow)
}

/** People by a number of theirs, also of a double that was merged into them; those of other units are nobody. */
export const findByNumbers = async (
  db: Database,
  numbers: readonly string[],
  reach: string | null,
): Promise<Map<string, RegisteredPerson>> => {
  const { rows } = await db.query<RegisteredRow>(
    `select ${COLUMNS}, d.number as own_number, true as is_within
       from people d join people p on p.id = coalesce(d.merged_into, d.id)
      where d.number = any($1) and not d.made_up and ($2::uuid is null or unit_within(p.unit_id, $2))`,
    [numbers, reach],
  )
  return new Map(rows.map((row) => [row.own_number, registeredFromRow(row)]))
}

type RegisteredRow = PersonRecord & { own_number: string; is_within: boolean }

const registeredFromRow = (row: RegisteredRow): RegisteredPerson => ({
  id: row.id,
  number: row.own_number,
  givenName: row.given_name,
  familyName: row.family_name,
  birthDate: row.birth_date,
  category: row.category,
  unitId: row.unit_id ?? '',
  rank: row.rank,
  email: row.email,
  isWithin: row.is_within,
})

/** Nobody else adds or changes people until the transaction ends. */
export const lockPeople = async (db: Database): Promise<void> => {
  await db.query('lock table people in share row exclusive mode')
}

/** The last test date of a person, YYYY-MM-DD, or null. */
export const lastTestOf = async (db: Database, personId: string): Promise<string | null> => {
  const { rows } = await db.query<{ last_test: string | null }>(
    `select max(o.test_date) as last_test from entries e join occasions o on o.id = e.occasion_id where e.person_id in (${OWN_AND_DOUBLES})`,
    [personId],
  )
  return rows[0]?.last_test ?? null
}

/** Days of a person that are not signed off. */
export const openDaysOf = async (db: Database, personId: string): Promise<string[]> => {
  const { rows } = await db.query<{ name: string }>(
    `select o.name from entries e join occasions o on o.id = e.occasion_id
      where e.person_id in (${OWN_AND_DOUBLES}) and not exists (select 1 from sign_offs s where s.occasion_id = o.id)`,
    [personId],
  )
  return rows.map(({ name }) => name)
}

/**
 * Takes away whatever says who somebody is, of the person and of the doubles that point to them: names, notes, answers, reasons
 * and what they said, in every table. Results stay, with the age and category they were judged by, and as they were signed.
 */
export const erasePerson = async (
  db: Database,
  token: string,
  id: string,
  reason: string,
  accountId: string,
): Promise<void> => {
  const { rows: entries } = await db.query<{ id: string }>(
    `select e.id from entries e where e.person_id in (${OWN_AND_DOUBLES})`,
    [id],
  )
  const entryIds = entries.map((entry) => entry.id)
  await eraseTexts(db, token, entryIds)
  await db.query(`update entries set note = '', gear = '', choices = choices - 'reason' where id = any($1::uuid[])`, [
    entryIds,
  ])
  await db.query('delete from screenings where entry_id = any($1::uuid[])', [entryIds])
  await db.query(`delete from own_pages where person_id in (${OWN_AND_DOUBLES})`, [id])
  await db.query(`delete from own_goals where person_id in (${OWN_AND_DOUBLES})`, [id])
  await db.query(`delete from self_tests where person_id in (${OWN_AND_DOUBLES})`, [id])
  await db.query(
    `update people set given_name = 'Erased', family_name = 'person', number = 'erased-' || left(id::text, 13), rank = '', email = '',
            birth_date = date_trunc('year', birth_date)::date, erased_at = now() where id in (${OWN_AND_DOUBLES})`,
    [id],
  )
  await addChange(db, id, 'erased', {}, reason, accountId)
}

const addChange = async (
  db: Database,
  personId: string,
  what: PersonChange['what'],
  detail: object,
  reason: string,
  accountId: string,
): Promise<void> => {
  await db.query(
    'insert into people_changes (id, person_id, what, detail, reason, account_id) values ($1, $2, $3, $4, $5, $6)',
    [randomUUID(), personId, what, JSON.stringify(detail), reason, accountId],
  )
}

/** What was done to a person's record, doubles merged into it among it. */
export const listChangesOf = async (db: Database, personId: string): Promise<PersonChange[]> => {
  const { rows } = await db.query<{
    what: PersonChange['what']
    person_id: string
    reason: string
    display_name: string
    at: Date
    number: string
  }>(
    `select c.what, c.person_id, c.reason, a.display_name, c.at, p.number
       from people_changes c join accounts a on a.id = c.account_id join people p on p.id = c.person_id
      where p.id = $1 or p.merged_into = $1 order by c.at`,
    [personId],
  )
  return rows.map((row) => ({
    what: row.what,
    personId: row.person_id,
    reason: row.reason,
    by: row.display_name,
    atMs: row.at.getTime(),
    number: row.number,
  }))
}

const personFromRow = (row: PersonRecord): Person => ({
  id: row.id,
  number: row.number,
  givenName: row.given_name,
  familyName: row.family_name,
  birthDate: row.birth_date,
  erased: row.erased_at !== null,
  ...(row.unit_id === null ? {} : { unitId: row.unit_id }),
  ...(row.category === '' ? {} : { category: row.category }),
  ...(row.rank === '' ? {} : { rank: row.rank }),
  ...(row.email === '' ? {} : { email: row.email }),
})
