/** The worker of the bench on comparing versions. */
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { parentPort } from 'node:worker_threads'
import { parseStandard, seededRandom, versionImpact, type PastResult, type Standard } from '@able-gauge/core'

const PEOPLE = 100_000

const read = (name: string): Standard => {
  const file = path.resolve(import.meta.dirname, '../demo/standards', `${name}.json`)
  const parsed = parseStandard(JSON.parse(readFileSync(file, 'utf8')))
  if (!parsed.ok) throw new Error(`${file} is unsound.`)
  return parsed.value
}
const [before, after] = [read('constabulary-entry-v2'), read('constabulary-entry-v3')]

const random = seededRandom(5)
const two = (value: number): string => String(value).padStart(2, '0')
const results = Array.from({ length: PEOPLE }, (_, index): PastResult => ({
  key: `T-${index}`,
  birthDate: `${random.whole(1966, 2006)}-${two(random.whole(1, 12))}-${two(random.whole(1, 28))}`,
  testDate: '2025-09-30',
  category: random.whole(0, 1) === 0 ? 'female' : 'male',
  bodyMassG: random.whole(50_000, 110_000),
  measures: {
    'press-ups': { value: random.whole(10, 50) },
    grip: { value: random.whole(20, 60) * 1_000 },
    'trunk-hold': { value: random.whole(60_000, 240_000) },
    run: { value: random.whole(450_000, 720_000) },
    drag: { value: random.whole(18_000, 36_000) },
  },
}))

parentPort?.once('message', () => {
  const began = performance.now()
  const { changedInAll } = versionImpact(before, after, results)
  parentPort?.postMessage({ ms: performance.now() - began, people: PEOPLE, changed: changedInAll })
})
parentPort?.postMessage('ready')
