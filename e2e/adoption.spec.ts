/** A force takes the program up: units, people and earlier years from spreadsheets, venues, days that repeat, candidates who look at their own results. */
import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, test } from './app.ts'
import { HEADINGS, latinCsv, peopleWorkbook } from './people.ts'

test.use({ room: 'adoption' })

const seriousOn = async (page: Page): Promise<string[]> => {
  // a dialog that is still fading in has colours of its own
  await page.waitForTimeout(400)
  return (await new AxeBuilder({ page }).analyze()).violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ''}`)
}

test('an organisation brings units, people and earlier years in, and the same file again makes nobody twice', async ({
  page,
  signedIn,
}) => {
  await signedIn('thora.lindqvist-may')
  await page.goto('/units')
  const dialog = page.getByRole('dialog')
  await page.getByRole('button', { name: 'New unit' }).click()
  await dialog.getByLabel('Name').fill('Harbour Police')
  await dialog.getByRole('button', { name: 'Save' }).click()
  const harbour = page.getByRole('listitem').filter({ hasText: 'Harbour Police' })
  await harbour.getByRole('button', { name: 'Unit below it' }).click()
  await expect(dialog.getByLabel('A part of')).toHaveValue(/.+/)
  await dialog.getByLabel('Name').fill('Quay watch')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('button', { name: 'Quay watch', exact: true })).toBeVisible()
  expect(await seriousOn(page)).toEqual([])

  await signedIn('edda.farquhar')
  await page.goto('/people')
  await page.getByRole('button', { name: 'Bring people in' }).click()
  await dialog.getByLabel('The file').setInputFiles({
    name: 'people.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer: await peopleWorkbook(),
  })
  await expect(dialog.getByRole('row', { name: /Jörg Müller-0/ })).toContainText('Harbour Police, Quay watch')
  await dialog.getByRole('button', { name: 'Compare 150 people' }).click()
  await expect(dialog.getByText('150 people new, 0 on record as the file says')).toBeVisible()
  expect(await seriousOn(page)).toEqual([])
  await dialog.getByRole('button', { name: 'Take in 150 people' }).click()
  await expect(dialog.getByText('150 added, 0 changed.')).toBeVisible()

  // a corrected file of an ordinary spreadsheet: one name, one fault, one letter that needs its encoding
  await dialog.getByLabel('The file').setInputFiles({
    name: 'corrected.csv',
    mimeType: 'text/csv',
    buffer: latinCsv(
      HEADINGS.slice(0, 4).join(';'),
      'H-100;Jürgen;Müller-0;1.1.1990',
      'H-101;Ása;Müller-1;31.2.1991',
      'H-102;Zoë;Müller-2;3.3.1992',
    ),
  })
  await expect(dialog.getByText('1 row to correct in the file')).toBeVisible()
  await expect(dialog.getByLabel('Letters read as')).toHaveValue('windows-1252')
  await dialog.getByLabel('Letters read as').selectOption('utf-8')
  await expect(dialog.getByText('letters that were read as they were written').first()).toBeVisible()
  await dialog.getByLabel('Letters read as').selectOption('windows-1252')
  await dialog.getByRole('button', { name: 'Compare 2 people' }).click()
  await expect(dialog.getByText('0 people new, 1 on record as the file says, 1 where the file says')).toBeVisible()
  await dialog.getByRole('group', { name: 'Line 2' }).getByRole('button', { name: 'Take the file’s' }).click()
  await dialog.getByRole('button', { name: 'Take in 1 person' }).click()
  await expect(dialog.getByText('0 added, 1 changed.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Close' }).last().click()
  await page.getByRole('searchbox').fill('H-100')
  await expect(page.getByRole('link', { name: 'Jürgen Müller-0' })).toBeVisible()

  await page.getByRole('button', { name: 'Bring results in' }).click()
  await dialog.getByLabel('Standard').selectOption({ label: 'Constabulary Entry Standard' })
  await dialog.getByLabel('The file').setInputFiles({
    name: 'earlier years.csv',
    mimeType: 'text/csv',
    buffer: latinCsv(
      'Number;Date;Press-ups;Run 2,000 m',
      'H-100;21.5.2024;33;9:01',
      'H-100;16.5.2023;12;11:40',
      'nobody;16.5.2023;30;9:00',
    ),
  })
  await dialog.getByRole('button', { name: 'Try 3 results' }).click()
  await expect(dialog.getByText('Line 4: Number in the organisation: found nobody')).toBeVisible()
  await dialog.getByRole('button', { name: 'Take 2 results in' }).click()
  await expect(dialog.getByText('2 results taken in.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Close' }).last().click()
  await page.getByRole('link', { name: 'Jürgen Müller-0' }).click()
  await expect(page.getByText('Brought in from earlier years.csv')).toHaveCount(2)
  await expect(
    page.getByText('What is kept was corrected by Edda Farquhar: As the file corrected.csv says'),
  ).toBeVisible()
  expect(await seriousOn(page)).toEqual([])
})

test(
  'a day is planned at a known venue with a crew, copied, cancelled and taken back',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn('ines.calloway-brandt')
    await page.goto('/stock')
    await page.getByRole('button', { name: 'New venue' }).click()
    const venue = page.getByLabel('Name').nth(4)
    await venue.fill('Gannet Rock quay')
    // what was typed is still there after leaving the room
    await page.goto('/')
    await page.goto('/stock')
    await expect(page.getByText('Not saved yet.')).toBeVisible()
    await expect(venue).toHaveValue('Gannet Rock quay')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByText('Saved for the house.')).toBeVisible()
    expect(await seriousOn(page)).toEqual([])

    await page.goto('/')
    await page.getByRole('button', { name: 'New day' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Name', { exact: true }).fill('Quay test')
    await dialog.getByLabel('Venue', { exact: true }).fill('Fallow Point track')
    await expect(dialog.getByLabel('Time zone of the venue')).toHaveValue('Etc/GMT-12')
    await dialog.getByLabel('Standard').selectOption({ label: 'Constabulary Entry Standard, version 3' })
    await dialog.getByRole('button', { name: 'Fallow Point crew' }).click()
    await dialog.getByRole('button', { name: 'Plan the day' }).click()
    await expect(page.getByText('Backup timer')).toBeVisible()
    await page.goto(`${page.url()}?part=ground`)
    await page.getByLabel('Measured at Fallow Point track').first().selectOption('Track, inner lane')
    await page.getByRole('button', { name: 'Save the plan' }).click()
    await page.getByRole('link', { name: 'Day and people' }).click()

    await page.getByRole('button', { name: 'Copy the day' }).click()
    await dialog.getByLabel('Name').fill('Quay test, group B')
    await dialog.getByRole('button', { name: 'Copy the day' }).click()
    await expect(page.getByRole('banner')).toContainText('Quay test, group B')
    await expect(page.getByText('Backup timer')).toBeVisible()
    await page.getByRole('button', { name: 'Cancel the day' }).click()
    await dialog.getByLabel('Reason').fill('Storm warning')
    await dialog.getByRole('button', { name: 'Cancel the day' }).click()
    await expect(page.getByText('This day is cancelled: Storm warning')).toBeVisible()
    await page.getByRole('button', { name: 'It takes place after all' }).click()
    await expect(page.getByText('This day is cancelled')).toHaveCount(0)
  },
)

test('a candidate opens the own page on a phone, sees why, and logs a test', async ({
  page,
  signedIn,
  browser,
  app,
}) => {
  await signedIn('edda.farquhar')
  await page.goto('/people')
  await page.getByRole('searchbox').fill('Ashgrove')
  await page.getByRole('link', { name: 'Hyacinth Ashgrove' }).click()
  const born = (await page.getByText(/born \d/).innerText()).match(/born ([^.]+)\./)?.[1] ?? ''
  await page.getByRole('button', { name: 'Make a link' }).click()
  const address = new URL(await page.locator('.address').innerText())

  const pocket = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: app.address })
  const phone = await pocket.newPage()
  await phone.goto(`${address.pathname}${address.hash}`)
  await phone.getByLabel('Your date of birth').fill('1.1.1970')
  await phone.getByRole('button', { name: 'Open my page' }).click()
  await expect(phone.getByRole('alert')).toContainText('The page does not open')
  await phone.getByLabel('Your date of birth').fill(born)
  await phone.getByRole('button', { name: 'Open my page' }).click()
  await expect(phone.getByRole('heading', { name: 'Hyacinth Ashgrove' })).toBeVisible()
  await phone.locator('summary').filter({ hasText: 'Press-ups' }).first().click()
  await expect(phone.getByRole('listitem').first()).toBeVisible()
  expect(await seriousOn(phone)).toEqual([])
  await phone.getByLabel('Repetitions').fill('29')
  await phone.getByRole('button', { name: 'Log the self-test' }).click()
  await expect(phone.getByText(/: Press-ups:|Press-ups: /).last()).toBeVisible()
  await pocket.close()

  await page.reload()
  await expect(page.getByText('nobody witnessed it.')).toBeVisible()
  await page.getByRole('button', { name: 'End every link' }).click()
  await expect(page.getByText('Every link to the page has ended.')).toBeVisible()
})
