import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '../../testing/index.ts'
import { formFieldsOf } from '../document/formFields.ts'
import { PROTOCOLS, EVENT_KINDS } from '../kinds/kinds.ts'
import { Standard } from '../standard/standard.ts'
import { conductOf, rulesOf } from '../words/describeProtocol.ts'
import { cutsOf, scoringTable } from './describeScoring.ts'

const demo = (file: string) =>
  soundStandard(JSON.parse(readFileSync(path.resolve(import.meta.dirname, '../../../demo/standards', file), 'utf8')))

test.each(KIND_CASES)('$kind is described without holes', (one) => {
  const [event] = soundStandard(plainStandard([plainEvent(one, { kind: 'effort' })])).events
  if (!event) throw new Error('The standard made for the test has no event.')
  for (const line of [conductOf(event.protocol), ...rulesOf(event.protocol)]) {
    expect(line).toMatch(/^\S/)
    expect(line).not.toMatch(/undefined|NaN|null|\[object|\.\.| {2}/)
  }
})

test.each(readdirSync(path.resolve(import.meta.dirname, '../../../demo/standards')))(
  'every event of %s is described',
  (file) => {
    const standard = demo(file)
    for (const event of [...standard.events, ...(standard.alternateEvents ?? [])]) {
      const text = [
        cutsOf(event),
        ...rulesOf(event.protocol),
        JSON.stringify(scoringTable(event, standard.categories)),
      ].join(' ')
      expect(text).not.toMatch(/undefined|NaN|\[object/)
    }
  },
)

test('rules of a course, a drag, a shuttle and a step test read as staff check them', () => {
  const rules = (file: string, at: number, list: 'events' | 'alternateEvents' = 'events') => {
    const event = demo(file)[list]?.[at]
    return event ? rulesOf(event.protocol) : []
  }
  expect(rules('drill-yard-course-v1.json', 0)).toEqual(
    expect.arrayContaining([
      'Worn: a vest of 14 kg, helmet, gloves.',
      '1. Rate-guided stairs: Step to the beat for 2:30 after 30 seconds of warm-up. 54 steps a minute for 2:30. Touching the rail: 2 allowed. Fails at once: stepping off the stairs for good.',
    ]),
  )
  expect(rules('constabulary-entry-v3.json', 4)[0]).toBe('30 m with 70 kg, best of 2 tries.')
  expect(rules('guard-service-v4.json', 1, 'alternateEvents')).toContain(
    'The line counts as reached within 1 m. 1 missed in a row is allowed; one more ends it.',
  )
  expect(rules('active-staff-check-v1.json', 1)[0]).toBe(
    '4:00 on a step of 35 cm, then the pulse. 92 beats a minute, 4 to a cycle: 23 cycles a minute.',
  )
})

test('a points table prints a line for each number of points, the most first', () => {
  const standard = demo('guard-service-v4.json')
  const throwing = standard.events[1]
  const table = throwing ? scoringTable(throwing, standard.categories) : null
  expect(table?.heading.slice(0, 3)).toEqual(['Points', '17 to 24, Female', '25 to 31, Female'])
  expect(table?.rows.map(({ head }) => head)).toEqual(['100', '90', '75', '60', '45', '0'])
  expect(table?.rows[0]?.cells[1]).toBe('5.1 m')
})

test('forms know every field of the document, with its unit', () => {
  const fields = formFieldsOf(Standard)
  expect(fields.map(({ name }) => name)).toContain('uncertainty')
  const inUncertainty = fields.flatMap((field) =>
    field.name === 'uncertainty' && field.kind === 'object' ? field.fields() : [],
  )
  expect(inUncertainty.find(({ name }) => name === 'handTimingMs')).toMatchObject({
    kind: 'number',
    form: { unit: 'ms' },
    label: 'Hand timing',
  })
  for (const kind of EVENT_KINDS) {
    const own = formFieldsOf(PROTOCOLS[kind])
    // the kind itself is chosen elsewhere; what every protocol can carry comes with it
    expect(
      own.map(({ name }) => name),
      kind,
    ).not.toContain('kind')
    expect(
      own.map(({ name }) => name),
      kind,
    ).toContain('readOut')
  }
})
