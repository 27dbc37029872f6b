/** A phone that believes the machine's own authority: over https, kept on the device, and beside it one over http. */
import type { Page } from '@playwright/test'
import { DAY, expect, OFFICER, PASSWORD, test, type App } from './app.ts'
import { openPhone } from './phone.ts'

test.use({ room: 'https', inField: true, serviceWorkers: 'allow' })

const fieldOf = ({ field }: App) => {
  if (!field) throw new Error('This application serves no field.')
  return field
}
const signIn = async (page: Page, name: string): Promise<void> => {
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
}

test('a phone without the authority is warned, and comes in over http', async ({ app }) => {
  const { httpsPort } = fieldOf(app)
  const context = await openPhone('warned', 'field.test', null)
  const warned = await context.newPage()
  await expect(warned.goto(`https://field.test:${httpsPort}/connect`)).rejects.toThrow('ERR_CERT_AUTHORITY_INVALID')
  const page = await context.newPage()
  await page.goto(`http://field.test:${new URL(app.address).port}/connect`)
  await expect(page.getByRole('heading', { name: 'Without a network as well' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Open over https' })).toHaveAttribute(
    'href',
    `https://field.test:${httpsPort}/connect`,
  )
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download the authority' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('able-gauge-authority.crt')
  await context.close()
})

test(
  'a phone that believes the authority works over https and http, and opens without a network',
  { tag: '@long' },
  async ({ app }) => {
    const { httpsPort, authorityFile } = fieldOf(app)
    const context = await openPhone('believing', 'field.test', authorityFile)
    const page = await context.newPage()
    const site = `https://field.test:${httpsPort}`
    const answer = await page.goto(`${site}/sign-in`)
    // tomorrow the machine has another address; nothing may tell the browser to insist on this one
    expect(answer?.headers()['strict-transport-security']).toBeUndefined()
    expect(await page.evaluate(() => isSecureContext)).toBe(true)
    await signIn(page, 'wanda.lofthouse')
    await expect(page.getByRole('heading', { name: 'Open days' })).toBeVisible()
    await page.goto(`${site}/days/${DAY}/run/press-ups`)
    await page.getByRole('button', { name: /Chiara Marchetti/ }).waitFor()
    await page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state)
    // the same browser over http: a session of its own, which does not put an end to the other
    const plain = await context.newPage()
    await plain.goto(`http://field.test:${new URL(app.address).port}/sign-in`)
    await signIn(plain, OFFICER)
    await expect(plain.getByRole('heading', { name: 'Open days' })).toBeVisible()
    await page.reload()
    await expect(page.getByRole('button', { name: /Chiara Marchetti/ })).toBeVisible()

    await expect
      .poll(() => page.evaluate(async () => (await caches.keys()).length), { timeout: 30_000 })
      .toBeGreaterThan(0)
    await page.waitForTimeout(2_000)
    await app.kill()
    await page.reload()
    await expect(page.getByRole('button', { name: /Chiara Marchetti/ })).toBeVisible({ timeout: 30_000 })
    await app.startAgain()
    await context.close()
  },
)

test('a station code is scanned: the page to join is filled in, the name is all that is asked', async ({
  page,
  app,
}) => {
  await page.goto('/sign-in')
  await signIn(page, OFFICER)
  await expect(page.getByRole('heading', { name: 'Open days' })).toBeVisible()
  await page.goto(`/days/${DAY}/plan?part=papers`)
  await page.getByRole('button', { name: 'New code' }).click()
  await page.getByRole('button', { name: 'Show to scan' }).click()
  const image = page.getByRole('dialog').getByRole('img', { name: /with the code/ })
  await expect(image).toBeVisible()
  const code = await page.getByRole('dialog').locator('figcaption strong').innerText()
  await page.context().clearCookies()
  await page.goto(`${app.address}/sign-in#${code}`)
  await expect(page.getByLabel('Station code')).toHaveValue(code)
  await page.getByLabel('Your name').fill('Lumi Ardent')
  await page.getByRole('button', { name: 'Join the station' }).click()
  await expect(page).toHaveURL(new RegExp(`/days/${DAY}/run`))
})
