/** A phone beside one candidate, worked by touch; and every screen checked for barriers. */
import AxeBuilder from '@axe-core/playwright'
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

  for (const room of ['plan', 'muster', 'run', 'run/run', 'run/press-ups', 'verdicts', 'sign-off']) {
    test(`nothing is wider than the phone: ${room}`, async ({ page, signedIn }) => {
      await signedIn('ines.calloway-brandt')
      await page.goto(`/days/${DAY}/${room}`)
      await expect(page.getByRole('main')).toBeVisible()
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    })
  }
})

const SCREENS = [
  '/',
  '/sign-in',
  ...['plan', 'muster', 'run', 'run/run', 'run/press-ups', 'verdicts', 'sign-off'].map(
    (room) => `/days/${DAY}/${room}`,
  ),
]

for (const theme of ['day', 'dusk']) {
  for (const screen of SCREENS) {
    test(`no serious barrier, ${theme}: ${screen.replace(`/days/${DAY}`, 'day')}`, async ({ page, signedIn }) => {
      if (screen !== '/sign-in') await signedIn('ines.calloway-brandt')
      await page.addInitScript((chosen) => localStorage.setItem('able-gauge-theme', chosen), theme)
      await page.emulateMedia({ reducedMotion: 'reduce' })
      await page.goto(screen)
      await expect(page.getByRole('main')).toBeVisible()
      await page.waitForTimeout(300)
      const { violations } = await new AxeBuilder({ page }).analyze()
      const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
      expect(
        serious.map(
          ({ id, nodes }) =>
            `${id}: ${nodes.map(({ html, failureSummary }) => html.slice(0, 120) + failureSummary).join(' | ')}`,
        ),
      ).toEqual([])
    })
  }
}
