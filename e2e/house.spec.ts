/** A house of its own: set up by whoever started it, people let in by a link, one of them shown out again. */
import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, SET_UP_CODE, test } from './app.ts'

test.use({ room: 'house', demo: false })

const STRONG = 'gannet harbour seven lanterns'

const seriousOn = async (page: Page): Promise<string[]> =>
  (await new AxeBuilder({ page }).analyze()).violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id }) => id)

const typeNew = async (page: Page, password: string): Promise<void> => {
  await page.getByLabel('New password').fill(password)
  await page.getByLabel('The same again').fill(password)
}

test('an empty house is set up, a grader comes in by a link, changes the password, and is shown out', async ({
  page,
  browser,
  app,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Set it up' }).click()
  await page.getByLabel('Code from the terminal').fill('some-other-code')
  await page.getByLabel('What the organisation is called').fill('Skerry Volunteer Brigade')
  await page.getByLabel('Your name').fill('Ásta Merrow')
  await page.getByLabel('Sign-in name').focus()
  await expect(page.getByLabel('Sign-in name')).toHaveValue('asta.merrow')
  await typeNew(page, 'password1234')
  await page.getByRole('button', { name: 'Set it up' }).click()
  await expect(page.getByRole('alert')).toContainText('harder to guess')
  await typeNew(page, STRONG)
  await page.getByRole('button', { name: 'Set it up' }).click()
  await expect(page.getByRole('alert')).toContainText('Nothing was set up')
  await page.getByLabel('Code from the terminal').fill(SET_UP_CODE)
  await page.getByRole('button', { name: 'Set it up' }).click()

  await expect(page.getByRole('heading', { name: 'Accounts' })).toBeVisible()
  // who looks after the house sees no day and no standard
  await expect(page.getByRole('navigation', { name: 'Rooms' })).not.toContainText('Days')
  await page.getByRole('button', { name: 'Let somebody in' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name', { exact: true }).fill('Joss Adair')
  await dialog.getByLabel('Role').selectOption('grader')
  await expect(dialog.getByLabel('Sign-in name')).toHaveValue('joss.adair')
  await dialog.getByRole('button', { name: 'Make the link' }).click()
  await expect(dialog.getByRole('img', { name: 'Lets Joss Adair choose a password' })).toBeVisible()
  const address = await dialog.locator('.address').innerText()
  expect(address).toMatch(/\/welcome#[\w-]{40,}$/)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('row', { name: /Joss Adair/ })).toContainText('invited, not here yet')

  const pocket = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: app.address })
  const phone = await pocket.newPage()
  await phone.goto(address)
  await expect(phone.getByRole('heading', { name: 'Welcome, Joss Adair' })).toBeVisible()
  expect(await seriousOn(phone)).toEqual([])
  await phone.getByLabel('New password').fill(STRONG)
  await phone.getByLabel('The same again').fill(`${STRONG} not`)
  await phone.getByRole('button', { name: 'Sign in with it' }).click()
  await expect(phone.getByRole('alert')).toContainText('not the same')
  await phone.getByLabel('The same again').fill(STRONG)
  await phone.getByRole('button', { name: 'Sign in with it' }).click()
  await expect(phone.getByRole('heading', { name: 'Open days' })).toBeVisible()

  await phone.getByRole('link', { name: /Joss Adair/ }).click()
  await expect(phone.getByRole('listitem')).toContainText('this device')
  expect(await seriousOn(phone)).toEqual([])
  await phone.getByLabel('The one that holds now').fill(STRONG)
  await typeNew(phone, 'eleven salted ropes by the pier')
  await phone.getByRole('button', { name: 'Change it' }).click()
  await expect(phone.getByRole('status')).toContainText('The password is changed.')

  // the link was for once
  await page.goto(address)
  await expect(page.getByRole('alert')).toContainText('This link opens nothing')
  await page.goto('/accounts')
  expect(await seriousOn(page)).toEqual([])
  await page.getByRole('button', { name: 'Joss Adair' }).click()
  await expect(dialog).toContainText('last used')
  await dialog.getByRole('button', { name: 'Close the account' }).click()
  await expect(page.getByRole('row', { name: /Joss Adair/ })).toContainText('closed')
  await phone.goto('/')
  await expect(phone.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await pocket.close()

  await page.getByRole('button', { name: 'Ásta Merrow' }).click()
  await dialog.getByRole('button', { name: 'Close the account' }).click()
  await expect(dialog.getByRole('alert')).toContainText('the only administrator')
})
