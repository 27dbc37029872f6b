/** Standards as the officer in charge works on them: written, pasted, mended, published, tried and compared. */
import { readFile, writeFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { expect, test } from './app.ts'

test.use({ room: 'plan' })

/** What a spreadsheet puts on the clipboard, dropped into the cell that has the focus. */
const paste = (page: Page, text: string): Promise<void> =>
  page.evaluate((block) => {
    const data = new DataTransfer()
    data.setData('text/plain', block)
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    )
  }, text)

const BANDS = ['17\t24\topen', '25\t31\topen', '33\t39\topen', '40\t\topen'].join('\n')
// four bands, from 50 to 100 points
const POINTS = Array.from({ length: 11 }, (_, line) =>
  [50 + line * 5, 20 + line * 2, 18 + line * 2, 16 + line * 2, 14 + line * 2].join('\t'),
).join('\n')

test('a table of four bands is pasted, its hole found and mended, and published for good', async ({
  page,
  signedIn,
}) => {
  await signedIn('ines.calloway-brandt')
  await page.goto('/standards')
  await page.getByRole('button', { name: 'New standard' }).click()
  await page.getByLabel('What it is called').fill('Harbour Watch Test')
  await page.getByRole('button', { name: 'Begin the draft' }).click()
  await expect(page.getByRole('heading', { name: 'Harbour Watch Test, version 1' })).toBeVisible()
  const remarks = page.getByRole('region', { name: 'Remarks' }).or(page.locator('.remarks'))
  // nothing is made up: what the form asks for is typed by somebody
  await expect(remarks.getByText('Event 1, duration')).toBeVisible()
  await page.getByLabel('Source').fill('Harbour order 12.')
  await page.getByRole('button', { name: 'How it is judged' }).click()
  await page.getByLabel('Earliest after days').fill('14')
  await page.getByLabel('Hand timing').fill('0.2')

  await page.getByRole('button', { name: /^\d+ New event/ }).click()
  await page.getByLabel('Name', { exact: true }).fill('Press-ups')
  await page.getByLabel('Duration').fill('1:30')
  await page.getByLabel('Counts when').fill('Arms straight at the top.')
  await page.getByLabel('Cautions allowed').fill('2')
  await page.keyboard.press('Tab')
  await page.getByLabel('Scored by').selectOption({ label: 'Points table' })
  const bands = page.getByRole('table', { name: 'Bands' })
  await bands.getByLabel('Age from, line 1', { exact: true }).click()
  await paste(page, BANDS)
  await expect(bands.getByLabel('Age from, line 4', { exact: true })).toHaveValue('40')
  const points = page.getByRole('table', { name: 'Points table' })
  await points.getByLabel('Points, line 1', { exact: true }).click()
  await paste(page, POINTS)
  await expect(points.getByLabel('40 and over, Open, line 11', { exact: true })).toHaveValue('34')

  // nobody of 32 has a band
  await expect(remarks.getByText('no row for age 32')).toBeVisible()
  await expect(remarks.getByRole('button', { name: 'Let 25 to 31 last until 32' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Publish' })).toBeDisabled()
  const hole = bands.getByLabel('Age from, line 3', { exact: true })
  await expect(hole).toHaveAttribute('aria-invalid', 'true')
  await hole.fill('32')
  // points without a minimum make nobody short
  await expect(remarks.getByText('Every event is met by taking part.')).toBeVisible()
  await page.getByRole('button', { name: 'Add minimum points' }).click()
  await page.getByLabel(/^Minimum/).fill('55')
  await page.keyboard.press('Tab')
  await expect(page.getByText('The check finds nothing')).toBeVisible()

  // arrow keys walk; what cannot be read is told at its cell and kept
  await points.getByLabel('Points, line 1', { exact: true }).click()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowRight')
  await expect(points.getByLabel('17 to 24, Open, line 2', { exact: true })).toBeFocused()
  await page.keyboard.type('twenty')
  await expect(points.getByLabel('17 to 24, Open, line 2', { exact: true })).toHaveAttribute('aria-invalid', 'true')
  await expect(remarks.getByText(/found "twenty"/)).toBeVisible()
  await expect(page.getByText('All saved.')).toBeVisible()
  await page.reload()
  // the event itself; what is said of it stands beside as a button too
  await page
    .getByRole('button', { name: /Press-ups/ })
    .first()
    .click()
  await expect(points.getByLabel('17 to 24, Open, line 2', { exact: true })).toHaveValue('twenty')
  await points.getByLabel('17 to 24, Open, line 2', { exact: true }).fill('22')
  await expect(page.getByText('The check finds nothing')).toBeVisible()

  await page.getByRole('button', { name: 'Publish' }).click()
  await page.getByRole('button', { name: 'Publish it' }).click()
  await expect(page.getByText('A published version never changes.')).toBeVisible()
  await expect(page.getByRole('row', { name: /^100 40 38 36 34$/ })).toBeVisible()
})

/** Five bands of ages for women and men, 21 rows each, as somebody printed them. */
const printedTable = (
  women: (row: number, band: number) => string,
  men: (row: number, band: number) => string,
): string => {
  const ages = ['17–24', '25–31', '32–38', '39–45', '46+']
  const rows = Array.from({ length: 21 }, (_, row) =>
    [100 - row * 5, ...ages.map((_, band) => women(row, band)), ...ages.map((_, band) => men(row, band))].join('\t'),
  )
  return [['Points', 'Female', '', '', '', '', 'Men'].join('\t'), ['', ...ages, ...ages].join('\t'), ...rows].join('\n')
}
const minutes = (seconds: number): string => `${Math.floor(seconds / 60)}.${String(seconds % 60).padStart(2, '0')}`
const PRESS_UPS = printedTable(
  (row, band) => String(60 - 2 * row - band),
  (row, band) => String(80 - 3 * row - band),
)
const RUN = printedTable(
  (row, band) => minutes(600 + 12 * row + 20 * band),
  (row, band) => minutes(510 + 12 * row + 20 * band),
)

test('a printed standard of two events is in and published in forty actions, without a short name typed', async ({
  page,
  signedIn,
}) => {
  await signedIn('ines.calloway-brandt')
  await page.goto('/standards')
  let actions = 0
  const press = async (name: string | RegExp): Promise<void> => {
    actions++
    await page
      .getByRole('button', { name, exact: typeof name === 'string' })
      .first()
      .click()
  }
  const fill = async (label: string, text: string, at = 0): Promise<void> => {
    actions++
    await page.getByLabel(label, { exact: true }).nth(at).fill(text)
    await page.getByLabel(label, { exact: true }).nth(at).blur()
  }
  const choose = async (label: string, option: string): Promise<void> => {
    actions++
    await page.getByLabel(label, { exact: true }).selectOption({ label: option })
  }
  const pasteTable = async (text: string): Promise<void> => {
    actions += 2
    await page.getByLabel('Paste the printed table, headings and all').click()
    await paste(page, text)
    await expect(page.getByText('210 figures for 10 bands understood')).toBeVisible()
    await press('Take it')
  }
  await press('New standard')
  await fill('What it is called', 'Skerry Watch Standard')
  await press('Begin the draft')
  await fill('Source', 'Watch order 7.')
  await press(/^\d+ New event/)
  await fill('Name', 'Press-ups')
  await fill('Duration', '1:30')
  await fill('Counts when', 'Arms straight at the top.')
  await fill('Cautions allowed', '2')
  await choose('Scored by', 'Points table')
  await pasteTable(PRESS_UPS)
  await choose('Add an event', 'Timed distance')
  await press('For everybody')
  await fill('Name', 'Run 2,400 m')
  await fill('Distance', '2400')
  await fill('Lap length', '400')
  await choose('Scored by', 'Points table')
  await pasteTable(RUN)
  await press('How it is judged')
  await choose('Combination', 'Points are added')
  await fill('Total points', '120')
  await press('Add minimum each points')
  await fill('Minimum each points', '50')
  await press('Add classes')
  await fill('Name', 'Harbour')
  await fill('From points', '120')
  await press('Add one')
  await fill('Name', 'Summit', 1)
  await fill('From points', '170', 1)
  await fill('Earliest after days', '14')
  await fill('Hand timing', '0.2')

  // a step back, and there again: the last thing typed, then the class, then all at once
  const undo = page.getByRole('button', { name: 'Undo' })
  await undo.click()
  await expect(page.getByLabel('Hand timing')).toHaveValue('')
  await undo.click()
  await expect(page.getByLabel('Earliest after days')).toHaveValue('')
  await page.keyboard.press('Control+Shift+Z')
  await page.keyboard.press('Control+Shift+Z')
  await expect(page.getByLabel('Hand timing')).toHaveValue('0:00.2')
  await expect(page.getByText(/^\d+ warning|The check finds nothing/)).toBeVisible()

  await press('Publish')
  await press('Publish it')
  await expect(page.getByText('A published version never changes.')).toBeVisible()
  expect(actions).toBeLessThanOrEqual(40)
  const { content } = await (await page.request.get('/api/standards/skerry-watch-standard/1')).json()
  expect(content.categories).toEqual([
    { id: 'female', name: 'Female' },
    { id: 'male', name: 'Male' },
  ])
  expect(content.events.map(({ id }: { id: string }) => id)).toEqual(['press-ups', 'run-2400-m'])
  const [women] = content.events[1].scoring.bands
  expect(women).toMatchObject({ ageFrom: 17, ageTo: 24, category: 'female' })
  expect(women.rows).toHaveLength(21)
  expect(women.rows.at(-1)).toEqual({ value: 600_000, centipoints: 10_000 })
  expect(content.combination.classes.map(({ id }: { id: string }) => id)).toEqual(['harbour', 'summit'])
})

test('undo takes back a pasted table and a mend, each at one step', { tag: '@long' }, async ({ page, signedIn }) => {
  await signedIn('ines.calloway-brandt')
  await page.goto('/standards')
  await page.getByRole('button', { name: 'New standard' }).click()
  await page.getByLabel('What it is called').fill('Ebb Watch')
  await page.getByLabel('It begins as').selectOption({ label: 'A copy of Constabulary Entry Standard, version 2' })
  await page.getByRole('button', { name: 'Begin the draft' }).click()
  // where the copied version was published is not where this one is
  await page.getByLabel('Source').fill('Ebb order 2.')
  await page.getByRole('button', { name: /^1 Press-ups/ }).click()
  const table = page.getByRole('table', { name: 'Table by band' })
  const first = table.getByLabel('Age from, line 2', { exact: true })
  const before = await first.inputValue()
  await first.fill('31')
  await first.blur()
  await page.getByRole('button', { name: /^Let 18 to 29 last until 30$/ }).click()
  await expect(table.getByLabel('to, line 1', { exact: true })).toHaveValue('30')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(table.getByLabel('to, line 1', { exact: true })).toHaveValue('29')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(first).toHaveValue(before)
  await page.getByRole('button', { name: 'Paste another printed table' }).click()
  await page.getByLabel('Paste the printed table, headings and all').click()
  await paste(page, 'Age\tFemale\tMale\n18–39\t20\t30\n40+\t16\t24')
  await page.getByRole('button', { name: 'Take it', exact: true }).click()
  await expect(table.getByLabel('At least, line 4', { exact: true })).toHaveValue('24')
  await page.keyboard.press('Control+Z')
  await expect(first).toHaveValue(before)
  // an event of the shelf comes with how it is done, and no figure of its table
  await page.getByRole('button', { name: 'From a worked example' }).click()
  await page.getByRole('button', { name: /^Floor lift/ }).click()
  await page.getByRole('button', { name: 'Take it into the battery' }).click()
  await expect(page.getByLabel('Start load')).toHaveValue('40')
  await expect(page.getByText('Floor lift, at least')).toBeVisible()
})

test('a published version can be changed neither on screen nor through the interface', async ({ page, signedIn }) => {
  await signedIn('ines.calloway-brandt')
  await page.goto('/standards/constabulary-entry/3/edit')
  await expect(page.getByText('This version is published and never changes.')).toBeVisible()
  const detail = await (await page.request.get('/api/standards/constabulary-entry/3')).json()
  const changed = { revision: 1, content: { ...detail.content, name: 'Another' } }
  expect((await page.request.put('/api/standards/constabulary-entry/3', { data: changed })).status()).toBe(409)
  const after = await (await page.request.get('/api/standards/constabulary-entry/3')).json()
  expect(after).toEqual(detail)
})

test(
  'an exported file comes back as a draft, and a new version begins as a copy',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn('ines.calloway-brandt')
    await page.goto('/standards/constabulary-entry/3')
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Export the file' }).click()
    const file = await (await download).path()
    await page.goto('/standards')
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{') })
    await expect(page.getByRole('alert')).toContainText('x.json is not JSON')
    await page.locator('input[type=file]').setInputFiles(file)
    await expect(page.getByRole('alert')).toContainText('has a version 3 already')
    await page.goto('/standards/constabulary-entry/3')
    await page.getByRole('button', { name: 'Write a new version' }).click()
    await expect(page.getByRole('heading', { name: 'Constabulary Entry Standard, version 4' })).toBeVisible()
    await expect(page.getByText(/Versions 4 and 3 are both in force/).first()).toBeVisible()
    await page.getByRole('button', { name: 'Throw the draft away' }).click()
    await page.getByRole('button', { name: 'Throw it away' }).click()
    await expect(page.getByRole('heading', { name: 'Standards', exact: true })).toBeVisible()
  },
)

test('a person is tried: marks, verdict and reasons follow what is typed', async ({ page, signedIn }) => {
  await signedIn('kester.munro-vale')
  await page.goto('/standards/guard-service/4/try')
  await page.getByLabel('Age in years').fill('29')
  await page.getByLabel('Pull-ups, Repetitions').fill('6')
  await page.getByLabel('Seated throw 3 kg, Try 1').fill('4.1')
  await page.getByLabel('Run 2,800 m, Time').fill('14:02')
  await page.getByLabel('Swim 200 m, Time').fill('6:31')
  await expect(page.locator('aside .chip')).toHaveText('Short')
  await page.getByLabel('Swim 200 m, Time').fill('6:30')
  await page.getByLabel('Loaded march 6 km, Time').fill('57:00')
  await expect(page.locator('aside .chip')).toHaveText('Met')
  await expect(page.getByText('Met: Ridge')).toBeVisible()
  await page.getByLabel('Run 2,800 m, Time').fill('14.02')
  await expect(page.getByText('"14.02" is not a time, such as 9:41.9.')).toBeVisible()
  await expect(page.locator('aside .chip')).toHaveText('Not finished')

  await page.getByRole('button', { name: 'What must I reach?' }).click()
  await expect(page.getByRole('heading', { name: 'Run 2,800 m' })).toBeVisible()
  // women of 25 to 31: full points at 12:52, 45 points 27 started units of 8 s later
  await expect(page.getByText('at most 16:28')).toBeVisible()
  await expect(page.getByText('Even laps that meet it').first()).toBeVisible()
  await page.getByLabel('Age in years').fill('16')
  await expect(page.getByText('No row of the standard is for this age and category.').first()).toBeVisible()
})

test(
  'two versions are compared, and past results say who would change',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn('ines.calloway-brandt')
    await page.goto('/standards/constabulary-entry/compare')
    await expect(page.getByText('Run 2,000 m: one cut for everybody, before: cut by band.')).toBeVisible()
    await page.getByRole('button', { name: 'Apply both to the signed-off days' }).click()
    await expect(page.getByText('results from signed-off days of version 2')).toBeVisible()
    await expect(page.getByText('534')).toBeVisible()
    const head = 'number,birth_date,category,test_date,body_mass,press-ups,grip,trunk-hold,run,drag'
    const rows = [
      'A-1,2000-06-01,male,2025-09-30,80,25,44,2:00,9:30,0:22.0',
      'A-2,2000-06-01,male,2025-09-30,80,25,44,2:00,9:75,0:22.0',
    ]
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'past.csv', mimeType: 'text/csv', buffer: Buffer.from([head, ...rows].join('\n')) })
    await expect(page.getByText('1 rows could not be read')).toBeVisible()
    await page.getByText(/who would change, with/).click()
    await expect(page.getByRole('row', { name: /A-1, 2025-09-30/ })).toContainText('short to met')
  },
)

test(
  'a hundred thousand results are compared without holding up the page',
  { tag: '@long' },
  async ({ page, signedIn }, info) => {
    await signedIn('ines.calloway-brandt')
    await page.goto('/standards/constabulary-entry/compare')
    const head = 'number,birth_date,category,test_date,body_mass,press-ups,grip,trunk-hold,run,drag'
    const rows = Array.from(
      { length: 100_000 },
      (_, index) =>
        `B-${index},19${70 + (index % 29)}-06-01,${index % 2 ? 'male' : 'female'},2025-09-30,${60 + (index % 40)},${10 + (index % 35)},${28 + (index % 30)},2:0${index % 10},9:${10 + (index % 50)},0:2${index % 10}.5`,
    )
    await expect(page.getByRole('heading', { name: 'Casualty drag 30 m' })).toBeVisible()
    await page.waitForLoadState('networkidle')
    // from the disk, as a person chooses it: handed over as bytes, the page itself would have to take them in
    const file = info.outputPath('many.csv')
    await writeFile(file, [head, ...rows].join('\n'))
    await page.locator('input[type=file]').setInputFiles(file)
    // choosing the file is the driver's work; from here on it is the page's
    await expect(page.getByRole('progressbar')).toBeVisible()
    await page.evaluate(() => {
      const page = window as unknown as { longestMs: number }
      page.longestMs = 0
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) page.longestMs = Math.max(page.longestMs, duration)
      }).observe({ entryTypes: ['longtask'] })
    })
    await expect(
      page.getByText('100,000 results from many.csv').or(page.getByText('results from many.csv')),
    ).toBeVisible({ timeout: 60_000 })
    const longestMs = await page.evaluate(() => (window as unknown as { longestMs: number }).longestMs)
    console.log(`Longest task of the page while 100,000 results were compared: ${Math.round(longestMs)} ms.`)
  },
)

test('a published standard is read without signing in once the house shows it, saved as a PDF, and found oneself in', async ({
  page,
  signedIn,
  browser,
}) => {
  await signedIn('ines.calloway-brandt')
  await page.goto('/house-rules')
  await page.getByLabel(/Published standards can be read by everybody/).check()
  await page.getByRole('button', { name: 'Save the house rules' }).click()
  await expect(page.getByText(/saved/i).first()).toBeVisible()
  await page.goto('/standards/constabulary-entry/2')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as PDF' }).click()
  const file = await download
  expect(file.suggestedFilename()).toBe('Constabulary Entry Standard, version 2.pdf')
  expect((await readFile(await file.path())).subarray(0, 5).toString()).toBe('%PDF-')
  const link = await page.getByRole('link', { name: /\/read\/constabulary-entry\/2$/ }).getAttribute('href')
  const anybody = await browser.newPage()
  try {
    await anybody.goto(link ?? '')
    await anybody.getByLabel('For age').fill('34')
    await anybody.getByLabel('category').selectOption({ label: 'Male' })
    // men of 30 to 39 run it in 9:40
    await expect(anybody.getByRole('cell', { name: '9:40 for the person shown' })).toBeVisible()
    await expect(anybody.getByText('Content hash')).toBeVisible()
    await expect(anybody.getByRole('link', { name: 'Standards', exact: true })).toHaveCount(0)
  } finally {
    await anybody.close()
  }
})

test('tests are compared side by side, in the order somebody asks for, at an address that can be sent', async ({
  page,
  signedIn,
}) => {
  await signedIn('ines.calloway-brandt')
  await page.goto('/standards')
  await page.getByRole('link', { name: 'Which test to choose' }).click()
  const table = page.getByRole('group', { name: 'Tests side by side' })
  const first = table.getByRole('row').nth(1)
  await expect(first).toContainText('12-minute run')
  await page.getByRole('button', { name: 'Time a head' }).click()
  await page.getByRole('button', { name: 'Time a head' }).click()
  await expect(page).toHaveURL(/by=secondsEach&way=down/)
  await expect(page.getByRole('columnheader', { name: 'Time a head' })).toHaveAttribute('aria-sort', 'descending')
  await expect(first).toContainText('Drill-yard course')
  await page.getByLabel('Find a test').fill('heart')
  await expect(table.getByRole('row', { name: /Drill-yard/ })).toHaveCount(0)
  await expect(table.getByText('Léger')).toBeVisible()
})
