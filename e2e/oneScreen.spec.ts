/** On a laptop nobody scrolls while it counts: forty on the shuttle, four lanes and the row of keys stand on one screen, uncovered. */
import type { Page } from '@playwright/test'
import { expect, OFFICER, test } from './app.ts'

test.use({ room: 'insight', viewport: { width: 1280, height: 800 } })
test.setTimeout(60_000)

interface Wish {
  readonly standardId: string
  readonly version: number
  readonly people: number
}
const rehearse = async (page: Page, wish: Wish): Promise<string> => {
  const data = { ...wish, waveOf: wish.people, speed: 1, seed: 2, ownEventId: 'all-events' }
  const made = await page.request.post('/api/rehearsals', { data })
  expect(made.ok(), await made.text()).toBe(true)
  return ((await made.json()) as { id: string }).id
}
const open = async (page: Page, address: string): Promise<void> => {
  await page.goto(address)
  await page
    .getByText(/Clock agreed/)
    .first()
    .waitFor()
  // read once, what this browser cannot do is told no more
  await page.getByRole('button', { name: 'Understood' }).click()
}

/** Those found that lie beyond the edge, are cut by what holds them, or are covered. */
const hidden = (page: Page, selector: string): Promise<string[]> =>
  page.locator(selector).evaluateAll((found) =>
    found.flatMap((one) => {
      const { left, right, top, bottom } = one.getBoundingClientRect()
      const isOn = left >= 0 && top >= 0 && right <= innerWidth && bottom <= innerHeight
      const corners = [
        [left + 3, (top + bottom) / 2],
        [right - 3, (top + bottom) / 2],
        [(left + right) / 2, top + 3],
        [(left + right) / 2, bottom - 3],
      ] as const
      // a button that is closed lets what holds it be touched
      const isSeen = corners.every(([x, y]) => {
        const touched = document.elementFromPoint(x, y)
        return touched !== null && (one.contains(touched) || touched.contains(one))
      })
      return isOn && isSeen ? [] : [one.textContent?.trim() ?? '']
    }),
  )

test('forty on the shuttle, each in reach', { tag: '@long' }, async ({ page, signedIn }) => {
  await signedIn(OFFICER)
  const id = await rehearse(page, { standardId: 'guard-service', version: 4, people: 40 })
  const day = (await (await page.request.get(`/api/occasions/${id}`)).json()) as { entries: readonly EntryRead[] }
  for (const { id: entryId, revision, attendance, note, bib, bodyMassG, choices } of day.entries) {
    const chosen = { ...choices, alternates: { run: 'shuttle' }, reason: 'chosen' }
    const data = { ...{ revision, attendance, note, bib, bodyMassG }, choices: chosen }
    const changed = await page.request.patch(`/api/occasions/${id}/entries/${entryId}`, { data })
    expect(changed.ok(), await changed.text()).toBe(true)
  }
  await open(page, `/days/${id}/run/run?alternate=shuttle`)
  await page.keyboard.press('s')
  await page.getByTestId('shuttle').getByText('2').waitFor()
  await page.keyboard.type('12')
  await page.keyboard.press('Enter')
  await expect(page.locator('.tiles .warned')).toHaveCount(1)
  await expect(page.locator('.tiles [data-bib]')).toHaveCount(40)
  expect(await hidden(page, '.tiles [data-bib], .foot button')).toEqual([])
})

test('four lanes with all their keys', { tag: '@long' }, async ({ page, signedIn }) => {
  await signedIn(OFFICER)
  const id = await rehearse(page, { standardId: 'constabulary-entry', version: 3, people: 8 })
  await open(page, `/days/${id}/run/press-ups?mode=lanes`)
  await page.keyboard.press('s')
  await expect(page.locator('.tiles .running')).toHaveCount(4)
  await page.keyboard.press('1')
  await expect(page.locator('.tiles .pad strong').first()).toHaveText('1')
  expect(await page.locator('.tiles .keys-row button').count()).toBeGreaterThanOrEqual(12)
  expect(await hidden(page, '.tiles .pad, .tiles .keys-row button, .foot button')).toEqual([])
})

test(
  'the keys of the laps, however much there is to look at beside them',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn(OFFICER)
    const id = await rehearse(page, { standardId: 'constabulary-entry', version: 3, people: 60 })
    await open(page, `/days/${id}/run/run`)
    await page.keyboard.press('s')
    await page.getByText('Wave 1, started').waitFor()
    // far too fast for anybody to come round, and a time without a bib
    for (const key of ['1', 'Enter', '1', 'Enter', '2', 'Enter', '2', 'Enter', 'n']) await page.keyboard.press(key)
    await expect(page.getByText(/stamps to look at/)).toBeVisible()
    await expect(page.getByText('1 time without a bib')).toBeVisible()
    expect(await hidden(page, '.lap-keys button, .crossings header, .crossings li:first-child button')).toEqual([])
  },
)

interface EntryRead {
  readonly id: string
  readonly revision: number
  readonly attendance: string
  readonly note: string
  readonly bib: number | null
  readonly bodyMassG: number | null
  readonly choices: object
}
