/**
 * Every screen: no serious barrier by day, enough contrast at dusk, nothing wider than a phone. In between one screen of each
 * sort keeps watch; `npm run test:long` looks at all.
 */
import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { DAY, expect, test } from './app.ts'

test.use({ room: 'barriers' })

const inDay = (...rooms: readonly string[]): string[] => rooms.map((room) => `/days/${DAY}/${room}`)
const GROUPS: Readonly<Record<string, readonly string[]>> = {
  'the house': [
    '/',
    '/people',
    '/house-rules',
    '/own-account',
    '/standards',
    '/standards/constabulary-entry/3',
    '/standards/guard-service/5/edit',
    '/standards/constabulary-entry/3/try',
    '/standards/constabulary-entry/compare',
  ],
  insight: [
    '/insight',
    '/insight/fair',
    '/insight/repeatable',
    '/insight/graders',
    '/insight/progress',
    '/insight/due',
    `/days/${DAY}/replay/run`,
  ],
  'plan and muster': inDay(
    'plan',
    'plan?part=stations',
    'plan?part=ground',
    'plan?part=timetable',
    'plan?part=papers',
    'papers/run-sheet',
    'papers/station-cards',
    'papers/score-cards',
    'papers/kit',
    'muster',
    'muster?part=conditions',
    'muster?part=briefing',
  ),
  'run and verdicts': inDay(
    'run',
    'run/run',
    'run/press-ups',
    'run/trunk-hold',
    'run/grip?mode=typed',
    'cards/grip',
    'verdicts',
    'verdicts?part=doubtful',
    'verdicts?part=hand-out',
    'sign-off',
  ),
}

const LONG = process.env['ABLE_GAUGE_LONG'] === '1'

/** Much like another screen that is looked at each time. */
const LIKE_ANOTHER =
  /people$|house-rules$|own-account$|standards$|try$|compare$|insight\/|replay|part=(stations|ground|papers|conditions|briefing|hand-out)|papers\/|\/run$|trunk-hold$|typed$|cards\/grip$/

/** All colours come from the same tokens: one screen of each sort, at full length all that are worked outdoors in the evening. */
const AT_DUSK = LONG
  ? /^\/$|house-rules|edit$|part=(stations|timetable|papers|conditions)|muster$|run\/|cards\/|part=doubtful|sign-off/
  : /^\/$|edit$|insight$|part=timetable|muster$|run\/(run|press-ups)$|part=doubtful/

/** Rows and cards after the third are the same markup again. */
const REPEATED = ['tbody tr:nth-child(n + 5)', '.card-paper:nth-of-type(n + 3)', '.row-of-card:nth-child(n + 4)']

const seriousIn = async (builder: AxeBuilder): Promise<string[]> => {
  for (const repeated of REPEATED) builder.exclude(repeated)
  const { violations } = await builder.options({ resultTypes: ['violations'] }).analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`)
}

/** As a link would, without loading the application again. */
const goTo = async (page: Page, screen: string): Promise<void> => {
  if (page.url() === 'about:blank') await page.goto(screen)
  await page.evaluate(async (to) => {
    interface Mounted extends Element {
      readonly __vue_app__?: { config: { globalProperties: { $router: { push: (to: string) => Promise<void> } } } }
    }
    const app: Mounted | null = document.querySelector('#app')
    await app?.__vue_app__?.config.globalProperties.$router.push(to)
  }, screen)
  expect(page.url()).toMatch(new RegExp(`${screen.replaceAll('?', '[?]')}$`))
}

const check = async (page: Page, screen: string): Promise<void> => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await goTo(page, screen)
  await page.evaluate(() => (document.documentElement.dataset['theme'] = 'day'))
  await expect(page.getByRole('main')).toBeVisible()
  await expect(page.getByText('Opening the day')).toHaveCount(0)
  await page.waitForTimeout(150)
  expect.soft(await seriousIn(new AxeBuilder({ page })), screen).toEqual([])
  if (AT_DUSK.test(screen)) {
    // the same elements have other colours
    await page.evaluate(() => (document.documentElement.dataset['theme'] = 'dusk'))
    expect
      .soft(await seriousIn(new AxeBuilder({ page }).withRules(['color-contrast'])), `${screen} at dusk`)
      .toEqual([])
  }
  await page.setViewportSize({ width: 390, height: 844 })
  await page.waitForTimeout(100)
  const width = await page.evaluate(() => document.documentElement.scrollWidth)
  expect.soft(width, `${screen} on a phone`).toBeLessThanOrEqual(390)
}

for (const [group, screens] of Object.entries(GROUPS)) {
  test(`no serious barrier, by day, at dusk and on a phone: ${group}`, async ({ page, signedIn }) => {
    test.setTimeout(180_000)
    if (group === 'the house') {
      await check(page, '/sign-in')
      await page.goto('about:blank')
    }
    await signedIn('ines.calloway-brandt')
    for (const screen of screens.filter((one) => LONG || !LIKE_ANOTHER.test(one))) await check(page, screen)
    if (group === 'plan and muster') {
      // the dialogs in which people are entered and checked in
      await page.goto(`/days/${DAY}/muster`)
      await page.setViewportSize({ width: 390, height: 844 })
      await page.getByRole('button', { name: 'Change Reka Szabo' }).click()
      await expect(page.getByRole('dialog').getByText('Screening and consent')).toBeVisible()
      await page.waitForTimeout(400)
      expect.soft(await seriousIn(new AxeBuilder({ page })), 'check-in').toEqual([])
    }
  })
}
