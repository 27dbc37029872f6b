/** People across days: who they are, what they did, doubles, self-tests, erasure. */
import {
  CorrectionBody,
  differencesBetween,
  EntryPagesAnswer,
  EntryPagesBody,
  erasableFrom,
  MadeAnswer,
  MergeBody,
  MergedAnswer,
  OwnPageLinkAnswer,
  PeopleAnswer,
  type Person,
  PersonRecord,
  ReasonBody,
  rules,
  SelfTestBody,
} from '@able-gauge/core'
import { newToken } from '../access/session.ts'
import { dayOf } from '../access/day.ts'
import { reachIn, unitFor } from '../access/unit.ts'
import { inTransaction } from '../database.ts'
import { keepSelfTest, recordOf } from '../personRecord.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { removeBroughtResult } from '../store/broughtStore.ts'
import { findHouseRules } from '../store/houseRulesStore.ts'
import { findSelfTestPicture } from '../store/selfTestStore.ts'
import { addOwnPage, addOwnPagesOf, withdrawOwnPages } from '../store/ownPageStore.ts'
import {
  correctPerson,
  erasePerson,
  findPerson,
  lastTestOf,
  mergePeople,
  openDaysOf,
  searchPeople,
  unmergePerson,
} from '../store/peopleStore.ts'
import { readBody } from './body.ts'
import { param, type Call, type Route } from './route.ts'

const MOST_PEOPLE = 500
/** How long a link to an own page opens it. */
const OWN_PAGE_MS = 183 * 24 * 3_600_000

export const peopleRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/people',
    what: 'people by name or number (`?search=`), of a unit where one is named (`?unit=`)',
    answer: PeopleAnswer,
    action: 'people.read',
    handle: async (call) => {
      const { server, request, response } = call
      const search = typeof request.query['search'] === 'string' ? request.query['search'].trim().slice(0, 80) : ''
      response.json({
        people: await searchPeople(server.pool, { search, most: MOST_PEOPLE, reach: await reachIn(call) }),
      })
    },
  },
  {
    method: 'get',
    path: '/api/people/:personId',
    what: 'a person, their tests, self-tests and what was changed',
    answer: PersonRecord,
    action: 'people.read',
    handle: async (call) => {
      const { server, response } = call
      const person = await personIn(call)
      response.json(await recordOf(server.pool, person))
    },
  },
  {
    method: 'post',
    path: '/api/people/:personId/self-tests',
    what: 'keeps a self-test, which is never judged as an official one',
    answer: MadeAnswer,
    action: 'selfTests.add',
    body: SelfTestBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const person = await personIn(call)
      const id = await keepSelfTest(server.pool, person.id, readBody(SelfTestBody, request), account.id)
      response.status(201).json({ id })
    },
  },
  {
    method: 'get',
    path: '/api/people/:personId/self-tests/:testId/picture',
    what: 'the picture that was kept with a self-test',
    answer: 'a JPEG',
    action: 'people.read',
    handle: async (call) => {
      const person = await personIn(call)
      const id = param(call, 'testId')
      const picture = rules.isUuid(id) ? await findSelfTestPicture(call.server.pool, person.id, id) : null
      if (!picture) throw notFound('picture')
      call.response.type('jpeg').send(picture)
    },
  },
  {
    method: 'delete',
    path: '/api/people/:personId/brought-results/:resultId',
    what: 'takes a result away that was brought in by mistake',
    answer: 'nothing',
    action: 'people.change',
    noted: 'person.changed',
    handle: async (call) => {
      const person = await personIn(call)
      const id = param(call, 'resultId')
      const done = rules.isUuid(id) && (await removeBroughtResult(call.server.pool, person.id, id))
      if (!done) throw notFound('result that was brought in')
      call.response.status(204).end()
    },
  },
  {
    method: 'post',
    path: '/api/people/:personId/own-page',
    what: 'a link to the person’s own page, which opens with the date of birth and ends after half a year',
    answer: OwnPageLinkAnswer,
    action: 'ownPages.make',
    noted: 'ownPage.made',
    handle: async (call) => {
      const { server, response, account } = call
      const person = await personIn(call)
      const page = { code: newToken(), ends: new Date(Date.now() + OWN_PAGE_MS) }
      await addOwnPage(server.pool, { ...page, personId: person.id, accountId: account.id })
      response.status(201).json({ code: page.code, endsMs: page.ends.getTime() })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/own-pages',
    what: 'links to the own pages of people entered on a day, for their printed sheets; a new one with each print',
    answer: EntryPagesAnswer,
    action: 'ownPages.print',
    noted: 'ownPage.made',
    body: EntryPagesBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const { entryIds } = readBody(EntryPagesBody, request)
      const ends = new Date(Date.now() + OWN_PAGE_MS)
      const pages = entryIds.map((entryId) => ({ entryId, code: newToken() }))
      const made = await addOwnPagesOf(server.pool, occasion.id, pages, account.id, ends)
      response.status(201).json({ links: pages.filter(({ entryId }) => made.has(entryId)) })
    },
  },
  {
    method: 'delete',
    path: '/api/people/:personId/own-page',
    what: 'ends every link to the person’s own page',
    answer: 'nothing',
    action: 'ownPages.make',
    noted: 'ownPage.withdrawn',
    handle: async (call) => {
      const person = await personIn(call)
      await withdrawOwnPages(call.server.pool, person.id)
      call.response.status(204).end()
    },
  },
  {
    method: 'post',
    path: '/api/people/:personId/merge',
    what: 'lets a double point to the person it is',
    answer: MergedAnswer,
    action: 'people.change',
    noted: 'person.changed',
    body: MergeBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const double = await personIn(call)
      const { intoId, reason, although = false } = readBody(MergeBody, request)
      const into = await findPerson(server.pool, intoId, account.unitId ?? null)
      if (!into || into.id === double.id) {
        throw invalidInput([{ place: 'intoId', code: 'unknown', found: intoId, expected: 'another person on record' }])
      }
      const apart = differencesBetween(double, into)
      if (apart.length > 0 && !although) {
        throw new Problem(
          409,
          'person.differs',
          `They differ in ${apart.join(' and ')}. Say that they are one person all the same, or leave them as two. Nothing was changed.`,
          apart.map((field) => ({ place: field, code: 'differs', found: 'another', expected: 'the same in both' })),
        )
      }
      const merge = await inTransaction(server.pool, (db) => mergePeople(db, double.id, into.id, reason, account.id))
      if (merge.kind === 'sameDay') {
        throw new Problem(
          409,
          'person.sameDay',
          `Both are entered on "${merge.day}". They are two people, or one of the entries is wrong. Nothing was changed.`,
        )
      }
      response.json({ entries: merge.entries })
    },
  },
  {
    method: 'post',
    path: '/api/people/:personId/unmerge',
    what: 'takes a merge back',
    answer: 'nothing',
    action: 'people.change',
    noted: 'person.changed',
    body: ReasonBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const { reason } = readBody(ReasonBody, request)
      const id = param(call, 'personId')
      const done =
        rules.isUuid(id) &&
        (await inTransaction(server.pool, (db) =>
          unmergePerson(db, id, { reason, accountId: account.id, reach: account.unitId ?? null }),
        ))
      if (!done) throw notFound('person who was merged')
      response.status(204).end()
    },
  },
  {
    method: 'patch',
    path: '/api/people/:personId',
    what: 'corrects a person, with a reason',
    answer: 'nothing',
    action: 'people.change',
    noted: 'person.changed',
    body: CorrectionBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const person = await personIn(call)
      const { reason, unitId, ...change } = readBody(CorrectionBody, request)
      const whose = unitId === undefined ? {} : { unitId: await unitFor(server.pool, account, unitId) }
      if (
        !(await inTransaction(server.pool, (db) =>
          correctPerson(db, person.id, { ...change, ...whose }, reason, account.id),
        ))
      ) {
        throw invalidInput([
          {
            place: 'number',
            code: 'numberTaken',
            found: change.number ?? '',
            expected: 'a number nobody else has here',
          },
        ])
      }
      response.status(204).end()
    },
  },
  {
    method: 'post',
    path: '/api/people/:personId/erase',
    what: 'erases personal data, where the house rules let it',
    answer: 'nothing',
    action: 'people.change',
    noted: 'person.changed',
    body: ReasonBody,
    handle: async (call) => {
      const { server, request, response, account, token } = call
      const { reason } = readBody(ReasonBody, request)
      const person = await personIn(call)
      const [open] = await openDaysOf(server.pool, person.id)
      if (open !== undefined) {
        throw new Problem(409, 'person.dayOpen', `"${open}" is not signed off yet, and this person is entered there.`)
      }
      const { rules: house } = await findHouseRules(server.pool)
      const from = erasableFrom(house, await lastTestOf(server.pool, person.id))
      if (from !== null && new Date().toISOString().slice(0, 10) < from) {
        throw new Problem(
          409,
          'person.kept',
          `The house rules keep this person's data until ${from}. Nothing was erased.`,
        )
      }
      await inTransaction(server.pool, (db) => erasePerson(db, token, person.id, reason, account.id))
      response.status(204).end()
    },
  },
]

/** Somebody of the own unit; of others there is nobody. @throws Problem 404 */
export const personIn = async (call: Call): Promise<Person> => {
  const id = param(call, 'personId')
  const person = rules.isUuid(id) ? await findPerson(call.server.pool, id, call.account.unitId ?? null) : null
  if (!person) throw notFound('person')
  return person
}
