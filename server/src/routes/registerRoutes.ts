/** The register: people brought in from a file, compared first, then taken as it was decided. */
import { randomUUID } from 'node:crypto'
import {
  birthDateExpected,
  CompareBody,
  differingFields,
  ImportBody,
  ImportedAnswer,
  type ImportRowBody,
  MatchesAnswer,
  matchRegister,
  type Finding,
  type RegisterMatch,
  type RegisterRow,
} from '@able-gauge/core'
import { unitFor } from '../access/unit.ts'
import { inTransaction, type Database } from '../database.ts'
import { invalidInput, Problem } from '../problem.ts'
import { correctPerson, findRegistered, lockPeople } from '../store/peopleStore.ts'
import { addPerson } from '../store/personStore.ts'
import { readBody } from './body.ts'
import type { Call, Route } from './route.ts'

export const registerRoutes: readonly Route[] = [
  {
    method: 'post',
    path: '/api/register/compare',
    what: 'how up to 2,000 people of a file stand to those on record',
    answer: MatchesAnswer,
    action: 'people.change',
    cost: 'costly',
    body: CompareBody,
    handle: async ({ server, request, response, account }) => {
      const { people } = readBody(CompareBody, request)
      response.json({
        matches: matchRegister(people, await findRegistered(server.pool, people, account.unitId ?? null)),
      })
    },
  },
  {
    method: 'post',
    path: '/api/register',
    what: 'takes people of a file in, all or none; 409 when one stands otherwise to the register by now',
    answer: ImportedAnswer,
    action: 'people.change',
    noted: 'people.broughtIn',
    cost: 'costly',
    body: ImportBody,
    handle: async (call) => {
      const { people, reason } = readBody(ImportBody, call.request)
      const unborn = people.flatMap(({ birthDate }, index): Finding[] => {
        const expected = birthDateExpected(birthDate, new Date().toISOString().slice(0, 10))
        const place = `people[${index}].birthDate`
        return expected === null ? [] : [{ place, code: 'birthDate', found: birthDate, expected }]
      })
      if (unborn.length > 0) throw invalidInput(unborn)
      const units = await unitsOf(call, people)
      await inTransaction(call.server.pool, async (db) => {
        await lockPeople(db)
        const matches = matchRegister(people, await findRegistered(db, people, call.account.unitId ?? null))
        refuseChanged(people, matches)
        for (const row of people) await take(db, row, units.get(row.unitId) ?? null, reason, call.account.id)
      })
      const added = people.filter((row) => row.take === 'add').length
      call.response.status(201).json({ added, changed: people.length - added })
    },
  },
]

/** The unit of each row by what it names; who is new and names none belongs to the unit of who brings them in. */
const unitsOf = async (
  { server, account }: Call,
  people: readonly RegisterRow[],
): Promise<Map<string, string | null>> => {
  const named = new Set(people.map(({ unitId }) => unitId))
  const units = new Map<string, string | null>()
  for (const unitId of named) units.set(unitId, await unitFor(server.pool, account, unitId === '' ? undefined : unitId))
  return units
}

/** What was decided on a match holds only while it is that match. @throws Problem 409 naming the rows */
const refuseChanged = (people: readonly ImportRowBody[], matches: readonly RegisterMatch[]): void => {
  const findings = people.flatMap((row, index): Finding[] => {
    const match = matches[index]
    const fits =
      row.take === 'add'
        ? match?.kind === 'new' || match?.kind === 'otherNumber'
        : (match?.kind === 'differs' || match?.kind === 'otherNumber') && match.person.id === row.personId
    return fits
      ? []
      : [{ place: `people[${index}]`, code: 'changedMeanwhile', found: match?.kind ?? 'nothing', expected: row.take }]
  })
  if (findings.length === 0) return
  throw new Problem(
    409,
    'people.changedMeanwhile',
    'Somebody else changed the register meanwhile, or a row was not decided. Nobody was taken in: compare the file again.',
    findings,
  )
}

const take = async (
  db: Database,
  { take: how, personId = '', ...row }: ImportRowBody,
  unitId: string | null,
  reason: string,
  accountId: string,
): Promise<void> => {
  if (how === 'add') {
    await addPerson(db, { ...row, id: randomUUID(), ...(unitId === null ? { unitId: undefined } : { unitId }) })
    return
  }
  const [before] = (await findRegistered(db, [row], null)).filter(({ id }) => id === personId)
  if (!before) throw new Error(`Person ${personId} was matched and is gone, although the register is locked.`)
  const fields = differingFields(row, before)
  const said = Object.fromEntries(fields.map((field) => [field, row[field]]))
  await correctPerson(db, personId, { ...said, ...(fields.includes('unitId') ? { unitId } : {}) }, reason, accountId)
}
