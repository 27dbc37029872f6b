import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { spawnSync } from 'node:child_process'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { main } from './main.ts'

let folder: string
beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'able-gauge-'))
})
afterAll(() => rm(folder, { recursive: true }))

const run = async (...args: string[]) => {
  const [out, complaints]: [string[], string[]] = [[], []]
  const code = await main(args, { out: (line) => out.push(line), complain: (line) => complaints.push(line) })
  return { code, out: out.join('\n'), complaints: complaints.join('\n') }
}
const file = async (text: string): Promise<string> => {
  const name = path.join(folder, 'standard.json')
  await writeFile(name, text)
  return name
}

test('a sound standard is told with its hash', async () => {
  const { code, out } = await run('check', await file(JSON.stringify(plainV3())))
  expect(code).toBe(0)
  expect(out).toMatch(/Constabulary Entry Standard, version 3: 2 events, sound\. Content hash [0-9a-f]{64}/)
})

test('each fault is told with its place', async () => {
  const plain = { ...plainV3(), version: 0, name: '' }
  const { code, out, complaints } = await run('check', await file(JSON.stringify(plain)))
  expect(code).toBe(1)
  expect(out).toContain('version: expected a whole number from 1 to 10000, found 0.')
  expect(out).toContain('name: expected')
  expect(complaints).toBe('2 findings.')
})

test('a hole between bands is told with an example and a way to mend it', async () => {
  const { code, out } = await run('check', path.resolve(import.meta.dirname, '../../demo/faulty/age-in-no-band.json'))
  expect(code).toBe(1)
  expect(out).toContain(
    'error: events[1].scoring.rows[1]: Run 2,000 m, Female: no row for ages 30. Somebody of 30 would have no cut. Let the bands follow each other without a gap.',
  )
})

test('a file that is missing or no JSON is unusable', async () => {
  expect(await run('check', path.join(folder, 'nowhere.json'))).toMatchObject({
    code: 2,
    complaints: expect.stringContaining('nowhere.json'),
  })
  expect(await run('check', await file('{'))).toMatchObject({ code: 2, complaints: expect.stringContaining('JSON') })
})

test('wrong words are answered with the right ones', async () => {
  expect(await run('chekc', 'a')).toMatchObject({ code: 2, complaints: expect.stringContaining('able-gauge check') })
  expect(await run('--help')).toMatchObject({ code: 0 })
})

test('the program runs from any folder', async () => {
  const program = path.resolve(import.meta.dirname, '..', 'bin', 'able-gauge.mjs')
  const { status, stdout } = spawnSync(process.execPath, [program, 'check', await file(JSON.stringify(plainV3()))], {
    cwd: folder,
    encoding: 'utf8',
  })
  expect(stdout).toContain('sound')
  expect(status).toBe(0)
})
