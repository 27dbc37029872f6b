/** Loads the sample scenario, once, through the same stores as everything else. */
import { randomUUID } from 'node:crypto'
import { readFile, readdir } from 'node:fs/promises'
import path from 'node:path'
import Papa from 'papaparse'
import { Temporal } from 'temporal-polyfill'
import {
  FIRST_HOUSE_RULES,
  firstPlan,
  guessRegister,
  parseDocument,
  parseField,
  parseStandard,
  readRegister,
  rehearseRepetitions,
  rehearseWave,
  sayFinding,
  seededRandom,
  slotsOf,
  stamp,
  timeBoundsOf,
  type Capture,
  type EventPlan,
  type FieldForm,
  type HouseRules,
  type OrgUnit,
  type Random,
  type StaffGroup,
  type RunScript,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import { hashPassword } from '../access/password.ts'
import { ROLES, type Role } from '../access/role.ts'
import type { Database } from '../database.ts'
import { DEMO_FOLDER } from '../folders.ts'
import { readDay } from '../dayRecord.ts'
import { signDay } from '../signDay.ts'
import type { Signer } from '../signer.ts'
import { addAccount, listDemoAccounts } from '../store/accountStore.ts'
import { addCaptures, findAllCaptures } from '../store/captureStore.ts'
import { addDraft } from '../store/draftStore.ts'
import { addEntry } from '../store/entryStore.ts'
import { writeHouseRules } from '../store/houseRulesStore.ts'
import { addOccasion, addStaffMember, findOccasion, listStaff } from '../store/occasionStore.ts'
import { addPerson } from '../store/personStore.ts'
import { writePlan } from '../store/planStore.ts'
import { addRecord, listRecords } from '../store/recordStore.ts'
import { closeSetUpSessions, openSetUpSession, tokenOf } from '../store/setUpStore.ts'
import { addStandard, getStandard } from '../store/standardStore.ts'
import { keepUnit } from '../store/unitStore.ts'
import { DemoDay } from './demoDay.ts'
import { DEMO_PASSWORD } from './password.ts'

const HOUR_MS = 3_600_000

/** The made-up limits of the Tarn Isles testing office. */
const DEMO_HEAT: HouseRules['heat'] = [
  { fromDeciC: 240, advice: 'change', measure: 'Waves of half the size, water before each event, runs before ten.' },
  { fromDeciC: 280, advice: 'stop', measure: 'No runs and no marches; the day is put off.' },
]

const DEMO_HOUSE: Pick<HouseRules, 'organisation' | 'heat' | 'venues'> = {
  organisation: 'Tarn Isles Testing Office',
  heat: DEMO_HEAT,
  venues: [
    {
      name: 'Fallow Point track',
      zone: 'Etc/GMT-12',
      grounds: [
        { name: 'Track, inner lane', shape: 'loop', lengthMm: 400_000, surface: 'all-weather track' },
        { name: 'Infield, drag lane', shape: 'straight', lengthMm: 30_000, surface: 'short grass' },
      ],
    },
    { name: 'Marram Yard', zone: 'Etc/GMT-12', grounds: [] },
    {
      name: 'Skerry Barracks square',
      zone: 'Etc/GMT-12',
      grounds: [{ name: 'Loop round the square', shape: 'loop', lengthMm: 350_000, surface: 'asphalt' }],
    },
    {
      name: 'Causeway Pool',
      zone: 'Etc/GMT-12',
      grounds: [{ name: 'Pool', shape: 'shuttle', lengthMm: 25_000, surface: 'water' }],
    },
  ],
}

/** Who works the Constabulary's days together. */
const groupsOf = (accounts: ReadonlyMap<string, string>): StaffGroup[] => [
  {
    name: 'Fallow Point crew',
    members: [
      ['joss.adair-nakata', 'Grader, lane 1'],
      ['wanda.lofthouse', 'Grader, lane 2'],
      ['pell.varga', 'Timer'],
      ['sorrel.dunmore', 'Backup timer'],
    ].map(([name = '', duty = '']) => ({ accountId: known(accounts, name), duty })),
  },
]

/**
 * Loads the demo unless it is there already. A day that is half run is of today, however long ago it was written down.
 * @throws Error naming the file and place of anything unsound in it
 */
export const loadDemo = async (db: Database, signer: Signer, nowMs: number = Date.now()): Promise<void> => {
  const days = await Promise.all((await filesIn('days')).map(readDayFile))
  if ((await listDemoAccounts(db)).length > 0) {
    for (const day of days) await openToday(db, day, nowMs)
    return
  }
  const accounts = await loadStaff(db)
  const units = await loadUnits(db, known(accounts, KEPT_BY))
  const people = await loadPeople(db, units, nowMs)
  for (const file of await filesIn('standards')) await addStandard(db, await readStandard(file))
  for (const file of await filesIn('drafts')) await loadDraft(db, file, known(accounts, DRAFTED_BY))
  await writeHouseRules(db, { ...FIRST_HOUSE_RULES, ...DEMO_HOUSE, staffGroups: groupsOf(accounts) }, 0)
  for (const accountId of accounts.values()) await openSetUpSession(db, accountId)
  for (const day of days) {
    await loadDay(db, ofToday(day, nowMs), accounts, people, seedOf(day), signer)
    await openToday(db, day, nowMs)
  }
  await closeSetUpSessions(db)
}

const withSession = async (db: Database, accountId: string, work: () => Promise<void>): Promise<void> => {
  await openSetUpSession(db, accountId)
  await work()
  await closeSetUpSessions(db)
}

/** The results follow from the day as it was written down, whatever date it is moved to. */
const seedOf = ({ testDate }: DemoDay): number => Number(testDate.replaceAll('-', ''))

/** The half-run day ends before noon. */
const LAST_HOUR = 12

/** The newest date at which all that a day holds has happened. */
const ofToday = (day: DemoDay, nowMs: number): DemoDay => {
  if (day.signedOffBy !== undefined) return day
  const now = momentIn(day.zone, nowMs)
  const date = now.hour < LAST_HOUR ? now.toPlainDate().subtract({ days: 1 }) : now.toPlainDate()
  return { ...day, testDate: date.toString() }
}

const momentIn = (zone: string, nowMs: number): Temporal.ZonedDateTime =>
  Temporal.Instant.fromEpochMilliseconds(nowMs).toZonedDateTimeISO(zone)

/** An officer would open yesterday's day today; nobody should have to in a demo. */
const openToday = async (db: Database, { id, zone, signedOffBy }: DemoDay, nowMs: number): Promise<void> => {
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

const filesIn = async (folder: string): Promise<string[]> =>
  (await readdir(path.join(DEMO_FOLDER, folder)))
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => path.join(folder, name))

const readText = (file: string): Promise<string> => readFile(path.join(DEMO_FOLDER, file), 'utf8')

const readStandard = async (file: string): Promise<Standard> => {
  const parsed = parseStandard(JSON.parse(await readText(file)))
  if (!parsed.ok) throw new Error(`demo/${file} is unsound. ${parsed.findings.map(sayFinding).join(' ')}`)
  return parsed.value
}

const readDayFile = async (file: string): Promise<DemoDay> => {
  const parsed = parseDocument(DemoDay, JSON.parse(await readText(file)))
  if (!parsed.ok) throw new Error(`demo/${file} is unsound. ${parsed.findings.map(sayFinding).join(' ')}`)
  return parsed.value
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

/** @returns account ids by sign-in name */
const loadStaff = async (db: Database): Promise<Map<string, string>> => {
  const { data } = Papa.parse<Record<string, string>>(await readText('staff.csv'), {
    header: true,
    skipEmptyLines: true,
  })
  const passwordHash = await hashPassword(DEMO_PASSWORD)
  const ids = new Map<string, string>()
  for (const { sign_in_name: signInName = '', display_name: displayName = '', role = '' } of data) {
    if (!isRole(role)) throw new Error(`demo/staff.csv: "${role}" is no role. Expected one of ${ROLES.join(', ')}.`)
    const id = randomUUID()
    await addAccount(db, { id, signInName, displayName, role, passwordHash, isDemo: true })
    ids.set(signInName, id)
  }
  return ids
}

const isRole = (text: string): text is Role => (ROLES as readonly string[]).includes(text)

interface DemoPerson {
  readonly id: string
  readonly category: string
}

/** The administrator keeps the units. */
const KEPT_BY = 'thora.lindqvist-may'

const loadUnits = async (db: Database, accountId: string): Promise<OrgUnit[]> => {
  const units: OrgUnit[] = []
  const { data } = Papa.parse<Record<string, string>>(await readText('units.csv'), {
    header: true,
    skipEmptyLines: true,
  })
  await withSession(db, accountId, async () => {
    for (const { name = '', part_of: above = '' } of data) {
      const parentId = units.find((unit) => unit.name === above)?.id ?? null
      const unit = { id: randomUUID(), name, parentId, isClosed: false }
      await keepUnit(db, tokenOf(accountId), unit)
      units.push(unit)
    }
  })
  return units
}

const loadPeople = async (db: Database, units: readonly OrgUnit[], nowMs: number): Promise<Map<string, DemoPerson>> => {
  const [headings = [], ...table] = Papa.parse<string[]>(await readText('people.csv'), { skipEmptyLines: true }).data
  const { rows, findings } = readRegister(
    table,
    guessRegister(headings),
    units,
    new Date(nowMs).toISOString().slice(0, 10),
  )
  const [wrong] = findings
  if (wrong) throw new Error(`demo/people.csv, line ${wrong.line}: expected ${wrong.expected}.`)
  const ids = new Map<string, DemoPerson>()
  for (const { row } of rows) {
    const id = randomUUID()
    await addPerson(db, { ...row, id, unitId: row.unitId === '' ? undefined : row.unitId })
    ids.set(row.number, { id, category: row.category })
  }
  return ids
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

/** The plan of a demo day, by whoever is named first on its staff. */
const loadPlan = async (
  db: Database,
  { id, plan: wished, staff }: DemoDay,
  standard: Standard,
  accounts: ReadonlyMap<string, string>,
): Promise<void> => {
  const [planner] = staff
  if (!wished || !planner) return
  const first = firstPlan(standard)
  const events = first.events.map((event): EventPlan => {
    const station = wished.stations.find(({ eventId }) => eventId === event.eventId)
    if (!station) return event
    const { place, stations, staff: workers, toleranceMm, surface = '' } = station
    const ground = event.ground && {
      ...event.ground,
      surface,
      ...(toleranceMm === undefined ? {} : { toleranceMm }),
    }
    return {
      ...event,
      place,
      stations,
      staff: workers.map((name) => known(accounts, name)),
      ...(ground ? { ground } : {}),
    }
  })
  const days = [{ afterDays: 0, musterAt: wished.musterAt, startsAt: wished.startsAt }]
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
  const clerk = staff.at(-1)?.signInName ?? ''
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

const known = <Key extends string | number, Value>(values: ReadonlyMap<Key, Value>, name: Key): Value => {
  const value = values.get(name)
  if (value === undefined) throw new Error(`The demo names "${name}", which is in none of its files.`)
  return value
}

interface ActorCaptures {
  readonly actor: string
  readonly captures: readonly Capture[]
}

const capturesOf = (
  day: DemoDay,
  standard: Standard,
  entryIds: ReadonlyMap<number, string>,
  seed: number,
): ActorCaptures[] => {
  const random = seededRandom(seed)
  const momentAt = (time: string): number =>
    Temporal.PlainDate.from(day.testDate).toZonedDateTime({ timeZone: day.zone, plainTime: time }).epochMilliseconds
  const entryOf = (bib: number): string => {
    const entryId = entryIds.get(bib)
    if (entryId === undefined)
      throw new Error(`Demo day "${day.name}" has results for bib ${bib}, which is not entered.`)
    return entryId
  }
  const repetitions = day.repetitions.map(({ eventId, grader, attempts }) => ({
    actor: grader,
    captures: attempts.flatMap(({ bib, at, ...script }) =>
      rehearseRepetitions(
        { eventId, deviceId: 'tablet-lane-1', random },
        protocolOf(standard, eventId, 'repetitionsInTime'),
        {
          ...script,
          entryId: entryOf(bib),
          startAtMs: momentAt(at),
        },
      ),
    ),
  }))
  const runs = day.runs.map(({ eventId, timer, wave, at, runners }) => {
    const stage = { eventId, deviceId: 'laptop-finish', random }
    const scripts = runners.map(({ bib, finish, stop }): RunScript => ({
      entryId: entryOf(bib),
      finishMs: elapsed(finish),
      ...(stop ? { stop } : {}),
    }))
    const captures = rehearseWave(stage, protocolOf(standard, eventId, 'timedDistance'), wave, momentAt(at), scripts)
    const later = runners.flatMap(({ bib, bibLaterAtLap }) =>
      bibLaterAtLap ? [{ entryId: entryOf(bib), lap: bibLaterAtLap }] : [],
    )
    return {
      actor: timer,
      captures: later.reduce((all, { entryId, lap }) => putBibLater(all, stage, entryId, lap), captures),
    }
  })
  const readings = day.readings.map(({ eventId, grader, at, everySeconds, people }) => {
    const stage = { eventId, deviceId: 'tablet-lane-2', random }
    const event = standard.events.find(({ id }) => id === eventId)
    if (!event) throw new Error(`The demo reads event "${eventId}", which the standard does not hold.`)
    const slots = slotsOf(event.protocol)
    return {
      actor: grader,
      captures: people.flatMap(({ bib, values }, index) =>
        slots.flatMap((slot, turn) => {
          const text = values[slot.id]
          if (text === undefined) return []
          const atMs = momentAt(at) + (index * everySeconds + turn * 10) * 1000
          return [
            stamp(stage, entryOf(bib), atMs, { kind: 'read', payload: { slot: slot.id, value: figure(text, slot) } }),
          ]
        }),
      ),
    }
  })
  return [...repetitions, ...readings, ...runs]
}

/** Makes one crossing a time without a bib that got its bib eight seconds later. */
const putBibLater = (
  captures: readonly Capture[],
  stage: { eventId: string; deviceId: string; random: Random },
  entryId: string,
  lap: number,
): Capture[] => {
  const crossing = captures.filter((capture) => capture.kind === 'crossed' && capture.entryId === entryId)[lap - 1]
  if (!crossing) throw new Error(`The demo asks for a bib put later to lap ${lap}, which was not run.`)
  const assigned = stamp(stage, entryId, crossing.atMs + 8_000, {
    kind: 'assigned',
    payload: { captureId: crossing.id },
  })
  return [...captures.map((capture) => (capture === crossing ? { ...capture, entryId: null } : capture)), assigned]
}

const protocolOf = <Kind extends StandardEvent['protocol']['kind']>(
  standard: Standard,
  eventId: string,
  kind: Kind,
): Extract<StandardEvent['protocol'], { kind: Kind }> => {
  const protocol = standard.events.find(({ id }) => id === eventId)?.protocol
  if (protocol?.kind !== kind)
    throw new Error(`The demo runs event "${eventId}" as ${kind}, which the standard does not hold.`)
  // the kind was compared in the line above
  return protocol as Extract<StandardEvent['protocol'], { kind: Kind }>
}

const elapsed = (text: string): number => figure(text, { unit: 'ms' })

const figure = (text: string, form: FieldForm): number => {
  const read = parseField(text, form)
  if (!read.ok) throw new Error(`The demo has an unsound figure. ${read.reason}`)
  return read.value
}
