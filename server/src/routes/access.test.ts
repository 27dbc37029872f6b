import { afterAll, beforeAll, expect, test } from 'vitest'
import { ROLES, type Role } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'
import { KeepingFailed } from '../keeper.ts'
import { ROUTES } from './index.ts'

let server: TestServer
let day: { occasionId: string; entryIds: string[] }
const callers = new Map<Role, Caller>()

beforeAll(async () => {
  // nobody makes backups here, but there is somebody to ask
  const refuses = () => Promise.reject(new KeepingFailed('none are made'))
  server = await openTestServer({
    keeper: { last: () => null, lastRestored: () => null, backUp: refuses, restore: refuses },
  })
  day = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  for (const role of ROLES) callers.set(role, await Caller.signedIn(server.address, role))
})
afterAll(() => server.close())

const DAYS: readonly Role[] = ['officer', 'grader', 'timer', 'clerk', 'viewer']

/** Who may call what, written down a second time on purpose: a route changed by mistake fails here. */
const EXPECTED: Readonly<Record<string, readonly Role[]>> = {
  'get /api/occasions': DAYS,
  'get /api/occasions/:occasionId': DAYS,
  'patch /api/occasions/:occasionId/entries/:entryId': ['officer', 'clerk'],
  'get /api/occasions/:occasionId/captures': DAYS,
  'post /api/occasions/:occasionId/captures': ['officer', 'grader', 'timer'],
  'get /api/occasions/:occasionId/verdicts': DAYS,
  'post /api/occasions/:occasionId/sign-off': ['officer'],
  'get /api/standards': [...DAYS, 'records'],
  'get /api/standards/:standardId/:version': [...DAYS, 'records'],
  'post /api/standards': ['officer'],
  'put /api/standards/:standardId/:version': ['officer'],
  'delete /api/standards/:standardId/:version': ['officer'],
  'post /api/standards/:standardId/:version/publish': ['officer'],
  'post /api/standards/:standardId/:version/retire': ['officer'],
  'get /api/standards/:standardId/:version/results': ['officer'],
  'get /api/accounts': ['administrator', 'officer', 'clerk'],
  'put /api/accounts/:accountId/person': ['administrator', 'officer', 'clerk'],
  'get /api/kept-accounts': ['administrator'],
  'post /api/kept-accounts': ['administrator'],
  'patch /api/kept-accounts/:accountId': ['administrator'],
  'post /api/kept-accounts/:accountId/link': ['administrator'],
  'put /api/kept-accounts/:accountId/closed': ['administrator'],
  'get /api/kept-accounts/:accountId/sessions': ['administrator'],
  'delete /api/kept-accounts/:accountId/sessions': ['administrator'],
  'get /api/own-account/sessions': ROLES,
  'delete /api/own-account/sessions/:sessionId': ROLES,
  'put /api/own-account/password': ROLES,
  'get /api/own-account/second-factor': ROLES,
  'post /api/own-account/second-factor': ROLES,
  'put /api/own-account/second-factor': ROLES,
  'post /api/own-account/second-factor/end': ROLES,
  'delete /api/kept-accounts/:accountId/second-factor': ['administrator'],
  'get /api/occasions/:occasionId/annex': ['officer'],
  'put /api/occasions/:occasionId/devices/:deviceId': ['officer', 'grader', 'timer', 'clerk'],
  'put /api/occasions/:occasionId/devices/:deviceId/claims': ['officer', 'grader', 'timer'],
  'get /api/occasions/:occasionId/devices': ['officer'],
  'get /api/security-events': ['administrator', 'officer'],
  'get /api/keys': ROLES,
  'post /api/keys': ['administrator', 'officer'],
  'get /api/occasions/:occasionId/proof': DAYS,
  'patch /api/occasions/:occasionId': ['officer'],
  'patch /api/people/:personId': ['officer', 'records'],
  'post /api/people/:personId/unmerge': ['officer', 'records'],
  'post /api/occasions': ['officer'],
  'post /api/occasions/:occasionId/roster': ['officer', 'clerk'],
  'put /api/occasions/:occasionId/plan': ['officer'],
  'put /api/occasions/:occasionId/waves': ['officer', 'clerk'],
  'put /api/occasions/:occasionId/staff': ['officer'],
  'post /api/occasions/:occasionId/records': ['officer', 'grader', 'timer', 'clerk'],
  'get /api/occasions/:occasionId/screenings': ['officer', 'clerk'],
  'put /api/occasions/:occasionId/entries/:entryId/screening': ['officer', 'clerk'],
  'get /api/house-rules': ROLES,
  'put /api/house-rules': ['administrator', 'officer'],
  'get /api/occasions/:occasionId/stations': ['officer'],
  'post /api/occasions/:occasionId/stations': ['officer'],
  'delete /api/occasions/:occasionId/stations/:code': ['officer'],
  'post /api/occasions/:occasionId/amendments': ['officer'],
  'get /api/occasions/:occasionId/archive': ['officer'],
  'post /api/archives': ['officer'],
  'get /api/people': ['officer', 'clerk', 'records'],
  'get /api/people/:personId': ['officer', 'clerk', 'records'],
  'post /api/people/:personId/self-tests': ['officer', 'clerk', 'records'],
  'post /api/people/:personId/merge': ['officer', 'records'],
  'post /api/people/:personId/erase': ['officer', 'records'],
  'post /api/rehearsals': ['officer', 'grader', 'timer'],
  'get /api/drills': ['officer', 'grader', 'timer'],
  'post /api/drills': ['officer', 'grader', 'timer'],
  'get /api/drills/marks': ['officer'],
  'get /api/drills/:drillId/beside': ['officer', 'grader', 'timer'],
  'post /api/occasions/:occasionId/events/:eventId/instruments': ['officer', 'grader', 'timer'],
  'get /api/time': ROLES,
  'post /api/register/compare': ['officer', 'records'],
  'post /api/register': ['officer', 'records'],
  'post /api/occasions/:occasionId/copy': ['officer'],
  'get /api/occasions/:occasionId/habits': ['officer'],
  'put /api/occasions/:occasionId/standard': ['officer'],
  'put /api/occasions/:occasionId/cancellation': ['officer'],
  'delete /api/occasions/:occasionId/cancellation': ['officer'],
  'delete /api/rehearsals/:occasionId': ['officer', 'grader', 'timer'],
  'post /api/brought-results': ['officer', 'records'],
  'delete /api/people/:personId/brought-results/:resultId': ['officer', 'records'],
  'get /api/register': ['officer', 'records'],
  'get /api/register/everything': ['officer', 'records'],
  'get /api/people/:personId/everything': ['officer', 'records'],
  'get /api/backups': ['administrator'],
  'post /api/backups': ['administrator'],
  'get /api/devices': ['officer'],
  'post /api/occasions/:occasionId/own-pages': ['officer', 'clerk'],
  'get /api/people/:personId/self-tests/:testId/picture': ['officer', 'clerk', 'records'],
  'post /api/restores': ['administrator'],
  'put /api/restores/:restoreId/part': ['administrator'],
  'post /api/restores/:restoreId/start': ['administrator'],
  'post /api/occasions/:occasionId/attendance': ['officer', 'clerk'],
  'put /api/house-mark': ['administrator', 'officer'],
  'delete /api/house-mark': ['administrator', 'officer'],
  'post /api/people/:personId/own-page': ['officer', 'clerk', 'records'],
  'delete /api/people/:personId/own-page': ['officer', 'clerk', 'records'],
  'get /api/insight/results': ['officer', 'records', 'viewer'],
  'get /api/insight/events': ['officer', 'records', 'viewer'],
  'get /api/insight/days': ['officer', 'records', 'viewer'],
  'get /api/insight/data': ['officer', 'records', 'viewer'],
  'get /api/insight/noise': ['officer', 'clerk', 'records'],
  'get /api/insight/venues': ['officer', 'records', 'viewer'],
  'get /api/insight/people': ['officer', 'clerk', 'records'],
  'get /api/insight/repeats': ['officer', 'records', 'viewer'],
  'get /api/insight/graders': ['officer', 'grader', 'timer'],
  'get /api/insight/progress': ['officer', 'clerk', 'records'],
  'get /api/insight/due': ['officer', 'clerk', 'records'],
  'post /api/insight/due/day': ['officer'],
  'get /api/units': ROLES,
  'put /api/units/:unitId': ['administrator'],
  'get /api/occasions/:occasionId/live': DAYS,
}

test('every route is in the list of expectations', () => {
  expect(ROUTES.map(({ method, path }) => `${method} ${path}`).sort()).toEqual(Object.keys(EXPECTED).sort())
})

const addressOf = (path: string): string =>
  path
    .replace(':occasionId', day.occasionId)
    .replace(':eventId', 'grip')
    .replace(':accountId', server.accountIds.administrator)
    .replace(':deviceId', 'device-1')
    .replace(':entryId', day.entryIds[0] ?? '')
    .replace(':standardId/:version', 'constabulary-entry/3')

const CASES = ROUTES.filter(({ path }) => !path.endsWith('/live')).flatMap(({ method, path }) =>
  ROLES.map((role) => [method, path, role, EXPECTED[`${method} ${path}`]?.includes(role) ?? false] as const),
)

test.each(CASES)('%s %s as %s: allowed is %s', async (method, path, role, allowed) => {
  const caller = callers.get(role)
  const address = addressOf(path)
  const answer = await caller?.call(method.toUpperCase(), address, method === 'get' ? undefined : {})
  // what is allowed can still lack something: a body, a code or a person of that name
  if (allowed) expect([200, 201, 204, 404, 422]).toContain(answer?.status)
  else expect(answer).toMatchObject({ status: 403, body: { title: 'access.role' } })
})

test.each(ROUTES.map(({ method, path }) => [method, path] as const))(
  '%s %s needs somebody signed in',
  async (method, path) => {
    const address = addressOf(path)
    const answer = await new Caller(server.address).call(
      method.toUpperCase(),
      address,
      method === 'get' ? undefined : {},
    )
    expect(answer).toMatchObject({ status: 401, body: { title: 'access.signedOut' } })
  },
)

test('a grader who is not on the staff of a day neither sees nor captures it', async () => {
  const other = await addTestDay(server, plainV3(), '2026-11-25', [{ bib: 1 }])
  const grader = callers.get('grader')
  const notStaff = await addDayWithoutStaff()
  expect((await grader?.call('GET', `/api/occasions/${notStaff}`))?.status).toBe(403)
  expect((await grader?.call('POST', `/api/occasions/${notStaff}/captures`, { captures: [] }))?.status).toBe(403)
  const listed = (await grader?.call('GET', '/api/occasions'))?.body['occasions'] as { id: string }[]
  expect(listed.map(({ id }) => id)).toContain(other.occasionId)
  expect(listed.map(({ id }) => id)).not.toContain(notStaff)
  expect((await callers.get('viewer')?.call('GET', `/api/occasions/${notStaff}`))?.status).toBe(200)
})

const addDayWithoutStaff = async (): Promise<string> => {
  const { addOccasion } = await import('../store/occasionStore.ts')
  const id = '01930000-0000-7000-8000-000000000001'
  await addOccasion(server.pool, {
    id,
    name: 'Elsewhere',
    venue: 'Marram Yard',
    zone: 'Etc/GMT-12',
    testDate: '2026-11-26',
    standardId: 'constabulary-entry',
    standardVersion: 3,
  })
  return id
}

test('dates of birth reach only those who check them', async () => {
  for (const role of DAYS) {
    const answer = await callers.get(role)?.call('GET', `/api/occasions/${day.occasionId}`)
    const [entry] = answer?.body['entries'] as { ageYears: number; person: { birthDate?: string } }[]
    expect(entry?.ageYears).toBe(27)
    expect(entry?.person.birthDate, role).toBe(role === 'officer' || role === 'clerk' ? '1999-05-04' : undefined)
  }
})

test('a write from another site is refused', async () => {
  const answer = await callers
    .get('officer')
    ?.call('DELETE', '/api/session', undefined, { Origin: 'https://elsewhere.example' })
  expect(answer).toMatchObject({ status: 403, body: { title: 'access.origin' } })
})

test('answers carry the headers that keep a browser careful', async () => {
  const answer = await callers.get('viewer')?.call('GET', '/api/occasions')
  expect(answer?.headers.get('Content-Security-Policy')).toContain("default-src 'none'")
  expect(answer?.headers.get('X-Content-Type-Options')).toBe('nosniff')
  expect(answer?.headers.get('X-Powered-By')).toBeNull()
})
