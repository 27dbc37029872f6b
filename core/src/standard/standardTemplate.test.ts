import { expect, test } from 'vitest'
import { factsOf } from '../kinds/facts.ts'
import { EVENT_KINDS, type Protocol } from '../kinds/kinds.ts'
import { protocolTemplate } from '../kinds/protocolTemplates.ts'
import { checkStandard, isPublishable } from './check.ts'
import { parseStandard } from './parseStandard.ts'
import { schoolsFor } from './schools.ts'
import { eventTemplate, scoringTemplate, standardTemplate, withoutFigures } from './standardTemplate.ts'

const mayBePublished = (plain: unknown): boolean => {
  const parsed = parseStandard(plain)
  return parsed.ok && isPublishable(checkStandard(parsed.value))
}
const standard = standardTemplate('quay', 'Quay watch', 1, '2026-01-01')

test.each(EVENT_KINDS)('no figure of a template of %s can be published, whatever the school', (kind) => {
  const protocol = protocolTemplate(kind) as Protocol
  // completion needs no figure: being complete is all that is asked
  for (const school of schoolsFor(protocol, factsOf(protocol)).filter((one) => one !== 'completion')) {
    const event = { ...eventTemplate(kind, 'event-1'), scoring: scoringTemplate(school, protocol, 1) }
    // everything around it is whole: only the event is as the editor begins it
    const blank = { ...event, scoring: withoutFigures(scoringTemplate(school, protocol, 1)) }
    const asks = JSON.stringify(blank.scoring) !== JSON.stringify(event.scoring)
    expect([school, asks && mayBePublished({ ...standard, events: [blank] })]).toEqual([school, false])
  }
})

test('what is left of a template holds no number but its version and the steps of its roundings', () => {
  const numbers = (value: unknown, name = ''): string[] =>
    typeof value === 'number'
      ? [name]
      : typeof value === 'object' && value !== null
        ? Object.entries(value).flatMap(([key, inner]) => numbers(inner, key))
        : []
  expect(new Set(numbers(withoutFigures(standard)))).toEqual(new Set(['version', 'step']))
})
