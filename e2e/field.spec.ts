/** A phone beside one candidate, worked by touch. */
import type { Page } from '@playwright/test'
import { allSaved, DAY, expect, PASSWORD, test } from './app.ts'

test.use({ room: 'field' })

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('a grader counts, refuses, cautions and undoes by touch, without scrolling', async ({ page, signedIn }) => {
    await signedIn('wanda.lofthouse')
    await page.goto(`/days/${DAY}/run/press-ups`)
    await page.getByRole('button', { name: /Chiara Marchetti/ }).tap()
    await page.getByRole('button', { name: /Start commands/ }).tap()
    const pad = page.getByRole('button', { name: /Count/ })
    await expect(pad).toBeVisible()
    for (let count = 0; count < 3; count++) await pad.tap()
    await page.getByRole('button', { name: 'Not low enough' }).tap()
    await page.getByRole('button', { name: /Caution/ }).tap()
    await expect(page.getByText('1 left')).toBeVisible()
    await page.getByRole('button', { name: /Undo/ }).tap()
    await expect(page.getByText('2 left')).toBeVisible()
    await expect(page.getByTestId('counted')).toHaveText('3')
    const box = await page.getByRole('button', { name: /Stop for safety/ }).boundingBox()
    expect((box?.y ?? 999) + (box?.height ?? 0)).toBeLessThanOrEqual(844)
    await page.getByRole('button', { name: /Stop for safety/ }).tap()
    await expect(page.getByText('The event was stopped for safety. An officer decides what follows.')).toBeVisible()
    await allSaved(page)
  })
})

test('two graders on one event never get the same next candidate, count beside each other, and one takes over from a dead phone', async ({
  browser,
  app,
}) => {
  const grader = async (signInName: string) => {
    const context = await browser.newContext({ baseURL: app.address, viewport: { width: 1280, height: 800 } })
    await context.request.post('/api/session', { data: { signInName, password: PASSWORD } })
    const page = await context.newPage()
    await page.goto(`/days/${DAY}/run/press-ups`)
    await page
      .getByText(/Clock agreed/)
      .first()
      .waitFor()
    return { context, page }
  }
  const bibOf = async (page: Page): Promise<string> =>
    (await page.locator('.queue .current strong').textContent())?.trim() ?? ''
  const joss = await grader('joss.adair-nakata')
  await expect.poll(() => bibOf(joss.page)).not.toBe('')
  const first = await bibOf(joss.page)
  const wanda = await grader('wanda.lofthouse')
  await expect.poll(() => bibOf(wanda.page)).not.toBe(first)
  // each sees whom the other has
  const row = (page: Page, bib: string) => page.locator('.queue li', { hasText: new RegExp(`(^|\\D)${bib}\\D`) })
  await expect(row(wanda.page, first)).toContainText('▸ J. Adair-Nakata')
  await expect(row(joss.page, await bibOf(wanda.page))).toContainText('▸ W. Lofthouse')

  // opening somebody another has says so; what is counted there is a second count
  await joss.page.keyboard.press('s')
  await joss.page.keyboard.press('g')
  await joss.page.keyboard.press('Enter')
  await expect(joss.page.getByRole('button', { name: /Count/ })).toBeVisible()
  for (let count = 0; count < 4; count++) await joss.page.keyboard.press(' ')
  await wanda.page.locator('.queue button', { hasText: new RegExp(`^${first}`) }).click()
  await expect(wanda.page.getByText('Joss Adair-Nakata counts on another device.')).toBeVisible()
  for (let count = 0; count < 3; count++) await wanda.page.keyboard.press(' ')
  await expect(wanda.page.getByText('Second count, on this device: 3.')).toBeVisible()
  await expect(wanda.page.getByTestId('counted')).toHaveText('4')

  // the phone dies; the other goes on from the count that stands
  await joss.context.close()
  await wanda.page.keyboard.press('k')
  await wanda.page.keyboard.press(' ')
  await expect(wanda.page.getByTestId('counted')).toHaveText('5')
  await allSaved(wanda.page)
  await wanda.context.close()
})
