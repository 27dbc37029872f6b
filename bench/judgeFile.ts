/** A long file of results through the command line's judge, as it is built: rows a second. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { readFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import {
  parseStandard,
  printField,
  seededRandom,
  mainSlotOf,
  sensibleRange,
  type StandardEvent,
} from '@able-gauge/core'
import { buildCli } from '../scripts/lib/build.mjs'

const ROWS = 200_000
const STANDARD = new URL('../demo/standards/guard-service-v4.json', import.meta.url)

const parsed = parseStandard(JSON.parse(readFileSync(STANDARD, 'utf8')))
if (!parsed.ok) throw new Error('The standard of the Guard is unsound.')
const standard = parsed.value
const random = seededRandom(1)

/** A figure such an event gives, as it is typed. */
const figureFor = (event: StandardEvent): string => {
  const slot = mainSlotOf(event)
  if (!slot) throw new Error(`Nothing is read in ${event.name}.`)
  const { least, most } = sensibleRange(event.protocol)
  const value = random.whole(least, Math.min(most, least * 4 + 40))
  return printField(Math.floor(value / event.rounding.step) * event.rounding.step, slot)
}

const folder = await mkdtemp(path.join(tmpdir(), 'judge-'))
const file = path.join(folder, 'results.csv')
const ids = standard.events.map(({ id }) => id)
const rows = Array.from({ length: ROWS }, (_, at) => {
  const born = `${random.whole(1975, 2004)}-${String(random.whole(1, 12)).padStart(2, '0')}-${random.whole(10, 28)}`
  const { id: category } = standard.categories[at % standard.categories.length] ?? { id: '' }
  return [`G-${at}`, born, category, standard.inForceFrom, ...standard.events.map(figureFor)].join(',')
})
const heading = ['number', 'birth_date', 'category', 'test_date', ...ids].join(',')

await buildCli()
const program = fileURLToPath(new URL('../cli/bin/able-gauge.mjs', import.meta.url))
/** How long the program takes for so many rows, in ms, starting included. */
const timed = async (count: number): Promise<number> => {
  await writeFile(file, [heading, ...rows.slice(0, count)].join('\n'))
  const before = performance.now()
  const { status, stderr } = spawnSync(process.execPath, [program, 'judge', fileURLToPath(STANDARD), file], {
    stdio: ['ignore', 'ignore', 'pipe'],
    encoding: 'utf8',
  })
  if (status !== 0) throw new Error(`The program ended with ${status}. ${stderr}`)
  return performance.now() - before
}
const startMs = await timed(1)
const wholeMs = await timed(ROWS)
const perSecond = Math.round((ROWS / (wholeMs - startMs)) * 1000)
console.log(`${standard.name}, ${ids.length} events, ${ROWS.toLocaleString('en')} rows`)
console.log(`${perSecond.toLocaleString('en')} rows a second, after ${Math.round(startMs)} ms to start`)
await rm(folder, { recursive: true })
