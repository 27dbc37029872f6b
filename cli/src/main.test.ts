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
  let written = ''
  const write = async (text: string): Promise<void> => {
    written += text
  }
  const code = await main(args, { out: (line) => out.push(line), complain: (line) => complaints.push(line), write })
  return { code, out: out.join('\n'), complaints: complaints.join('\n'), written }
}
const file = async (text: string, as = 'standard.json'): Promise<string> => {
  const name = path.join(folder, as)
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

const HEAD = 'number,birth_date,category,test_date,press-ups,run'
const GOOD = 'T-1,1999-05-04,female,2026-11-24,24,9:20.3'

test('results are judged row by row; bad rows are told with line and column, and good ones kept', async () => {
  const standard = await file(JSON.stringify(plainV3()))
  const results = await file(
    `\uFEFF${HEAD}\r\n${GOOD}\r\nT-2,1999-05-04,female,2026-11-24,24,9:75\r\nT-3,1999-05-04,male,2026-11-24,30,9:41.9\r\n`,
    'results.csv',
  )
  const { code, written, complaints } = await run('judge', standard, results)
  expect(code).toBe(1)
  expect(written.split('\n')).toEqual([
    'number,test_date,verdict,settled,press-ups_mark,press-ups_rounded,press-ups_margin,run_mark,run_rounded,run_margin',
    'T-1,2026-11-24,met,yes,met,24,0,met,561000,19000',
    'T-3,2026-11-24,short,yes,met,30,6,short,582000,-2000',
    '',
  ])
  expect(complaints).toContain('line 3, column run: expected a time, such as 9:41.9')
  expect(complaints).toContain('2 judged, 1 refused.')
})

test('as JSON each line holds the verdict with its trace', async () => {
  const standard = await file(JSON.stringify(plainV3()))
  const { code, written } = await run('judge', standard, await file(`${HEAD}\n${GOOD}\n`, 'results.csv'), '--json')
  expect(code).toBe(0)
  expect(JSON.parse(written)).toMatchObject({ number: 'T-1', verdict: { outcome: 'met', trace: [{ title: 'Met' }] } })
})

test('results without a column, without rows, or under a standard with a hole are unusable', async () => {
  const standard = await file(JSON.stringify(plainV3()))
  const lacking = await run('judge', standard, await file('number,run\nT-1,9:20\n', 'results.csv'))
  expect(lacking).toMatchObject({
    code: 2,
    complaints: expect.stringContaining('"birth_date", "category", "test_date", "press-ups"'),
  })
  expect(await run('judge', standard, await file(`${HEAD}\n`, 'results.csv'))).toMatchObject({ code: 1 })
  expect(await run('judge', standard, path.join(folder, 'nowhere.csv'))).toMatchObject({ code: 2 })
  const holed = path.resolve(import.meta.dirname, '../../demo/faulty/age-in-no-band.json')
  expect(await run('judge', holed, await file(`${HEAD}\n${GOOD}\n`, 'results.csv'))).toMatchObject({
    code: 2,
    written: '',
  })
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
