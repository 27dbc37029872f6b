/**
 * A sixteenth kind in a copy of the house: a folder in core and a line in its table, a folder in web and a line in its table, and nothing else.
 * It is written into standards, checked, described, captured, measured, judged and rehearsed like the others.
 */
import { spawnSync } from 'node:child_process'
import { cpSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { ROOT } from './lib/paths.mjs'
import { addKindToCore } from './sixteenth/addKind.mjs'

const HOUSE = path.join(ROOT, '.data', `sixteenth-${process.pid}`)

/** What somebody does with a standard that has such an event. */
const USE = `
import { plainStandard, soundStandard } from './core/testing/kindStandard.ts'
import { checkStandard, conductOf, judgeDay, rehearseDay, rulesOf, eventTemplate, parseStandard, captureKindsOf, slotsOf } from './core/src/index.ts'
const event = { ...eventTemplate('balance', 'balance'), scoring: { kind: 'singleCut', unit: 'ms', atLeast: 30000 } }
const standard = soundStandard(plainStandard([event]))
const [balance] = standard.events
const people = [{ entryId: 'anna', wave: 1, category: 'female', ageYears: 30 }]
const captures = rehearseDay(standard, people, 5, Date.UTC(2026, 10, 24, 9))
const on = { standard, testDate: '2026-11-24', asOfMs: Date.UTC(2026, 10, 24, 12) }
const verdict = judgeDay(on, [{ ...people[0], ageCountedOn: '2026-11-24' }], captures).get('anna')
const held = judgeDay(on, [{ ...people[0], ageCountedOn: '2026-11-24' }], captures.slice(0, 1)).get('anna')
console.log(JSON.stringify({
  bad: parseStandard(plainStandard([{ ...event, protocol: { ...event.protocol, capMs: 'long' } }])).ok,
  errors: checkStandard(standard).filter(({ severity }) => severity === 'error'),
  words: [conductOf(balance.protocol), ...rulesOf(balance.protocol)],
  captures: captureKindsOf(balance.protocol).includes('cautioned'),
  slots: slotsOf(balance.protocol).map(({ id }) => id),
  outcome: verdict.outcome, measured: verdict.marks[0].measured, made: captures.length,
  capped: held.marks[0].measured,
}))
`

beforeAll(() => {
  for (const part of ['core/src', 'core/testing', 'core/package.json', 'tsconfig.json', 'package.json']) {
    cpSync(path.join(ROOT, part), path.join(HOUSE, part), { recursive: true })
  }
  addKindToCore(HOUSE)
  writeFileSync(path.join(HOUSE, 'use.ts'), USE)
})
afterAll(() => rmSync(HOUSE, { recursive: true, force: true }))

test('a folder and a line are all a kind takes in core', () => {
  const { stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'use.ts'], {
    cwd: HOUSE,
    encoding: 'utf8',
  })
  expect(stderr).toBe('')
  expect(JSON.parse(stdout)).toMatchObject({
    bad: false,
    errors: [],
    words: ['On one leg, at most 60 s', '1 touches are allowed.', 'The start: "Ready", "Begin".'],
    captures: true,
    slots: ['time'],
    made: 3,
    // nobody stopped it: held to its cap
    capped: 60_000,
  })
})
