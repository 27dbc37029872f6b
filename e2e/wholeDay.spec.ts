/** From an empty database to signed verdicts and printed sheets for 24 people, using only the screens; and once more from paper cards. */
import { spawnSync } from 'node:child_process'
import { readFile } from 'node:fs/promises'
import path from 'node:path'
import type { Download, Locator, Page } from '@playwright/test'
import { ROOT } from '../scripts/lib/paths.mjs'
import { allSaved, expect, OFFICER, PASSWORD, test } from './app.ts'

test.use({ room: 'whole_day', demo: false, actionTimeout: 20_000 })
test.describe.configure({ mode: 'serial', timeout: 240_000 })

const HEADS = 24
/** A reach of at least 20 cm, and 400 m in at most 10:00. */
const STANDARD = {
  format: 'able-gauge/standard/1',
  id: 'harbour-watch',
  name: 'Harbour Watch Test',
  organisation: 'Harbour and Hill Fire Service',
  version: 1,
  inForceFrom: '2026-01-01',
  source: 'Made up for this test.',
  ageRule: { countedOn: 'testDate', leapDayBirthday: '1 March' },
  categories: [{ id: 'open', name: 'Open' }],
  events: [
    {
      id: 'reach',
      name: 'Reach',
      protocol: {
        kind: 'attempts',
        startCommands: [],
        unit: 'mm',
        attemptsAllowed: 1,
        sides: 'none',
        select: 'best',
        resolution: 10,
      },
      rounding: { mode: 'nearest', step: 10 },
      scoring: { kind: 'singleCut', unit: 'mm', atLeast: 200 },
      restAfterMs: 60_000,
      cautions: ['Stop at any pain in the back.'],
      kit: ['Ruler'],
    },
    {
      id: 'run',
      name: 'Run 400 m',
      protocol: {
        kind: 'timedDistance',
        by: 'run',
        distanceMm: 400_000,
        lapLengthMm: 400_000,
        startCommands: ['Go'],
      },
      rounding: { mode: 'up', step: 1_000 },
      scoring: { kind: 'singleCut', unit: 'ms', atMost: 600_000 },
      kit: ['Bibs', 'Stopwatch'],
    },
  ],
  combination: { kind: 'everyEventMet', safetyBreachOverrides: true },
  retest: { earliestAfterDays: 14 },
  uncertainty: { handTimingMs: 200, nearTheCut: 'flag' },
}

const PEOPLE = [
  'number,given name,family name,born,category',
  ...Array.from({ length: HEADS }, (_, index) => `W-${index + 1},Ansa,Corran-${index + 1},1995-03-1${index % 9},Open`),
].join('\n')

/** The ruler of each person by bib: three of them short. */
const reachOf = (bib: number): string => (bib % 8 === 0 ? '18' : String(20 + bib / 2))

const signIn = async (page: Page): Promise<void> => {
  await page.goto('/sign-in')
  await page.getByLabel('Name', { exact: true }).fill(OFFICER)
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Open days' })).toBeVisible()
}

/** A planned day with everybody entered. */
const planDay = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('link', { name: 'Days' }).click()
  await page.getByRole('button', { name: 'New day' }).click()
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByLabel('Venue', { exact: true }).fill('Marram Yard')
  await page.getByLabel('Time zone of the venue').fill('UTC')
  await page.getByRole('button', { name: 'Plan the day' }).click()
  await page.getByRole('button', { name: 'Enter people' }).click()
  await page
    .getByLabel('The file')
    .setInputFiles({ name: 'people.csv', mimeType: 'text/csv', buffer: Buffer.from(PEOPLE) })
  await page.getByRole('button', { name: `Enter ${HEADS} people` }).click()
  await expect(page.getByRole('dialog').getByText(new RegExp(`^${HEADS} entered`))).toBeVisible()
  await page.keyboard.press('Escape')
}

/** Everybody checked in one after another, without leaving the dialog. */
const checkIn = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: 'Muster' }).click()
  await page.getByRole('button', { name: /^Check in / }).click()
  const dialog = page.getByRole('dialog')
  for (let head = 1; head <= HEADS; head++) {
    await expect(dialog.getByText(`Ansa Corran-${head}`, { exact: true })).toBeVisible()
    await dialog.getByLabel(/Identity and date of birth checked/).check()
    await dialog.getByRole('button', { name: 'Nothing to report' }).click()
    await dialog.getByLabel(/Consent:/).check()
    await dialog.getByRole('button', { name: head < HEADS ? 'Save and next' : 'Save' }).click()
  }
  await expect(dialog).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^Check in / })).toHaveCount(0)
}

const brief = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: 'Conditions' }).click()
  await page.getByLabel('Air in °C').fill('14.2')
  await page.getByLabel('Humidity in %').fill('68')
  await page.getByLabel('Surface').fill('dry yard')
  await page.getByRole('button', { name: 'Record the conditions' }).click()
  // 0.567 · 14.2 + 0.393 · 11.01 hPa + 3.94
  await expect(page.getByText('16.3 °C')).toBeVisible()
  await page.getByLabel('Reason', { exact: true }).fill('Cool and dry.')
  await page.getByRole('button', { name: 'Record the decision' }).click()
  await expect(page.getByText('The day goes on as planned.')).toBeVisible()
  await page.getByRole('link', { name: 'Briefing' }).click()
  // how many there are is told only once they are drawn
  await expect(page.getByRole('button', { name: 'Confirm the briefing' })).toBeVisible()
  for (const box of await page.getByRole('checkbox').all()) await box.check()
  await page.getByRole('button', { name: 'Confirm the briefing' }).click()
  await expect(page.getByText('All of it, to everybody')).toBeVisible()
}

const signOff = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: 'Sign-off', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Nothing is open' })).toBeVisible()
  await page.getByLabel('Your password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign off the day' }).click()
  await expect(page.getByRole('heading', { name: 'Signed off' })).toBeVisible()
}

const saved = async (page: Page, button: Locator): Promise<Buffer> => {
  const download = page.waitForEvent('download')
  await button.click()
  return readFile(await (await download).path())
}
/** A page of a PDF is an object of its own. */
const pagesIn = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b(?!s)/g)?.length ?? 0

const outcomes = async (page: Page): Promise<string[]> => {
  await page.getByRole('link', { name: 'Verdicts', exact: true }).click()
  await page.getByRole('link', { name: 'Everybody' }).click()
  await expect(page.locator('tbody tr')).toHaveCount(HEADS)
  return page.locator('tbody tr td:last-child').allInnerTexts()
}
const SHORT = [8, 16, 24]
const asExpected = Array.from({ length: HEADS }, (_, index) => (SHORT.includes(index + 1) ? 'Short' : 'Met'))

test('an officer plans, musters, briefs, runs, signs and hands out, from nothing', async ({ page }) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Standards' }).click()
  await expect(page.getByRole('heading', { name: 'Standards', exact: true })).toBeVisible()
  const file = {
    name: 'harbour-watch.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(STANDARD)),
  }
  await page.locator('input[type=file]').setInputFiles(file)
  await page.getByRole('button', { name: 'Publish' }).click()
  await page.getByRole('button', { name: 'Publish it' }).click()
  await expect(page.getByText('A published version never changes.')).toBeVisible()

  await planDay(page, 'Harbour watch, first group')
  await page.getByRole('link', { name: 'Stations and staff' }).click()
  await page.getByLabel('Stations', { exact: true }).first().fill('2')
  await page.getByLabel('Stations', { exact: true }).first().blur()
  await page.getByLabel('People in a wave').fill('24')
  await page.getByRole('button', { name: 'Lay the waves anew' }).click()
  await expect(page.getByText('24 people in 1 wave.')).toBeVisible()
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByText('Not saved yet')).toHaveCount(0)
  await page.getByRole('link', { name: 'Timetable' }).click()
  // nobody was put on the staff but the officer, and the plan says so
  const loose = page.getByRole('list', { name: 'What does not fit' })
  await expect(loose).toContainText('Nobody on the staff is medical cover')
  await expect(loose).toContainText('nobody is assigned')
  await checkIn(page)
  await brief(page)

  // the reach, typed person after person
  await page.getByRole('link', { name: 'Run', exact: true }).click()
  await page.getByRole('link', { name: 'Open the console' }).first().click()
  await expect(page.getByText(/Clock agreed/).first()).toBeVisible()
  for (let bib = 1; bib <= HEADS; bib++) {
    await expect(page.getByRole('region', { name: `Reach, Ansa Corran-${bib}`, exact: true })).toBeVisible()
    await page.locator('.cell input').fill(`${reachOf(bib)} cm`)
    await page.locator('.cell input').press('Enter')
    await expect(page.locator('.result')).toBeVisible()
    if (bib < HEADS) await page.locator('.next-person').click()
  }
  await allSaved(page)

  // the run, stamped at the line
  await page.getByRole('link', { name: 'Run', exact: true }).click()
  await page.getByRole('link', { name: 'Open the console' }).nth(1).click()
  await expect(page.getByText(`Wave 1: ${HEADS} on the line`)).toBeVisible()
  await page.keyboard.press('s')
  // the reach was typed a moment ago: a second, deliberate press starts them all the same, and is on record
  await expect(page.getByText('Start all the same?')).toBeVisible()
  await expect(page.getByText(/24 A\. Corran-24: the rest still runs|and 18 more/).first()).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Wave 1, started')).toBeVisible()
  for (let bib = 1; bib <= HEADS; bib++) {
    await page.keyboard.type(String(bib))
    await page.keyboard.press('Enter')
    await expect(page.getByRole('status').filter({ hasText: new RegExp(`^${bib} `) })).toBeVisible()
  }
  await expect(page.getByText('Wave 1 is in.')).toBeVisible()
  await allSaved(page)
  await page.getByRole('link', { name: 'Run', exact: true }).click()
  for (let event = 0; event < 2; event++) await page.getByRole('button', { name: 'Confirm the event' }).first().click()
  await expect(page.getByText(/Confirmed by Ines Calloway-Brandt/)).toHaveCount(2)

  expect(await outcomes(page)).toEqual(asExpected)
  await signOff(page)
  await page.getByRole('link', { name: 'Hand out the results' }).click()
  const sheets = await saved(page, page.getByRole('button', { name: 'Sheets as PDF, one to a page' }))
  expect(sheets.subarray(0, 5).toString()).toBe('%PDF-')
  expect(pagesIn(sheets)).toBe(HEADS)
  const two = await saved(page, page.getByRole('button', { name: 'Two to a page' }))
  expect(pagesIn(two)).toBe(HEADS / 2)
  const group = await saved(page, page.getByRole('button', { name: 'Group sheet as PDF' }))
  expect(pagesIn(group)).toBeGreaterThanOrEqual(1)
  const csv = (await saved(page, page.getByRole('button', { name: 'CSV' }))).toString()
  expect(csv.split('\r\n')).toHaveLength(HEADS + 1)
  const xlsx = await saved(page, page.getByRole('button', { name: 'XLSX' }))
  expect(xlsx.subarray(0, 2).toString()).toBe('PK')

  // the archive is proven by the command line, and an altered byte is named
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Archive of the day' }).click()
  const archive = await ((await download) satisfies Download).path()
  const verify = (input: string) =>
    spawnSync(process.execPath, [path.join('cli', 'bin', 'able-gauge.mjs'), 'verify', input], {
      cwd: ROOT,
      encoding: 'utf8',
    })
  expect(verify(archive)).toMatchObject({ status: 0 })
  await page.getByRole('link', { name: 'Able Gauge, all days' }).click()
  const altered = (await readFile(archive, 'utf8')).replace('Corran-7', 'Corran-9')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'altered.json', mimeType: 'application/json', buffer: Buffer.from(altered) })
  await page.getByLabel('Your password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Read it in' }).click()
  await expect(page.getByRole('alert')).toContainText('The archive is not what it was when it was written: people[')
})

test('the same from paper cards, keyed in twice, with a slip that is found', { tag: '@long' }, async ({ page }) => {
  await signIn(page)
  await planDay(page, 'Harbour watch, on paper')
  await page.getByRole('link', { name: 'Kit and papers' }).click()
  await page.getByRole('link', { name: 'Paper score cards' }).click()
  await expect(page.getByText('Ansa Corran-24')).toBeVisible()
  await checkIn(page)

  const key = async (
    event: string,
    label: string,
    figureOf: (bib: number) => string,
    button: string,
  ): Promise<void> => {
    for (let bib = 1; bib <= HEADS; bib++)
      await page.getByLabel(`Bib ${bib}: ${label}`, { exact: true }).fill(figureOf(bib))
    await page.getByRole('button', { name: button }).click()
    await expect(
      page.getByRole('heading', { name: new RegExp(`^${event}: (second keying|two keyings)`) }),
    ).toBeVisible()
  }
  const timeOf = (bib: number): string => `8:${String(10 + bib)}`
  await page.getByRole('link', { name: 'Run', exact: true }).click()
  await page.getByRole('link', { name: 'Key in cards' }).first().click()
  await expect(page.getByText(/Clock agreed/).first()).toBeVisible()
  await key('Reach', 'Reading', (bib) => `${reachOf(bib)} cm`, 'Keep this keying')
  await key('Reach', 'Reading', (bib) => (bib === 5 ? '52 cm' : `${reachOf(bib)} cm`), 'Keep the second keying')
  // 22.5 cm against 52 cm: the card says the first
  await expect(page.getByRole('button', { name: '1 to read off the cards again' })).toBeDisabled()
  await page.getByLabel('On the card of bib 5: Reading').fill('22.5 cm')
  await page.getByRole('button', { name: 'Put the figures on record' }).click()
  await expect(page.getByText(`${HEADS} figures were put on record.`)).toBeVisible()
  await page.getByRole('link', { name: 'Run 400 m' }).click()
  await key('Run 400 m', 'Time', timeOf, 'Keep this keying')
  await key('Run 400 m', 'Time', timeOf, 'Keep the second keying')
  await page.getByRole('button', { name: 'Put the figures on record' }).click()
  await expect(page.getByText(`${HEADS} figures were put on record.`)).toBeVisible()
  await allSaved(page)

  expect(await outcomes(page)).toEqual(asExpected)
  await signOff(page)
  await page.getByRole('link', { name: 'Hand out the results' }).click()
  const sheets = await saved(page, page.getByRole('button', { name: 'Sheets as PDF, one to a page' }))
  expect(pagesIn(sheets)).toBe(HEADS)
})
