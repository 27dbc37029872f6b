/** A phone beside one candidate, worked by touch. */
import { allSaved, DAY, expect, test } from './app.ts'

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
