/** Reads a standard document: its shape first, then what has to agree between its parts. */
import type { Finding } from '../document/finding.ts'
import { showFound } from '../document/finding.ts'
import { parseDocument, type ParsedDocument } from '../document/parseDocument.ts'
import { EVENT_KIND_FACTS } from '../protocol/eventKind.ts'
import type { SingleCut } from './scoring.ts'
import { Standard, type StandardEvent } from './standard.ts'

/**
 * Makes a standard of unknown JSON.
 * @returns the standard, or findings that each name their place
 */
export const parseStandard = (plain: unknown): ParsedDocument<Standard> => {
  const parsed = parseDocument(Standard, plain)
  if (!parsed.ok) return parsed
  const findings = disagreements(parsed.value)
  return findings.length > 0 ? { ok: false, findings } : parsed
}

const disagreements = (standard: Standard): Finding[] => [
  ...datesOf(standard),
  ...repeatedIds(standard.categories, 'categories'),
  ...repeatedIds(standard.events, 'events'),
  ...standard.events.flatMap((event, index) => scoringOf(standard, event, `events[${index}].scoring`)),
]

const datesOf = ({ ageRule, inForceFrom, inForceTo }: Standard): Finding[] => {
  const findings: Finding[] = []
  if ((ageRule.countedOn === 'fixedDate') !== (ageRule.fixedDate !== undefined)) {
    const expected = ageRule.countedOn === 'fixedDate' ? 'a date, because age is counted on a fixed date' : 'no date'
    findings.push({ place: 'ageRule.fixedDate', code: 'fixedDate', found: showFound(ageRule.fixedDate), expected })
  }
  if (inForceTo !== undefined && inForceTo < inForceFrom) {
    const expected = `a date on or after ${inForceFrom}`
    findings.push({ place: 'inForceTo', code: 'dateOrder', found: showFound(inForceTo), expected })
  }
  return findings
}

const repeatedIds = (items: readonly { id: string }[], place: string): Finding[] =>
  items.flatMap(({ id }, index) =>
    items.findIndex((item) => item.id === id) < index
      ? [{ place: `${place}[${index}].id`, code: 'repeated', found: showFound(id), expected: 'an id not used before' }]
      : [],
  )

const scoringOf = (standard: Standard, event: StandardEvent, place: string): Finding[] => {
  const { scoring } = event
  const { unit, name } = EVENT_KIND_FACTS[event.protocol.kind]
  const findings: Finding[] = []
  if (scoring.unit !== unit) {
    findings.push({
      place: `${place}.unit`,
      code: 'unit',
      found: showFound(scoring.unit),
      expected: `"${unit}" for ${name}`,
    })
  }
  if (scoring.kind === 'singleCut') return [...findings, ...cutOf(event, scoring, place)]
  const rows = scoring.rows.flatMap((row, index) => {
    const rowPlace = `${place}.rows[${index}]`
    const known = standard.categories.some(({ id }) => id === row.category)
    return [
      ...cutOf(event, row, rowPlace),
      ...(known
        ? []
        : [
            {
              place: `${rowPlace}.category`,
              code: 'category',
              found: showFound(row.category),
              expected: 'a category of this standard',
            },
          ]),
      ...(row.ageTo === undefined || row.ageTo >= row.ageFrom
        ? []
        : [
            {
              place: `${rowPlace}.ageTo`,
              code: 'ageOrder',
              found: showFound(row.ageTo),
              expected: `an age from ${row.ageFrom}`,
            },
          ]),
    ]
  })
  return [...findings, ...rows]
}

const cutOf = (event: StandardEvent, cut: Pick<SingleCut, 'atLeast' | 'atMost'>, place: string): Finding[] => {
  const { sense, name } = EVENT_KIND_FACTS[event.protocol.kind]
  const other = sense === 'atLeast' ? 'atMost' : 'atLeast'
  const findings: Finding[] = []
  if (cut[sense] === undefined) {
    findings.push({
      place: `${place}.${sense}`,
      code: 'cut',
      found: 'nothing',
      expected: `a cut, because ${name} is judged by "${sense}"`,
    })
  }
  if (cut[other] !== undefined) {
    findings.push({
      place: `${place}.${other}`,
      code: 'cut',
      found: showFound(cut[other]),
      expected: `no "${other}", because ${name} is judged by "${sense}"`,
    })
  }
  return findings
}
