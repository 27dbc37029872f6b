/** From years of results to decisions: who is due, what decides, whether groups meet alike, what a draft would change, and the year as a file. */
import { readFile } from 'node:fs/promises'
import { expect, OFFICER, test } from './app.ts'

test.use({ room: 'insight' })
test.setTimeout(180_000)

test('what decides is told and opens its people; a group too small is told so; a draft shows what it would change', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto('/')
  await page.getByRole('link', { name: 'Insight' }).click()
  const filters = page.getByRole('group', { name: 'What is looked at' })
  await expect(filters.getByText(/results of \d+ people on \d+ signed days/)).toBeVisible()
  const says = page.getByRole('region', { name: 'What these figures say' })
  await expect(says).toContainText('Run 2,000 m decides most')
  await expect(says).toContainText('Trunk hold has become harder')
  await expect(says).toContainText(/One grader refuses [23]\.\d times as many repetitions as the others/)

  // the first column of what decides is the event that does alone
  const decides = page.getByRole('region', { name: 'What decides' })
  const first = /alone decided (\d+) of them/.exec((await decides.textContent()) ?? '')?.[1] ?? ''
  await decides.locator('g.opens').first().click()
  const behind = page.getByRole('dialog')
  await expect(behind.getByRole('heading')).toHaveText('Short in Run 2,000 m')
  await expect(behind.locator('tbody tr')).toHaveCount(Number(first))
  await behind.getByRole('button', { name: 'Back' }).click()
  await expect(behind).toBeHidden()

  // the Guard: a short loop, a unit that improved
  await filters.getByLabel('Standard').selectOption('Guard Service Test')
  await expect(page).toHaveURL(/standard=guard-service/)
  await expect(says).toContainText(
    /Run 2,800 m comes out \d\.\d % quicker at Skerry Barracks square than at Fallow Point track/,
  )
  await expect(says).toContainText('B Company improved')

  // the Fire Service: one watch is too small
  await filters.getByLabel('Standard').selectOption('Drill-yard Course')
  await page.getByRole('navigation', { name: 'Insight' }).getByRole('link', { name: 'Fair' }).click()
  const units = page.getByRole('region', { name: 'By unit' })
  await expect(units).toContainText(/Marram: \d+ people, too few to say\./)
  await expect(units).toContainText(/Low Light: \d+ of \d+ met it/)

  // a draft version on these results: what would change for whom
  await page.getByRole('group', { name: 'What is looked at' }).getByLabel('Standard').selectOption('Guard Service Test')
  await expect(page.getByRole('region', { name: 'By unit' })).toContainText('B Company')
  await page.getByRole('link', { name: 'A draft on these results' }).click()
  await expect(page).toHaveURL(/standards\/guard-service\/compare/)
  await expect(page.getByRole('heading', { name: /Compare|Guard Service Test/ }).first()).toBeVisible()
})

test('what was measured twice tells what is noise, and what the method leaves open goes into a new version', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto('/insight/repeatable?standard=constabulary-entry&event=press-ups&of=count&part=')
  await expect(page.getByText(/A change of one person by less than .* may be noise/)).toBeVisible()
  await page.getByRole('button', { name: /Take ± \d+ over into a new version/ }).click()
  await expect(page).toHaveURL(/standards\/constabulary-entry\/4\/edit/)
  await expect(page.getByText(/version 4/i).first()).toBeVisible()

  await page.goto('/insight/graders?standard=constabulary-entry')
  const graders = page.getByRole('region', { name: 'Refused repetitions' })
  await expect(graders).toContainText(/Tamsin Oake-Reyes: \d+\.\d % refused, [23]\.\d+ times the share of the others/)
})

test('a grader sees the own figures beside all the others together, and nobody else’s name', async ({
  page,
  signedIn,
}) => {
  await signedIn('tamsin.oake-reyes')
  await page.goto('/insight')
  await expect(page.getByText('Tamsin Oake-Reyes (you)').first()).toBeVisible()
  await expect(page.getByText('All the others').first()).toBeVisible()
  await expect(page.getByText('Wanda Lofthouse')).toHaveCount(0)
})

test('the house says who is tested how often; whoever is due is entered on a new day at one press', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto('/house-rules')
  await page.getByRole('button', { name: 'Another call' }).click()
  await page.getByLabel('Name of the call').last().fill('Staff check')
  const retests = page.locator('#retests')
  await retests.getByLabel('Standard').last().selectOption({ label: 'Active Staff Check' })
  await retests.locator('input[type=number]').last().fill('10')
  await retests.getByLabel('Period').last().selectOption('weeks')
  await retests.getByLabel('Whom').last().selectOption({ label: '\u2003Intake' })
  await page.getByRole('button', { name: 'Save' }).first().click()
  await expect(page.getByText('Saved').first()).toBeVisible()

  await page.goto('/insight/due')
  await page.getByLabel('Call').selectOption('Staff check')
  const rows = page.getByRole('region', { name: 'Due' }).locator('tbody tr')
  await expect(rows.first()).toContainText('Never tested')
  const count = await rows.count()
  expect(count).toBeGreaterThan(30)
  for (let at = 30; at < count; at++) await rows.nth(at).getByRole('checkbox').uncheck()
  await page.getByRole('button', { name: 'Make a day with 30' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Venue', { exact: true }).fill('Fallow Point track')
  await expect(dialog.getByLabel('Time zone of the venue')).toHaveValue('Etc/GMT-12')
  await dialog.getByRole('button', { name: 'Enter 30' }).click()
  await expect(page).toHaveURL(/\/days\/.*\/plan/)
  await expect(page.getByText(/\b30\b/).first()).toBeVisible()
  await page.goto('/insight/due?call=Staff check')
  await expect(rows.first()).toContainText('entered: Staff check')
  await expect(page.getByRole('button', { name: `Make a day with ${count - 30}` })).toBeVisible()
})

test('the year comes as a report, with the data behind it; a test that was met as a certificate', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto('/insight?standard=constabulary-entry&from=2026-01-01&to=2026-12-31')
  const save = async (name: string) => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByText(name).click()])
    return { name: file.suggestedFilename(), bytes: await readFile(await file.path()) }
  }
  await page.getByRole('button', { name: 'Report' }).click()
  const report = await save('Report as PDF')
  expect(report.name).toBe('Constabulary Entry Standard, 2026.pdf')
  expect(report.bytes.subarray(0, 5).toString()).toBe('%PDF-')
  expect(report.bytes.length).toBeGreaterThan(15_000)
  await page.getByRole('button', { name: 'Report' }).click()
  const data = (await save('Data behind it (CSV)')).bytes.toString('utf8')
  const [heading = '', ...lines] = data.replace('\uFEFF', '').trim().split('\r\n')
  expect(heading).toContain('test_date,venue,unit,version,category,age,outcome')
  expect(heading).toContain('press-ups,press-ups_count,press-ups_margin')
  expect(lines.length).toBeGreaterThan(100)
  expect(lines.every((line) => line.startsWith('2026-'))).toBe(true)

  await page.getByRole('button', { name: 'Table' }).click()
  await page
    .getByRole('row', { name: /Casualty drag/ })
    .getByRole('button')
    .first()
    .click()
  await expect(page.getByRole('dialog').locator('tbody tr').first()).toContainText('2026')
  const met = await page.request.get('/api/insight/people?standard=constabulary-entry&outcome=met&version=3')
  const [person] = ((await met.json()) as { people: { occasionId: string; entryId: string; name: string }[] }).people
  await page.goto(`/days/${person?.occasionId ?? ''}/verdicts/${person?.entryId ?? ''}/sheet`)
  await expect(page.getByRole('heading', { name: person?.name ?? '' })).toBeVisible()
  const certificate = await save('Certificate')
  expect(certificate.name).toContain(`certificate ${person?.name ?? ''}`)
  expect(certificate.bytes.subarray(0, 5).toString()).toBe('%PDF-')
})
