import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { spawnSync } from 'node:child_process'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { printArchive, publicKeyOf, publicKeyPem } from '@able-gauge/core'
import { archiveOfOne, plainV3, TEST_KEY } from '@able-gauge/core/testing'
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
    'error: events[1].scoring.rows[1]: Run 2,000 m, Female: no row for age 30. Somebody of 30 would have no cut. Let the bands follow each other without a gap.',
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
    'number,test_date,verdict,settled,points,class,press-ups_mark,press-ups_rounded,press-ups_margin,press-ups_points,run_mark,run_rounded,run_margin,run_points,reasons',
    'T-1,2026-11-24,met,yes,,,met,24,0,,met,561000,19000,,Met. Every event is met.',
    expect.stringMatching(/^T-3,2026-11-24,short,yes,,,met,30,6,,short,582000,-2000,,".*Short in: Run 2,000 m\./),
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
    complaints: expect.stringMatching(
      /column birth_date: .*\n.*column category: .*\n.*column test_date: .*\n.*column press-ups: /,
    ),
  })
  expect(await run('judge', standard, await file(`${HEAD}\n`, 'results.csv'))).toMatchObject({ code: 1 })
  expect(await run('judge', standard, path.join(folder, 'nowhere.csv'))).toMatchObject({ code: 2 })
  const holed = path.resolve(import.meta.dirname, '../../demo/faulty/age-in-no-band.json')
  expect(await run('judge', holed, await file(`${HEAD}\n${GOOD}\n`, 'results.csv'))).toMatchObject({
    code: 2,
    written: '',
  })
})

const DEMO = path.resolve(import.meta.dirname, '../../demo/standards')

test('points, classes and reasons come out, and readings go in one by one', async () => {
  const guard = path.join(DEMO, 'guard-service-v4.json')
  const head =
    'number,birth_date,category,test_date,pull-ups,pull-ups.alternate,throw.try-1,throw.try-2,throw.try-3,run,swim,march,swim.exemption'
  const rows = [
    'G-1,1997-03-02,female,2026-06-01,6,,3.85,4.1,,14:02,6:05,55:20,',
    'G-2,1997-03-02,female,2026-06-01,0:30,bent-arm-hang,4.1,,,14:02,,57:00,water',
    'G-3,1997-03-02,female,2026-06-01,6,rope-climb,3.85,4.1,far,14:02,6:05,55:20,',
  ]
  const { code, written, complaints } = await run(
    'judge',
    guard,
    await file(`${head}\n${rows.join('\n')}\n`, 'guard.csv'),
  )
  expect(code).toBe(1)
  const [, first = '', second = ''] = written.split('\n')
  // 6 pull-ups of 1 to 9: 45 + 55·5/8 = 79.4, published as 79; 4.10 m between 3.80 (75) and 4.45 (90): 81.9, cut to 81; run 82
  expect(first).toMatch(/^G-1,2026-06-01,met,yes,242,Ridge,met,6,5,79,/)
  expect(second).toContain(',exempt,')
  expect(second).toMatch(/^G-2,2026-06-01,met,yes,/)
  expect(complaints).toContain(
    'line 4, column pull-ups.alternate: expected nothing, or one of bent-arm-hang, found rope-climb.',
  )
  expect(complaints).toContain('line 4, column throw.try-3: expected a length in m, such as 12.5, found far.')
})

test('two versions are compared in words, and by past results', async () => {
  const [old, now] = [path.join(DEMO, 'constabulary-entry-v2.json'), path.join(DEMO, 'constabulary-entry-v3.json')]
  const words = await run('compare', old, now)
  expect(words.code).toBe(0)
  expect(words.out).toContain('Run 2,000 m, 18 to 29, female, Cut: 9:40, before: 10:20. Asks more.')
  expect(words.out).not.toContain('Run 2,000 m, 30 to 39, male')
  const head = 'number,birth_date,category,test_date,body_mass,press-ups,grip,trunk-hold,run,drag'
  const results = await file(
    `${head}\nT-1,2000-06-01,male,2025-09-30,80,25,44,2:00,9:30,0:22.0\nT-2,2000-06-01,male,2025-09-30,heavy,25,44,2:00,9:30,0:22.0\n`,
    'past.csv',
  )
  const { code, out, written, complaints } = await run('compare', old, now, results)
  expect(code).toBe(1)
  expect(out).toContain('1 results: 0 met version 2, 1 would meet version 3. 1 would change.')
  expect(written).toBe(
    'T-1, 2025-09-30: short, then met (Press-ups with 1 repetition to spare; Run 2,000 m with 0:10 to spare)\n',
  )
  expect(complaints).toContain('line 3, column body_mass')
  const json = await run('compare', old, now, results, '--json')
  expect(JSON.parse(json.written)).toMatchObject({ impact: { people: 1, metAfter: 1 } })
  expect(await run('compare', old, path.join(folder, 'nowhere.json'))).toMatchObject({ code: 2 })
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

test('a simulated instrument sends as many lines as asked, the same for the same seed', async () => {
  const { code, out } = await run('simulate', 'dynamometer', '3', '7')
  expect(code).toBe(0)
  const lines = out.split('\n').map((line) => JSON.parse(line) as { line: number; value: number })
  expect(lines.map(({ line }) => line)).toEqual([1, 2, 3])
  expect((await run('simulate', 'dynamometer', '3', '7')).out).toBe(out)
  expect((await run('simulate', 'dynamometer', '3', '8')).out).not.toBe(out)
})
test.each([
  ['an unknown instrument', ['simulate', 'scale', '3']],
  ['no number of lines', ['simulate', 'gate', 'many']],
  ['too many lines', ['simulate', 'gate', '100001']],
])('%s is refused with what is expected', async (_, args) => {
  const { code, complaints } = await run(...args)
  expect(code).toBe(2)
  expect(complaints).toContain('Expected one of gate, jumpBoard')
})

test('an archive is proven, and a place that was altered is named', async () => {
  const whole = await file(printArchive(archiveOfOne()), 'archive.json')
  const { code, out } = await run('verify', whole)
  expect(code).toBe(0)
  expect(out).toMatch(/4 captures, 1 entries of the log, 1 verdicts.*signed\. Nothing was altered/)
  expect(out).toMatch(/Not proven: signed by the key [0-9a-f-]{29}; name the key/)
  const own = await file(publicKeyPem(publicKeyOf(TEST_KEY)), 'own.pem')
  expect(await run('verify', whole, '--key', own)).toMatchObject({ code: 0, out: expect.stringContaining('Proven') })
  const other = await file(publicKeyPem(publicKeyOf('1'.repeat(64))), 'other.pem')
  expect(await run('verify', whole, '--key', other)).toMatchObject({ code: 1, out: expect.stringContaining('another') })
  expect((await run('verify', whole, '--key', whole)).code).toBe(2)
  const altered = await run(
    'verify',
    await file(printArchive(archiveOfOne()).replace('Okafor-Lind', 'Okafor-Lund'), 'altered.json'),
  )
  expect(altered.code).toBe(1)
  expect(altered.out).toContain('people[0]')
  expect((await run('verify', await file('{', 'broken.json'))).code).toBe(2)
})

test('what a spreadsheet saves is read: Latin-1, UTF-16, semicolons; a first row that is short refuses itself', async () => {
  const standard = await file(JSON.stringify(plainV3()))
  const heading = `${HEAD.replaceAll(',', ';')};family_name`
  const text = `${heading}\nT-0;1999-05-04\nT-1;1999-05-04;female;2026-11-24;24;9:20,3;Müller\n`
  for (const encoding of ['latin1', 'utf16le', 'utf8'] as const) {
    const name = path.join(folder, `${encoding}.csv`)
    await writeFile(name, Buffer.from(text, encoding))
    const { code, written, complaints } = await run('judge', standard, name)
    expect(code).toBe(1)
    expect(written).toContain('T-1,2026-11-24,met')
    expect(complaints).toContain(
      'line 2, column category: expected 7 cells, as in the heading, found the end of the row.',
    )
    expect(complaints).toContain('1 judged, 1 refused.')
  }
})
