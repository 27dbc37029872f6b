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

  test('nothing is wider than the phone', async ({ page, signedIn }) => {
    await signedIn('ines.calloway-brandt')
    for (const room of [
      'plan',
      'muster',
      'run',
      'run/run',
      'run/press-ups',
      'run/trunk-hold',
      'verdicts',
      'sign-off',
    ]) {
      await page.goto(`/days/${DAY}/${room}`)
      await expect(page.getByRole('main')).toBeVisible()
      expect(await page.evaluate(() => document.documentElement.scrollWidth), room).toBeLessThanOrEqual(390)
    }
  })
})

const SCREENS = [
  '/',
  '/sign-in',
  ...[
    'plan',
    'muster',
    'run',
    'run/run',
    'run/press-ups',
    'run/trunk-hold',
    'run/grip?way=typed',
    'verdicts',
    'sign-off',
  ].map((room) => `/days/${DAY}/${room}`),
]

for (const screen of SCREENS) {
  test(`no serious barrier by day or at dusk: ${screen.replace(`/days/${DAY}`, 'day')}`, async ({ page, signedIn }) => {
    if (screen !== '/sign-in') await signedIn('ines.calloway-brandt')
    await page.emulateMedia({ reducedMotion: 'reduce' })
    await page.goto(screen)
    await expect(page.getByRole('main')).toBeVisible()
    await page.waitForTimeout(300)
    const seriousIn = async (builder: AxeBuilder): Promise<string[]> => {
      const { violations } = await builder.analyze()
      return violations
        .filter(({ impact }) => impact === 'serious' || impact === 'critical')
        .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`)
    }
    expect(await seriousIn(new AxeBuilder({ page }))).toEqual([])
    // at dusk the same elements have other colours
    await page.evaluate(() => (document.documentElement.dataset['theme'] = 'dusk'))
    expect(await seriousIn(new AxeBuilder({ page }).withRules(['color-contrast']))).toEqual([])
  })
}
