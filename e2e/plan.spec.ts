/** A new day from nothing: planned, people entered from a spreadsheet's file with faulty rows, then the corrected file. */
import { allSaved, DAY, expect, mayStart, OFFICER, PASSWORD, test } from './app.ts'

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

test(
  'of two officers who edit one plan the second is told what changed, and puts their own on top',
  { tag: '@long' },
  async ({ page, signedIn, browser, baseURL }) => {
    await signedIn(OFFICER)
    const another = await browser.newContext({
      ...(baseURL ? { baseURL } : {}),
      viewport: { width: 1280, height: 800 },
    })
    const second = await another.newPage()
    await second.request.post('/api/session', { data: { signInName: OFFICER, password: PASSWORD } })
    const stations = `/days/${DAY}/plan?part=stations`
    for (const one of [page, second]) {
      await one.goto(stations)
      await expect(one.getByLabel('Place').first()).toHaveValue('Gymnasium, west wall')
    }
    // the second types before the first has saved
    await second.getByLabel('Place').nth(1).fill('Corridor')
    await second.getByLabel('Place').nth(1).blur()
    await expect(second.getByText('Grip: at Corridor')).toBeVisible()
    await page.getByLabel('Stations', { exact: true }).nth(4).fill('2')
    await page.getByLabel('Stations', { exact: true }).nth(4).blur()
    await page.getByRole('button', { name: 'Save the plan' }).click()
    await expect(page.getByText('Not saved yet')).toHaveCount(0)

    await expect(second.getByRole('heading', { name: 'Ines Calloway-Brandt changed the plan meanwhile' })).toBeVisible()
    await expect(second.getByText('Casualty drag 30 m: 2 stations')).toBeVisible()
    await second.getByRole('button', { name: 'Put my changes on top of theirs' }).click()
    await second.getByRole('button', { name: 'Save the plan' }).click()
    await expect(second.getByText('Not saved yet')).toHaveCount(0)
    await expect(page.getByLabel('Place').nth(1)).toHaveValue('Corridor')
    await expect(page.getByLabel('Stations', { exact: true }).nth(4)).toHaveValue('2')
    await another.close()
  },
)

test(
  'a turn dragged into a rest is named, and laid again when it is let go',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn(OFFICER)
    await page.goto(`/days/${DAY}/plan?part=timetable`)
    const grip = page.getByRole('button', { name: /^Grip, wave 1, 09:10 to/ })
    await expect(grip).toBeVisible()
    await expect(page.getByText(/would start/)).toHaveCount(0)
    const box = await grip.boundingBox()
    if (!box) throw new Error('The bar of the grip is not drawn.')
    await page.mouse.move(box.x + 20, box.y + 10)
    await page.mouse.down()
    await page.mouse.move(box.x - 20, box.y + 10, { steps: 4 })
    await page.mouse.up()
    await expect(
      page.getByText(/Grip, wave 1: .* would start .* before the rest after Press-ups is over\./),
    ).toBeVisible()
    const moved = page.getByRole('button', { name: /^Grip, wave 1, .* put there by hand, breaks a rule/ })
    await moved.focus()
    // ten minutes later there is rest enough
    await page.keyboard.press('Shift+ArrowRight')
    await expect(page.getByText(/would start/)).toHaveCount(0)
    await page.getByRole('button', { name: /^Grip, wave 1/ }).focus()
    await page.keyboard.press('Delete')
    await expect(grip).toBeVisible()
    await expect(page.getByRole('button', { name: 'Save the plan' })).toHaveCount(0)
  },
)

test('somebody joins a station with its code, sees that event alone, and is out when the code ends', async ({
  page,
  signedIn,
  browser,
  baseURL,
}) => {
  await signedIn(OFFICER)
  await page.goto(`/days/${DAY}/plan?part=papers`)
  await page.getByRole('button', { name: 'New code' }).click()
  const code = (await page.locator('.code').first().textContent()) ?? ''
  const device = await browser.newContext({ ...(baseURL ? { baseURL } : {}) })
  const guest = await device.newPage()
  await guest.goto('/sign-in')
  await guest.getByLabel('Station code').fill(code)
  await guest.getByLabel('Your name').fill('Bram Elvane')
  await guest.getByRole('button', { name: 'Join the station' }).click()
  await expect(guest.getByRole('heading', { name: 'Press-ups' })).toBeVisible()
  await expect(guest.getByRole('heading', { name: 'Grip' })).toHaveCount(0)
  await guest.goto('/people')
  await expect(guest.getByRole('heading', { name: 'Press-ups' })).toBeVisible()
  // a console that was opened first and left takes nothing with it: whoever starts in the next is told as under way
  await guest.goto(`/days/${DAY}/run/press-ups`)
  await mayStart(guest)
  const events = guest.getByRole('navigation', { name: 'Events' })
  await expect(events.getByRole('link', { name: /of 23/ })).toHaveText(/^1 Press-ups/)
  await guest.getByRole('link', { name: 'Several together' }).click()
  await guest.getByText('Up to 4 together').waitFor()
  await guest.keyboard.press('s')
  await expect(events.getByRole('link', { name: /of 23/ })).toContainText('4 under way')
  for (let one = 0; one < 4; one++) await guest.keyboard.press('u')
  await allSaved(guest)
  await expect(events.getByRole('link', { name: /of 23/ })).not.toContainText('under way')
  await page.getByRole('button', { name: 'End it' }).click()
  await expect(page.locator('.code')).toHaveCount(0)
  await guest.reload()
  await expect(guest.getByLabel('Station code')).toBeVisible()
  await device.close()
})

test(
  'an answer that needs clearance holds somebody until the officer lifts it, and saving then lets them start',
  { tag: '@long' },
  async ({ page, signedIn }) => {
    await signedIn(OFFICER)
    await page.goto(`/days/${DAY}/muster`)
    await page.getByRole('button', { name: 'Change Tomasz Wrenfield' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByRole('button', { name: 'Nothing to report' }).click()
    await dialog.getByRole('group', { name: 'Have you fainted' }).getByLabel('yes').check()
    await expect(dialog.getByText(/Needs clearance\. Saving raises a hold/)).toBeVisible()
    await dialog.getByRole('button', { name: 'Save' }).click()
    const row = page.getByRole('row', { name: /Tomasz Wrenfield/ })
    await expect(row).toContainText('held')
    await expect(row).toContainText('Screening: an answer needs clearance')
    await page.getByRole('button', { name: 'Change Tomasz Wrenfield' }).click()
    await dialog.getByLabel(/Reason for lifting the hold/).fill('Cleared by the medical officer.')
    await dialog.getByRole('button', { name: 'Lift the hold' }).click()
    await expect(dialog.getByText('Hold: Screening')).toHaveCount(0)
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(row).toContainText('here')
    await expect(row).not.toContainText('held')
  },
)

test('a plan is proposed, looked at, taken and saved; people and staff are moved by mouse and by key', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto(`/days/${DAY}/plan?part=timetable`)
  await expect(page.getByRole('heading', { name: 'Where people wait' })).toBeVisible()
  await expect(page.getByText(/in 8 of 10 days\. On paper/)).toBeVisible()
  await page.getByRole('button', { name: 'Propose a plan' }).click()
  const choices = page.getByRole('group', { name: 'Plans to choose from' }).getByRole('button')
  await expect(choices.first()).toHaveText(/^A\s+\d+ waves? of .*, ends \d\d:\d\d$/)
  const second = choices.nth(1)
  await expect(second).toHaveText(/^B\s+one more station at casualty drag 30 m, \d+ waves? of .*, ends \d\d:\d\d$/)
  await second.click()
  const ends = /ends (\d\d:\d\d)/.exec(await second.innerText())?.[1] ?? ''
  await expect(page.locator('.length')).toContainText(`Ends at ${ends}`)
  await page.getByRole('button', { name: 'Take B' }).click()
  await expect(page.getByText('B is taken. Save the plan to keep it.')).toBeVisible()
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByText('Not saved yet')).toHaveCount(0)
  await page.reload()
  await expect(page.locator('.length')).toContainText(`Ends at ${ends}`)

  // medical cover is free: dropped on an event, and taken off it by a tick
  const cover = page.locator('li.member', { hasText: 'Kester Munro-Vale' })
  await expect(cover).toContainText('free')
  await cover.dragTo(page.getByRole('button', { name: /^Grip, wave 1, / }))
  await expect(cover).not.toContainText('free')
  await cover.locator('summary').click()
  await cover.getByLabel('Grip').uncheck()
  await expect(cover).toContainText('free')

  await page.goto(`/days/${DAY}/plan?part=stations`)
  const somebody = page.getByRole('button', { name: '3 Petra Haldane, wave 1' })
  await somebody.focus()
  await page.keyboard.press('ArrowRight')
  const moved = page.getByRole('button', { name: '3 Petra Haldane, wave 2' })
  await expect(moved).toBeFocused()
  await moved.dragTo(page.getByRole('heading', { name: 'Wave 1', exact: false }).first())
  await expect(somebody).toBeVisible()
})
