/** Test days: what they are, who works on them, how far they are. */
import {
  type EnteredWaves,
  oversees,
  ROLES,
  rolesFor,
  type Actor,
  type Occasion,
  type OccasionSummary,
  type StaffMember,
} from '@able-gauge/core'
import type { Database } from '../database.ts'
import { together } from './together.ts'

type NewOccasion = Omit<Occasion, 'signedOff' | 'rehearsal' | 'cancelled'>

interface OccasionRow {
  id: string
  name: string
  venue: string
  zone: string
  test_date: string
  standard_id: string
  standard_version: number
  signed_at: Date | null
  signed_by: string | null
  rehearsal_from_ms: string | null
  rehearsal_speed: number | null
  own_event_id: string | null
  unit_id: string | null
  cancelled_at: Date | null
  cancelled_by: string | null
  cancelled_why: string | null
}

const OCCASION_COLUMNS = `o.id, o.name, o.unit_id, o.venue, o.zone, o.test_date, o.standard_id, o.standard_version,
       s.signed_at, signer.display_name as signed_by,
       c.at as cancelled_at, c.reason as cancelled_why, canceller.display_name as cancelled_by,
       r.from_ms as rehearsal_from_ms, r.speed as rehearsal_speed, r.own_event_id`
const OCCASION_TABLES = `occasions o left join sign_offs s on s.occasion_id = o.id left join accounts signer on signer.id = s.account_id
       left join cancellations c on c.occasion_id = o.id left join accounts canceller on canceller.id = c.account_id
       left join rehearsals r on r.occasion_id = o.id`

/** Adds a day with its empty capture ledger. */
export const addOccasion = async (db: Database, occasion: NewOccasion): Promise<void> => {
  await db.query(
    `insert into occasions (id, name, venue, zone, test_date, standard_id, standard_version, unit_id)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [
      occasion.id,
      occasion.name,
      occasion.venue,
      occasion.zone,
      occasion.testDate,
      occasion.standardId,
      occasion.standardVersion,
      occasion.unitId,
    ],
  )
  await db.query('insert into capture_ledger (occasion_id) values ($1)', [occasion.id])
}

/** Changes what a day is called, where and when it is, or whose; what is undefined stays. */
export const changeOccasion = async (
  db: Database,
  id: string,
  change: { readonly [Field in 'name' | 'venue' | 'zone' | 'testDate']?: string | undefined } & {
    /** Null for the whole house. */
    readonly unitId?: string | null
  },
): Promise<void> => {
  await db.query(
    `update occasions set name = coalesce($2, name), venue = coalesce($3, venue), zone = coalesce($4, zone),
            test_date = coalesce($5, test_date), unit_id = case when $6 then $7 else unit_id end where id = $1`,
    [id, change.name, change.venue, change.zone, change.testDate, change.unitId !== undefined, change.unitId],
  )
}

export const addStaffMember = async (
  db: Database,
  occasionId: string,
  accountId: string,
  duty: string,
): Promise<void> => {
  await db.query('insert into occasion_staff (occasion_id, account_id, duty) values ($1, $2, $3)', [
    occasionId,
    accountId,
    duty,
  ])
}

/** Puts everybody who works days on the staff of one, each by their role: of its unit, and of the whole house. */
export const addAllStaff = async (db: Database, occasionId: string, unitId: string | null): Promise<void> => {
  await db.query(
    `insert into occasion_staff (occasion_id, account_id, duty)
     select $1, id, role from accounts where role = any ($2) and can_sign_in
        and ($3::uuid is null or unit_id is null or unit_within(unit_id, $3)) on conflict do nothing`,
    [occasionId, rolesFor('devices.report'), unitId],
  )
}

export const findOccasion = async (db: Database, id: string): Promise<Occasion | null> => {
  const { rows } = await db.query<OccasionRow>(`select ${OCCASION_COLUMNS} from ${OCCASION_TABLES} where o.id = $1`, [
    id,
  ])
  return rows[0] ? occasionFromRow(rows[0]) : null
}

/** A day with what a post of captures is checked against, read in one go because it is asked for with every post. */
export interface CaptureGround extends EnteredWaves {
  readonly occasion: Occasion
  readonly isStaff: boolean
  /** Entries by bib. */
  readonly byBib: ReadonlyMap<number, string>
}

type Person = { readonly personId: string | null }

interface EnteredRow extends Person {
  readonly entryId: string
  readonly bib: number | null
  readonly wave: number
}

/** A day and whoever is entered on it, each with the person they are once doubles are merged; found once for all who post together. */
const dayWithEntered = together<
  Omit<CaptureGround, 'isStaff' | 'ownWave'> & { readonly waveOfPerson: ReadonlyMap<string, number> }
>(async (db, days) => {
  const { rows } = await db.query<OccasionRow & { entered: EnteredRow[] }>({
    // a named statement is planned once for each connection
    name: 'days-with-entered',
    text: `select ${OCCASION_COLUMNS},
                  (select coalesce(json_agg(json_build_object('entryId', e.id, 'bib', e.bib, 'wave', e.wave,
                          'personId', coalesce(p.merged_into, p.id))), '[]')
                     from entries e left join people p on p.id = e.person_id where e.occasion_id = o.id) as entered
             from ${OCCASION_TABLES} where o.id = any($1::uuid[])`,
    values: [days],
  })
  return new Map(
    rows.map((row) => {
      const { entered } = row
      const waveOfPerson = new Map<string, number>()
      for (const { personId, wave } of entered)
        if (personId !== null && !waveOfPerson.has(personId)) waveOfPerson.set(personId, wave)
      return [
        row.id,
        {
          occasion: occasionFromRow(row),
          waveOf: new Map(entered.map(({ entryId, wave }) => [entryId, wave])),
          byBib: new Map(entered.flatMap(({ entryId, bib }) => (bib === null ? [] : [[bib, entryId] as const]))),
          waveOfPerson,
        },
      ]
    }),
  )
})

/** Whether an account is on the staff of a day, and the person it is; by day and account with a space between. */
const standingOnDay = together<{ readonly isStaff: boolean } & Person>(async (db, keys) => {
  const pairs = keys.map((key) => key.split(' '))
  const { rows } = await db.query<{ day: string; account: string; is_staff: boolean; person_id: string | null }>({
    name: 'standings-on-days',
    text: `select k.day, k.account, f.account_id is not null as is_staff, coalesce(p.merged_into, p.id) as person_id
             from unnest($1::uuid[], $2::uuid[]) as k (day, account)
             left join occasion_staff f on f.occasion_id = k.day and f.account_id = k.account
             left join accounts a on a.id = k.account
             left join people p on p.id = a.person_id`,
    values: [pairs.map(([day]) => day), pairs.map(([, account]) => account)],
  })
  return new Map(
    rows.map(({ day, account, is_staff, person_id }) => [
      `${day} ${account}`,
      { isStaff: is_staff, personId: person_id },
    ]),
  )
})

/** @param accountId who posts */
export const findCaptureGround = async (
  db: Database,
  occasionId: string,
  accountId: string,
): Promise<CaptureGround | null> => {
  // as the database writes an id
  const day = occasionId.toLowerCase()
  const [read, standing] = await Promise.all([dayWithEntered(db, day), standingOnDay(db, `${day} ${accountId}`)])
  if (!read || !standing) return null
  const { waveOfPerson, ...ground } = read
  const ownWave = (standing.personId === null ? undefined : waveOfPerson.get(standing.personId)) ?? null
  return { ...ground, isStaff: standing.isStaff, ownWave }
}

/** Signed-off days judged by one version, oldest first. */
export const listSignedDays = async (db: Database, standardId: string, version: number): Promise<Occasion[]> => {
  const { rows } = await db.query<OccasionRow>(
    `select ${OCCASION_COLUMNS} from ${OCCASION_TABLES}
      where o.standard_id = $1 and o.standard_version = $2 and s.signed_at is not null and r.occasion_id is null order by o.test_date, o.id`,
    [standardId, version],
  )
  return rows.map(occasionFromRow)
}

/** The days somebody sees, newest first: those of the own unit they oversee, and those they are on the staff of. */
export const listOccasions = async (
  db: Database,
  account: Actor & { readonly id: string },
): Promise<OccasionSummary[]> => {
  const { rows } = await db.query<
    OccasionRow & { standard_name: string; organisation: string; entries: number; present: number; last_seq: number }
  >(
    // of each standard its document is read once, not once a day
    `with named as materialized (
       select id, version, content ->> 'name' as standard_name, content ->> 'organisation' as organisation from standards
     )
     select ${OCCASION_COLUMNS}, st.standard_name, st.organisation,
            coalesce(n.entries, 0) as entries, coalesce(n.present, 0) as present, l.last_seq
       from ${OCCASION_TABLES}
       left join (select e.occasion_id, count(*)::integer as entries,
                         count(*) filter (where e.attendance = 'present')::integer as present
                    from entries e group by 1) n on n.occasion_id = o.id
       join named st on st.id = o.standard_id and st.version = o.standard_version
       join capture_ledger l on l.occasion_id = o.id
      where exists (select 1 from occasion_staff f where f.occasion_id = o.id and f.account_id = $1)
         or ($2 and ($3::uuid is null or unit_within(o.unit_id, $3)))
      order by o.test_date desc, o.name`,
    [account.id, oversees(account), account.unitId ?? null],
  )
  return rows.map((row) => ({
    ...occasionFromRow(row),
    standardName: row.standard_name,
    organisation: row.organisation,
    entries: row.entries,
    present: row.present,
    captures: row.last_seq,
  }))
}

/** Takes somebody off the staff of a day. */
export const removeStaffMember = async (db: Database, occasionId: string, accountId: string): Promise<void> => {
  await db.query('delete from occasion_staff where occasion_id = $1 and account_id = $2', [occasionId, accountId])
}

export const listStaff = async (db: Database, occasionId: string): Promise<StaffMember[]> => {
  const { rows } = await db.query<{
    account_id: string
    display_name: string
    role: string
    duty: string
    entry_id: string | null
    is_guest: boolean
  }>(
    `select f.account_id, a.display_name, a.role, f.duty, e.id as entry_id, a.station_day is not null as is_guest
       from occasion_staff f join accounts a on a.id = f.account_id
       left join entries e on e.occasion_id = f.occasion_id and canonical(e.person_id) = canonical(a.person_id)
      where f.occasion_id = $1
      order by array_position($2::text[], a.role), a.display_name`,
    [occasionId, ROLES],
  )
  return rows.map((row) => ({
    accountId: row.account_id,
    displayName: row.display_name,
    role: row.role,
    duty: row.duty,
    ...(row.is_guest ? { isGuest: true } : {}),
    ...(row.entry_id === null ? {} : { entryId: row.entry_id }),
  }))
}

/** How somebody stands to a day: on its staff, and within whose unit it lies. */
export const standingOf = async (
  db: Database,
  occasionId: string,
  { id, unitId }: { readonly id: string; readonly unitId?: string },
): Promise<{ readonly isStaff: boolean; readonly isWithin: boolean }> => {
  const { rows } = await db.query<{ is_staff: boolean; is_within: boolean }>(
    `select exists (select 1 from occasion_staff f where f.occasion_id = o.id and f.account_id = $2) as is_staff,
            $3::uuid is null or unit_within(o.unit_id, $3) as is_within
       from occasions o where o.id = $1`,
    [occasionId, id, unitId ?? null],
  )
  return { isStaff: rows[0]?.is_staff === true, isWithin: rows[0]?.is_within === true }
}

const occasionFromRow = (row: OccasionRow): Occasion => ({
  id: row.id,
  name: row.name,
  venue: row.venue,
  zone: row.zone,
  testDate: row.test_date,
  standardId: row.standard_id,
  standardVersion: row.standard_version,
  ...(row.unit_id === null ? {} : { unitId: row.unit_id }),
  rehearsal:
    row.rehearsal_from_ms !== null && row.rehearsal_speed !== null
      ? { fromMs: Number(row.rehearsal_from_ms), speed: row.rehearsal_speed, ownEventId: row.own_event_id }
      : null,
  signedOff: row.signed_at && row.signed_by ? { atMs: row.signed_at.getTime(), by: row.signed_by } : null,
  ...(row.cancelled_at && row.cancelled_by !== null && row.cancelled_why !== null
    ? { cancelled: { atMs: row.cancelled_at.getTime(), by: row.cancelled_by, reason: row.cancelled_why } }
    : {}),
})
