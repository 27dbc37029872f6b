/** A day opened in the store, against a server that is played: what it is asked is kept, what it answers can be changed. */
import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { RouterLinkStub } from '@vue/test-utils'
import { vi } from 'vitest'
import { effectScope } from 'vue'
import { routeLocationKey } from 'vue-router'
import { NO_CHOICES, timeBoundsOf, type Attendance, type Capture, type Standard } from '@able-gauge/core'
import { standardNamed, type StandardName } from '@able-gauge/core/testing'
import type { Day, Entry } from '../src/day/day.ts'
import { useDay } from '../src/day/dayStore.ts'
import { useSession, type Role } from '../src/session/sessionStore.ts'
import { dateIn } from '../src/ui/localTime.ts'
import { useAgreedClock } from '../src/sync/agreedClock.ts'

type Answer = () => Response | Promise<Response>

export interface PlayedServer {
  /** Every request but reads, clock questions and reports of devices: method, path, body. */
  readonly asked: { method: string; path: string; body: unknown }[]
  /** Replaces the answer to a method and the end of a path. */
  readonly answer: (method: string, pathEnd: string, answer: Answer) => void
  /** Sends a server-sent event to the open day. */
  readonly emit: (type: string, data?: unknown) => void
}

export const entry = (bib: number, change: Partial<Entry> = {}): Entry => ({
  id: `00000000-0000-4000-8000-${String(bib).padStart(12, '0')}`,
  bib,
  wave: 1,
  category: 'female',
  attendance: 'present' satisfies Attendance,
  note: '',
  bodyMassG: null,
  heightMm: null,
  gear: '',
  identityChecked: true,
  consented: true,
  choices: NO_CHOICES,
  setUp: {},
  revision: 1,
  ageYears: 27,
  ageCountedOn: '2026-11-24',
  person: { id: `person-${bib}`, number: `T-${bib}`, givenName: 'Tove', familyName: `Number-${bib}` },
  ...change,
})

export interface DayOptions {
  /** At the venue; that of the first capture, or today's, when left out. */
  readonly testDate?: string
  readonly entries: readonly Entry[]
  readonly captures?: readonly Capture[]
  readonly standard?: StandardName
  /** A standard made for the test, in place of a named one. */
  readonly plain?: Standard
  readonly role?: Role
  readonly signedOff?: Day['occasion']['signedOff']
  /** What the server answers when it is asked for the time; this device's own time at once, when left out. */
  readonly time?: Answer
  /** Parts of the day that are not as they are on an empty one. */
  readonly change?: Partial<Day>
}

let days = 0
const opened: (() => void)[] = []

/** Closes the days a test opened, so that their clocks, captures and reports do not reach into the next test. */
export const closeDays = (): void => {
  for (const close of opened.splice(0)) close()
}

export const openDay = async ({
  entries,
  captures = [],
  standard = 'v3',
  plain,
  role = 'timer',
  signedOff = null,
  testDate = dateIn(captures[0]?.atMs ?? Date.now(), 'Etc/GMT-12'),
  time,
  change = {},
}: DayOptions) => {
  const id = `day-${(days += 1)}`
  const zone = 'Etc/GMT-12'
  const occasion = { id, name: 'Test day', venue: 'Fallow Point track', zone, testDate }
  const made = {
    occasion: { ...occasion, standardId: 'constabulary-entry', standardVersion: 3, rehearsal: null, signedOff },
    standard: plain ?? standardNamed(standard),
    standardHash: 'a'.repeat(64),
    staff: [],
    entries,
    plan: null,
    records: [],
    screened: [],
    earlierSetUps: {},
    testedBefore: {},
    unitsOf: {},
    earlierFigures: {},
    amendments: [],
    readIn: null,
    signature: null,
    rests: null,
    ...change,
  }
  const day: Day = { ...made, bounds: timeBoundsOf(made.occasion, made.standard, made.records) }
  const server = playServer(day, captures)
  server.answer('GET', '/time', time ?? (() => json({ serverMs: Date.now() })))
  const pinia = createPinia()
  setActivePinia(pinia)
  const session = useSession()
  session.account = { id: 'account', signInName: 'pell.varga', displayName: 'Pell Varga', role }
  const store = useDay()
  opened.push(() => {
    store.close()
    // each day has a clock of its own, which would go on asking for the time
    useAgreedClock(pinia).$dispose()
  })
  await store.open(id)
  if (!store.day) throw new Error(`The day was not opened. ${store.problem}`)
  const clock = useAgreedClock()
  await vi.waitFor(() => {
    // what the disk remembers of the clock is no agreement of this page
    if (!clock.agreement || (clock.unsure && !time)) throw new Error('The clock is not agreed yet.')
  })
  // a timer of an earlier test that ran meanwhile has made its own stores the active ones
  setActivePinia(pinia)
  return { store, session, server, day }
}

/** Uses something as a component would: what it follows ends with the test. */
export const inScope = <Made>(use: () => Made): Made => {
  const scope = effectScope()
  opened.push(() => scope.stop())
  // it is not stopped before the test is over
  return scope.run(use) as Made
}

/** What components of a day need to be mounted. */
export const MOUNTED = {
  global: {
    stubs: { RouterLink: RouterLinkStub, teleport: true },
    mocks: { $route: { fullPath: '/days/1/run' } },
    provide: { [routeLocationKey as symbol]: { fullPath: '/days/1/run', query: {}, params: {} } },
  },
}

export const json = (body: unknown, status = 200): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } })

export const problem = (status: number, code: string, detail: string): Response =>
  json({ title: code, status, detail, findings: [] }, status)

const playServer = (day: Day, captures: readonly Capture[]): PlayedServer => {
  const asked: PlayedServer['asked'] = []
  const answers = new Map<string, Answer>()
  const recorded = captures.map((capture, index) => ({
    actorId: 'account',
    ...capture,
    seq: index + 1,
    receivedMs: capture.atMs,
  }))
  vi.stubGlobal('fetch', async (path: string, { method, body }: { method: string; body?: string }) => {
    const chosen = [...answers].find(([key]) => key.startsWith(`${method} `) && path.endsWith(key.split(' ')[1] ?? ''))
    // devices report by themselves, whenever the test is that far
    if (method !== 'GET' && !path.includes('/devices/'))
      asked.push({ method, path, body: body === undefined ? undefined : JSON.parse(body) })
    if (chosen) return chosen[1]()
    if (path.endsWith('/devices')) return json({ devices: [] })
    if (path.endsWith('/claims')) return json({ claims: [] })
    if (path.endsWith('/proof'))
      return json({ proof: { kind: 'open' }, head: null, intact: true, places: [], differences: [] })
    if (path.endsWith('/annex')) return json({ captures: [] })
    if (path.includes('/captures') && method === 'GET')
      return json({ captures: recorded, lastSeq: recorded.length || null, more: false })
    if (path.includes('/captures')) return json({ captures: [] })
    return json(day)
  })
  const listeners = new Map<string, (event: { data: string }) => void>()
  vi.stubGlobal(
    'EventSource',
    class {
      static readonly CLOSED = 2
      readonly readyState = 1
      addEventListener = (type: string, listener: (event: { data: string }) => void): void => {
        listeners.set(type, listener)
      }
      close = (): void => listeners.clear()
    },
  )
  return {
    asked,
    answer: (method, pathEnd, answer) => answers.set(`${method} ${pathEnd}`, answer),
    emit: (type, data) => listeners.get(type)?.({ data: JSON.stringify(data ?? {}) }),
  }
}
