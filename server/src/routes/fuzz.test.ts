/**
 * No input makes a 5xx, and nothing is stored by a refusal: every route from the real list, with sessions of every role,
 * documents made from the classes the routes declare, most of them with one thing wrong, and requests that are broken below
 * the level of documents. Seeded; `npm run test:long` asks twenty times as much.
 */
import { randomUUID } from 'node:crypto'
import { createConnection } from 'node:net'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { generate } from 'otplib'
import {
  EventQuery,
  InsightPeopleQuery,
  InsightQuery,
  RepeatsQuery,
  ROLES,
  rolesFor,
  seededRandom,
} from '@able-gauge/core'
import { mutated, plainV3, sampleOf, type Known } from '@able-gauge/core/testing'
import { MORNING_MS, sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { NO_LIMITS } from '../limits.ts'
import { ROUTES } from './index.ts'
import type { Route } from './route.ts'

const REQUESTS = Number(process.env['ABLE_GAUGE_FUZZ'] ?? 700)
/** How often each route has to be seen to work. */
const ENOUGH = REQUESTS > 2_000 ? 5 : 2
const SEED = Number(process.env['ABLE_GAUGE_SEED'] ?? 20_261_126)
/** The state is compared after every so many refusals: it reads every table. */
const COMPARE_EVERY = 31
const RENEW_EVERY = 120

const random = seededRandom(SEED)
let server: TestServer
const callers = new Map<string, Caller>()

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'able-gauge-fuzz-'))
  const keeper = {
    last: () => null,
    lastRestored: () => null,
    restore: () => Promise.resolve({ days: 1, people: 2, captures: 3 }),
    backUp: async (): Promise<string> => {
      const file = join(folder, randomUUID())
      await writeFile(file, '{}')
      return file
    },
  }
  server = await openTestServer({ limits: NO_LIMITS, keeper })
  for (const role of ROLES) callers.set(role, await Caller.signedIn(server.address, role))
  const { rows } = await server.owner.query<{ password_hash: string }>(
    `select password_hash from accounts where password_hash <> '' limit 1`,
  )
  passwordHash = rows[0]?.password_hash ?? ''
})
afterAll(async () => {
  await server.close()
  await rm(folder, { recursive: true, force: true })
})
let folder = ''
/** Of the password all accounts have, for when a request has changed one. */
let passwordHash = ''

interface World {
  readonly occasionId: string
  readonly signedId: string
  /** A day on which nothing was captured. */
  readonly emptyId: string
  readonly entryIds: readonly string[]
  readonly captureIds: readonly string[]
  readonly personIds: readonly string[]
  readonly numbers: readonly string[]
  draft: string
  readonly published: string
  readonly mergedId: string
  readonly invitedId: string
}

const pick = <Item>(items: readonly Item[]): Item => {
  const item = items[random.whole(0, items.length - 1)]
  if (item === undefined) throw new Error('There is nothing to pick from.')
  return item
}
/** Somebody a route is open to, an officer where it is one. */
const callerFor = ({ action }: Route): Caller => {
  const roles = rolesFor(action)
  return callers.get(roles.includes('officer') ? 'officer' : (roles[0] ?? '')) ?? new Caller(server.address)
}
const officer = (): Caller => callers.get('officer') ?? new Caller(server.address)

let drafts = 0
const makeDraft = async (): Promise<string> => {
  const id = `draft-${(drafts += 1)}`
  await officer().call('POST', '/api/standards', { id, version: 1, content: plainV3() })
  return id
}

/** Days, people and standards that requests can be about; made anew now and then, because requests use them up. */
const makeWorld = async (): Promise<World> => {
  const entries = [{ bib: 1 }, { bib: 2 }, { bib: 3, wave: 2 }]
  const day = await addTestDay(server, plainV3(), '2026-11-24', entries)
  const signed = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  await officer().call('POST', `/api/occasions/${signed.occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true })
  const empty = await addTestDay(server, plainV3(), '2026-11-27', [])
  const captures = Array.from({ length: 4 }, () => sentCapture())
  await officer().call('POST', `/api/occasions/${day.occasionId}/captures`, { captures })
  const { rows } = await server.pool.query<{ id: string; number: string }>(
    `select p.id, p.number from people p join entries e on e.person_id = p.id where e.occasion_id = any($1::uuid[])
      order by e.occasion_id = $2`,
    [[day.occasionId, signed.occasionId], signed.occasionId],
  )
  const [draft, published] = [await makeDraft(), await makeDraft()]
  await officer().call('POST', `/api/standards/${published}/1/publish`, { revision: 1 })
  const merged = await addTestDay(server, plainV3(), '2026-11-25', [{ bib: 1 }, { bib: 2 }])
  const { rows: merging } = await server.pool.query<{ id: string }>(
    'select person_id as id from entries where occasion_id = $1 order by bib',
    [merged.occasionId],
  )
  const [mergedId = '', otherId = ''] = merging.map(({ id }) => id)
  await server.owner.query('update people set merged_into = $2 where id = $1', [mergedId, otherId])
  const invitation = { signInName: `asked-${drafts}`, displayName: 'Asked', role: 'grader' }
  const invited = await callers.get('administrator')?.call('POST', '/api/kept-accounts', invitation)
  const invitedId = String(invited?.body['accountId'])
  return {
    occasionId: day.occasionId,
    signedId: signed.occasionId,
    emptyId: empty.occasionId,
    entryIds: day.entryIds,
    captureIds: captures.map(({ id }) => id),
    personIds: rows.map(({ id }) => id),
    numbers: rows.map(({ number }) => number),
    draft,
    published,
    mergedId,
    invitedId,
  }
}

/** What names something that is there; everything else is made up. */
const knownIn = (world: World): Known => ({
  entryId: world.entryIds,
  entryIds: [[world.entryIds[0]]],
  captureId: world.captureIds,
  eventId: ['run', 'press-ups'],
  eventIds: [['run'], ['press-ups', 'run']],
  accountId: Object.values(server.accountIds),
  staff: [[]],
  standardId: [world.published],
  version: [1],
  standardVersion: [1],
  password: [PASSWORD],
  current: [PASSWORD],
  closed: [false],
  acceptOpen: [true],
  zone: ['Etc/GMT-12', 'Europe/Vienna'],
  category: ['female', 'male'],
  reason: ['depth', 'ended', 'a reason'],
  revision: [1],
  attendance: ['present', 'absent', 'held'],
  consented: [true],
  choices: [{ variants: {}, alternates: {}, exemptions: {} }],
  setUp: [{}],
  waveOf: [3],
  birthDate: ['1999-05-04', '1988-02-29'],
  slot: ['time', 'count', 'repetitions'],
  part: ['name-1'],
  musterAt: ['08:00'],
  startsAt: ['09:00'],
  day: [0],
  afterDays: [0],
  number: world.numbers,
  intoId: world.personIds,
  although: [true],
  lastDay: ['2026-12-31'],
  people: [4],
  speed: [60],
  ownEventId: ['run'],
  figures: [[{ slot: 'time', value: 600_000 }]],
  atMs: [MORNING_MS],
  uncertaintyMs: [4],
  // an address of its own or nobody: both at once is refused
  bib: [random.whole(100, 60_000)],
})

type Body = Record<string, unknown>

/** What a made-up document needs besides, to be taken at all. */
const newRestore = async (): Promise<string> =>
  String((await callers.get('administrator')?.call('POST', '/api/restores'))?.body['id'])

/** A PNG. */
const ONE_PIXEL = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='

/** An authenticator on every account, known to the test. */
const setFactors = async (isOn: boolean): Promise<string> => {
  const secret = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ'
  await server.owner.query('delete from second_factors')
  await server.owner.query(
    `insert into second_factors (account_id, secret, confirmed_at) select id, $1, case when $2 then now() end from accounts`,
    [secret, isOn],
  )
  return generate({ secret })
}

const ADJUST: Readonly<Record<string, (body: Body, world: World) => Body | Promise<Body>>> = {
  // a unit that was made up is refused
  'post /api/kept-accounts': ({ unitId: _, ...body }) => body,
  'post /api/occasions/:occasionId/captures': (_, world) => ({
    captures: [
      pick<object>([
        sentCapture(),
        sentCapture({ entryId: world.entryIds[0] }),
        sentCapture({ kind: 'voided', payload: { captureId: world.captureIds[0], reason: 'x' } }),
        sentCapture({ kind: 'moved', payload: { captureId: world.captureIds[1], toMs: MORNING_MS + 5, reason: 'x' } }),
        sentCapture({ kind: 'stopped', payload: { reason: 'didNotFinish', note: 'x' }, entryId: world.entryIds[1] }),
        sentCapture({ eventId: 'press-ups', kind: 'started', entryId: world.entryIds[0] }),
      ]),
    ],
  }),
  'post /api/people/:personId/self-tests': ({ variantId: _, replaces: __, ...body }) => ({
    ...body,
    eventId: 'run',
    figures: [{ slot: 'time', value: 600_000 }],
    picture: ONE_PIXEL,
  }),
  'post /api/insight/due/day': (_, world) => ({
    name: 'Whoever is due',
    venue: 'Track',
    zone: 'Etc/GMT-12',
    testDate: '2026-12-01',
    standardId: 'constabulary-entry',
    standardVersion: 3,
    personIds: [pick(world.personIds)],
    perWave: 12,
  }),
  'put /api/restores/:restoreId/part': () => ({ offset: 0, part: 'eA==' }),
  'post /api/restores/:restoreId/start': () => ({ passphrase: 'twelve quiet otters', password: PASSWORD }),
  'post /api/occasions/:occasionId/attendance': (_, world) => ({
    entryIds: [pick(world.entryIds)],
    attendance: 'late',
  }),
  'put /api/house-mark': () => ({ image: ONE_PIXEL }),
  'post /api/occasions/:occasionId/own-pages': (_, world) => ({ entryIds: [pick(world.entryIds)] }),
  'post /api/own-account/second-factor': async (body) => {
    await setFactors(false)
    return { ...body, password: PASSWORD }
  },
  'put /api/own-account/second-factor': async () => ({ code: await setFactors(false) }),
  'post /api/own-account/second-factor/end': async () => ({ code: await setFactors(true) }),
  'post /api/occasions/:occasionId/records': (_, world) => ({
    id: randomUUID(),
    content: pick<object>([
      { kind: 'conditions', airDeciC: 210, humidityPercent: 60, surface: 'track', worn: '' },
      { kind: 'briefed', eventIds: [] },
      { kind: 'eventConfirmed', eventId: 'run', note: '' },
      { kind: 'holdRaised', entryId: world.entryIds[0], reason: 'limps' },
      { kind: 'protested', entryId: world.entryIds[0], eventId: 'run', text: 'too slow' },
      { kind: 'dayOpened', date: '2026-11-26', reason: 'rain' },
      { kind: 'cardsKeyed', eventId: 'run', figures: [{ entryId: world.entryIds[0], slot: 'time', value: 1 }] },
    ]),
  }),
  'patch /api/occasions/:occasionId/entries/:entryId': async ({ bib: _, ...body }, world) => ({
    ...body,
    attendance: pick(['absent', 'late']),
    revision: await revisionOf(world.entryIds[0] ?? ''),
  }),
  'put /api/occasions/:occasionId/entries/:entryId/screening': async () => {
    const rules = (await officer().call('GET', '/api/house-rules')).body['rules'] as { screening: { id: string }[] }
    return { answers: rules.screening.map(({ id }) => ({ questionId: id, answer: pick(['yes', 'no']) })) }
  },
  // ways lead from mark to mark, and a mark is an event where it names one
  'put /api/occasions/:occasionId/plan': async (body, world) => ({
    plan: {
      ...(body['plan'] as Body),
      days: [{ afterDays: 0, musterAt: '08:00', startsAt: '09:00', endsBy: '12:30' }],
      site: {
        widthMm: random.whole(5_000, 500_000),
        depthMm: 100_000,
        marks: [
          { id: 'water', kind: 'water', xMm: random.whole(0, 5_000), yMm: 0 },
          { id: 'run', kind: 'event', eventId: 'run', xMm: 0, yMm: 0 },
        ],
        ways: [{ from: 'water', to: 'run' }],
      },
    },
    revision: await planRevisionOf(world.occasionId),
  }),
  // without a question there would be no screening to answer, what has to be kept long cannot be erased, and nobody here
  // carries an authenticator
  'put /api/house-rules': async (body) => ({
    rules: {
      ...(body['rules'] as Body),
      screening: [{ id: `question-${random.whole(1, 9)}`, text: 'Chest pain', holdsOn: 'yes' }],
      heat: [],
      briefings: [],
      retests: [{ name: 'Yearly', standardId: 'constabulary-entry', every: { count: 1, of: 'years' } }],
      keepDays: 1,
      publicAddress: 'https://tests.example',
      administratorsByCode: false,
      signingByCode: false,
    },
    revision: await houseRevision(),
  }),
  'put /api/occasions/:occasionId/staff': () => ({ staff: [{ accountId: server.accountIds.officer, duty: 'all' }] }),
  'post /api/occasions/:occasionId/copy': (body) => ({ ...body, version: 3, withPeople: false }),
  'put /api/occasions/:occasionId/standard': () => ({ standardId: 'constabulary-entry', version: 3 }),
  'post /api/register/compare': () => ({ people: [registerRow()] }),
  'post /api/register': () => ({ people: [{ ...registerRow(), take: 'add' }], reason: 'from a file' }),
  'post /api/backups': () => ({ passphrase: 'twelve quiet otters' }),
  'put /api/units/:unitId': (body) => ({ ...body, name: `Unit ${random.whole(1, 1e9)}`, parentId: null }),
  'put /api/occasions/:occasionId/waves': (_, world) => ({
    waves: [{ entryId: pick(world.entryIds), wave: random.whole(1, 9) }],
  }),
  'post /api/occasions': ({ unitId: _, ...body }) => ({
    ...body,
    standardId: 'constabulary-entry',
    version: 3,
    staff: [],
  }),
  'post /api/occasions/:occasionId/roster': () => ({
    waveOf: 4,
    people: [
      {
        number: `F-${random.whole(1, 1e9)}`,
        givenName: 'Lumi',
        familyName: '=HYPERLINK("x")',
        birthDate: '1999-05-04',
        category: 'female',
      },
    ],
  }),
  'post /api/standards': (body) => ({ ...body, id: `made-${random.whole(1, 1e9)}`, content: plainV3() }),
  'put /api/standards/:standardId/:version': async (_, world) => ({
    revision: await draftRevisionOf(world.draft),
    content: plainV3(),
  }),
  'delete /api/standards/:standardId/:version': async (_, world) => ({ revision: await draftRevisionOf(world.draft) }),
  'post /api/standards/:standardId/:version/publish': async (_, world) => ({
    revision: await draftRevisionOf(world.draft),
  }),
  'post /api/drills': (body) => ({
    ...body,
    standardId: 'constabulary-entry',
    version: 3,
    eventId: 'press-ups',
    what: 'pressUp',
    lanes: random.whole(1, 4),
    answers: [{ lane: 0, atMs: random.whole(0, 90_000), answer: pick(['counted', 'depth', 'flagged']) }],
    ends: [],
  }),
  'post /api/rehearsals': () => ({ standardId: 'constabulary-entry', version: 3, people: 4, speed: 60 }),
  'post /api/occasions/:occasionId/amendments': async (_, world) => ({
    entryId: (
      await server.pool.query<{ id: string }>('select id from entries where occasion_id = $1', [world.signedId])
    ).rows[0]?.id,
    eventId: 'run',
    as: pick(['met', 'short']),
    reason: 'a second watch',
    password: PASSWORD,
  }),
  'post /api/people/:personId/merge': (_, world) => ({
    intoId: world.personIds.at(-1),
    reason: 'the same',
    although: true,
  }),
  'put /api/accounts/:accountId/person': () => ({ number: '' }),
  // its day is known here already: a refusal, which is an answer as well
  'post /api/archives': async (_, world) => ({
    password: PASSWORD,
    archive: (await officer().call('GET', `/api/occasions/${world.signedId}/archive`)).body,
  }),
  'post /api/keys': () => ({ key: 'd75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a', name: 'Sister' }),
  'patch /api/people/:personId': () => ({ givenName: 'Lumi', reason: 'misspelt' }),
  'patch /api/occasions/:occasionId': () => ({ name: 'Renamed', venue: 'Marram Yard' }),
}

/** A verdict of which nothing is known. */
const NO_RESULT = JSON.stringify({ outcome: 'notStarted', settled: false, eventsToGo: 0, marks: [], trace: [] })

const registerRow = () => ({
  number: `R-${random.whole(1, 1e9)}`,
  givenName: 'Lumi',
  familyName: '=HYPERLINK("x")',
  birthDate: '1999-05-04',
  category: 'female',
  unitId: '',
  rank: '',
  email: '',
})

const single = async (sql: string, values: readonly unknown[]): Promise<number> =>
  (await server.pool.query<{ n: number }>(sql, [...values])).rows[0]?.n ?? 0
const revisionOf = (id: string) => single('select revision as n from entries where id = $1', [id])
const planRevisionOf = (id: string) => single('select revision as n from plans where occasion_id = $1', [id])
const houseRevision = () => single('select revision as n from house_rules', [])
const draftRevisionOf = (id: string) => single('select revision as n from standard_drafts where id = $1', [id])

const ADDRESS: Readonly<Record<string, (world: World) => string>> = {
  occasionId: ({ occasionId }) => occasionId,
  entryId: ({ entryIds }) => entryIds[0] ?? '',
  eventId: () => 'run',
  standardId: ({ draft }) => draft,
  version: () => '1',
  code: () => 'ABCDEF',
  personId: ({ personIds }) => personIds[0] ?? '',
  accountId: () => server.accountIds.viewer,
  deviceId: () => 'device-1',
  unitId: () => randomUUID(),
}

/** Routes whose address names something else than the others' does; what they use up is made for each asking. */
const addressOf = async ({ method, path }: Route, world: World): Promise<string> => {
  const key = `${method} ${path}`
  // these use a draft up
  if (
    key === 'post /api/standards/:standardId/:version/publish' ||
    key === 'delete /api/standards/:standardId/:version'
  ) {
    world.draft = await makeDraft()
  }
  const special: Record<string, () => string | Promise<string>> = {
    ...Object.fromEntries(
      ROUTES.filter((route) => route.path.startsWith('/api/kept-accounts/')).map((route) => [
        `${route.method} ${route.path}`,
        () => path.replace(':accountId', world.invitedId),
      ]),
    ),
    'put /api/occasions/:occasionId/standard': () => path.replace(':occasionId', world.emptyId),
    // cancelled and taken back in turns
    'put /api/occasions/:occasionId/cancellation': async () => {
      await officer().call('DELETE', `/api/occasions/${world.emptyId}/cancellation`)
      return path.replace(':occasionId', world.emptyId)
    },
    'delete /api/occasions/:occasionId/cancellation': async () => {
      await officer().call('PUT', `/api/occasions/${world.emptyId}/cancellation`, { reason: 'storm' })
      return path.replace(':occasionId', world.emptyId)
    },
    'delete /api/rehearsals/:occasionId': async () => {
      const wish = { standardId: 'constabulary-entry', version: 3, people: 4, speed: 60 }
      const made = await officer().call('POST', '/api/rehearsals', wish)
      return path.replace(':occasionId', String(made.body['id']))
    },
    'delete /api/people/:personId/brought-results/:resultId': async () => {
      const id = randomUUID()
      await server.owner.query(
        `insert into brought_in_results (id, person_id, standard_id, standard_version, test_date, verdict, source, brought_by)
         values ($1, $2, 'constabulary-entry', 3, $3, $5, 'x', $4) on conflict do nothing`,
        [
          id,
          world.personIds[0],
          `20${random.whole(10, 20)}-01-${random.whole(10, 28)}`,
          server.accountIds.officer,
          NO_RESULT,
        ],
      )
      return path.replace(':resultId', id)
    },
    'get /api/drills/:drillId/beside': async () => {
      const id = randomUUID()
      const set = {
        standardId: 'constabulary-entry',
        version: 3,
        eventId: 'press-ups',
        what: 'pressUp',
        level: 1,
        seed: 1,
      }
      await officer().call('POST', '/api/drills', { ...set, id, lanes: 1, doneAtMs: 0, answers: [], ends: [] })
      return path.replace(':drillId', id)
    },
    'post /api/insight/due/day': async () => {
      await server.owner.query(`update people set category = 'female' where id = any ($1)`, [world.personIds])
      return path
    },
    'put /api/restores/:restoreId/part': async () => path.replace(':restoreId', await newRestore()),
    'post /api/restores/:restoreId/start': async () => path.replace(':restoreId', await newRestore()),
    'get /api/people/:personId/self-tests/:testId/picture': async () => {
      const [personId = ''] = world.personIds
      const id = randomUUID()
      await server.owner.query(
        `insert into self_tests (id, person_id, standard_id, standard_version, event_id, test_date, figures)
         values ($1, $2, 'constabulary-entry', 3, 'run', '2026-11-24', '{}')`,
        [id, personId],
      )
      await server.owner.query('insert into self_test_pictures (self_test_id, image) values ($1, $2)', [id, 'x'])
      return path.replace(':personId', personId).replace(':testId', id)
    },
    'delete /api/own-account/sessions/:sessionId': () => path.replace(':sessionId', 'others'),
    'post /api/occasions/:occasionId/amendments': () => path.replace(':occasionId', world.signedId),
    'get /api/standards/:standardId/:version/results': () => path.replace(':standardId', world.published),
    'post /api/standards/:standardId/:version/retire': () => path.replace(':standardId', world.published),
    'post /api/people/:personId/unmerge': () => path.replace(':personId', world.mergedId),
    // somebody who is entered on no open day
    'post /api/people/:personId/erase': () => path.replace(':personId', world.personIds.at(-1) ?? ''),
    'delete /api/occasions/:occasionId/stations/:code': async () => {
      const made = await officer().call('POST', `/api/occasions/${world.occasionId}/stations`, {
        eventIds: ['run'],
        role: 'timer',
      })
      return path.replace(':code', String(made.body['code']))
    },
  }
  const filters = FILTERS[key]
  const named =
    (await special[key]?.()) ??
    (filters ? `${path}?${queryOf(sampleOf(filters, random, { ...knownIn(world), ...FIGURES }))}` : path)
  return named.replaceAll(/:(\w+)/g, (_, name: string) => encodeURIComponent(ADDRESS[name]?.(world) ?? ''))
}

/** What narrows down which results are asked about. */
const FILTERS: Readonly<Record<string, new () => object>> = {
  'get /api/insight/results': InsightQuery,
  'get /api/insight/events': InsightQuery,
  'get /api/insight/days': InsightQuery,
  'get /api/insight/data': InsightQuery,
  'get /api/insight/noise': EventQuery,
  'get /api/insight/venues': InsightQuery,
  'get /api/insight/people': InsightPeopleQuery,
  'get /api/insight/repeats': RepeatsQuery,
  'get /api/insight/graders': EventQuery,
  'get /api/insight/progress': EventQuery,
}

/** What is written as figures in an address. */
const FIGURES = {
  atLeast: ['-5'],
  below: ['900000'],
  shortIn: ['run', 'press-ups+run'],
  when: ['2026-11'],
  within: ['60'],
}

const queryOf = (filters: object): string => {
  const { unit: _, version: __, ...others } = filters as Record<string, string>
  return new URLSearchParams({ ...others, standard: 'constabulary-entry' }).toString()
}

const NASTY_SEGMENTS = ['%', '%00', '%FF', '%E0%A4%A', '..%2f..', 'x'.repeat(3_000), '%0d%0a', '\u{1F3C3}', "'", 'null']

interface Asked {
  readonly what: string
  readonly status: number
}

/** Below the level of documents: what no browser of ours sends. */
const askBroken = async (route: Route, address: string, caller: Caller): Promise<Asked> => {
  const method = route.method.toUpperCase()
  const headers: Record<string, string> = { Cookie: caller.cookieHeader, 'Content-Type': 'application/json' }
  const deep = '['.repeat(100_000) + ']'.repeat(100_000)
  const kinds: Record<string, () => RequestInit & { headers: Record<string, string> }> = {
    'not gzip': () => ({ headers: { ...headers, 'Content-Encoding': 'gzip' }, body: '{}' }),
    gzip: () => ({ headers: { ...headers, 'Content-Encoding': 'gzip' }, body: gzipSync('{"a":1}') }),
    'unheard-of encoding': () => ({ headers: { ...headers, 'Content-Encoding': 'rot13' }, body: '{}' }),
    charset: () => ({ headers: { ...headers, 'Content-Type': 'application/json; charset=klingon' }, body: '{}' }),
    'half a JSON': () => ({ headers, body: '{"a": [' }),
    'a bare value': () => ({ headers, body: '7' }),
    'deep nesting': () => ({ headers, body: deep }),
    lines: () => ({ headers: { ...headers, 'Content-Type': 'application/x-ndjson' }, body: '{\n\u0000\n' }),
    'Last-Event-ID': () => ({ headers: { ...headers, 'Last-Event-ID': '99999999999999999999' } }),
  }
  const [what, make] = pick(Object.entries(kinds))
  const { body, ...init } = make()
  const sent = method === 'GET' ? init : { ...init, body: body ?? '{}' }
  const path = random.whole(0, 2) === 0 ? spoilt(address) : address
  const response = await fetch(server.address + path, { method, ...sent, signal: AbortSignal.timeout(20_000) })
  if (response.headers.get('Content-Type') === 'text/event-stream') await response.body?.cancel()
  else await response.arrayBuffer()
  return { what: `${method} ${path.slice(0, 120)} with ${what}`, status: response.status }
}

const spoilt = (address: string): string => {
  const parts = address.split('/')
  parts[random.whole(2, parts.length - 1)] = pick(NASTY_SEGMENTS)
  return `${parts.join('/')}${random.whole(0, 3) === 0 ? `?after=${pick(['-1', '1e9', '%00', 'x'])}&search=%00` : ''}`
}

const ask = async (route: Route, world: World, address: string, valid: boolean): Promise<Asked> => {
  const { method, path, body: type } = route
  const key = `${method} ${path}`
  const caller = valid || random.whole(0, 3) > 0 ? callerFor(route) : (callers.get(pick(ROLES)) ?? callerFor(route))
  if (!valid && random.whole(0, 9) < 3) return askBroken(route, address, caller)
  if (method === 'get' && path.endsWith('/live')) {
    const response = await fetch(server.address + address, { headers: { Cookie: caller.cookieHeader } })
    await response.body?.cancel()
    return { what: key, status: response.status }
  }
  if (path.endsWith('/instruments')) {
    const line = { instrument: 'gate', line: random.whole(1, 1e9), kind: 'gate', value: 9_000, resolution: 10 }
    const sent = valid ? line : mutated(line, random)
    const answer = await caller.call('POST', address, JSON.stringify(sent), { 'Content-Type': 'application/x-ndjson' })
    return { what: `${key} ${JSON.stringify(sent)}`, status: answer.status }
  }
  if (!type) {
    const answer = await caller.call(method.toUpperCase(), valid ? address : spoilt(address), undefined)
    return { what: `${key} ${address}`, status: answer.status }
  }
  const made = sampleOf(type, random, knownIn(world))
  const whole = (await ADJUST[key]?.(made, world)) ?? made
  const sent = valid ? whole : mutated(whole, random)
  const answer = await caller.call(method.toUpperCase(), address, JSON.stringify(sent))
  return {
    what: `${key} ${JSON.stringify(sent).slice(0, 400)} -> ${answer.body.detail ?? ''} ${JSON.stringify(answer.body.findings ?? '')}`,
    status: answer.status,
  }
}

/** One hash over everything that is stored, but for what asking itself leaves behind. */
const stateOf = async (): Promise<string> => {
  const { rows: tables } = await server.owner.query<{ name: string }>(
    `select tablename as name from pg_tables where schemaname = 'public' and tablename not in ('security_events', 'sessions', 'server_clocks', 'second_factors', 'recovery_codes')`,
  )
  const parts = tables.map(
    ({ name }) =>
      `select '${name}' || coalesce(md5(string_agg(md5(t::text), '' order by md5(t::text))), '') as part from ${name} t`,
  )
  const { rows } = await server.owner.query<{ part: string }>(parts.join(' union all '))
  return rows
    .map(({ part }) => part)
    .sort()
    .join()
}

test(`${REQUESTS} requests over all routes: no 5xx, and nothing stored by a refusal`, async () => {
  const faults: string[] = []
  const successes = new Map<string, number>()
  const refusals = new Map<string, string>()
  let world = await makeWorld()
  let refused = 0
  for (let index = 0; index < REQUESTS; index++) {
    if (index % RENEW_EVERY === 0 && index > 0) world = await makeWorld()
    const route = ROUTES[index % ROUTES.length]
    if (!route) throw new Error('There are no routes.')
    const key = `${route.method} ${route.path}`
    // until a route has been seen to work it is asked properly more often
    const valid = (successes.get(key) ?? 0) < ENOUGH ? random.whole(0, 9) < 7 : random.whole(0, 9) < 1
    const compares = refused % COMPARE_EVERY === 0
    const address = await addressOf(route, world)
    const before = compares ? await stateOf() : ''
    const { what, status } = await ask(route, world, address, valid)
    if (status >= 500) faults.push(`${status} ${what}`)
    if (status < 300) {
      successes.set(key, (successes.get(key) ?? 0) + 1)
      // whatever it was changed to, the next request knows the one all accounts began with
      if (key === 'put /api/own-account/password')
        await server.owner.query(`update accounts set password_hash = $1 where password_hash <> ''`, [passwordHash])
    } else {
      refused += 1
      if (valid) refusals.set(key, `${status} ${what}`)
      if (compares && (await stateOf()) !== before) {
        faults.push(`stored although refused with ${status}: ${what}`)
      }
    }
  }
  expect(faults).toEqual([])
  const thin = ROUTES.map(({ method, path }) => `${method} ${path}`).filter(
    (key) => (successes.get(key) ?? 0) < ENOUGH && key !== 'post /api/archives',
  )
  expect(thin.map((key) => `${key}: ${successes.get(key) ?? 0} (${refusals.get(key) ?? ''})`)).toEqual([])
}, 600_000)

test('bytes that are no request at all are answered or cut off, and the server goes on', async () => {
  const { hostname, port } = new URL(server.address)
  const send = (bytes: string): Promise<string> =>
    new Promise((resolve) => {
      const socket = createConnection({ host: hostname, port: Number(port) })
      let answer = ''
      socket.on('data', (chunk) => (answer += chunk.toString()))
      socket.on('close', () => resolve(answer)).on('error', () => resolve(answer))
      socket.end(bytes)
    })
  for (const bytes of [
    '\u0000\u0001\u0002',
    'GET / HTTP/9.9\r\n\r\n',
    'GET /api/occasions/%ZZ HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n',
    'POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Length: -5\r\n\r\n',
    `GET /api/time HTTP/1.1\r\nHost: x\r\nX: ${'y'.repeat(100_000)}\r\n\r\n`,
  ]) {
    expect(await send(bytes)).not.toMatch(/^HTTP\/1\.1 5/)
  }
  expect((await officer().call('GET', '/api/time')).status).toBe(200)
})
