/** npm start as a person at a terminal has it: a first start, a kill, a second start, a taken port, Ctrl-C. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { rmSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from '@playwright/test'
import { DATA, ROOT } from '../scripts/lib/paths.mjs'
import { freePort } from '../scripts/lib/ports.mjs'

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

interface Started {
  readonly program: ChildProcess
  readonly output: () => string
  readonly seconds: number
}

const start = async (...options: string[]): Promise<Started> => {
  const began = performance.now()
  const program = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port), ...options], {
    cwd: ROOT,
    env: { ...process.env, ABLE_GAUGE_DATA: FOLDER },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let output = ''
  const ready = new Promise<void>((resolve, reject) => {
    const read = (chunk: Buffer): void => {
      output += chunk.toString()
      if (output.includes('Press Ctrl-C to stop')) resolve()
    }
    program.stdout?.on('data', read)
    program.stderr?.on('data', read)
    program.once('exit', () => reject(new Error(output)))
  })
  await ready
  return { program, output: () => output, seconds: (performance.now() - began) / 1000 }
}

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

let first: Started

test('the first start makes everything and prints address and sign-ins', async () => {
  first = await start()
  expect(first.output()).toContain(`http://127.0.0.1:${port}`)
  expect(first.output()).toContain('joss.adair-nakata')
  expect(await captureCount()).toBeGreaterThan(500)
  expect(await (await fetch(`http://127.0.0.1:${port}/`)).text()).toContain('<div id="app">')
})

test('a taken port is told in words, with a way out', () => {
  const second = spawnSync(process.execPath, ['scripts/start.mjs', '--port', String(port)], {
    cwd: ROOT,
    env: { ...process.env, ABLE_GAUGE_DATA: FOLDER },
    encoding: 'utf8',
  })
  expect(second.status).toBe(1)
  expect(second.stderr).toContain(`Port ${port} on 127.0.0.1 is taken`)
  expect(second.stderr).toContain('choose another port')
  expect(second.stderr).not.toContain('    at ')
})

test('killed outright it starts again in seconds with its data', async () => {
  const before = await captureCount()
  first.program.kill('SIGKILL')
  await once(first.program, 'exit')
  await expect.poll(answers).toBe(false)
  first = await start()
  expect(await captureCount()).toBe(before)
})

test('when npm itself is killed outright, the server and the database go with it', async () => {
  first.program.kill('SIGINT')
  await once(first.program, 'exit')
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
  first.program.kill('SIGINT')
  const [code] = (await once(first.program, 'exit')) as [number]
  expect(code).toBe(0)
  expect(leftBehind()).toEqual([])
})

test('a wrong option is told with the right ones', () => {
  const { status, stderr } = spawnSync(process.execPath, ['scripts/start.mjs', '--prot', '1'], {
    cwd: ROOT,
    encoding: 'utf8',
  })
  expect(status).toBe(1)
  expect(stderr).toContain('--port')
})

test('without the demo there is no account until one is added, and no demo account', async () => {
  const { program, output } = await start('--empty')
  expect(output()).not.toContain('joss.adair-nakata')
  expect(await signIn()).toBe('')
  const added = spawnSync(
    process.execPath,
    ['scripts/account.mjs', '--name', 'first.officer', '--display', 'First Officer', '--role', 'officer'],
    {
      cwd: ROOT,
      env: { ...process.env, ABLE_GAUGE_DATA: FOLDER, ABLE_GAUGE_PASSWORD: 'correct horse battery' },
      encoding: 'utf8',
    },
  )
  expect(added.stderr).toBe('')
  const answer = await fetch(`http://127.0.0.1:${port}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ signInName: 'first.officer', password: 'correct horse battery' }),
  })
  expect(answer.status).toBe(201)
  program.kill('SIGINT')
  await once(program, 'exit')
})

test('the house room backs up and puts back: what was done since is gone, and the program starts anew by itself', async ({
  page,
}) => {
  const { program } = await start('--empty')
  const restarted = (): boolean => program.exitCode === null
  const account = spawnSync(
    process.execPath,
    ['scripts/account.mjs', '--name', 'house.keeper', '--display', 'House Keeper', '--role', 'administrator'],
    { cwd: ROOT, env: { ...process.env, ABLE_GAUGE_DATA: FOLDER, ABLE_GAUGE_PASSWORD: KEEPERS }, encoding: 'utf8' },
  )
  expect(account.stderr).toBe('')
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
  program.kill('SIGINT')
  await once(program, 'exit')
})
