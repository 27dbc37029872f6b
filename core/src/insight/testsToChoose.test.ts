import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { parseStandard } from '../standard/parseStandard.ts'
import { inOrderOf, testsToChoose, type TestToChoose } from './testsToChoose.ts'

const demo = (name: string) => {
  const read = parseStandard(
    JSON.parse(readFileSync(new URL(`../../../demo/standards/${name}.json`, import.meta.url), 'utf8')),
  )
  if (!read.ok) throw new Error(`The demo standard ${name} cannot be read.`)
  return read.value
}
const tests = testsToChoose([demo('active-staff-check-v1'), demo('guard-service-v4')])
const named = (name: string): TestToChoose => {
  const found = tests.find((one) => one.name === name)
  if (!found) throw new Error(`No test "${name}".`)
  return found
}

test('every event of the library is there once, alternates as well', () => {
  expect(tests).toHaveLength(6 + 5 + 2)
  expect(named('Bent-arm hang').standard).toBe('Guard Service Test')
})

test('what a formula makes of a result is told with its source; what is measured directly has none', () => {
  expect(named('12-minute run').estimates.join()).toContain('Cooper 1968')
  expect(named('Step test 4 min').estimates).toEqual(["ml/kg/min by the office's table (a table of the standard)"])
  expect(named('Progressive 20 m shuttle').estimates.join()).toContain('Léger')
  expect(named('Pull-ups').estimates).toEqual([])
})

test('time a head and for sixty people, from the notes of the standard', () => {
  // 60 people at 40 s a head
  expect(named('12-minute run')).toMatchObject({ peopleAtOnce: 30, secondsEach: 40, minutesForSixty: 40 })
  const silent = testsToChoose([{ ...demo('guard-service-v4'), events: [bare()], alternateEvents: [] }])
  expect(silent[0]).toMatchObject({ measures: null, minutesForSixty: null, repeatability: null })
})
const bare = () => {
  const [first] = demo('guard-service-v4').events
  if (!first) throw new Error('The demo standard changed.')
  const { notes: _, ...protocol } = first.protocol
  return { ...first, protocol: protocol as typeof first.protocol }
}

test('in the order of a column, what says nothing of it last either way', () => {
  const all = [...tests, { ...named('Pull-ups'), name: 'Silent', secondsEach: null, effort: null }]
  const up = inOrderOf(all, 'secondsEach', false).map(({ secondsEach }) => secondsEach)
  expect(up.at(-1)).toBeNull()
  expect(up.slice(0, -1)).toEqual([...up.slice(0, -1)].sort((a, b) => (a ?? 0) - (b ?? 0)))
  expect(inOrderOf(all, 'secondsEach', true).at(-1)?.name).toBe('Silent')
  expect(inOrderOf(all, 'effort', false)[0]?.effort).toBe('skill')
  expect(inOrderOf(all, 'effort', true)[0]?.effort).toBe('maximal')
})
