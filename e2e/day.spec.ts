/** The acceptance run of a test day: counting, a wave of twelve by keyboard, a power cut in the middle, verdicts. */
import { allSaved, capturesOf, DAY, entryWithBib, expect, mayStart, test } from './app.ts'

test.use({ room: 'day' })

test.describe.configure({ mode: 'serial' })

const WAVE_TWO = [2, 5, 8, 10, 15, 19, 20, 24, 25, 30, 33, 38]

test('the demo grader counts a full event for two candidates with the keyboard', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: /Joss Adair-Nakata/ }).click()
  await page.getByRole('link', { name: /group C/ }).click()
  await page.getByRole('link', { name: 'Open the console' }).first().click()

  // the first who waits in wave 2 is bib 15
  await expect(page.getByLabel('Press-ups, Mateo Brisk')).toBeVisible()
  await page.keyboard.press('s')
  await expect(page.getByText('Set', { exact: true }).first()).toBeVisible()
  await expect(page.getByText('tap anywhere here, or space')).toBeVisible()
  for (let count = 0; count < 26; count++) await page.keyboard.press(' ')
  for (const key of ['1', '3', 'c', ' ', 'u']) await page.keyboard.press(key)
  await expect(page.getByTestId('counted')).toHaveText('26')
  await expect(page.getByText('2 over the cut')).toBeVisible()
  await page.keyboard.down('e')
  await expect(page.getByText('26 counted, 2 refused')).toBeVisible()
  await page.keyboard.up('e')
  await expect(page.getByText('Met with 2 repetitions to spare')).toBeVisible()

  await page.keyboard.press('n')
  await expect(page.getByLabel('Press-ups, Henrik Lindqvist')).toBeVisible()
  await page.keyboard.press('s')
  await expect(page.getByText('tap anywhere here, or space')).toBeVisible()
  for (let count = 0; count < 5; count++) await page.keyboard.press(' ')
  await page.keyboard.press('r')
  await expect(page.getByRole('button', { name: /Start commands/ })).toBeVisible()
  await page.keyboard.press('s')
  await expect(page.getByText('tap anywhere here, or space')).toBeVisible()
  for (let count = 0; count < 23; count++) await page.keyboard.press(' ')
  for (let caution = 0; caution < 3; caution++) await page.keyboard.press('c')
  await expect(page.getByText('Short by 1 repetition', { exact: true })).toBeVisible()
  await expect(page.getByText('Began again')).toBeVisible()
  await expect(page.getByText('until the cautions were used up')).toBeVisible()
  await allSaved(page)
})

test('opened by its address, the console stands at the first who waits', async ({ page, signedIn }) => {
  await signedIn('wanda.lofthouse')
  await page.goto(`/days/${DAY}/run/press-ups`)
  await expect(page.getByLabel('Press-ups, Anneke Dufresne')).toBeVisible()
  // and the strip of events says which is open
  const lineBelow = (name: RegExp) =>
    page
      .getByRole('navigation', { name: 'Events' })
      .getByRole('link', { name })
      .evaluate((link) => getComputedStyle(link).borderBottomColor)
  expect(await lineBelow(/Press-ups/)).not.toBe(await lineBelow(/Grip/))
})

test('the time runs out by itself and ends the count', async ({ page, signedIn }) => {
  await signedIn('wanda.lofthouse')
  await page.clock.install()
  await page.goto(`/days/${DAY}/run/press-ups?bib=20`)
  await expect(page.getByText(/Clock agreed/).first()).toBeVisible({ timeout: 30_000 })
  // the page's clock is wound on here and the server's is not: it must not be asked in between
  await page.route('**/api/time', (route) => route.abort())
  await page.getByRole('button', { name: /Start commands/ }).click()
  await page.clock.runFor(3_200)
  await page.keyboard.press(' ')
  await page.clock.runFor(85_000)
  await page.keyboard.press(' ')
  await expect(page.getByTestId('counted')).toHaveText('2')
  await page.clock.runFor(6_000)
  await expect(page.getByText('Counted until the 1:30 ran out.')).toBeVisible()
  await page.keyboard.press(' ')
  await expect(page.getByTestId('counted')).toHaveText('2')
})

test('a wave of twelve runs five laps by keyboard through a power cut, and no stamp is missing', async ({
  page,
  signedIn,
  app,
}) => {
  await signedIn('joss.adair-nakata')
  await page.goto(`/days/${DAY}/run/run`)
  await expect(page.getByText('Wave 2: 12 on the line')).toBeVisible()
  await expect(page.getByText(/Clock agreed/).first()).toBeVisible()
  await mayStart(page)
  await page.keyboard.press('s')
  // two of them counted press-ups just now and still rest
  await expect(page.getByText('Start all the same?')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Wave 2, started')).toBeVisible()

  const stampAll = async (): Promise<void> => {
    for (const bib of WAVE_TWO) {
      await page.keyboard.type(String(bib))
      await page.keyboard.press('Enter')
      await expect(page.getByRole('status').filter({ hasText: new RegExp(`^${bib} `) })).toBeVisible()
    }
  }
  await stampAll()
  await stampAll()
  await allSaved(page)

  await app.kill()
  await stampAll()
  await expect(page.getByText(/12 waiting on this device/)).toBeVisible()
  await app.startAgain()
  await allSaved(page)

  const started = page.getByText(/Wave 2, started \d\d:\d\d:\d\d/)
  const startWords = await started.textContent()
  await page.reload()
  await expect(started).toHaveText(startWords ?? '')
  const start = (await capturesOf(page.request)).filter(({ kind }) => kind === 'waveStarted').at(-1)
  const shownSeconds = async (): Promise<number> => {
    const [minutes = '0', seconds = '0'] = ((await page.getByRole('timer').textContent()) ?? '').split(/[:.]/)
    return Number(minutes) * 60 + Number(seconds)
  }
  await expect(page.getByText(/Clock agreed/).first()).toBeVisible()
  expect(Math.abs((await shownSeconds()) - (Date.now() - (start?.atMs ?? 0)) / 1000)).toBeLessThan(2.5)

  await stampAll()
  // the last lap as fast as keys can be pressed: each press belongs to another runner
  for (let runner = 0; runner < 12; runner++) await page.keyboard.press(' ')
  await expect(page.locator('.tile.home')).toHaveCount(12)
  await expect(page.getByText('Wave 2 is in.')).toBeVisible()
  await allSaved(page)

  const waveTwo = new Set(await Promise.all(WAVE_TWO.map((bib) => entryWithBib(page.request, bib))))
  const crossings = (await capturesOf(page.request)).filter(
    ({ kind, entryId }) => kind === 'crossed' && entryId !== null && waveTwo.has(entryId),
  )
  expect(crossings).toHaveLength(60)
  expect(new Set(crossings.map(({ id }) => id)).size).toBe(60)
  for (const entryId of waveTwo) expect(crossings.filter((crossing) => crossing.entryId === entryId)).toHaveLength(5)
})

test('the verdicts tell their reasons, on screen and on the sheet', async ({ page, signedIn }) => {
  await signedIn('kester.munro-vale')
  await page.goto(`/days/${DAY}/verdicts`)
  await expect(page.locator('tr[data-bib="15"]')).toContainText('Not finished')
  await expect(page.locator('tr[data-bib="19"]')).toContainText('Short')
  await page.locator('tr[data-bib="31"] .cell button').nth(3).click()
  await expect(page.getByText('9:41.9 becomes 9:42.')).toBeVisible()
  await expect(page.getByText('Short by 0:02')).toBeVisible()
  await expect(page.getByText('Constabulary Entry Standard, version 3, in force from 1 March 2026.')).toBeVisible()
  await page.getByRole('button', { name: 'Open the captures' }).click()
  await expect(page.getByText('6 captures, in the order they happened.')).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).last().click()
  await page.getByRole('button', { name: 'Whole verdict' }).click()
  await page.getByRole('link', { name: 'Result sheet to print' }).click()
  await expect(page.getByRole('heading', { name: 'Mirren Quist' })).toBeVisible()
  const { occasion } = (await (await page.request.get(`/api/occasions/${DAY}`)).json()) as {
    occasion: { testDate: string }
  }
  const retest = new Date(Date.parse(occasion.testDate) + 14 * 86_400_000)
  const words = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(retest)
  await expect(page.getByText(`May retest from ${words}.`)).toBeVisible()
})
