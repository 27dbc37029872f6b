/** People across days: who they are, what they did, doubles, self-tests, erasure. */
import {
  ageOn,
  ageReferenceDate,
  amendVerdict,
  CorrectionBody,
  differencesBetween,
  erasableFrom,
  judgeEvent,
  MadeAnswer,
  type Mark,
  measureReadings,
  MergeBody,
  MergedAnswer,
  NO_CHOICES,
  OwnPageLinkAnswer,
  PeopleAnswer,
  type Person,
  PersonRecord,
  ReasonBody,
  rules,
  SelfTestBody,
  slotsOf,
  type Standard,
} from '@able-gauge/core'
import { randomUUID } from 'node:crypto'
import { newToken } from '../access/session.ts'
import { reachIn, unitFor } from '../access/unit.ts'
import { inTransaction, type Database } from '../database.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { listAmendments } from '../store/amendmentStore.ts'
import { listBroughtTestsOf, removeBroughtResult, type BroughtTest } from '../store/broughtStore.ts'
import { findHouseRules } from '../store/houseRulesStore.ts'
import {
  correctPerson,
  erasePerson,
  findPerson,
  lastTestOf,
  listChangesOf,
  listTestsOf,
  mergePeople,
  openDaysOf,
  searchPeople,
  unmergePerson,
  type TestOfPerson,
} from '../store/peopleStore.ts'
import { addOwnPage, withdrawOwnPages } from '../store/ownPageStore.ts'
import { addSelfTest, listSelfTests, type SelfTest } from '../store/selfTestStore.ts'
import { findPublished } from '../store/standardStore.ts'
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

/** @param accountId who logged it; null for the person @returns its id @throws Problem 422 for an event or a reading there is none of */
export const keepSelfTest = async (
  db: Database,
  personId: string,
  { figures, ...body }: SelfTestBody,
  accountId: string | null,
): Promise<string> => {
  const standard = (await findPublished(db, body.standardId, body.standardVersion))?.standard
  const event = standard?.events.find(({ id }) => id === body.eventId)
  if (!standard || !event) {
    throw invalidInput([
      { place: 'eventId', code: 'unknownEvent', found: body.eventId, expected: 'an event of a published standard' },
    ])
  }
  const slots = slotsOf(event.protocol).map(({ id }) => id)
  const unknown = figures.find(({ slot }) => !slots.includes(slot))
  if (unknown) {
    throw invalidInput([
      { place: 'figures', code: 'unknownSlot', found: unknown.slot, expected: `one of ${slots.join(', ')}` },
    ])
  }
  const id = randomUUID()
  const read = Object.fromEntries(figures.map(({ slot, value }) => [slot, value]))
  await addSelfTest(db, personId, { ...body, id, figures: read }, accountId)
  return id
}

/** A person with tests, self-tests and what was changed. */
export const recordOf = async (db: Database, person: Person): Promise<PersonRecord> => {
  const tests = await listTestsOf(db, person.id)
  const brought = await listBroughtTestsOf(db, person.id)
  const own = await listSelfTests(db, person.id)
  return {
    person,
    tests: [
      ...(await Promise.all(tests.map((test) => asItStands(db, test)))),
      ...(await Promise.all(brought.map((test) => asBroughtIn(db, test)))),
    ].sort((a, b) => a.testDate.localeCompare(b.testDate)),
    selfTests: await Promise.all(own.map((test) => judgeSelfTest(db, person, test, tests))),
    changes: await listChangesOf(db, person.id),
  }
}

/** Somebody of the own unit; of others there is nobody. @throws Problem 404 */
export const personIn = async (call: Call): Promise<Person> => {
  const id = param(call, 'personId')
  const person = rules.isUuid(id) ? await findPerson(call.server.pool, id, call.account.unitId ?? null) : null
  if (!person) throw notFound('person')
  return person
}

/** A test with its amendments laid on, and what a chart needs of its standard. */
const asItStands = async (db: Database, { signed, ...test }: TestOfPerson) => {
  const standard = await standardOf(db, test)
  const { earliestAfterDays } = standard.retest
  const events = standard.events.map(({ id, name }) => ({ id, name }))
  if (!signed) return { ...test, events, earliestAfterDays, verdict: null }
  const amendments = (await listAmendments(db, test.occasionId)).filter(({ entryId }) => entryId === test.entryId)
  const terms = { standard, testDate: test.testDate }
  const verdict = amendVerdict(terms, signed.candidate, signed.verdict, amendments)
  return { ...test, events, earliestAfterDays, verdict, amended: amendments.length > 0 }
}

/** A result of earlier years as a test: judged by the version then in force, and never signed here. */
const asBroughtIn = async (db: Database, { id, source, ...test }: BroughtTest) => {
  const { events, retest } = await standardOf(db, test)
  return {
    ...test,
    occasionId: id,
    entryId: id,
    name: 'Brought in',
    broughtIn: source,
    choices: NO_CHOICES,
    setUp: {},
    events: events.map((event) => ({ id: event.id, name: event.name })),
    earliestAfterDays: retest.earliestAfterDays,
  }
}

const standardOf = async (
  db: Database,
  { standardId, standardVersion }: Pick<TestOfPerson, 'standardId' | 'standardVersion'>,
): Promise<Standard> => {
  const published = await findPublished(db, standardId, standardVersion)
  if (!published) throw new Error(`A test names ${standardId} version ${standardVersion}, which is not published.`)
  return published.standard
}

/** Judged as an official result would be, by the category of the last test; without one there is nothing to judge by. */
const judgeSelfTest = async (
  db: Database,
  person: Person,
  test: SelfTest,
  tests: readonly TestOfPerson[],
): Promise<SelfTest & { readonly eventName: string; readonly mark: Mark | null }> => {
  const standard = await standardOf(db, test)
  const event = standard.events.find(({ id }) => id === test.eventId)
  const category = tests.flatMap(({ signed }) => signed?.candidate.category ?? []).at(-1)
  if (!event || category === undefined) return { ...test, eventName: event?.name ?? test.eventId, mark: null }
  const ageCountedOn = ageReferenceDate(standard.ageRule, test.testDate)
  const ageYears = ageOn(person.birthDate, ageCountedOn, standard.ageRule.leapDayBirthday)
  const candidate = { entryId: test.id, category, ageYears, ageCountedOn }
  const measure = measureReadings(event.protocol, test.figures)
  return {
    ...test,
    eventName: event.name,
    mark: judgeEvent({ standard, testDate: test.testDate }, event, candidate, measure),
  }
}
