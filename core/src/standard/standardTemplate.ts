/** Documents to begin with: a standard with one event, an event of a kind, a scoring of a school. */
import { factsOf } from '../kinds/facts.ts'
import { protocolTemplate } from '../kinds/protocolTemplates.ts'
import { FIRST_KIND, kindOf, type EventKind, type Protocol } from '../kinds/kinds.ts'
import type { Unit } from '../quantity/unit.ts'
import { schoolsFor } from './schools.ts'
import type { ScoringKind } from './scoring.ts'
import { sensibleRange } from '../kinds/sensibleRange.ts'
import { STANDARD_FORMAT } from './standard.ts'

/** @param today YYYY-MM-DD, from which the draft is in force until somebody says otherwise */
export const standardTemplate = (id: string, name: string, version: number, today: string): object => ({
  format: STANDARD_FORMAT,
  id,
  name,
  organisation: 'Name of the organisation',
  version,
  inForceFrom: today,
  source: 'Where the standard is published.',
  ageRule: { countedOn: 'testDate', leapDayBirthday: '1 March' },
  categories: [{ id: 'open', name: 'Open' }],
  events: [eventTemplate(FIRST_KIND, 'event-1')],
  combination: { kind: 'everyEventMet' },
  retest: { earliestAfterDays: 14 },
  uncertainty: { handTimingMs: 200, nearTheCut: 'decide' },
})

/** How finely results are rounded, and which version it is, are no figures of a standard anybody could be held to. */
const NOT_FIGURES: ReadonlySet<string> = new Set(['step', 'version'])

/** What a template says in place of what only the publisher can say. */
const STANDS_IN = /^(?:Describe |New event$)/

/**
 * A template without a single figure: nothing somebody made up can be published, because each has to be typed before the form is whole.
 * Texts that only ask for one go as well, and tables are empty.
 * @param template of a standard, an event, a protocol or a scoring
 */
export const withoutFigures = (template: object): object =>
  Object.fromEntries(
    Object.entries(template).flatMap(([name, value]: [string, unknown]) => {
      if (typeof value === 'number') return NOT_FIGURES.has(name) ? [[name, value]] : []
      if (Array.isArray(value)) {
        if (value.some((item) => typeof item === 'number')) return []
        const items = value.map((item: unknown) => (isObject(item) ? withoutFigures(item) : item))
        return [[name, items.filter((item) => !isHollow(item))]]
      }
      if (typeof value === 'string' && STANDS_IN.test(value)) return [[name, '']]
      return [[name, isObject(value) ? withoutFigures(value) : value]]
    }),
  )
const isHollow = (value: unknown): boolean =>
  isObject(value) && Object.values(value).every((inner) => Array.isArray(inner) && inner.length === 0)
const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null

const STEPS: Partial<Record<Unit, number>> = { ms: 1_000 }

/** A plain event of a kind with a scoring that fits it. */
export const eventTemplate = (kind: EventKind, id: string): object => {
  const protocol = protocolTemplate(kind) as Protocol // templates are written as protocols and tested to be
  const facts = factsOf(protocol)
  const [school = 'effort'] = schoolsFor(protocol, facts)
  const step = STEPS[facts.unit] ?? kindOf(protocol).finestStep?.(protocol) ?? 1
  const mode = facts.sense === 'atMost' && facts.unit === 'ms' ? 'up' : 'truncate'
  return { id, name: 'New event', protocol, rounding: { mode, step }, scoring: scoringTemplate(school, protocol, step) }
}

/**
 * A plain scoring of a school for an event; its figures lie in the middle of what can be meant.
 * @param step of the event's rounding
 */
export const scoringTemplate = (school: ScoringKind, protocol: Protocol, step: number): object => {
  const { unit, sense } = factsOf(protocol)
  const { least, most } = sensibleRange(protocol)
  const scale = kindOf(protocol).scale?.(protocol) ?? null
  const at = (share: number): number =>
    scale ? scale.from(Math.round(scale.to(most) * share)) : Math.round((least + (most - least) * share) / step) * step
  // the easier end of the range comes first
  const along = (share: number): number => at(sense === 'atLeast' ? share : 1 - share)
  switch (school) {
    case 'singleCut':
      return { kind: school, unit, [sense]: along(0.4) }
    case 'cutByBand':
      return { kind: school, unit, rows: [{ ageFrom: 18, [sense]: along(0.4) }] }
    case 'relativeCut':
      return {
        kind: school,
        unit: 'g',
        of: 'lesser',
        shareRounding: { mode: 'truncate', step },
        rows: [{ ageFrom: 0, constant: along(0.4), shareOfBodyMassPermille: 500 }],
      }
    case 'pointsTable':
      return {
        kind: school,
        unit,
        between: 'lowerRow',
        bands: [
          {
            ageFrom: 18,
            rows: [0.2, 0.4, 0.6].map((share, index) => ({ value: along(share), centipoints: 5_000 + index * 2_500 })),
          },
        ],
      }
    case 'pointsByRule':
      return {
        kind: school,
        unit,
        fullCentipoints: 10_000,
        offCentipoints: 100,
        perUnit: step,
        units: 'started',
        bands: [{ ageFrom: 18, anchor: along(0.6) }],
      }
    case 'normClasses':
      return {
        kind: school,
        unit,
        classes: ['Low', 'Fair', 'Good', 'High'].map((name) => ({ id: name.toLowerCase(), name })),
        bands: [{ ageFrom: 18, from: [along(0.3), along(0.45), along(0.6)] }],
      }
    case 'completion':
      return unit === 'ms' ? { kind: school, unit, atMost: along(0.4) } : { kind: school, unit }
    case 'effort':
      return { kind: school }
  }
}
