/** npm start as a person at a terminal has it: a first start, a kill, a second start, a taken port, Ctrl-C. */
import { spawn, spawnSync } from 'node:child_process'
import { once } from 'node:events'
import { rmSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from '@playwright/test'
import { DATA, ROOT } from '../scripts/lib/paths.mjs'
import { freePort } from '../scripts/lib/ports.mjs'
import { command, startProgram, type Program } from './program.ts'

test.describe.configure({ mode: 'serial' })

const FOLDER = path.join(DATA, 'start-test')
const KEEPERS = 'correct horse battery'
const PASSPHRASE = 'twelve quiet otters'
let port = 0

test.beforeAll(async () => {
  rmSync(FOLDER, { recursive: true, force: true })
  port = await freePort()
})
test.afterAll(() => rmSync(FOLDER, { recursive: true, force: true }))

const start = (...options: string[]): Promise<Program> => startProgram(FOLDER, port, ...options)

const signIn = async (): Promise<string> => {
  const answer = await fetch(`http://127.0.0.1:${port}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ signInName: 'joss.adair-nakata', password: 'tarn-isles-demo' }),
  })
  return answer.headers.get('Set-Cookie')?.split(';')[0] ?? ''
}

/** Whether anybody serves on the port. */
const answers = (): Promise<boolean> =>
  fetch(`http://127.0.0.1:${port}/`).then(
    () => true,
    () => false,
  )

const captureCount = async (): Promise<number> => {
  const answer = await fetch(`http://127.0.0.1:${port}/api/occasions`, { headers: { Cookie: await signIn() } })
  const { occasions } = (await answer.json()) as { occasions: { captures: number }[] }
  return occasions[0]?.captures ?? 0
}

/** Processes that have our folder or port in their command line. */
const leftBehind = (): string[] =>
  spawnSync('ps', ['-eo', 'pid,args'], { encoding: 'utf8' })
    .stdout.split('\n')
    .filter((line) => line.includes(FOLDER))

let first: Program

test('the first start makes everything and prints address and sign-ins', async () => {
  // five years of days are made and signed
  test.setTimeout(180_000)
  first = await start()
  expect(first.output()).toContain(`http://127.0.0.1:${port}`)
  expect(first.output()).toContain('joss.adair-nakata')
  expect(await captureCount()).toBeGreaterThan(500)
  expect(await (await fetch(`http://127.0.0.1:${port}/`)).text()).toContain('<div id="app">')
})

test('a taken port is told in words, with a way out', () => {
  const second = command(FOLDER, 'start', ['--port', String(port)])
  expect(second.status).toBe(1)
  expect(second.stderr).toContain(`Port ${port} on 127.0.0.1 is taken`)
  expect(second.stderr).toContain('choose another port')
  expect(second.stderr).not.toContain('    at ')
})

test('killed outright it starts again in seconds with its data', async () => {
  const before = await captureCount()
  first.child.kill('SIGKILL')
  await once(first.child, 'exit')
  await expect.poll(answers).toBe(false)
  first = await start()
  expect(await captureCount()).toBe(before)
})

test('when npm itself is killed outright, the server and the database go with it', { tag: '@long' }, async () => {
  await first.stop()
  const npm = spawn('npm', ['start', '--silent', '--', '--port', String(port)], {
    cwd: ROOT,
    env: { ...process.env, ABLE_GAUGE_DATA: FOLDER },
    stdio: 'ignore',
  })
  await expect.poll(answers, { timeout: 30_000 }).toBe(true)
  npm.kill('SIGKILL')
  await expect.poll(answers, { timeout: 10_000 }).toBe(false)
  await expect.poll(() => leftBehind().length, { timeout: 10_000 }).toBe(0)
  first = await start()
})

test('Ctrl-C leaves no process behind', async () => {
  expect(leftBehind().length).toBeGreaterThan(0)
  expect(await first.stop()).toBe(0)
  expect(leftBehind()).toEqual([])
})

test('a wrong option is told with the right ones', () => {
  const { status, stderr } = command(FOLDER, 'start', ['--prot', '1'])
  expect(status).toBe(1)
  expect(stderr).toContain('--port')
})

test('without the demo there is no account until one is added, and no demo account', async () => {
  const { stop, output } = await start('--empty')
  expect(output()).not.toContain('joss.adair-nakata')
  expect(await signIn()).toBe('')
  const account = ['--name', 'first.officer', '--display', 'First Officer', '--role', 'officer']
  const added = command(FOLDER, 'account', account, { ABLE_GAUGE_PASSWORD: KEEPERS })
  expect(added.stderr).toBe('')
  const answer = await fetch(`http://127.0.0.1:${port}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ signInName: 'first.officer', password: KEEPERS }),
  })
  expect(answer.status).toBe(201)
  await stop()
})

test(
  'the house room backs up and puts back: what was done since is gone, and the program starts anew by itself',
  { tag: '@long' },
  async ({ page }) => {
    const { child, stop } = await start('--empty')
    const restarted = (): boolean => child.exitCode === null
    const account = ['--name', 'house.keeper', '--display', 'House Keeper', '--role', 'administrator']
    expect(command(FOLDER, 'account', account, { ABLE_GAUGE_PASSWORD: KEEPERS }).stderr).toBe('')
    const signIn = async (): Promise<void> => {
      await page.getByLabel('Name', { exact: true }).fill('house.keeper')
      await page.getByLabel('Password', { exact: true }).fill(KEEPERS)
      await page.getByRole('button', { name: 'Sign in', exact: true }).click()
      await expect(page.getByRole('heading', { name: 'Accounts' })).toBeVisible()
    }
    await page.goto(`http://127.0.0.1:${port}/`)
    await signIn()
    await page.goto(`http://127.0.0.1:${port}/backups`)
    await page.getByLabel('Passphrase', { exact: true }).fill(PASSPHRASE)
    await page.getByLabel('The same again').fill(PASSPHRASE)
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Make a backup' }).click(),
    ])
    const file = path.join(FOLDER, 'house.backup')
    await download.saveAs(file)
    // done since the backup
    await page.goto(`http://127.0.0.1:${port}/units`)
    await page.getByRole('button', { name: 'New unit' }).click()
    await page.getByLabel('Name', { exact: true }).fill('Harbour Division')
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Harbour Division').first()).toBeVisible()

    await page.goto(`http://127.0.0.1:${port}/backups`)
    await page.getByLabel('Backup', { exact: true }).setInputFiles(file)
    await page.getByLabel('Its passphrase').fill('another passphrase')
    await page.getByLabel('Your password here, as signature').fill(KEEPERS)
    await page.getByText('Everything here is set aside').click()
    await page.getByRole('button', { name: 'Put it in place of this house' }).click()
    await expect(page.getByRole('alert')).toContainText('Nothing was replaced')
    await page.getByLabel('Its passphrase').fill(PASSPHRASE)
    await page.getByLabel('Your password here, as signature').fill(KEEPERS)
    await page.getByRole('button', { name: 'Put it in place of this house' }).click()
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible({ timeout: 60_000 })
    expect(restarted()).toBe(true)
    await signIn()
    await page.goto(`http://127.0.0.1:${port}/units`)
    await expect(page.getByRole('heading', { name: 'Units' })).toBeVisible()
    await expect(page.getByText('Harbour Division')).toHaveCount(0)
    await page.goto(`http://127.0.0.1:${port}/backups`)
    await expect(page.getByText(/^\s*Put back/)).toBeVisible()
    await stop()
  },
)
