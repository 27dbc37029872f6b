import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { main } from './main.ts'

let folder: string
beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'able-gauge-statistics-'))
})
afterAll(() => rm(folder, { recursive: true }))

const STANDARD = path.resolve(import.meta.dirname, '../../demo/standards/constabulary-entry-v3.json')

const run = async (command: string, text: string, ...flags: string[]) => {
  const [out, complaints]: [string[], string[]] = [[], []]
  const file = path.join(folder, 'table.csv')
  await writeFile(file, text)
  const args = command === 'report' ? [command, STANDARD, file] : [command, file]
  const code = await main([...args, ...flags], {
    out: (line) => out.push(line),
    complain: (line) => complaints.push(line),
    write: () => Promise.resolve(),
  })
  return { code, said: out.join('\n'), complaints: complaints.join('\n') }
}

test('the published example of repeats comes out to its printed digits', async () => {
  const rows = ['9,2,5,8', '6,1,3,2', '8,4,6,8', '7,1,2,6', '10,5,6,9', '6,2,4,7']
  const table = ['target,a,b,c,d', ...rows.map((row, at) => `${at + 1},${row}`)].join('\n')
  const { code, said } = await run('repeat', table)
  expect(code).toBe(0)
  expect(said).toContain('ICC(2,1) 0.2898, 95 % from 0.02 to 0.76')
  expect(said).toContain('ICC(1,1) 0.1657, ICC(3,1) 0.7148, ICC(2,4) 0.6201')
  expect(said).toContain('Standard error of measurement 1.0097, smallest real change 2.7987')
  expect(JSON.parse((await run('repeat', table, '--json')).said)).toMatchObject({ subjects: 6, trials: 4, leftOut: 0 })
})

test('two trials tell their limits of agreement; who has one alone is left out, and what is no number is told', async () => {
  const { said } = await run('repeat', 'who;first;second\na;10;12\nb;14;15\nc;9;\n'.replaceAll(';', ','))
  expect(said).toContain('2 subjects, 2 trials each.')
  expect(said).toContain('1 with a single trial left out.')
  expect(said).toContain('First less second: mean -1.500')
  const wrong = await run('repeat', 'who,first,second\na,10,many\n')
  expect(wrong.code).toBe(2)
  expect(wrong.complaints).toContain('line 2, second: found many, expected a number or nothing')
  const unclear = await run('repeat', 'who,first,second\na,10,"2,400"\nb,12,"13,5"\n')
  expect(unclear.code).toBe(2)
  expect(unclear.complaints).toContain('line 2, second: found 2,400, expected one digit more or fewer behind the sign')
  expect(unclear.complaints).not.toContain('13,5')
})

test('two graders: kappa, plain and weighted, to the printed digits', async () => {
  const table = 'first,low,middle,high\nlow,22,3,1\nmiddle,4,15,5\nhigh,0,6,14\n'
  const { code, said } = await run('agree', table)
  expect(code).toBe(0)
  expect(said).toContain('Kappa 0.5905 (Cohen 1960); with linear weights 0.6735, with squared weights 0.7582')
  const mixed = await run('agree', 'first,low,high\nhigh,1,2\nlow,3,4\n')
  expect(mixed.code).toBe(2)
  expect(mixed.complaints).toContain('expected the same answers down as across')
  expect((await run('agree', 'first,yes,no\nyes,5,0\nno,0,0\n')).code).toBe(1)
})

const HEAD = 'number,birth_date,category,test_date,body_mass,press-ups,grip,trunk-hold,run,drag'
const person = (at: number, category: string, pressUps: number, run_: string) =>
  `P-${at},1998-06-01,${category},2026-09-30,80,${pressUps},44,2:00,${run_},0:22.0`

test('a report tells rates, the event that decides, groups, and which are too small to say', async () => {
  const rows = [
    ...Array.from({ length: 24 }, (_, at) => person(at, 'male', 30, at < 20 ? '9:30' : '10:30')),
    ...Array.from({ length: 6 }, (_, at) => person(100 + at, 'female', at < 3 ? 30 : 10, '9:30')),
    'P-x,1998-06-01,male,2026-09-30,80,30,44,2:00,9:75,0:22.0',
  ]
  const { code, said, complaints } = await run('report', [HEAD, ...rows].join('\n'))
  expect(code).toBe(1)
  expect(said).toContain('23 of 30 met it: 76.7 %')
  expect(said).toContain('Run 2,000 m decides most: 4 of 7 who were short were short in it, 4 in it alone.')
  expect(said).toContain('6 people, too few to say.')
  expect(complaints).toContain('1 row was refused and are in no figure.'.replace('are', 'is'))
})
