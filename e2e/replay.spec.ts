/** A protest is settled from the captures: the event plays again, and ends on the very figure of the verdict. */
import { EARLIER_DAY, expect, OFFICER, test } from './app.ts'

test.use({ room: 'insight' })

test('somebody’s press-ups play again from the verdict, at sixty times their speed, to the figure that was signed', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto(`/days/${EARLIER_DAY}/verdicts`)
  const row = page.locator('tr[data-bib="5"]')
  await row.getByRole('button').nth(1).click()
  const panel = page.locator('.side-panel')
  await expect(panel).toContainText('press-ups')
  await panel.getByRole('link', { name: 'Replay' }).click()
  await expect(page).toHaveURL(/\/replay\/press-ups\?entry=/)
  const lanes = page.getByRole('region', { name: 'Along the time' })
  await expect(lanes).toContainText('waiting')
  await page.getByLabel('Speed').selectOption('60')
  await page.getByRole('button', { name: 'Play' }).click()
  // 24 of the 27 that were asked, as it was signed
  await expect(lanes).toContainText('24, short')
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible()
  await expect(lanes.locator('.past .tick')).toHaveCount(24)
  // nothing can be captured: there is no pad, only the way back
  await expect(page.getByRole('button', { name: /Count|Refuse/ })).toHaveCount(0)
})

test('a run plays on its ground, everybody where their stamps put them, and ends in the order they came home', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto(`/days/${EARLIER_DAY}/replay/run`)
  const ground = page.getByRole('region', { name: 'On the ground' })
  await expect(ground).toBeVisible()
  await page.getByLabel('Speed').selectOption('60')
  await page.getByRole('button', { name: 'Play' }).click()
  await expect(ground).toContainText(/lap 2 of 5/)
  await page.getByRole('button', { name: 'To the end' }).click()
  await expect(ground.locator('li').first()).toContainText('home')
  await expect(page.getByRole('region', { name: 'Along the time' })).toContainText(/9:53, short/)
})
