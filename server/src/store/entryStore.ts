/** Who is entered on a day. */
import {
  NO_CHOICES,
  type CarriedMark,
  type EarlierFigure,
  type ArchivedEntry,
  type Attendance,
  type EntryChoices,
  type EntryFacts,
  type PersonFacts,
} from '@able-gauge/core'
import type { Database } from '../database.ts'

export type Entry = EntryFacts & { readonly person: PersonFacts & { readonly birthDate: string } }

export interface NewEntry {
  readonly id: string
  readonly occasionId: string
  readonly personId: string
  readonly bib: number | null
  readonly wave: number
  readonly category: string
  readonly attendance: Attendance
  readonly note: string
  readonly bodyMassG: number | null
  /** Left out, somebody who is present counts as checked in. */
  readonly identityChecked?: boolean
  readonly consented?: boolean
  /** Left out, everything as it stands. */
  readonly choices?: EntryChoices
}

/** Null is a value taken back; what is undefined stays as it is. */
export interface EntryChange {
  readonly bib: number | null
  readonly attendance: Attendance
  readonly note: string
  readonly bodyMassG: number | null
  readonly wave?: number | undefined
  readonly category?: string | undefined
  readonly heightMm?: number | undefined
  readonly gear?: string | undefined
  readonly identityChecked?: boolean | undefined
  readonly consented?: boolean | undefined
  readonly choices?: EntryChoices | undefined
  readonly setUp?: Readonly<Record<string, string>> | undefined
}

export type EntryUpdate =
  | { readonly kind: 'changed' }
  | { readonly kind: 'editedMeanwhile' }
  | { readonly kind: 'bibTaken' }

export const addEntry = async (db: Database, entry: NewEntry): Promise<void> => {
  await db.query(
    `insert into entries (id, occasion_id, person_id, bib, wave, category, attendance, note, body_mass_g, identity_checked, consented, choices)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
    [
      entry.id,
      entry.occasionId,
      entry.personId,
      entry.bib,
      entry.wave,
      entry.category,
      entry.attendance,
      entry.note,
      entry.bodyMassG,
      entry.identityChecked ?? entry.attendance === 'present',
      entry.consented ?? entry.attendance === 'present',
      JSON.stringify(entry.choices ?? NO_CHOICES),
    ],
  )
}

/** Puts an archived entry back as it was. */
export const restoreEntry = async (db: Database, occasionId: string, entry: ArchivedEntry): Promise<void> => {
  await db.query(
    `insert into entries (id, occasion_id, person_id, bib, wave, category, attendance, note, body_mass_g, height_mm, gear,
                          identity_checked, consented, choices, set_up, revision, carried)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17)`,
    [
      entry.id,
      occasionId,
      entry.personId,
      entry.bib,
      entry.wave,
      entry.category,
      entry.attendance,
      entry.note,
      entry.bodyMassG,
      entry.heightMm,
      entry.gear,
      entry.identityChecked,
      entry.consented,
      JSON.stringify(entry.choices),
      JSON.stringify(entry.setUp),
      entry.revision,
      JSON.stringify(entry.carried ?? {}),
    ],
  )
}

/** Everybody entered, by wave and bib. */
export const listEntries = async (db: Database, occasionId: string): Promise<Entry[]> => {
  const { rows } = await db.query<EntryRow>(
    `select e.id, e.bib, e.wave, e.category, e.attendance, e.note, e.body_mass_g, e.height_mm, e.gear,
            e.identity_checked, e.consented, e.choices, e.set_up, e.carried, e.revision,
            p.id as person_id, p.number, p.given_name, p.family_name, p.birth_date
       from entries e join people p on p.id = e.person_id
      where e.occasion_id = $1 order by e.wave, e.bib nulls last, p.family_name`,
    [occasionId],
  )
  return rows.map(entryFromRow)
}

/** What was set up for the people of a day the last time anything was, by entry of this day. */
export const listEarlierSetUps = async (
  db: Database,
  occasionId: string,
): Promise<Record<string, Readonly<Record<string, string>>>> => {
  const { rows } = await db.query<{ id: string; set_up: Record<string, string> }>(
    `select distinct on (e.id) e.id, b.set_up
       from entries e join occasions o on o.id = e.occasion_id
       join people me on me.id = e.person_id
       join people other on coalesce(other.merged_into, other.id) = coalesce(me.merged_into, me.id)
       join entries b on b.person_id = other.id and b.id <> e.id and b.set_up <> '{}'
       join occasions p on p.id = b.occasion_id and p.test_date <= o.test_date
      where e.occasion_id = $1 order by e.id, p.test_date desc`,
    [occasionId],
  )
  return Object.fromEntries(rows.map(({ id, set_up }) => [id, set_up]))
}

/** When people were tested by the standard of a day before, in a signed day, the last time, by entry. */
export const listTestedBefore = async (db: Database, occasionId: string): Promise<Record<string, string>> => {
  const { rows } = await db.query<{ id: string; tested_on: string }>(
    `select e.id, max(p.test_date)::text as tested_on
       from entries e join occasions o on o.id = e.occasion_id
       join people me on me.id = e.person_id
       join people other on coalesce(other.merged_into, other.id) = coalesce(me.merged_into, me.id)
       join entries b on b.person_id = other.id and b.id <> e.id
       join occasions p on p.id = b.occasion_id and p.standard_id = o.standard_id
        and p.test_date < o.test_date
       join sign_offs s on s.occasion_id = p.id
       join verdict_snapshots v on v.occasion_id = p.id and v.entry_id = b.id and v.verdict ->> 'outcome' <> 'notStarted'
      where e.occasion_id = $1 and not exists (select 1 from rehearsals r where r.occasion_id = p.id) group by e.id`,
    [occasionId],
  )
  return Object.fromEntries(rows.map(({ id, tested_on }) => [id, tested_on]))
}

/** What was measured of people on earlier signed days of the same standard, in the events themselves, by entry. */
export const listEarlierFigures = async (
  db: Database,
  occasionId: string,
): Promise<Record<string, EarlierFigure[]>> => {
  const { rows } = await db.query<{ id: string; event_id: string; value: number; unit: string; tested_on: string }>(
    `select e.id, f.event_id, f.value, f.unit, r.test_date::text as tested_on
       from entries e join occasions o on o.id = e.occasion_id
       join people me on me.id = e.person_id
       join people other on coalesce(other.merged_into, other.id) = coalesce(me.merged_into, me.id)
       join results r on r.person_id = other.id and r.standard_id = o.standard_id and r.test_date < o.test_date
       join event_results f on f.result_id = r.id and f.value is not null
        and f.alternate_id is null and f.variant_id is null and not f.is_carried
      where e.occasion_id = $1 and not exists (select 1 from rehearsals x where x.occasion_id = r.occasion_id)
      order by r.test_date, f.event_id`,
    [occasionId],
  )
  const by: Record<string, EarlierFigure[]> = {}
  for (const { id, event_id, value, unit, tested_on } of rows)
    by[id] = [...(by[id] ?? []), { eventId: event_id, value, unit, testDate: tested_on }]
  return by
}

/** The unit of everybody who has one, by entry. */
export const listUnitsOf = async (db: Database, occasionId: string): Promise<Record<string, string>> => {
  const { rows } = await db.query<{ id: string; unit_id: string }>(
    `select e.id, p.unit_id from entries e join people p on p.id = canonical(e.person_id)
      where e.occasion_id = $1 and p.unit_id is not null`,
    [occasionId],
  )
  return Object.fromEntries(rows.map(({ id, unit_id }) => [id, unit_id]))
}

interface EnteredPerson {
  readonly entryId: string
  readonly wave: number
  readonly isOwn: boolean
}

/** Who is entered, and whether it is the person of an account. */
export const listEntered = async (db: Database, occasionId: string, accountId: string): Promise<EnteredPerson[]> => {
  const { rows } = await db.query<{ id: string; wave: number; is_own: boolean }>(
    `select e.id, e.wave, coalesce(canonical(e.person_id) = canonical(a.person_id), false) as is_own
       from entries e left join accounts a on a.id = $2 where e.occasion_id = $1`,
    [occasionId, accountId],
  )
  return rows.map(({ id, wave, is_own }) => ({ entryId: id, wave, isOwn: is_own }))
}

/** Changes an entry if nobody else has since `revision`. */
export const changeEntry = async (
  db: Database,
  occasionId: string,
  entryId: string,
  revision: number,
  change: EntryChange,
): Promise<EntryUpdate> => {
  try {
    const { rowCount } = await db.query(
      `update entries set bib = $4, attendance = $5, note = $6, body_mass_g = $7,
              wave = coalesce($8, wave), category = coalesce($9, category), height_mm = coalesce($10, height_mm),
              gear = coalesce($11, gear), identity_checked = coalesce($12, identity_checked),
              consented = coalesce($13, consented), choices = coalesce($14, choices), set_up = coalesce($15, set_up),
              revision = revision + 1
        where occasion_id = $1 and id = $2 and revision = $3`,
      [
        occasionId,
        entryId,
        revision,
        change.bib,
        change.attendance,
        change.note,
        change.bodyMassG,
        change.wave,
        change.category,
        change.heightMm,
        change.gear,
        change.identityChecked,
        change.consented,
        change.choices === undefined ? undefined : JSON.stringify(change.choices),
        change.setUp === undefined ? undefined : JSON.stringify(change.setUp),
      ],
    )
    return { kind: rowCount === 1 ? 'changed' : 'editedMeanwhile' }
  } catch (error) {
    if (isBibTaken(error)) return { kind: 'bibTaken' }
    throw error
  }
}

/** Sets whether somebody may start, as holds come and go. @returns false when there is no such entry */
export const setAttendance = async (
  db: Database,
  occasionId: string,
  entryId: string,
  attendance: Attendance,
): Promise<boolean> => {
  const { rowCount } = await db.query(
    'update entries set attendance = $3, revision = revision + 1 where occasion_id = $1 and id = $2',
    [occasionId, entryId, attendance],
  )
  return rowCount === 1
}

/** Says of people who are still expected that they come later, or not at all. @returns how many they were */
export const tellExpected = async (
  db: Database,
  occasionId: string,
  entryIds: readonly string[],
  attendance: 'late' | 'absent',
): Promise<number> => {
  const { rowCount } = await db.query(
    `update entries set attendance = $3, revision = revision + 1
      where occasion_id = $1 and id = any($2::uuid[]) and attendance in ('expected', 'late') and attendance <> $3`,
    [occasionId, entryIds, attendance],
  )
  return rowCount ?? 0
}

/** Lets somebody start again whose last hold was lifted; whoever is absent or has withdrawn meanwhile stays so. */
export const releaseHeld = async (db: Database, occasionId: string, entryId: string): Promise<void> => {
  await db.query(
    `update entries set attendance = case when identity_checked then 'present' else 'expected' end, revision = revision + 1
      where occasion_id = $1 and id = $2 and attendance = 'held'`,
    [occasionId, entryId],
  )
}

/** What stands from an earlier day for each of these. */
export const setCarried = async (
  db: Database,
  carried: ReadonlyMap<string, Readonly<Record<string, CarriedMark>>>,
): Promise<void> => {
  await db.query(
    `update entries e set carried = c.carried from unnest($1::uuid[], $2::jsonb[]) as c (id, carried)
      where e.id = c.id and e.carried <> c.carried`,
    [[...carried.keys()], [...carried.values()].map((one) => JSON.stringify(one))],
  )
}

/** Puts people into waves. @returns ids whose wave has changed */
export const setWaves = async (
  db: Database,
  occasionId: string,
  waves: readonly { readonly entryId: string; readonly wave: number }[],
): Promise<string[]> => {
  const { rows } = await db.query<{ id: string }>(
    `update entries e set wave = w.wave, revision = revision + 1
       from unnest($2::uuid[], $3::integer[]) as w (id, wave)
      where e.occasion_id = $1 and e.id = w.id and e.wave <> w.wave returning e.id`,
    [occasionId, waves.map(({ entryId }) => entryId), waves.map(({ wave }) => wave)],
  )
  return rows.map(({ id }) => id)
}

const isBibTaken = (error: unknown): boolean =>
  error instanceof Error && 'constraint' in error && error.constraint === 'entries_occasion_id_bib_key'

interface EntryRow {
  id: string
  bib: number | null
  wave: number
  category: string
  attendance: Attendance
  note: string
  body_mass_g: number | null
  height_mm: number | null
  gear: string
  identity_checked: boolean
  consented: boolean
  choices: EntryChoices
  set_up: Record<string, string>
  carried: Record<string, CarriedMark>
  revision: number
  person_id: string
  number: string
  given_name: string
  family_name: string
  birth_date: string
}

const entryFromRow = (row: EntryRow): Entry => ({
  id: row.id,
  bib: row.bib,
  wave: row.wave,
  category: row.category,
  attendance: row.attendance,
  note: row.note,
  bodyMassG: row.body_mass_g,
  heightMm: row.height_mm,
  gear: row.gear,
  identityChecked: row.identity_checked,
  consented: row.consented,
  choices: row.choices,
  setUp: row.set_up,
  ...(Object.keys(row.carried).length === 0 ? {} : { carried: row.carried }),
  revision: row.revision,
  person: {
    id: row.person_id,
    number: row.number,
    givenName: row.given_name,
    familyName: row.family_name,
    birthDate: row.birth_date,
  },
})
