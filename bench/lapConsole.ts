/**
 * The lap console with 200 runners in a real browser slowed down four times: from the key press to the frame that paints the
 * stamp by bib, lap and time, and to the frame after it with its tile and its row, as shares of a frame of 60 a second.
 */
import path from 'node:path'
import { chromium } from '@playwright/test'
import { CHROMIUM_ARGS } from '../scripts/lib/browser.mjs'
import { buildServer, buildWeb, WEB_FOLDER } from '../scripts/lib/build.mjs'
import { DATA } from '../scripts/lib/paths.mjs'
import { openCluster } from '../scripts/lib/postgres.mjs'
import { requireChromium, requirePostgres } from '../scripts/lib/requirements.mjs'
import { prepareDatabase, startServer } from '../scripts/lib/server.mjs'

const RUNNERS = 200
const SLOWDOWNS = [1, 4]
const PRESSES = 80
const FRAME_MS = 1000 / 60

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
const context = await browser.newContext({
  baseURL: `http://127.0.0.1:${port}`,
  viewport: { width: 1280, height: 800 },
})
await context.request.post('/api/session', {
  data: { signInName: 'ines.calloway-brandt', password: 'tarn-isles-demo' },
})
const wish = {
  standardId: 'constabulary-entry',
  version: 3,
  people: RUNNERS,
  waveOf: RUNNERS,
  speed: 1,
  seed: 2,
  ownEventId: 'all-events',
}
const made = (await (await context.request.post('/api/rehearsals', { data: wish })).json()) as { id: string }
const page = await context.newPage()
// what runs in the page was compiled here, with a helper that keeps the names of functions
await page.addInitScript('globalThis.__name = (named) => named')
await page.goto(`/days/${made.id}/run/run`)
await page
  .getByText(/Clock agreed/)
  .first()
  .waitFor()
await page.keyboard.press('s')
await page.getByText('Wave 1, started').waitFor()
const session = await context.newCDPSession(page)

interface Pressed {
  /** Until the line that names bib, lap and time stands in the page, and until its frame is painted. */
  readonly saidMs: number
  readonly paintedMs: number
  /** Until the frame with the tile and the row of the list is painted. */
  readonly followedMs: number
}

/** Runs in the page: presses the key for the runner expected next, and waits for the frame of the line and for that of the row. */
const press = (): Promise<Pressed> =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        const [line, list] = [document.querySelector('.message'), document.querySelector('.crossings ol')]
        const beganMs = performance.now()
        // runs right after the next frame has been painted
        const afterFrame = (then: (ms: number) => void): void => {
          requestAnimationFrame(() => {
            const channel = new MessageChannel()
            channel.port1.onmessage = () => then(performance.now() - beganMs)
            channel.port2.postMessage(null)
          })
        }
        let [saidMs, paintedMs, followedMs] = [0, 0, 0]
        const tell = (): void => {
          if (paintedMs > 0 && followedMs > 0) resolve({ saidMs, paintedMs, followedMs })
        }
        const said = new MutationObserver(() => {
          said.disconnect()
          saidMs = performance.now() - beganMs
          afterFrame((ms) => {
            paintedMs = ms
            tell()
          })
        })
        const followed = new MutationObserver(() => {
          followed.disconnect()
          afterFrame((ms) => {
            followedMs = ms
            tell()
          })
        })
        if (line) said.observe(line, { childList: true, characterData: true, subtree: true })
        if (list) followed.observe(list, { childList: true })
        window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }))
      }),
  )
const share = (values: readonly number[], at: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) * at)] ?? 0
const line = (name: string, values: readonly number[]): void => {
  const [half, most] = [share(values, 0.5), share(values, 0.95)]
  console.log(
    `${name.padEnd(52)} median ${half.toFixed(1)} ms, 95th percentile ${most.toFixed(1)} ms, ${(most / FRAME_MS).toFixed(2)} frames`,
  )
}
console.log(
  `${RUNNERS} runners on screen, drawn without a graphics card, ${PRESSES} presses for the runner expected next`,
)
for (const rate of SLOWDOWNS) {
  await session.send('Emulation.setCPUThrottlingRate', { rate })
  await page.waitForTimeout(2_000)
  const figures: Pressed[] = []
  for (let count = 0; count < PRESSES; count++) {
    figures.push(await press())
    await page.waitForTimeout(60)
  }
  console.log(`processor slowed ${rate} times`)
  line(
    '  key to the stamp in the page, by bib, lap and time',
    figures.map(({ saidMs }) => saidMs),
  )
  line(
    '  key to its painted frame',
    figures.map(({ paintedMs }) => paintedMs),
  )
  line(
    '  key to the frame with its tile and row',
    figures.map(({ followedMs }) => followedMs),
  )
}

await browser.close()
child.kill('SIGTERM')
await cluster.dropDatabase(database)
cluster.stop()
