/**
 * A console in a real browser slowed down, and how long it takes from a key to the page that is changed, and to the frame that
 * shows it.
 */
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { chromium, type Browser, type Page } from '@playwright/test'
import { CHROMIUM_ARGS } from '../scripts/lib/browser.mjs'
import { buildServer, buildWeb, WEB_FOLDER } from '../scripts/lib/build.mjs'
import { DATA } from '../scripts/lib/paths.mjs'
import { openCluster } from '../scripts/lib/postgres.mjs'
import { requireChromium, requirePostgres } from '../scripts/lib/requirements.mjs'
import { prepareDatabase, startServer } from '../scripts/lib/server.mjs'

const SLOWDOWNS = [1, 4]
const FRAME_MS = 1000 / 60
const BETWEEN_PRESSES_MS = 60
/** What Linux counts the time of its processors in. */
const JIFFY_MS = 10
/** From the bench's own work in the page to the key, so that this is no part of what the key waits for; at most, and another each time. */
const SETTLES_MS = 100

/** What a rehearsal is asked for. */
export interface RehearsedDay {
  readonly standardId: string
  readonly version: number
  readonly people: number
  readonly waveOf: number
  /** The event that is left to who rehearses. */
  readonly ownEventId: string
}

/** A key, and where on the console it shows; both places are selectors. */
export interface Press {
  readonly key: string
  /** What shows the press first. */
  readonly shown: string
  /** What follows it, where something does. */
  readonly followed?: string
}

export interface Pressed {
  /** Until it stands in the page, and until its frame is painted. */
  readonly changedMs: number
  readonly paintedMs: number
  /** Until the frame is painted with what follows. */
  readonly followedMs: number
}

/** Opens a rehearsed day, gives the page to `work`, and cleans up. */
export const withRehearsal = async (
  day: RehearsedDay,
  work: (page: Page, occasionId: string) => Promise<void>,
): Promise<void> => {
  await buildWeb()
  await buildServer()
  const cluster = await openCluster(requirePostgres(), path.join(DATA, 'bench-postgres'))
  const database = `able_gauge_bench_${Date.now()}`
  await cluster.makeDatabase(database)
  prepareDatabase(cluster, database, true)
  const { child, port } = await startServer(cluster, database, {
    host: '127.0.0.1',
    port: 0,
    webFolder: WEB_FOLDER,
    demo: true,
  })
  const browser = await chromium.launch({ executablePath: requireChromium(), args: CHROMIUM_ARGS })
  try {
    await rehearse(browser, port, day, work)
  } finally {
    await browser.close()
    child.kill('SIGTERM')
    await cluster.dropDatabase(database)
    cluster.stop()
  }
}

const rehearse = async (
  browser: Browser,
  port: number,
  day: RehearsedDay,
  work: (page: Page, occasionId: string) => Promise<void>,
): Promise<void> => {
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
  })
  await context.request.post('/api/session', {
    data: { signInName: 'ines.calloway-brandt', password: 'tarn-isles-demo' },
  })
  const made = await context.request.post('/api/rehearsals', { data: { ...day, speed: 1, seed: 2 } })
  if (!made.ok()) throw new Error(`The day could not be rehearsed: ${await made.text()}`)
  const page = await context.newPage()
  // what runs in the page was compiled here, with a helper that keeps the names of functions
  await page.addInitScript('globalThis.__name = (named) => named')
  await work(page, ((await made.json()) as { id: string }).id)
}

/** Opens a console and waits until it may capture. */
export const openConsole = async (page: Page, address: string): Promise<void> => {
  await page.goto(address)
  await page
    .getByText(/Clock agreed/)
    .first()
    .waitFor()
  // its own code comes a little later than the frame of the page
  await page.locator('kbd', { hasText: /^S$/ }).first().waitFor()
}

/** Runs in the page: waits for the key, from the moment the browser had it, and for what it draws. */
const awaitPress = ({ key, shown, followed }: Press): Promise<Pressed> =>
  new Promise((resolve, reject) => {
    setTimeout(() => reject(new Error(`The key "${key}" changed nothing in "${shown}" that was painted.`)), 5_000)
    let beganMs = 0
    const since = (): number => performance.now() - beganMs
    // runs right after the next frame has been painted, ahead of whatever else waits for its turn by then
    const afterFrame = (then: () => void): void => {
      requestAnimationFrame(() => void scheduler.postTask(then, { priority: 'user-blocking' }))
    }
    // watched from before the key on, so that beginning to watch is no part of what is measured
    const changeIn = (selector: string, then: () => void): void => {
      const found = document.querySelector(selector)
      if (!found) throw new Error(`Nothing on the console is "${selector}".`)
      const observer = new MutationObserver(() => {
        if (beganMs === 0) return
        observer.disconnect()
        then()
      })
      observer.observe(found, { childList: true, characterData: true, attributes: true, subtree: true })
    }
    let [changedMs, paintedMs, followedMs] = [0, 0, followed ? 0 : 1]
    const tell = (): void => {
      if (paintedMs > 0 && followedMs > 0) resolve({ changedMs, paintedMs, followedMs })
    }
    changeIn(shown, () => {
      changedMs = since()
      afterFrame(() => {
        paintedMs = since()
        tell()
      })
    })
    if (followed)
      changeIn(followed, () =>
        afterFrame(() => {
          followedMs = since()
          tell()
        }),
      )
    const pressed = ({ timeStamp }: Event): void => {
      beganMs = timeStamp
    }
    window.addEventListener('keydown', pressed, { capture: true, once: true })
  })

const press = async (page: Page, asked: Press): Promise<Pressed> => {
  const pressed = await page.evaluateHandle(
    ([wait, given]) => ({ done: (wait as unknown as typeof awaitPress)(given as Press) }),
    [await page.evaluateHandle(`(${awaitPress.toString()})`), asked] as const,
  )
  await page.waitForTimeout(SETTLES_MS * Math.random())
  await page.keyboard.press(asked.key)
  return pressed.evaluate(({ done }) => done)
}

/** How long the processors of this machine were given to somebody else's work since it began; zero where the system does not say. */
const takenAwayMs = (): number => {
  try {
    const [, , , , , , , , stolen] = readFileSync('/proc/stat', 'utf8').split(/\s+/)
    return Number(stolen) * JIFFY_MS
  } catch {
    return 0
  }
}

const share = (values: readonly number[], at: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) * at)] ?? 0
const tell = (name: string, values: readonly number[]): void => {
  if (values.length === 0) return
  const [half, most] = [share(values, 0.5), share(values, 0.95)]
  console.log(
    `  ${name.padEnd(46)} median ${half.toFixed(1)} ms, 95th percentile ${most.toFixed(1)} ms, ${(most / FRAME_MS).toFixed(2)} frames`,
  )
}

const tellAll = (figures: readonly Pressed[]): void => {
  tell(
    'key to the changed page',
    figures.map(({ changedMs }) => changedMs),
  )
  tell(
    'key to its painted frame',
    figures.map(({ paintedMs }) => paintedMs),
  )
  tell(
    'key to the frame with what follows',
    figures.flatMap(({ followedMs }) => (followedMs > 1 ? [followedMs] : [])),
  )
}

/** Presses `presses` times at each slowdown and prints the figures, on a shared machine also of those nothing came between; `nextPress` makes the console ready for each. */
export const timePresses = async (
  page: Page,
  presses: number,
  nextPress: (count: number) => Promise<Press>,
): Promise<void> => {
  const session = await page.context().newCDPSession(page)
  let count = 0
  for (const rate of SLOWDOWNS) {
    await session.send('Emulation.setCPUThrottlingRate', { rate })
    await page.waitForTimeout(2_000)
    const figures: (Pressed & { readonly undisturbed: boolean })[] = []
    while (figures.length < presses) {
      const asked = await nextPress(count++)
      const beforeMs = takenAwayMs()
      const figure = await press(page, asked)
      figures.push({ ...figure, undisturbed: takenAwayMs() === beforeMs })
      await page.waitForTimeout(BETWEEN_PRESSES_MS)
    }
    console.log(`processor slowed ${rate} times, ${presses} presses`)
    tellAll(figures)
    const undisturbed = figures.filter((figure) => figure.undisturbed)
    if (undisturbed.length === presses) continue
    console.log(` of them ${undisturbed.length} during which no processor was taken away from this machine`)
    tellAll(undisturbed)
  }
}
