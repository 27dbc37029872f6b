/**
 * A force takes the program up and keeps it, by screens alone: from an empty database on a laptop in the field to a signed day, put back from
 * its backups on another machine.
 */
import { existsSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import type { Browser, Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { DATA } from '../scripts/lib/paths.mjs'
import { freePort } from '../scripts/lib/ports.mjs'
import { HEADS, latinCsv, peopleWorkbook } from './people.ts'
import { openPhone } from './phone.ts'
import { command, startProgram, type Program } from './program.ts'

const FIELD = path.join(DATA, 'long-run-field')
const OFFICE = path.join(DATA, 'long-run-office')
/** What phones call the laptop. */
const HOST = `${os.hostname().toLowerCase()}.local`
const PASSWORD = 'gannet harbour seven lanterns'
const PASSPHRASE = 'twelve quiet otters'
const ADMINISTRATOR = 'Ásta Merrow'
const PEOPLE_LET_IN = [
  ['Ines Calloway', 'officer'],
  ['Joss Adair', 'grader'],
  ['Wanda Lofthouse', 'grader'],
  ['Pell Varga', 'timer'],
  ['Odile Harrow', 'clerk'],
  ['Edda Farquhar', 'records'],
  ['Kester Munro', 'viewer'],
] as const
const REPETITIONS = 3
const STANDARD = {
  format: 'able-gauge/standard/1',
  id: 'harbour-watch',
  name: 'Harbour Watch Test',
  organisation: 'Skerry Volunteer Brigade',
  version: 1,
  inForceFrom: '2020-01-01',
  source: 'Made up for this test.',
  ageRule: { countedOn: 'testDate', leapDayBirthday: '1 March' },
  categories: [
    { id: 'female', name: 'Female' },
    { id: 'male', name: 'Male' },
  ],
  events: [
    {
      id: 'press-ups',
      name: 'Press-ups',
      protocol: {
        kind: 'repetitionsInTime',
        startCommands: ['Ready', 'Go'],
        countsWhen: 'Arms straight at the top.',
        restAllowed: 'up',
        refusals: [{ id: 'depth', label: 'Not low enough' }],
        cautionsAllowed: 2,
        durationMs: 20_000,
      },
      rounding: { mode: 'truncate', step: 1 },
      scoring: { kind: 'singleCut', unit: 'count', atLeast: REPETITIONS },
      cautions: ['Stop at any pain in the chest.'],
      kit: ['Mat'],
    },
  ],
  combination: { kind: 'everyEventMet', safetyBreachOverrides: true },
  retest: { earliestAfterDays: 14 },
  uncertainty: { handTimingMs: 200, nearTheCut: 'flag' },
}
/** Whom last year's day had, by their place in the workbook. */
const OF_LAST_YEAR = [0, 1, 2, 3]

test.describe.configure({ timeout: 600_000 })
test.use({ actionTimeout: 20_000, serviceWorkers: 'allow' })

const clear = (): void => {
  for (const folder of [FIELD, OFFICE]) rmSync(folder, { recursive: true, force: true })
}
const running: Program[] = []
test.beforeAll(clear)
test.afterAll(async () => {
  for (const program of running) if (program.child.exitCode === null) await program.stop()
  clear()
})

const start = async (...given: Parameters<typeof startProgram>): Promise<Program> => {
  const program = await startProgram(...given)
  running.push(program)
  return program
}
const signInNameOf = (name: string): string =>
  name.normalize('NFD').toLowerCase().replace(/\p{M}/gu, '').replace(' ', '.')
const signIn = async (page: Page, site: string, name: string, heading: string): Promise<void> => {
  await page.goto(`${site}/sign-in`)
  await page.getByLabel('Name', { exact: true }).fill(signInNameOf(name))
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible()
}
/** A person at a screen of their own. */
const at = async (browser: Browser, site: string, name: string, heading: string): Promise<Page> => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await signIn(page, site, name, heading)
  return page
}
const newPassword = async (page: Page): Promise<void> => {
  await page.getByLabel('New password').fill(PASSWORD)
  await page.getByLabel('The same again').fill(PASSWORD)
}

const setUp = async (page: Page, site: string, code: string): Promise<void> => {
  await page.goto(`${site}/set-up#${code}`)
  await page.getByLabel('What the organisation is called').fill('Skerry Volunteer Brigade')
  await page.getByLabel('Your name').fill(ADMINISTRATOR)
  await page.getByLabel('Sign-in name').fill(signInNameOf(ADMINISTRATOR))
  await newPassword(page)
  await page.getByRole('button', { name: 'Set it up' }).click()
  await expect(page.getByRole('heading', { name: 'Accounts' })).toBeVisible()
}
const makeUnits = async (page: Page, site: string): Promise<void> => {
  const dialog = page.getByRole('dialog')
  await page.goto(`${site}/units`)
  await page.getByRole('button', { name: 'New unit' }).click()
  await dialog.getByLabel('Name').fill('Harbour Police')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Harbour Police' })
    .getByRole('button', { name: 'Unit below it' })
    .click()
  await dialog.getByLabel('Name').fill('Quay watch')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('button', { name: 'Quay watch', exact: true })).toBeVisible()
}
/** Each of them chooses a password at their own device, by a link. */
const letIn = async (page: Page, browser: Browser, site: string): Promise<void> => {
  const dialog = page.getByRole('dialog')
  await page.goto(`${site}/accounts`)
  for (const [name, role] of PEOPLE_LET_IN) {
    await page.getByRole('button', { name: 'Let somebody in' }).click()
    await dialog.getByLabel('Name', { exact: true }).fill(name)
    await dialog.getByLabel('Role').selectOption(role)
    await expect(dialog.getByLabel('Sign-in name')).toHaveValue(signInNameOf(name))
    await dialog.getByRole('button', { name: 'Make the link' }).click()
    const address = new URL(await dialog.locator('.address').innerText())
    await dialog.getByRole('button', { name: 'Close' }).click()
    await expect(dialog).toHaveCount(0)
    const pocket = await browser.newContext()
    const theirs = await pocket.newPage()
    await theirs.goto(`${site}${address.pathname}${address.hash}`)
    await newPassword(theirs)
    await theirs.getByRole('button', { name: 'Sign in with it' }).click()
    await expect(theirs.getByRole('navigation', { name: 'Rooms' })).toBeVisible()
    await pocket.close()
  }
  await page.reload()
  await expect(page.getByText('invited, not here yet')).toHaveCount(0)
  await expect(page.locator('tbody tr')).toHaveCount(1 + PEOPLE_LET_IN.length)
}

const publish = async (page: Page, site: string): Promise<void> => {
  await page.goto(`${site}/standards`)
  await page.locator('input[type=file]').setInputFiles({
    name: 'harbour-watch.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(STANDARD)),
  })
  await page.getByRole('button', { name: 'Publish' }).click()
  await page.getByRole('button', { name: 'Publish it' }).click()
  await expect(page.getByText('A published version never changes.')).toBeVisible()
}
const bringPeopleIn = async (page: Page, site: string): Promise<void> => {
  const dialog = page.getByRole('dialog')
  await page.goto(`${site}/people`)
  await page.getByRole('button', { name: 'Bring people in' }).click()
  await dialog.getByLabel('The file').setInputFiles({
    name: 'people.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer: await peopleWorkbook(),
  })
  await dialog.getByRole('button', { name: `Compare ${HEADS} people` }).click()
  await dialog.getByRole('button', { name: `Take in ${HEADS} people` }).click()
  await expect(dialog.getByText(`${HEADS} added, 0 changed.`)).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Bring results in' }).click()
  await dialog.getByLabel('Standard').selectOption({ label: 'Harbour Watch Test' })
  await dialog.getByLabel('The file').setInputFiles({
    name: 'earlier years.csv',
    mimeType: 'text/csv',
    buffer: latinCsv('Number;Date;Press-ups', 'H-100;21.5.2024;33', 'H-100;16.5.2023;2', 'H-101;16.5.2023;30'),
  })
  await dialog.getByRole('button', { name: 'Try 3 results' }).click()
  await dialog.getByRole('button', { name: 'Take 3 results in' }).click()
  await expect(dialog.getByText('3 results taken in.')).toBeVisible()
}

/** A day of last year at a venue that is known, copied with its people to today. */
const planToday = async (page: Page, site: string): Promise<string> => {
  const dialog = page.getByRole('dialog')
  await page.goto(`${site}/stock`)
  await page.getByRole('button', { name: 'New venue' }).click()
  await page.getByLabel('Name').first().fill('Gannet Rock quay')
  await page.getByLabel('Time zone').first().fill('UTC')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Saved for the house.')).toBeVisible()
  await page.goto(`${site}/`)
  await page.getByRole('button', { name: 'New day' }).click()
  await dialog.getByLabel('Name', { exact: true }).fill('Quay test, last year')
  await dialog.getByLabel('Venue', { exact: true }).fill('Gannet Rock quay')
  await dialog.getByLabel('Test date').fill('14.6.2025')
  for (const grader of ['Joss Adair', 'Wanda Lofthouse', 'Odile Harrow'])
    await dialog.getByRole('checkbox', { name: grader }).check()
  await dialog.getByRole('button', { name: 'Plan the day' }).click()
  await page.getByRole('button', { name: 'Enter people' }).click()
  await dialog.getByRole('button', { name: 'Already known' }).click()
  for (const index of OF_LAST_YEAR) {
    await dialog.getByRole('searchbox').fill(`H-${100 + index}`)
    await dialog
      .getByRole('combobox', { name: new RegExp(`Müller-${index} as$`) })
      .selectOption({ label: index % 2 === 0 ? 'Female' : 'Male' })
    await dialog.getByRole('button', { name: 'Enter 1 person' }).click()
    await expect(page.getByText('1 person entered.').last()).toBeVisible()
  }
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Copy the day' }).click()
  await dialog.getByLabel('Name').fill('Quay test')
  await dialog.getByText(/Enter the same 4 people/).click()
  await dialog.getByRole('button', { name: 'Copy the day' }).click()
  await expect(page.getByRole('banner')).toContainText('Quay test')
  await expect(page.getByRole('banner')).not.toContainText('last year')
  return /\/days\/([0-9a-f-]+)\//.exec(page.url())?.[1] ?? ''
}

const muster = async (page: Page, site: string, day: string): Promise<void> => {
  const dialog = page.getByRole('dialog')
  await page.goto(`${site}/days/${day}/muster`)
  await page.getByRole('button', { name: /^Check in / }).click()
  for (const [place, index] of OF_LAST_YEAR.entries()) {
    await expect(dialog.getByText(new RegExp(`Müller-${index}$`))).toBeVisible()
    await dialog.getByLabel(/Identity and date of birth checked/).check()
    await dialog.getByRole('button', { name: 'Nothing to report' }).click()
    await dialog.getByLabel(/Consent:/).check()
    await dialog
      .getByRole('button', { name: place < OF_LAST_YEAR.length - 1 ? 'Save and next' : 'Save', exact: true })
      .click()
  }
  await expect(dialog).toHaveCount(0)
}
const stationCode = async (page: Page, site: string, day: string): Promise<string> => {
  await page.goto(`${site}/days/${day}/plan?part=papers`)
  await page.getByRole('button', { name: 'New code' }).click()
  await page.getByRole('button', { name: 'Show to scan' }).click()
  const code = await page.getByRole('dialog').locator('figcaption strong').innerText()
  await page.keyboard.press('Escape')
  return code
}

/** Counts the wearers of bibs on a phone, one after another, each until time is up. */
const count = async (page: Page, site: string, day: string, bibs: readonly number[]): Promise<void> => {
  for (const bib of bibs) {
    await page.goto(`${site}/days/${day}/run/press-ups?bib=${bib}`)
    await page.getByRole('button', { name: /Start commands/ }).click()
    const pad = page.getByRole('button', { name: /^Count/ })
    for (let counted = 0; counted < REPETITIONS; counted++) {
      await pad.click()
      // sooner than anybody can is doubted
      await page.waitForTimeout(700)
    }
    await expect(page.getByTestId('counted')).toHaveText(String(REPETITIONS))
    await expect(page.getByText(/Time is up|Met/).first()).toBeVisible({ timeout: 40_000 })
    await page.locator('.saved:visible', { hasText: /All saved\./ }).waitFor()
  }
}

const signOff = async (page: Page, site: string, day: string): Promise<string> => {
  await page.goto(`${site}/days/${day}/run`)
  await page.getByRole('button', { name: 'Confirm the event' }).click()
  await expect(page.getByText(/Confirmed by Ines Calloway/)).toBeVisible()
  await page.getByRole('link', { name: 'Sign-off', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Nothing is open' })).toBeVisible()
  await page.getByLabel('Your password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign off the day' }).click()
  await expect(page.getByRole('heading', { name: 'Signed off' })).toBeVisible()
  return headOf(page, site, day)
}
/** What an archive of the day carries as its fingerprint. */
const headOf = async (page: Page, site: string, day: string): Promise<string> => {
  await page.goto(`${site}/days/${day}/sign-off`)
  const head = page.locator('dt', { hasText: 'Record' }).locator('+ dd').first()
  await expect(head).toHaveText(/^([0-9a-f]{4}-?){6}/)
  return (await head.innerText()).trim()
}

const backUpOnScreen = async (page: Page, site: string): Promise<string> => {
  await page.goto(`${site}/backups`)
  await page.getByLabel('Passphrase', { exact: true }).fill(PASSPHRASE)
  await page.getByLabel('The same again').fill(PASSPHRASE)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Make a backup' }).click(),
  ])
  const file = path.join(FIELD, 'on-screen.backup')
  await download.saveAs(file)
  return file
}
const restoreOnScreen = async (page: Page, site: string, file: string): Promise<void> => {
  await page.goto(`${site}/backups`)
  await page.getByLabel('Backup', { exact: true }).setInputFiles(file)
  await page.getByLabel('Its passphrase').fill(PASSPHRASE)
  await page.getByLabel('Your password here, as signature').fill(PASSWORD)
  await page.getByText('Everything here is set aside').click()
  await page.getByRole('button', { name: 'Put it in place of this house' }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible({ timeout: 60_000 })
}

test('from an empty database to a signed day on two phones, put back elsewhere from both kinds of backup', async ({
  browser,
  page,
}) => {
  const [port, httpsPort, officePort] = [await freePort(), await freePort(), await freePort()]
  const laptop = await start(FIELD, port, '--empty', '--field', '--https-port', String(httpsPort))
  const site = `http://127.0.0.1:${port}`
  const code = /set-up#(\S+)/.exec(laptop.output())?.[1] ?? ''
  await setUp(page, site, code)
  await makeUnits(page, site)
  await letIn(page, browser, site)

  const officer = await at(browser, site, 'Ines Calloway', 'Open days')
  await publish(officer, site)
  await bringPeopleIn(await at(browser, site, 'Edda Farquhar', 'People'), site)
  const day = await planToday(officer, site)
  await muster(await at(browser, site, 'Odile Harrow', 'Open days'), site, day)

  const secure = await openPhone('long-secure', HOST, path.join(FIELD, 'field', 'authority.pem'))
  const believing = await secure.newPage()
  await believing.goto(`https://${HOST}:${httpsPort}/sign-in#${await stationCode(officer, site, day)}`)
  await believing.getByLabel('Your name').fill('Lumi Ardent')
  await believing.getByRole('button', { name: 'Join the station' }).click()
  await expect(believing).toHaveURL(new RegExp(`/days/${day}/run`))
  expect(await believing.evaluate(() => isSecureContext)).toBe(true)
  // the whole application is fetched for it
  await expect
    .poll(() => believing.evaluate(async () => (await navigator.serviceWorker.ready).active?.state), {
      timeout: 60_000,
    })
    .toBe('activated')

  const plain = await openPhone('long-plain', HOST, null)
  const overHttp = await plain.newPage()
  await signIn(overHttp, `http://${HOST}:${port}`, 'Joss Adair', 'Open days')
  expect(await overHttp.evaluate(() => isSecureContext)).toBe(false)
  await count(believing, `https://${HOST}:${httpsPort}`, day, [1, 2])
  await count(overHttp, `http://${HOST}:${port}`, day, [3, 4])
  await secure.close()
  await plain.close()

  const head = await signOff(officer, site, day)
  const onScreen = await backUpOnScreen(page, site)
  const typed = path.join(FIELD, 'typed.backup')
  const passphrase = { ABLE_GAUGE_PASSPHRASE: PASSPHRASE }
  expect(command(FIELD, 'backup', [typed], passphrase)).toMatchObject({ status: 0, stderr: '' })
  expect(existsSync(typed)).toBe(true)
  await laptop.stop()

  // the office: the one made on screen put back by the command, then the other way round
  expect(command(OFFICE, 'restore', [onScreen], passphrase)).toMatchObject({ status: 0, stderr: '' })
  const office = await start(OFFICE, officePort, '--empty')
  const elsewhere = `http://127.0.0.1:${officePort}`
  const inOffice = await at(browser, elsewhere, 'Ines Calloway', 'Open days')
  expect(await headOf(inOffice, elsewhere, day)).toBe(head)
  const keeper = await at(browser, elsewhere, ADMINISTRATOR, 'Accounts')
  await restoreOnScreen(keeper, elsewhere, typed)
  await signIn(inOffice, elsewhere, 'Ines Calloway', 'Open days')
  expect(await headOf(inOffice, elsewhere, day)).toBe(head)
  await office.stop()
})
