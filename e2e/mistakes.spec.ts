/** What goes wrong at the line, and how it is mended without losing anything. */
import { allSaved, capturesOf, DAY, EARLIER_DAY, entryWithBib, expect, mayStart, PASSWORD, test } from './app.ts'

test.use({ room: 'mistakes' })

test.describe.configure({ mode: 'serial' })

test('a wrong password is told in words and the name stays', async ({ page }) => {
  await page.goto('/sign-in')
  await page.getByLabel('Name', { exact: true }).fill('pell.varga')
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('Name and password do not belong together')
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('pell.varga')
})

test('a session that has ended leads back to signing in', async ({ page, signedIn, context }) => {
  await signedIn('pell.varga')
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Open days' })).toBeVisible()
  await context.clearCookies()
  await page.getByRole('link', { name: /group C/ }).click()
  await page.getByRole('link', { name: 'Sign in' }).click()
  await page.getByRole('button', { name: /Pell Varga/ }).click()
  await expect(page.getByRole('heading', { name: 'Events in order' })).toBeVisible()
})

test('a bib that is not entered keeps the time, and the right bib is put to it', async ({ page, signedIn }) => {
  await signedIn('pell.varga')
  await page.goto(`/days/${DAY}/run/run`)
  await expect(page.getByText(/Clock agreed/)).toBeVisible()
  await mayStart(page)
  await page.keyboard.press('s')
  await expect(page.getByText('Wave 2, started')).toBeVisible()
  await page.keyboard.type('99')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Bib 99 is not entered in wave 2\. The time .* is kept without a bib/)).toBeVisible()
  await expect(page.getByText('1 time without a bib')).toBeVisible()
  await page.keyboard.press('n')
  await expect(page.getByText('2 times without a bib')).toBeVisible()
  await page.keyboard.press('b')
  await page.keyboard.type('5')
  await page.keyboard.press('Enter')
  await expect(page.getByText('The time now belongs to 5 T. Wrenfield.')).toBeVisible()
  await expect(page.getByText('1 time without a bib')).toBeVisible()
  await expect(page.locator('[data-bib="5"]')).toContainText('4 to go')
  await allSaved(page)
  const id = await entryWithBib(page.request, 5)
  expect(
    (await capturesOf(page.request)).filter(({ entryId, kind }) => entryId === id && kind === 'assigned'),
  ).toHaveLength(1)
})

test('undo adds a voiding capture and removes nothing', async ({ page, signedIn }) => {
  await signedIn('pell.varga')
  await page.goto(`/days/${DAY}/run/run`)
  await expect(page.getByText(/Clock agreed/)).toBeVisible()
  await page.locator('[data-bib="8"]').click()
  await expect(page.locator('[data-bib="8"]')).toContainText('4 to go')
  await allSaved(page)
  const before = (await capturesOf(page.request)).length
  await page.keyboard.press('u')
  await expect(page.getByText('Undone: the crossing of bib 8.')).toBeVisible()
  await expect(page.locator('[data-bib="8"]')).toContainText('5 to go')
  await allSaved(page)
  expect((await capturesOf(page.request)).length).toBe(before + 1)
})

test(
  'somebody who stops is recorded with the reason, and leaves the course',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn('pell.varga')
    await page.goto(`/days/${DAY}/run/run`)
    await expect(page.getByText(/Clock agreed/)).toBeVisible()
    await page.keyboard.press('x')
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Runner').selectOption({ label: '38 F. Grieve' })
    await expect(dialog.getByText('Disqualified')).toHaveCount(0)
    await dialog.getByText('Withdrawn on medical grounds').click()
    await dialog.getByLabel('In words, for the record').fill('Ankle, seen by medical cover')
    await dialog.getByRole('button', { name: 'Record it' }).click()
    await expect(page.locator('[data-bib="38"]')).toContainText('withdrawn')
  },
)

test('another screen follows within a moment', { tag: '@long' }, async ({ page, signedIn, browser, app }) => {
  await signedIn('pell.varga')
  await page.goto(`/days/${DAY}/run/run`)
  await expect(page.getByText(/Clock agreed/)).toBeVisible()
  const context = await browser.newContext({ baseURL: app.address })
  await context.request.post('/api/session', { data: { signInName: 'sorrel.dunmore', password: PASSWORD } })
  const other = await context.newPage()
  await other.goto(`/days/${DAY}/run/run`)
  await expect(other.locator('[data-bib="10"]')).toContainText('5 to go')
  await page.locator('[data-bib="10"]').click()
  await expect(other.locator('[data-bib="10"]')).toContainText('4 to go', { timeout: 2_000 })
  await context.close()
})

test(
  'a clerk gives bibs; one that is taken is told in words and what was typed stays',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn('odile.harrow')
    await page.goto(`/days/${DAY}/muster`)
    await page.getByLabel('Search by bib, name or number').fill('szabo')
    await page.getByRole('button', { name: 'Change Reka Szabo' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Bib').fill('28')
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(dialog.getByRole('alert')).toContainText('a bib nobody else wears on this day')
    await expect(dialog.getByLabel('Bib')).toHaveValue('28')
    await dialog.getByLabel('Bib').fill('41')
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('cell', { name: '41', exact: true })).toBeVisible()
  },
)

test('a capture for a day that was signed meanwhile reaches its annex, and the officer sees it there', async ({
  page,
  signedIn,
  browser,
  app,
}) => {
  await signedIn('pell.varga')
  await page.goto(`/days/${DAY}/run/run`)
  await expect(page.getByText(/Clock agreed/)).toBeVisible()
  await page.context().setOffline(true)
  await page.locator('[data-bib="15"]').click()
  await expect(page.getByText(/1 waiting on this device/)).toBeVisible()

  const context = await browser.newContext({ baseURL: app.address })
  await context.request.post('/api/session', { data: { signInName: 'ines.calloway-brandt', password: PASSWORD } })
  const signed = await context.request.post(`/api/occasions/${DAY}/sign-off`, {
    data: { password: PASSWORD, acceptOpen: true },
  })
  expect(signed.status()).toBe(201)
  const before = (await capturesOf(context.request)).length

  await page.context().setOffline(false)
  await expect(page.getByText('1 arrived after the signature')).toBeVisible({ timeout: 20_000 })
  expect((await capturesOf(context.request)).length).toBe(before)
  const officer = await context.newPage()
  await officer.goto(`/days/${DAY}/sign-off`)
  await expect(officer.getByRole('heading', { name: 'Arrived after the signature' })).toBeVisible()
  await expect(officer.getByText(/Run 2,000 m, bib 15/)).toBeVisible()
  await context.close()
})

test('on a signed day nothing is offered for capturing', async ({ page, signedIn }) => {
  await signedIn('pell.varga')
  await page.goto(`/days/${EARLIER_DAY}/run/run`)
  await expect(page.getByText('Wave 1, started')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveCount(0)
  await page.goto(`/days/${EARLIER_DAY}/verdicts`)
  await expect(page.getByText('as signed')).toBeVisible()
  await expect(page.locator('tr[data-bib="8"]')).toContainText('9:15')
})

test(
  'an unknown address says so, tabs can be told apart, and keys can skip the bar',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn('pell.varga')
    await page.goto('/nowhere/at-all')
    await expect(page.getByRole('heading', { name: 'There is no page at this address' })).toBeVisible()
    await expect(page).toHaveTitle(/^No such page/)
    await page.getByRole('link', { name: 'All days' }).click()
    await expect(page).toHaveTitle('All days, Able Gauge')
    await page.goto(`/days/${DAY}/run/press-ups?bib=15`)
    await expect(page).toHaveTitle(/^15 .+, Press-ups, .+, Able Gauge$/)
    await page.keyboard.press('Tab')
    await expect(page.getByRole('link', { name: 'Skip to the content' })).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('main')).toBeFocused()
  },
)
