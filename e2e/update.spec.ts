/** A newer version of the program put on the server: it waits beside whoever works, is offered between events, and is taken by a press. */
import { readdirSync, readFileSync, unlinkSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { DAY, expect, OFFICER, test } from './app.ts'

test.use({ room: 'update', ownCopy: true, serviceWorkers: 'allow' })

/** Another page of the same program, as a build after a change makes it. */
const putNewer = (webFolder: string): void => {
  const page = path.join(webFolder, 'index.html')
  writeFileSync(page, readFileSync(page, 'utf8').replace('<head>', '<head><meta name="version" content="newer">'))
  for (const name of readdirSync(webFolder))
    if (/^index\.html\.(br|gz)$/.test(name)) unlinkSync(path.join(webFolder, name))
  const worker = path.join(webFolder, 'sw.js')
  const kept = readFileSync(worker, 'utf8')
  const changed = kept.replace(/(url:"index\.html",revision:")[^"]*/, '$1newer')
  if (changed === kept) throw new Error('The service worker does not keep the page.')
  writeFileSync(worker, changed)
}

test('a newer version is never taken beside a candidate, and taken at once where it is wanted', async ({
  app,
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto(`/days/${DAY}/run`)
  await page.getByRole('link', { name: 'Open the console' }).first().click()
  await page.waitForURL(/run\/[a-z-]+$/)
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null, undefined, { timeout: 40_000 })
  putNewer(app.webFolder)
  await page.evaluate(async () => (await navigator.serviceWorker.ready).update())
  await page.waitForFunction(async () => (await navigator.serviceWorker.ready).waiting !== null)
  const newer = page.locator('meta[name=version]')
  await expect(page.getByText('A newer version of the program is here')).toBeHidden()
  await page.goBack()
  await expect(page.getByText('A newer version of the program is here')).toBeVisible()
  await expect(newer).toHaveCount(0)
  await page.getByRole('button', { name: 'Take it now' }).click()
  await expect(newer).toHaveCount(1)
  await expect(page).toHaveURL(new RegExp(`/days/${DAY}/run$`))
  // and it is what opens without a network from now on
  await page.context().setOffline(true)
  await page.reload()
  await expect(newer).toHaveCount(1)
  await expect(page.getByRole('heading').first()).toBeVisible()
})
