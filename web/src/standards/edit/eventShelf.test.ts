import { checkStandard, EVENT_KINDS, parseStandard, SCORINGS, withoutFigures } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { exampleToTake } from './eventShelf.ts'
import examples from './workedExamples.json'

test('the shelf has a sound example of every kind and of every school', () => {
  const read = parseStandard(examples)
  if (!read.ok) throw new Error(JSON.stringify(read.findings))
  const errors = checkStandard(read.value).filter(({ severity }) => severity === 'error')
  expect(errors).toEqual([])
  expect(new Set(read.value.events.map(({ protocol }) => protocol.kind))).toEqual(new Set(EVENT_KINDS))
  expect(new Set(read.value.events.map(({ scoring }) => scoring.kind))).toEqual(new Set(Object.keys(SCORINGS)))
})

test('what is taken from the shelf keeps how it is done, and has no cut until somebody types one', () => {
  const [pressUps] = examples.events
  if (!pressUps) throw new Error('The shelf is empty.')
  const taken = exampleToTake(pressUps)
  expect(taken['protocol']).toEqual(pressUps.protocol)
  expect(taken['scoring']).toEqual(withoutFigures(pressUps.scoring))
  expect(JSON.stringify(taken['scoring'])).not.toMatch(/\d/)
})
