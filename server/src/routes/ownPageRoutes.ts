/** A candidate's own page: opened by its link and the date of birth with every request, without a session. */
import { Router, type Request } from 'express'
import {
  MadeAnswer,
  OwnGoalBody,
  OwnGoalEndBody,
  OwnPageAnswer,
  OwnPageKey,
  OwnPictureBody,
  OwnSelfTestBody,
  type Person,
} from '@able-gauge/core'
import { keepSelfTest, recordOf } from '../personRecord.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { findHouseRules } from '../store/houseRulesStore.ts'
import { endGoal, listComingTests, listGoals, openOwnPage, setGoal } from '../store/ownPageStore.ts'
import { findPerson } from '../store/peopleStore.ts'
import { noteEvent } from '../store/securityStore.ts'
import { findSelfTestPicture } from '../store/selfTestStore.ts'
import { findPublished } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import type { OpenRoute, Server } from './route.ts'

export const OWN_PAGE_ROUTES: readonly OpenRoute[] = [
  {
    method: 'post',
    path: '/api/session/own',
    what: 'a candidate’s own page, opened by its link and the date of birth',
    answer: OwnPageAnswer,
    body: OwnPageKey,
  },
  {
    method: 'post',
    path: '/api/session/own/self-tests',
    what: 'keeps a self-test somebody logs on their own page, or what puts one right',
    answer: MadeAnswer,
    body: OwnSelfTestBody,
  },
  {
    method: 'post',
    path: '/api/session/own/picture',
    what: 'the picture that was kept with a self-test',
    answer: 'a JPEG',
    body: OwnPictureBody,
  },
  {
    method: 'post',
    path: '/api/session/own/goals',
    what: 'sets a goal for an event, in place of an earlier one',
    answer: 'nothing',
    body: OwnGoalBody,
  },
  {
    method: 'post',
    path: '/api/session/own/goals/end',
    what: 'takes a goal away',
    answer: 'nothing',
    body: OwnGoalEndBody,
  },
]

export const ownPageRouter = (server: Server): Router => {
  const router = Router()
  const { pool } = server

  router.post('/', async (request, response) => {
    const person = await ownerOf(server, request, readBody(OwnPageKey, request))
    const record = await recordOf(pool, person)
    const last = record.tests.at(-1)
    const published = last ? await findPublished(pool, last.standardId, last.standardVersion) : null
    const page: OwnPageAnswer = {
      organisation: (await findHouseRules(pool)).rules.organisation ?? '',
      // what the office did to the record, and why, stays there; what is not signed yet is nobody's result
      record: { ...record, changes: [], tests: record.tests.filter(({ verdict }) => verdict !== null) },
      standard: published?.standard ?? null,
      coming: await listComingTests(pool, person.id, new Date().toISOString().slice(0, 10)),
      goals: await listGoals(pool, person.id),
    }
    response.json(page)
  })

  router.post('/self-tests', async (request, response) => {
    const { key, test } = readBody(OwnSelfTestBody, request)
    const person = await ownerOf(server, request, key)
    response.status(201).json({ id: await keepSelfTest(pool, person.id, test, null) })
  })

  router.post('/picture', async (request, response) => {
    const { key, testId } = readBody(OwnPictureBody, request)
    const person = await ownerOf(server, request, key)
    const picture = await findSelfTestPicture(pool, person.id, testId)
    if (!picture) throw notFound('picture')
    response.type('jpeg').send(picture)
  })

  router.post('/goals', async (request, response) => {
    const { key, goal } = readBody(OwnGoalBody, request)
    const person = await ownerOf(server, request, key)
    const { tests } = await recordOf(pool, person)
    const isTheirs = tests.some(
      ({ standardId, events }) => standardId === goal.standardId && events.some(({ id }) => id === goal.eventId),
    )
    if (!isTheirs) {
      throw invalidInput([
        { place: 'goal.eventId', code: 'unknownEvent', found: goal.eventId, expected: 'an event they were tested in' },
      ])
    }
    await setGoal(pool, person.id, goal)
    response.status(204).end()
  })

  router.post('/goals/end', async (request, response) => {
    const { key, ...goal } = readBody(OwnGoalEndBody, request)
    const person = await ownerOf(server, request, key)
    await endGoal(pool, person.id, goal)
    response.status(204).end()
  })

  return router
}

/** Whose page it is. @throws Problem 401, the same for a wrong date and a link that ended */
const ownerOf = async ({ pool }: Server, request: Request, { code, birthDate }: OwnPageKey): Promise<Person> => {
  const id = await openOwnPage(pool, code, birthDate)
  const person = id === null ? null : await findPerson(pool, id, null)
  if (person) return person
  await noteEvent(pool, { kind: 'ownPage.refused', accountId: null, detail: { address: request.ip ?? '' } })
  throw new Problem(
    401,
    'ownPage.closed',
    'The page does not open. The date of birth is another, or the link has ended: ask the testing office for a new one.',
  )
}
