/** The house of the demo: who works in it, its units, its people, its rules. */
import { randomUUID } from 'node:crypto'
import Papa from 'papaparse'
import {
  guessRegister,
  readRegister,
  type HouseRules,
  type OrgUnit,
  type RetestCall,
  type StaffGroup,
} from '@able-gauge/core'
import { hashPassword } from '../access/password.ts'
import { ROLES, type Role } from '../access/role.ts'
import type { Database } from '../database.ts'
import { addAccount } from '../store/accountStore.ts'
import { addPerson } from '../store/personStore.ts'
import { closeSetUpSessions, openSetUpSession, tokenOf } from '../store/setUpStore.ts'
import { keepUnit } from '../store/unitStore.ts'
import { known, readText } from './demoFiles.ts'
import { DEMO_PASSWORD } from './password.ts'

/** The made-up limits of the Tarn Isles testing office. */
const DEMO_HEAT: HouseRules['heat'] = [
  { fromDeciC: 240, advice: 'change', measure: 'Waves of half the size, water before each event, runs before ten.' },
  { fromDeciC: 280, advice: 'stop', measure: 'No runs and no marches; the day is put off.' },
]

export const DEMO_HOUSE: Pick<HouseRules, 'organisation' | 'heat' | 'practice' | 'venues'> = {
  organisation: 'Tarn Isles Testing Office',
  heat: DEMO_HEAT,
  practice: { atLeastHundredths: 80, level: 2, withinDays: 60 },
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
export const groupsOf = (accounts: ReadonlyMap<string, string>): StaffGroup[] => [
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

/** Whom the house calls, and how often. */
export const retestsOf = (units: readonly OrgUnit[]): RetestCall[] => {
  const of = (name: string): Pick<RetestCall, 'unitId'> => {
    const id = units.find((unit) => unit.name === name)?.id
    return id === undefined ? {} : { unitId: id }
  }
  return [
    {
      name: 'Guard, yearly',
      standardId: 'guard-service',
      ...of('Territorial Guard'),
      every: { count: 1, of: 'years' },
    },
    {
      name: 'Fire Service, yearly',
      standardId: 'drill-yard-course',
      ...of('Fire Service'),
      every: { count: 1, of: 'years' },
    },
    {
      name: 'Before the January course',
      standardId: 'constabulary-entry',
      ...of('Intake'),
      every: { count: 6, of: 'months' },
      before: '2027-01-18',
    },
  ]
}

/** Lets somebody write something while nobody is signed in. */
export const withSession = async (db: Database, accountId: string, work: () => Promise<void>): Promise<void> => {
  await openSetUpSession(db, accountId)
  await work()
  await closeSetUpSessions(db)
}

/**
 * Lets the staff of the demo in.
 * @param units null for those of the whole house; otherwise those of units, which have to be there
 * @returns account ids by sign-in name
 */
export const loadStaff = async (db: Database, units: readonly OrgUnit[] | null): Promise<Map<string, string>> => {
  const { data } = Papa.parse<Record<string, string>>(await readText('staff.csv'), {
    header: true,
    skipEmptyLines: true,
  })
  const passwordHash = await hashPassword(DEMO_PASSWORD)
  const unitIds = new Map(units?.map(({ id, name }) => [name, id]))
  const ids = new Map<string, string>()
  for (const { sign_in_name: signInName = '', display_name: displayName = '', role = '', unit = '' } of data) {
    if (!isRole(role)) throw new Error(`demo/staff.csv: "${role}" is no role. Expected one of ${ROLES.join(', ')}.`)
    if ((unit === '') !== (units === null)) continue
    const id = randomUUID()
    const unitId = unit === '' ? undefined : known(unitIds, unit)
    await addAccount(db, { id, signInName, displayName, role, passwordHash, isDemo: true, unitId })
    ids.set(signInName, id)
  }
  return ids
}

const isRole = (text: string): text is Role => (ROLES as readonly string[]).includes(text)

export interface DemoPerson {
  readonly id: string
  readonly number: string
  /** YYYY-MM-DD */
  readonly birthDate: string
  readonly category: string
  /** Name of the unit. */
  readonly unit: string
}

/** The administrator keeps the units. */
export const KEPT_BY = 'thora.lindqvist-may'

export const loadUnits = async (db: Database, accountId: string): Promise<OrgUnit[]> => {
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

export const loadPeople = async (
  db: Database,
  units: readonly OrgUnit[],
  nowMs: number,
): Promise<Map<string, DemoPerson>> => {
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
    const unit = units.find((one) => one.id === row.unitId)?.name ?? ''
    ids.set(row.number, { id, number: row.number, birthDate: row.birthDate, category: row.category, unit })
  }
  return ids
}
