/** Who is due, by what the house asks, and a day made of them. */
import { randomUUID } from 'node:crypto'
import {
  birthDateExpected,
  dueOf,
  isFine,
  unitsWithin,
  type DueAnswer,
  type DueDayBody,
  type DuePerson,
  type Finding,
  type OrgUnit,
  type RetestCall,
  type Standard,
} from '@able-gauge/core'
import type { Account } from '../access/role.ts'
import { carryMarks } from '../carryOver.ts'
import { inTransaction, type Database, type Pool } from '../database.ts'
import { invalidInput } from '../problem.ts'
import { findLastPlace, listLastTests, type PersonToTest } from '../store/insight/dueStore.ts'
import { addOccasion, addStaffMember } from '../store/occasionStore.ts'
import { enterPeople } from '../store/rosterStore.ts'
import { findPublished, getStandard, listVersions } from '../store/standardStore.ts'

interface House {
  readonly retests: readonly RetestCall[]
  readonly units: readonly OrgUnit[]
  /** Of who asks; null for the whole house. */
  readonly reach: string | null
  /** YYYY-MM-DD */
  readonly today: string
}

export const dueIn = async (db: Database, { retests, units, reach, today }: House): Promise<DueAnswer> => {
  const versions = (await listVersions(db)).filter(({ state }) => state === 'published')
  const unitOf = new Map(units.map(({ id, name }) => [id, name]))
  const calls: DueAnswer['calls'][number][] = []
  const people: DuePerson[] = []
  let fine = 0
  for (const [at, call] of retests.entries()) {
    const own = versions.filter(({ id }) => id === call.standardId)
    const inForce = own.find(
      ({ inForceFrom, inForceTo }) => (inForceFrom ?? '') <= today && (inForceTo === null || inForceTo >= today),
    )
    const newest = inForce ?? own[0]
    const place = await findLastPlace(db, call.standardId)
    calls.push({
      venue: place?.venue ?? '',
      zone: place?.zone ?? '',
      name: call.name,
      standardId: call.standardId,
      standardName: newest?.name ?? call.standardId,
      version: inForce?.version ?? null,
      before: call.before ?? null,
    })
    if (!newest) continue
    const { standard } = await getStandard(db, newest.id, newest.version)
    const called = await listLastTests(db, call.standardId, calledUnits(units, call, reach))
    for (const person of called) {
      const due = dueOf(call, standard.retest.earliestAfterDays, person, today)
      if (isFine(due)) fine += 1
      else people.push(shapeOf(at, person, due, standard, unitOf))
    }
  }
  return { today, calls, people: people.sort(byUrgency), fine }
}

/** Whose people are called, within reach of who asks; null for everybody. */
const calledUnits = (units: readonly OrgUnit[], { unitId }: RetestCall, reach: string | null): string[] | null => {
  const own = reach === null ? null : unitsWithin(units, reach)
  if (unitId === undefined) return own === null ? null : [...own]
  return [...unitsWithin(units, unitId)].filter((id) => own === null || own.has(id))
}

const shapeOf = (
  call: number,
  person: PersonToTest,
  { state, by, allowedFrom }: Pick<DuePerson, 'state' | 'by' | 'allowedFrom'>,
  { events }: Standard,
  unitOf: ReadonlyMap<string, string>,
): DuePerson => ({
  call,
  personId: person.personId,
  name: person.name,
  number: person.number,
  unit: unitOf.get(person.unitId ?? '') ?? '',
  unitId: person.unitId ?? '',
  category: person.category,
  state,
  by,
  allowedFrom,
  lastDate: person.lastDate,
  shortIn: person.shortIn.map((id) => ({ id, name: events.find((event) => event.id === id)?.name ?? id })),
  enteredOn: person.enteredOn,
})

const URGENCY: readonly DuePerson['state'][] = ['overdue', 'never', 'again', 'due', 'waiting']

const byUrgency = (a: DuePerson, b: DuePerson): number =>
  URGENCY.indexOf(a.state) - URGENCY.indexOf(b.state) ||
  (a.by ?? a.allowedFrom ?? '').localeCompare(b.by ?? b.allowedFrom ?? '') ||
  a.name.localeCompare(b.name, 'en')

/** Makes a day and enters everybody, or nothing of it. @throws Problem 422 naming whoever cannot be entered */
export const makeDueDay = async (
  pool: Pool,
  { personIds, perWave, standardVersion, ...day }: DueDayBody,
  account: Pick<Account, 'id' | 'unitId'>,
  unitIds: readonly string[] | null,
): Promise<string> => {
  const published = await findPublished(pool, day.standardId, standardVersion)
  if (!published) {
    const found = `${day.standardId} version ${standardVersion}`
    throw invalidInput([{ place: 'standardId', code: 'unknownStandard', found, expected: 'a published standard' }])
  }
  const { standard } = published
  const known = await listLastTests(pool, day.standardId, unitIds, personIds)
  const findings = personIds.flatMap((id, index) =>
    entryFindings(
      known.find(({ personId }) => personId === id),
      standard,
      day.testDate,
      `personIds[${index}]`,
    ),
  )
  if (findings.length > 0) throw invalidInput(findings)
  const id = randomUUID()
  const occasion = { ...day, id, standardVersion, ...(account.unitId === undefined ? {} : { unitId: account.unitId }) }
  await inTransaction(pool, async (db) => {
    await addOccasion(db, occasion)
    await addStaffMember(db, id, account.id, 'officer in charge')
    const rows = known.map(({ number, givenName, familyName, birthDate, category }) => ({
      number,
      givenName,
      familyName,
      birthDate,
      category,
      bib: null,
      wave: null,
    }))
    await enterPeople(db, occasion, rows, { waveOf: perWave, reach: account.unitId ?? null })
    await carryMarks(db, occasion, standard, 'everybody')
  })
  return id
}

const entryFindings = (
  person: PersonToTest | undefined,
  { categories }: Standard,
  testDate: string,
  place: string,
): Finding[] => {
  if (!person) return [{ place, code: 'unknownPerson', found: 'nobody', expected: 'a person on record' }]
  const open = categories.map(({ id }) => id)
  const only = open.length === 1
  if (!only && !open.includes(person.category)) {
    const found = person.category === '' ? `${person.name} without a category` : `${person.name}, ${person.category}`
    return [{ place, code: 'category', found, expected: `one of ${open.join(', ')}; the register keeps it` }]
  }
  const expected = birthDateExpected(person.birthDate, testDate)
  return expected === null ? [] : [{ place, code: 'birthDate', found: person.birthDate, expected }]
}
