/**
 * A nation's worth: five years of 200 days of 60 people, 60,000 results and six million captures in one database. Prints how long each
 * view of the results takes, lists and people among it, how long a new day takes to be signed on an empty database and on this one,
 * and how much room it all takes.
 */
import { randomUUID } from 'node:crypto'
import { judgeDay, rehearseDay, storeVerdict, type DayCandidate, type RecordedCapture } from '@able-gauge/core'
import { addEntry } from '../server/src/store/entryStore.ts'
import { addOccasion, addStaffMember } from '../server/src/store/occasionStore.ts'
import { addPerson } from '../server/src/store/personStore.ts'
import { addStandard } from '../server/src/store/standardStore.ts'
import { entryStandard, openHouse, putOnRecord } from './house.ts'
import { median } from './median.ts'

const [DAYS, HEADS, CAPTURES_EACH, PERSONS, UNITS] = [1_000, 60, 100, 15_000, 24]
const SIGNED_DAYS = 5
const REPEATS = 60

const standard = entryStandard()
const house = await openHouse('able_gauge_nation')
const { owner, accountId } = house
for (const version of [1, 2, 3]) await addStandard(owner, { ...standard, version })
const ask = await house.serve()

/** A day of sixty that was worked and waits for its signature. @returns its id */
const workedDay = async (seed: number): Promise<string> => {
  const occasionId = randomUUID()
  const testDate = new Date().toISOString().slice(0, 10)
  const day = { name: `A new day ${seed}`, venue: 'Fallow Point track', zone: 'UTC', testDate }
  await addOccasion(owner, { ...day, id: occasionId, standardId: standard.id, standardVersion: standard.version })
  await addStaffMember(owner, occasionId, accountId, 'officer in charge')
  const people = []
  for (let index = 0; index < HEADS; index++) {
    const [id, personId] = [randomUUID(), randomUUID()]
    const name = { givenName: 'Lumi', familyName: `Ardent-${index}`, birthDate: '1999-05-04' }
    await addPerson(owner, { ...name, id: personId, number: `N-${seed}-${index}` })
    const entry = { wave: 1 + Math.floor(index / 12), category: index % 2 ? 'male' : 'female', bodyMassG: 70_000 }
    await addEntry(owner, { id, occasionId, personId, bib: index + 1, attendance: 'present', note: '', ...entry })
    people.push({ entryId: id, ageYears: 27, ...entry })
  }
  const made = rehearseDay(standard, people, seed, Date.parse(`${testDate}T00:00:00Z`))
  await putOnRecord(owner, occasionId, accountId, made)
  return occasionId
}
/** How long the signatures of new days take, in ms: the middle one. */
const signNewDays = async (firstSeed: number): Promise<number> => {
  const took: number[] = []
  for (let at = 0; at < SIGNED_DAYS; at++) {
    const id = await workedDay(firstSeed + at)
    const began = performance.now()
    const answer = await ask(`occasions/${id}/sign-off`, { method: 'POST', body: house.sign })
    await answer.arrayBuffer()
    if (answer.status !== 201) throw new Error(`A day was not signed: ${answer.status}.`)
    took.push(performance.now() - began)
  }
  return median(took)
}

const onEmpty = await signNewDays(1)

/** One real verdict; the others are as large. */
const verdictOfOne = () => {
  const candidate: DayCandidate = {
    entryId: randomUUID(),
    wave: 1,
    category: 'female',
    ageYears: 27,
    ageCountedOn: '2026-03-01',
    bodyMassG: 70_000,
  }
  const captures = rehearseDay(standard, [candidate], 5, Date.UTC(2026, 2, 1, 9)) as unknown as RecordedCapture[]
  const verdict = judgeDay({ standard, testDate: '2026-03-01' }, [candidate], captures).get(candidate.entryId)
  if (!verdict) throw new Error('Nobody was judged.')
  const inputs = { candidate, testDate: '2026-03-01', captures: captures.map((_, seq) => seq + 1), judge: 1 }
  return { inputs: JSON.stringify(inputs), verdict: JSON.stringify(storeVerdict(verdict)) }
}
const one = verdictOfOne()
const say = (text: string): void => console.log(text)

say(`Filling: ${DAYS} days, ${DAYS * HEADS} entries, ${DAYS * HEADS * CAPTURES_EACH} captures …`)
await owner.query(
  `insert into units (id, name) select gen_random_uuid(), 'Unit ' || n from generate_series(1, ${UNITS}) n`,
)
await owner.query(
  `insert into people (id, number, given_name, family_name, birth_date, category, unit_id)
   select gen_random_uuid(), 'P-' || n, 'Given' || n % 400, 'Family' || n % 3000,
          date '1970-01-01' + (n * 7919 % 12000), case n % 2 when 0 then 'female' else 'male' end, u.id
     from generate_series(1, ${PERSONS}) n join (select id, row_number() over () as at from units) u on u.at = 1 + n % ${UNITS}`,
)
await owner.query(
  `create temporary table days_made as
   select gen_random_uuid() as id, n, date '2021-12-01' + (n * 1800 / ${DAYS}) as test_date, 1 + n * 3 / ${DAYS + 1} as version,
          (array['Fallow Point track', 'Skerry Barracks square', 'Marram Yard', 'Causeway Pool'])[1 + n % 4] as venue
     from generate_series(1, ${DAYS}) n`,
)
await owner.query(
  `insert into occasions (id, name, venue, zone, test_date, standard_id, standard_version)
   select id, 'Day ' || n, venue, 'UTC', test_date, '${standard.id}', version from days_made`,
)
await owner.query(
  `insert into capture_ledger (occasion_id, last_seq, closed_at) select id, ${HEADS * CAPTURES_EACH}, now() from days_made`,
)
await owner.query(
  `insert into sign_offs (occasion_id, account_id, head) select id, $1, repeat('a', 64) from days_made`,
  [accountId],
)
await owner.query(
  `create temporary table entries_made as
   select gen_random_uuid() as id, d.id as occasion_id, d.n, h.h, p.id as person_id, p.category, p.unit_id, d.test_date, d.version,
          d.venue, extract(year from age(d.test_date, p.birth_date))::integer as age_years, random() as form
     from days_made d cross join generate_series(1, ${HEADS}) h (h)
     join (select *, row_number() over () - 1 as at from people where number like 'P-%') p on p.at = (d.n * 61 + h.h * 247) % ${PERSONS}`,
)
await owner.query(
  `insert into entries (id, occasion_id, person_id, bib, wave, category, attendance)
   select id, occasion_id, person_id, h, 1 + h / 13, category, 'present' from entries_made`,
)
await owner.query(
  `insert into verdict_snapshots (occasion_id, entry_id, standard_hash, inputs, verdict)
   select occasion_id, id, repeat('b', 64), $1::jsonb, $2::jsonb from entries_made`,
  [one.inputs, one.verdict],
)
await owner.query(
  `insert into results (occasion_id, entry_id, person_id, standard_id, standard_version, test_date, venue, unit_id, category,
                        age_years, age_group, outcome, short_in, near_the_cut)
   select occasion_id, id, person_id, '${standard.id}', version, test_date, venue, unit_id, category, age_years,
          case when age_years < 30 then 'under 30' when age_years < 40 then '30 to 39' when age_years < 50 then '40 to 49' else '50 and over' end,
          case when form < 0.7 then 'met' else 'short' end,
          case when form < 0.7 then '{}' when form < 0.85 then '{run}' when form < 0.92 then '{press-ups}' else '{press-ups,run}' end::text[],
          random() < 0.02 from entries_made`,
)
await owner.query(
  `insert into event_results (result_id, event_id, kind, value, unit, cut, margin, near_the_cut, is_carried)
   select r.id, e.id, case when e.id = any (r.short_in) then 'short' else 'met' end, v.value, e.unit, e.cut,
          case e.unit when 'ms' then e.cut - v.value else v.value - e.cut end, false, false
     from results r
     cross join (values ('press-ups', 'count', 24, 8, 1), ('grip', 'g', 34000, 9000, 500), ('trunk-hold', 'ms', 90000, 40000, 1000),
                        ('run', 'ms', 580000, 60000, 1000), ('drag', 'ms', 29000, 5000, 100)) e (id, unit, cut, spread, step)
     cross join lateral (select e.step * ((e.cut + e.spread * (random() + random() + random() - 1.5) + r.id * 0) / e.step)::integer as value) v
    where r.occasion_id in (select id from days_made)`,
)
await owner.query(
  `insert into grader_work (result_id, event_id, account_id, is_second, counted, refused, reasons)
   select r.id, 'press-ups', $1, false, 30, (random() * 4)::integer, '{"depth": 1, "lock-out": 1}' from results r`,
  [accountId],
)
await owner.query(
  `insert into repeated_figures (result_id, event_id, of, part, first, second, unit, decisions)
   select r.id, 'grip', 'tries', side, 40000 + (random() * 8000)::integer, 40000 + (random() * 8000)::integer, 'g', '[]'
     from results r cross join (values ('left'), ('right')) s (side)`,
)
await owner.query('insert into result_days (occasion_id, form) select id, 1 from days_made')
for (let from = 1; from <= DAYS; from += 50) {
  await owner.query(
    `insert into captures (id, occasion_id, seq, event_id, entry_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms, actor_id, received_ms)
     select gen_random_uuid(), e.occasion_id, (e.h - 1) * ${CAPTURES_EACH} + c, 'press-ups', e.id, 'counted', '{}', 'tablet-lane-' || e.h % 4,
            c * 2000, extract(epoch from e.test_date)::bigint * 1000 + c * 2000, 4, $1,
            extract(epoch from e.test_date)::bigint * 1000 + c * 2000 + 30
       from entries_made e cross join generate_series(1, ${CAPTURES_EACH}) c where e.n between $2 and $3`,
    [accountId, from, from + 49],
  )
}
await house.settle()
const { rows: sizes } = await owner.query<{ name: string; size: string; bytes: string }>(
  `select relname as name, pg_size_pretty(pg_total_relation_size(oid)) as size, pg_total_relation_size(oid) as bytes from pg_class
    where relkind = 'r' and relnamespace = 'public'::regnamespace order by pg_total_relation_size(oid) desc limit 8`,
)
const { rows: whole } = await owner.query<{ size: string }>(
  `select pg_size_pretty(pg_database_size(current_database())) as size`,
)
say(`On disk: ${whole[0]?.size ?? ''}; ${sizes.map(({ name, size }) => `${name} ${size}`).join(', ')}`)

const { rows: some } = await owner.query<{ unit: string; person: string }>(
  `select (select id from units limit 1) as unit, (select person_id from results where unit_id is not null limit 1) as person`,
)
const [{ unit = '', person = '' } = {}] = some
const FILTERS = [
  '',
  'version=3',
  `unit=${unit}`,
  'category=female',
  'from=2025-01-01&to=2025-12-31',
  'venue=Marram Yard',
  'age=30 to 39',
]
const VIEWS: readonly (readonly [name: string, most: number, paths: readonly string[]])[] = [
  ['results', 500, FILTERS.map((filter) => `insight/results?${filter}`)],
  ['events by group', 500, FILTERS.map((filter) => `insight/events?${filter}`)],
  ['venues', 500, FILTERS.map((filter) => `insight/venues?${filter}`)],
  ['noise', 500, ['insight/noise?event=run']],
  ['people behind a figure', 500, FILTERS.map((filter) => `insight/people?event=run&kind=short&${filter}`)],
  ['repeatable: retests', 500, FILTERS.map((filter) => `insight/repeats?event=run&of=retests&${filter}`)],
  ['repeatable: tries', 500, FILTERS.map((filter) => `insight/repeats?event=grip&of=tries&part=left&${filter}`)],
  ['graders', 500, FILTERS.map((filter) => `insight/graders?${filter}`)],
  ['progress', 500, FILTERS.map((filter) => `insight/progress?event=run&${filter}`)],
  ['signed days', 500, FILTERS.map((filter) => `insight/days?${filter}`)],
  ['days list', 100, ['occasions']],
  ['people search', 100, ['people?search=Family12', 'people?search=P-149', 'people?search=Given3 Family']],
  ['a person', 100, [`people/${person}`]],
]
for (const [name, most, paths] of VIEWS) {
  const took: number[] = []
  for (let turn = 0; turn < REPEATS; turn++) {
    const asked = paths[turn % paths.length] ?? ''
    const began = performance.now()
    const answer = await ask(asked)
    await answer.arrayBuffer()
    if (answer.status !== 200) throw new Error(`${asked}: ${answer.status}`)
    took.push(performance.now() - began)
  }
  took.sort((a, b) => a - b)
  const p95 = took[Math.floor(took.length * 0.95)] ?? 0
  say(
    `${name}: middle ${median(took).toFixed(0)} ms, p95 ${p95.toFixed(0)} ms (asked ${most})${p95 > most ? '  TOO SLOW' : ''}`,
  )
}
const onFull = await signNewDays(101)
say(
  `sign-off of a new day of ${HEADS}: ${onEmpty.toFixed(0)} ms on an empty database, ${onFull.toFixed(0)} ms on this one, ${(onFull / onEmpty).toFixed(2)} times`,
)
await house.close()
