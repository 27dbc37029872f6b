/** What is kept, taken out: the register, everything of a unit, everything of one person. */
import { may, PeopleAnswer, type PersonRecord } from '@able-gauge/core'
import { reachIn } from '../access/unit.ts'
import { inTransaction } from '../database.ts'
import { recordOf } from '../personRecord.ts'
import { exportPerson } from '../store/personExportStore.ts'
import { searchPeople } from '../store/peopleStore.ts'
import { listUnits } from '../store/unitStore.ts'
import { personIn } from './peopleRoutes.ts'
import type { Route } from './route.ts'

/** More people than one organisation has. */
const EVERYBODY = 1_000_000

export const exportRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/register',
    what: 'everybody on record within reach, or of a unit and those below it (`?unit=`)',
    answer: PeopleAnswer,
    action: 'people.export',
    noted: 'people.exported',
    cost: 'costly',
    handle: async (call) => {
      const people = await searchPeople(call.server.pool, { search: '', most: EVERYBODY, reach: await reachIn(call) })
      call.response.json({ people })
    },
  },
  {
    method: 'get',
    path: '/api/register/everything',
    what: 'everybody on record within reach, or of a unit (`?unit=`), with all their tests; described in docs/formats/exports.md',
    answer: 'a JSON file',
    action: 'people.export',
    noted: 'people.exported',
    cost: 'costly',
    handle: async (call) => {
      const { pool } = call.server
      const reach = await reachIn(call)
      const units = (await listUnits(pool)).map(({ id, name, parentId }) => ({ id, name, parentId }))
      const people = await searchPeople(pool, { search: '', most: EVERYBODY, reach })
      const { response } = call
      // written person by person: a whole service is too much to hold at once
      response.type('application/json')
      response.write(
        `{"format":"able-gauge/people/1","unit":${JSON.stringify(reach)},"units":${JSON.stringify(units)},"people":[`,
      )
      for (const [index, { tests: _tests, lastTest: _last, ...person }] of people.entries()) {
        const { tests, selfTests } = await recordOf(pool, person)
        response.write(`${index > 0 ? ',' : ''}\n${JSON.stringify({ person, tests, selfTests })}`)
      }
      response.end('\n]}\n')
    },
  },
  {
    method: 'get',
    path: '/api/people/:personId/everything',
    what: 'everything that is kept about one person; described in docs/formats/exports.md',
    answer: 'a JSON file',
    action: 'people.export',
    noted: 'person.exported',
    cost: 'costly',
    handle: async (call) => {
      const { server, response, account } = call
      const person = await personIn(call)
      const withHealth = may(account, 'screenings.read').ok
      const file = await inTransaction(server.pool, async (db) => {
        const record: PersonRecord = await recordOf(db, person)
        return { ...record, ...(await exportPerson(db, person.id, withHealth)) }
      })
      response.json({
        format: 'able-gauge/person/1',
        made: new Date().toISOString().slice(0, 10),
        ...(withHealth ? {} : { left: 'Screening answers are given out by an officer alone.' }),
        ...file,
      })
    },
  },
]
