/**
 * The lap console with 200 runners in a real browser slowed down four times: from the key press to the frame that paints
 * the stamp, as a share of a frame of 60 a second, and what the page's main thread does in between.
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
await page.goto(`/days/${made.id}/run/run`)
await page
  .getByText(/Clock agreed/)
  .first()
  .waitFor()
await page.keyboard.press('s')
await page.getByText('Wave 1, started').waitFor()
const session = await context.newCDPSession(page)

/** Runs in the page: presses the key for the runner expected next, waits for the row of the stamp, then for its frame. */
const pressAndPaint = (): Promise<{ toPaintMs: number; busyMs: number }> =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        const list = document.querySelector('.crossings ol')
        const beganMs = performance.now()
        let changedMs = 0
        const observer = new MutationObserver(() => {
          observer.disconnect()
          changedMs = performance.now()
          requestAnimationFrame(() => {
            const channel = new MessageChannel()
            // runs right after the frame has been painted
            channel.port1.onmessage = () =>
              resolve({ toPaintMs: performance.now() - beganMs, busyMs: changedMs - beganMs })
            channel.port2.postMessage(null)
          })
        })
        if (list) observer.observe(list, { childList: true })
        window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }))
      }),
  )
const share = (values: readonly number[], at: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) * at)] ?? 0
const line = (name: string, values: readonly number[]): void => {
  const [half, most] = [share(values, 0.5), share(values, 0.95)]
  console.log(
    `${name.padEnd(46)} median ${half.toFixed(1)} ms, 95th percentile ${most.toFixed(1)} ms, ${(most / FRAME_MS).toFixed(2)} frames`,
  )
}
console.log(
  `${RUNNERS} runners on screen, drawn without a graphics card, ${PRESSES} presses for the runner expected next`,
)
for (const rate of SLOWDOWNS) {
  await session.send('Emulation.setCPUThrottlingRate', { rate })
  await page.waitForTimeout(2_000)
  const figures: { toPaintMs: number; busyMs: number }[] = []
  for (let press = 0; press < PRESSES; press++) {
    figures.push(await pressAndPaint())
    await page.waitForTimeout(60)
  }
  console.log(`processor slowed ${rate} times`)
  line(
    '  key to the stamp, kept on disk, in the page',
    figures.map(({ busyMs }) => busyMs),
  )
  line(
    '  key to the painted frame',
    figures.map(({ toPaintMs }) => toPaintMs),
  )
}

await browser.close()
child.kill('SIGTERM')
await cluster.dropDatabase(database)
cluster.stop()
