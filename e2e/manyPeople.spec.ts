/** A hundred and fifty people on every screen of plan and muster: nothing is cut, everything can be pressed, and all papers come as one file. */
import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { expect, test } from './app.ts'

test.use({ room: 'plan' })
test.setTimeout(180_000)

const HEADS = 150
const rows = Array.from(
  { length: HEADS },
  (_, at) =>
    `M-${at + 1};Given${at + 1};Longsurname-${at + 1};${1 + (at % 28)}.${1 + (at % 12)}.${1970 + (at % 30)};${at % 2 ? 'male' : 'female'}`,
)
const file = {
  name: 'people.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(['Staff number;First name;Surname;Date of birth;Sex', ...rows].join('\r\n')),
}

interface Watched {
  /** By interaction: the longest of its events, until what it did is painted. */
  presses: Record<number, number>
}
/** Notes how long each press takes until it is painted, as the browser itself measures it. */
const watchPresses = (page: Page): Promise<unknown> =>
  page.addInitScript(() => {
    const watched = window as unknown as Watched
    watched.presses = {}
    new PerformanceObserver((list) => {
      for (const { interactionId, duration } of list.getEntries() as (PerformanceEntry & { interactionId: number })[])
        if (interactionId > 0) watched.presses[interactionId] = Math.max(watched.presses[interactionId] ?? 0, duration)
    }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit)
  })
/** Presses since the last time, those that were painted within a frame with 0. */
const takePresses = (page: Page): Promise<number[]> =>
  page.evaluate(() => {
    const watched = window as unknown as Watched & { counted?: number }
    const { interactionCount } = performance as unknown as { interactionCount: number }
    const slow = Object.values(watched.presses)
    const all = interactionCount - (watched.counted ?? 0)
    watched.counted = interactionCount
    watched.presses = {}
    return [...slow, ...Array.from({ length: Math.max(0, all - slow.length) }, () => 0)]
  })

const isCut = (page: Page): Promise<boolean> =>
  page.evaluate(() => document.documentElement.scrollWidth > document.documentElement.clientWidth + 1)

test(`${HEADS} people planned, looked at from every side, checked in, and printed as one file`, async ({
  page,
  signedIn,
}, info) => {
  await watchPresses(page)
  await signedIn('ines.calloway-brandt')
  await page.goto('/')
  await page.getByRole('button', { name: 'New day' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Large intake')
  await page.getByLabel('Venue', { exact: true }).fill('Fallow Point track')
  await page.getByLabel('Test date').fill('2026-12-08')
  await page
    .getByRole('dialog', { name: 'New test day' })
    .getByLabel('Standard')
    .selectOption({ label: 'Constabulary Entry Standard, version 3' })
  for (const name of ['Pell Varga', 'Wanda Lofthouse', 'Joss Adair-Nakata'])
    await page.getByLabel(name, { exact: false }).first().check()
  await page.getByRole('button', { name: 'Plan the day' }).click()
  await page.getByRole('button', { name: 'Enter people' }).click()
  await page.getByLabel('The file').setInputFiles(file)
  await page.getByRole('button', { name: `Enter ${HEADS} people` }).click()
  await expect(page.getByText(`${HEADS} entered.`)).toBeVisible({ timeout: 30_000 })
  await page.keyboard.press('Escape')

  const presses: number[] = []
  /** Everything on a screen that changes only what is looked at is pressed once. */
  const look = async (part: string, buttons: readonly (string | RegExp)[]): Promise<void> => {
    await page.getByRole('link', { name: part, exact: true }).click()
    await page.waitForLoadState('networkidle')
    expect([part, await isCut(page)]).toEqual([part, false])
    for (const name of buttons) {
      await page.getByRole('button', { name }).first().click()
      await page.waitForTimeout(60)
      expect([part, name, await isCut(page)]).toEqual([part, name, false])
    }
    presses.push(...(await takePresses(page)))
  }
  await takePresses(page)
  await look('Timetable', ['Propose a plan'])
  await expect(page.getByRole('group', { name: 'Plans to choose from' }).getByRole('button').first()).toBeVisible({
    timeout: 30_000,
  })
  await page.getByRole('button', { name: /^Take A/ }).click()
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByText(/Not saved yet/)).toHaveCount(0)
  await look('Timetable', ['List', 'Chart'])
  await look('Stations and staff', [])
  await look('Ground', ['Draw the site', /Defibrillator/, /Water/])
  await page.getByRole('button', { name: /^Defibrillator, / }).focus()
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowUp', 'Shift+ArrowUp', 't']) await page.keyboard.press(key)
  await expect(page.getByText(/From the defibrillator to the far end of/)).toBeVisible()
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByText(/Not saved yet/)).toHaveCount(0)
  await look('Kit and papers', [])
  const download = page.waitForEvent('download', { timeout: 90_000 })
  await page.getByRole('button', { name: 'All papers as one PDF' }).click()
  const papers = await readFile(await (await download).path())
  expect(papers.subarray(0, 5).toString()).toBe('%PDF-')
  // run sheet, lists of five events, cards for everybody: far more than a few pages
  expect(papers.byteLength).toBeGreaterThan(100_000)

  await page
    .getByRole('link', { name: /Muster/ })
    .first()
    .click()
  await expect(page.getByText(`Longsurname-${HEADS}`).first()).toBeAttached()
  expect(await isCut(page)).toBe(false)
  await takePresses(page)
  const search = page
    .getByRole('searchbox')
    .or(page.getByPlaceholder(/name|bib/i))
    .first()
  await search.click()
  await page.keyboard.type('surname-47', { delay: 30 })
  await expect(page.getByText('Longsurname-47').first()).toBeVisible()
  await search.fill('')
  for (const name of ['Longsurname-1', 'Longsurname-2']) {
    await page
      .getByRole('button', { name: new RegExp(`${name}$`) })
      .first()
      .click()
    await expect(page.getByRole('dialog')).toBeVisible()
    await page.waitForTimeout(400)
    expect(await isCut(page)).toBe(false)
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  presses.push(...(await takePresses(page)))
  presses.sort((a, b) => a - b)
  const p95 = presses[Math.floor(presses.length * 0.95)] ?? 0
  const half = presses[Math.floor(presses.length / 2)] ?? 0
  console.log(`${info.title}: ${presses.length} presses, half within ${half} ms, 95 of 100 within ${p95} ms.`)
})
