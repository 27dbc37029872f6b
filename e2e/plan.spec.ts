/** A new day from nothing: planned, people entered from a spreadsheet's file with faulty rows, then the corrected file. */
import { expect, test } from './app.ts'

test.use({ room: 'plan' })

const HEADING = 'Staff number;First name;Surname;Date of birth;Sex'
const GOOD = ['N-1;Tove;Okafor-Lind;4.5.1999;Female', 'N-2;Ansa;Corran;1990-01-02;male']
const csv = (rows: readonly string[]) => ({
  name: 'people.csv',
  mimeType: 'text/csv',
  // as a spreadsheet saves it: semicolons and a byte order mark
  buffer: Buffer.from(`\uFEFF${[HEADING, ...rows].join('\r\n')}\r\n`),
})

test('an officer plans a day and enters people; what is faulty is told and enters nobody twice', async ({
  page,
  signedIn,
}) => {
  await signedIn('ines.calloway-brandt')
  await page.goto('/')
  await page.getByRole('button', { name: 'New day' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Entry test, group D')
  await page.getByLabel('Venue', { exact: true }).fill('Fallow Point track')
  await page.getByLabel('Test date').fill('2024-05-01')
  await page
    .getByRole('dialog', { name: 'New test day' })
    .getByLabel('Standard')
    .selectOption({ label: 'Constabulary Entry Standard, version 3' })
  await expect(page.getByText('version 2 is in force, not version 3')).toBeVisible()
  await page.getByLabel('Test date').fill('2026-12-01')
  await expect(page.getByText('is in force, not version')).toHaveCount(0)
  await page.getByLabel('Pell Varga', { exact: false }).first().check()
  await page.getByRole('button', { name: 'Plan the day' }).click()

  await expect(page.getByText('Nobody is entered yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Enter people' }).click()
  await page
    .getByLabel('The file')
    .setInputFiles(csv([...GOOD, 'N-3;Bram;Elvane;30.2.1991;male', 'N-1;Kei;Hollis;1.2.1992;male']))
  await expect(page.getByText('2 good rows of 4')).toBeVisible()
  await expect(page.getByText('2 rows to correct')).toBeVisible()
  await expect(page.getByText(/Line 4, date of birth: found 30\.2\.1991, expected a date that exists/)).toBeVisible()
  await expect(page.getByText(/Line 5, number in the organisation: found N-1, also in line 2/)).toBeVisible()
  await page.getByRole('button', { name: 'Enter 2 people' }).click()
  await expect(page.getByText('2 entered.')).toBeVisible()

  await page
    .getByLabel('The file')
    .setInputFiles(csv([...GOOD, 'N-3;Bram;Elvane;28.2.1991;male', 'N-4;Kei;Hollis;1.2.1992;male']))
  await page.getByRole('button', { name: 'Enter 4 people' }).click()
  await expect(page.getByText('2 entered; 2 were on the day before.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByText('4 entered in 1 wave')).toBeVisible()
  await page.getByRole('link', { name: 'Go to muster' }).click()
  await expect(page.getByText('Bram Elvane')).toBeVisible()
})
