/** A newcomer is shown the house of the demo, place by place, and can use it meanwhile. */
import { expect, OFFICER, test } from './app.ts'

test.use({ room: 'insight' })

test('the first look points at its places, lets the page be used, and is not offered again', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto('/')
  await page.getByRole('button', { name: 'Begin' }).click()
  const sheet = page.getByRole('complementary', { name: 'A first look' })
  await expect(sheet).toContainText('1 of 8')
  await expect(page.locator('.ring')).toBeVisible()
  await sheet.getByRole('button', { name: 'Next' }).click()
  await expect(page).toHaveURL(/\/run$/)
  // what is pointed at can be used: the tape leads where it always does
  await page.getByRole('link', { name: 'Verdicts' }).click()
  await expect(page).toHaveURL(/\/verdicts$/)
  await expect(sheet).toBeVisible()
  for (const place of ['Run', 'Plan', 'Verdicts', 'Sign-off', 'Insight', 'Practice']) {
    await sheet.getByRole('button', { name: 'Next' }).click()
    await expect(sheet.getByRole('heading')).toHaveText(place)
    await expect(page.locator('.ring')).toBeVisible()
  }
  await sheet.getByRole('button', { name: 'Done' }).click()
  await expect(sheet).toBeHidden()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Open days' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Begin' })).toBeHidden()
})
