/** Loads the sample scenario, once, through the same stores as everything else. */
import { randomUUID } from 'node:crypto'
import { Temporal } from 'temporal-polyfill'
import {
  FIRST_HOUSE_RULES,
  firstPlan,
  timeBoundsOf,
  type Capture,
  type EventPlan,
  type OrgUnit,
  type Standard,
} from '@able-gauge/core'
import type { Database } from '../database.ts'
import { readDay } from '../dayRecord.ts'
import { signDay } from '../signDay.ts'
import type { Signer } from '../signer.ts'
import { listDemoAccounts } from '../store/accountStore.ts'
import { addCaptures, findAllCaptures } from '../store/captureStore.ts'
import { addDraft } from '../store/draftStore.ts'
import { addEntry } from '../store/entryStore.ts'
import { writeHouseRules } from '../store/houseRulesStore.ts'
import { addOccasion, addStaffMember, findOccasion, listStaff } from '../store/occasionStore.ts'
import { writePlan } from '../store/planStore.ts'
import { addRecord, listRecords } from '../store/recordStore.ts'
import { closeSetUpSessions, openSetUpSession, tokenOf } from '../store/setUpStore.ts'
import { addStandard, getStandard } from '../store/standardStore.ts'
import { capturesOf, figure } from './demoCaptures.ts'
import type { DemoDay } from './demoDay.ts'
import { DEMO_ZONE, type HalfEntry } from './halfDays/halfDay.ts'
import { pastDays, type PastDay, type PastEntry } from './history.ts'
import { OTHER_DAYS, otherDays } from './otherDays.ts'
import { loadPractice } from './practice.ts'
import { filesIn, known, readDayFile, readStandard, readText } from './demoFiles.ts'
import {
  DEMO_HOUSE,
  groupsOf,
  KEPT_BY,
  loadPeople,
  loadStaff,
  loadUnits,
  retestsOf,
  withSession,
  type DemoPerson,
} from './demoHouse.ts'

const HOUR_MS = 3_600_000

/** What is there before days are. */
interface Loaded {
  readonly accounts: ReadonlyMap<string, string>
  readonly people: ReadonlyMap<string, DemoPerson>
  readonly units: readonly OrgUnit[]
  readonly standardOf: (id: string, version: number) => Standard
}

/**
 * Loads the demo unless it is there already. A day that is half run is of today, however long ago it was written down.
 * @throws Error naming the file and place of anything unsound in it
 */
export const loadDemo = async (db: Database, signer: Signer, nowMs: number = Date.now()): Promise<void> => {
  const days = await Promise.all((await filesIn('days')).map(readDayFile))
  if ((await listDemoAccounts(db)).length > 0) {
    for (const day of [...days, ...OTHER_DAYS]) await openToday(db, day, nowMs)
    return
  }
  const ofHouse = await loadStaff(db, null)
  const units = await loadUnits(db, known(ofHouse, KEPT_BY))
  const accounts = new Map([...ofHouse, ...(await loadStaff(db, units))])
  const people = await loadPeople(db, units, nowMs)
  const standards = await Promise.all((await filesIn('standards')).map(readStandard))
  for (const standard of standards) await addStandard(db, standard)
  const byVersion = new Map(standards.map((standard) => [`${standard.id} ${standard.version}`, standard]))
  const loaded: Loaded = { accounts, people, units, standardOf: (id, version) => known(byVersion, `${id} ${version}`) }
  for (const file of await filesIn('drafts')) await loadDraft(db, file, known(accounts, DRAFTED_BY))
  await writeHouseRules(
    db,
    { ...FIRST_HOUSE_RULES, ...DEMO_HOUSE, staffGroups: groupsOf(accounts), retests: retestsOf(units) },
    0,
  )
  for (const accountId of accounts.values()) await openSetUpSession(db, accountId)
  await loadHistory(db, loaded, signer)
  for (const day of days) await loadDay(db, ofToday(day, nowMs), accounts, people, seedOf(day), signer)
  await loadOtherDays(db, loaded, nowMs)
  await loadPractice(db, accounts, nowMs)
  await closeSetUpSessions(db)
  // each with a session of its own
  for (const day of [...days, ...OTHER_DAYS]) await openToday(db, day, nowMs)
  // what was just filled is planned for as if it were empty, until it has been counted
  await db.query('analyze')
}

/** The results follow from the day as it was written down, whatever date it is moved to. */
const seedOf = ({ testDate }: DemoDay): number => Number(testDate.replaceAll('-', ''))

/** The half-run day ends before noon. */
const LAST_HOUR = 12

/** The newest date at which all that a day holds has happened. */
const ofToday = (day: DemoDay, nowMs: number): DemoDay => {
  if (day.signedOffBy !== undefined) return day
  return { ...day, testDate: halfRunDate(day.zone, nowMs) }
}

/** The newest date on which everything before noon has happened. */
const halfRunDate = (zone: string, nowMs: number): string => {
  const now = momentIn(zone, nowMs)
  return (now.hour < LAST_HOUR ? now.toPlainDate().subtract({ days: 1 }) : now.toPlainDate()).toString()
}

const momentIn = (zone: string, nowMs: number): Temporal.ZonedDateTime =>
  Temporal.Instant.fromEpochMilliseconds(nowMs).toZonedDateTimeISO(zone)

/** An officer would open yesterday's day today; nobody should have to in a demo. */
const openToday = async (
  db: Database,
  { id, zone, signedOffBy }: Pick<DemoDay, 'id' | 'zone' | 'signedOffBy'>,
  nowMs: number,
): Promise<void> => {
  const occasion = signedOffBy === undefined ? await findOccasion(db, id) : null
  if (!occasion || occasion.signedOff) return
  const { standard } = await getStandard(db, occasion.standardId, occasion.standardVersion)
  const bounds = timeBoundsOf(occasion, standard, await listRecords(db, id)) ?? []
  if (bounds.some(({ fromMs, beforeMs }) => nowMs >= fromMs && nowMs < beforeMs)) return
  const [officer] = (await listStaff(db, id)).filter(({ role }) => role === 'officer')
  if (!officer) return
  const content = {
    kind: 'dayOpened' as const,
    date: momentIn(zone, nowMs).toPlainDate().toString(),
    reason: 'The half-run day of the demo goes on today.',
  }
  await withSession(db, officer.accountId, () =>
    addRecord(db, id, tokenOf(officer.accountId), { id: randomUUID(), content, atMs: nowMs }),
  )
}

/** The officer in charge works on the drafts. */
const DRAFTED_BY = 'ines.calloway-brandt'

/** A draft may be unsound, but it says what it is a version of. */
const loadDraft = async (db: Database, file: string, accountId: string): Promise<void> => {
  const content: unknown = JSON.parse(await readText(file))
  const { id, version } = Object(content) as { id?: unknown; version?: unknown }
  if (typeof id !== 'string' || typeof version !== 'number') {
    throw new Error(`demo/${file} names no standard. Expected "id" and "version" at the top.`)
  }
  await addDraft(db, id, version, Object(content), accountId)
}

const loadDay = async (
  db: Database,
  day: DemoDay,
  accounts: ReadonlyMap<string, string>,
  people: ReadonlyMap<string, DemoPerson>,
  seed: number,
  signer: Signer,
): Promise<void> => {
  const { standard } = await getStandard(db, day.standard.id, day.standard.version)
  const { id, name, venue, zone, testDate } = day
  await addOccasion(db, { id, name, venue, zone, testDate, standardId: standard.id, standardVersion: standard.version })
  for (const { signInName, duty } of day.staff) await addStaffMember(db, id, known(accounts, signInName), duty)
  const entryIds = new Map<number, string>()
  for (const { person, bib, wave, attendance, note = '', bodyMass } of day.entries) {
    const entryId = randomUUID()
    const { id: personId, category } = known(people, person)
    const bodyMassG = bodyMass === undefined ? null : figure(bodyMass, { unit: 'g' })
    await addEntry(db, { id: entryId, occasionId: id, personId, bib, wave, category, attendance, note, bodyMassG })
    entryIds.set(bib, entryId)
  }
  const officer = day.staff[0]?.signInName ?? ''
  // whoever times a run, the officer in charge disqualifies
  const byWhom = capturesOf(day, standard, entryIds, seed).flatMap(({ actor, captures }) => [
    { actor, captures: captures.filter((capture) => !isDisqualification(capture)) },
    { actor: officer, captures: captures.filter(isDisqualification) },
  ])
  for (const { actor, captures } of byWhom.filter((some) => some.captures.length > 0)) {
    const receivedMs = Math.max(...captures.map(({ atMs }) => atMs))
    const addition = await addCaptures(db, id, { captures, token: tokenOf(known(accounts, actor)), receivedMs })
    if (addition.kind !== 'stored')
      throw new Error(`The captures of demo day "${name}" were not stored: ${addition.kind}.`)
  }
  await loadPlan(db, day, standard, accounts)
  await loadLog(db, day, accounts, entryIds)
  if (day.signedOffBy !== undefined) await signOff(db, id, known(accounts, day.signedOffBy), signer)
}

const isDisqualification = ({ kind, payload }: Capture): boolean =>
  kind === 'stopped' && 'reason' in payload && payload.reason === 'disqualified'

/** The days of five years, up to the first that is written down day by day for this autumn. */
const HISTORY_BEFORE = '2026-11-01'

const loadHistory = async (db: Database, { accounts, people, standardOf }: Loaded, signer: Signer): Promise<void> => {
  const days = pastDays([...people.values()], standardOf, HISTORY_BEFORE)
  const one = oneAtATime(db)
  const loadRest = async (): Promise<void> => {
    for (const day of days) await loadPastDay(one, day, accounts, signer)
  }
  // one is judged while the database stores the other
  await Promise.all([loadRest(), loadRest()])
}

/** One connection for several who ask: each statement waits for the one before. */
const oneAtATime = (db: Database): Database => {
  let last: Promise<unknown> = Promise.resolve()
  const query = (text: string, values?: unknown[]): Promise<unknown> => {
    const answer = last.then(() => db.query(text, values))
    last = answer.catch(() => undefined)
    return answer
  }
  // of the driver's many ways to ask, our stores know this one
  return { query: query as unknown as Database['query'] }
}

const loadPastDay = async (
  db: Database,
  day: PastDay,
  accounts: ReadonlyMap<string, string>,
  signer: Signer,
): Promise<void> => {
  const entries = day.entries.map((entry) => ({ ...entry, note: '' }))
  await addDay(db, { ...day, entries }, accounts)
  const officer = known(accounts, day.staff[0]?.signInName ?? '')
  await addRecord(db, day.id, tokenOf(officer), { id: randomUUID(), content: day.conditions, atMs: day.startMs })
  await signOff(db, day.id, officer, signer)
}

/** The days beside the Constabulary's that are half done today. */
const loadOtherDays = async (
  db: Database,
  { accounts, people, units, standardOf }: Loaded,
  nowMs: number,
): Promise<void> => {
  const date = halfRunDate(DEMO_ZONE, nowMs)
  for (const day of otherDays([...people.values()], standardOf, date)) {
    await addDay(db, day, accounts, units.find(({ name }) => name === day.unit)?.id)
    await loadPlan(db, day, standardOf(day.standardId, day.standardVersion), accounts)
    for (const { by, atMs, content } of day.log) {
      await addRecord(db, day.id, tokenOf(known(accounts, by)), { id: randomUUID(), content, atMs })
    }
  }
}

interface MadeDay extends Omit<PastDay, 'entries' | 'conditions' | 'startMs'> {
  readonly entries: readonly (Omit<PastEntry, 'attendance'> &
    Pick<HalfEntry, 'attendance' | 'note'> &
    Partial<Pick<HalfEntry, 'choices'>>)[]
}

/** A day that was made up, with its staff, its people and all that was captured on it. */
const addDay = async (
  db: Database,
  { id, name, venue, zone, testDate, standardId, standardVersion, staff, entries, captures }: MadeDay,
  accounts: ReadonlyMap<string, string>,
  unitId?: string,
): Promise<void> => {
  const ofUnit = unitId === undefined ? {} : { unitId }
  await addOccasion(db, { id, name, venue, zone, testDate, standardId, standardVersion, ...ofUnit })
  for (const { signInName, duty } of staff) await addStaffMember(db, id, known(accounts, signInName), duty)
  for (const { id: entryId, person, ...entry } of entries) {
    await addEntry(db, { ...entry, id: entryId, occasionId: id, personId: person.id, category: person.category })
  }
  for (const { actor, captures: own } of captures) {
    if (own.length === 0) continue
    const receivedMs = Math.max(...own.map(({ atMs }) => atMs))
    const addition = await addCaptures(db, id, { captures: own, token: tokenOf(known(accounts, actor)), receivedMs })
    if (addition.kind !== 'stored') throw new Error(`The captures of "${name}" were not stored: ${addition.kind}.`)
  }
}

/** The plan of a demo day, by whoever is named first on its staff. */
const loadPlan = async (
  db: Database,
  { id, plan: wished, staff }: Pick<DemoDay, 'id' | 'plan' | 'staff'>,
  standard: Standard,
  accounts: ReadonlyMap<string, string>,
): Promise<void> => {
  const [planner] = staff
  if (!wished || !planner) return
  const first = firstPlan(standard)
  const events = first.events.map((event): EventPlan => {
    const station = wished.stations.find(({ eventId }) => eventId === event.eventId)
    if (!station) return event
    const { place, stations, staff: workers, toleranceMm, surface = '', day = 0 } = station
    const ground = event.ground && {
      ...event.ground,
      surface,
      ...(toleranceMm === undefined ? {} : { toleranceMm }),
    }
    return {
      ...event,
      place,
      day,
      stations,
      staff: workers.map((name) => known(accounts, name)),
      ...(ground ? { ground } : {}),
    }
  })
  const { musterAt, startsAt, days: many = 1 } = wished
  const days = Array.from({ length: many }, (_, afterDays) => ({ afterDays, musterAt, startsAt }))
  await writePlan(db, id, { ...first, days, events }, 0, known(accounts, planner.signInName))
}

/** The log of a demo day, and a hold for everybody who is held. */
const loadLog = async (
  db: Database,
  { id, testDate, zone, log = [], entries, staff }: DemoDay,
  accounts: ReadonlyMap<string, string>,
  entryIds: ReadonlyMap<number, string>,
): Promise<void> => {
  const momentAt = (time: string): number =>
    Temporal.PlainDate.from(testDate).toZonedDateTime({ timeZone: zone, plainTime: time }).epochMilliseconds
  const clerk = staff.find(({ duty }) => duty === 'Check-in clerk')?.signInName ?? ''
  const holds = entries.flatMap(({ bib, attendance, note = '' }) =>
    attendance === 'held'
      ? [
          {
            by: clerk,
            at: '08:20:00',
            content: { kind: 'holdRaised' as const, entryId: known(entryIds, bib), reason: note || 'Held at muster' },
          },
        ]
      : [],
  )
  for (const { by, at, content } of [...holds, ...log]) {
    await addRecord(db, id, tokenOf(known(accounts, by)), { id: randomUUID(), content, atMs: momentAt(at) })
  }
}

const signOff = async (db: Database, occasionId: string, accountId: string, signer: Signer): Promise<void> => {
  const occasion = await findOccasion(db, occasionId)
  if (!occasion) throw new Error(`The demo day ${occasionId} was added but cannot be found.`)
  const day = await readDay(db, occasion)
  const lastMs = Math.max(...(await findAllCaptures(db, occasionId)).map(({ atMs }) => atMs))
  await signDay(db, day, { accountId, token: tokenOf(accountId), atMs: lastMs + HOUR_MS, signer })
}
