/** On a host name over plain HTTP, as phones on a field find a laptop: no function that needs a secure context. */
import { CHROMIUM_ARGS } from '../scripts/lib/browser.mjs'
import { requireChromium } from '../scripts/lib/requirements.mjs'
import { DAY, expect, OFFICER, PASSWORD, test } from './app.ts'

test.use({
  room: 'plain',
  launchOptions: {
    executablePath: requireChromium(),
    args: [...CHROMIUM_ARGS, '--host-resolver-rules=MAP field.test 127.0.0.1'],
  },
})

test('a grader signs in, opens the day and counts; an officer types people in one after another', async ({
  page,
  app,
}) => {
  const faults: string[] = []
  page.on('pageerror', ({ message }) => faults.push(message))
  const site = `http://field.test:${new URL(app.address).port}`
  const signIn = async (name: string, to: string): Promise<void> => {
    await page.goto(`${site}${to}`)
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByLabel('Password').fill(PASSWORD)
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  }
  await signIn('wanda.lofthouse', `/days/${DAY}/run/press-ups`)
  expect(await page.evaluate(() => isSecureContext)).toBe(false)
  await page.getByRole('button', { name: /Chiara Marchetti/ }).click()
  await page.getByRole('button', { name: /Start commands/ }).click()
  const pad = page.getByRole('button', { name: /^Count/ })
  for (let count = 0; count < 3; count++) await pad.click()
  await expect(page.getByTestId('counted')).toHaveText('3')
  await page.locator('.saved:visible', { hasText: /All saved\./ }).waitFor({ timeout: 20_000 })
  await page.context().clearCookies()

  await signIn(OFFICER, `/days/${DAY}/plan`)
  await page.getByRole('button', { name: 'Enter people' }).click()
  await page.getByRole('button', { name: 'Typed' }).click()
  for (const [number, family] of [
    ['N-71', 'Ardent'],
    ['N-72', 'Birchall'],
  ] as const) {
    const first = page.getByLabel('Number in the organisation')
    // the next person is typed without reaching for the mouse
    if (number === 'N-71') await first.focus()
    await expect(first).toBeFocused()
    await page.keyboard.type(number)
    await page.getByLabel('Given name').fill('Lumi')
    await page.getByLabel('Family name').fill(family)
    await page.getByLabel('Date of birth').fill('1999-05-04')
    await page.getByLabel('Scoring category').selectOption({ index: 0 })
    await page.getByRole('button', { name: 'Enter this person' }).click()
    await expect(page.getByText(`Lumi ${family} is entered.`)).toBeVisible()
  }
  expect(faults).toEqual([])
})

test('without a network, and without a secure context, an attempt is ended and another event is opened all the same', async ({
  page,
  app,
}) => {
  const site = `http://field.test:${new URL(app.address).port}`
  await page.goto(`${site}/days/${DAY}/run/press-ups`)
  await page.getByLabel('Name', { exact: true }).fill('wanda.lofthouse')
  await page.getByLabel('Password').fill(PASSWORD)
  // parts that are not needed yet come while the page stands still
  const fetched = Promise.all([/EndDialog.*\.js$/, /HoldConsole.*\.js$/].map((part) => page.waitForResponse(part)))
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByText(/Clock agreed/).first()).toBeVisible()
  await fetched
  await expect(page.getByText('All saved.').first()).toBeVisible()
  await page.context().setOffline(true)
  await page.keyboard.press('x')
  await expect(page.getByRole('dialog', { name: 'How it ends' })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('link', { name: /Trunk hold/ }).click()
  await expect(page.getByText('start together').or(page.getByText('Nobody is on the console'))).toBeVisible()
  await page.context().setOffline(false)
})

test('scripts and styles are sent compressed, people are kept nowhere', async ({ request, app }) => {
  const page = await (await request.get(app.address)).text()
  const script = /src="(\/assets\/first-[^"]+\.js)"/.exec(page)?.[1] ?? ''
  const sent = await request.get(`${app.address}${script}`, { headers: { 'Accept-Encoding': 'br, gzip' } })
  expect(sent.headers()).toMatchObject({ 'content-encoding': 'br', 'cache-control': /immutable/ })
  expect((await request.get(`${app.address}/api/session`)).headers()['cache-control']).toBe('no-store')
})
