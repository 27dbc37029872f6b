/** Two versions of a standard side by side: what changed in words, and what is asked of whom. */
import { printAges } from '../quantity/printAges.ts'
import { factsOf } from '../kinds/facts.ts'
import type { Sense } from '../kinds/kind.ts'
import { KIND_NAMES } from '../kinds/kinds.ts'
import { printDate } from '../quantity/printDate.ts'
import { COMBINATION_NAMES } from '../standard/combination.ts'
import { differences } from '../standard/differences.ts'
import { SCORING_NAMES } from '../standard/scoring.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { sayOrder } from '../words/sayOrder.ts'
import { ageEdges, whatIsAsked, type Asked } from './whatIsAsked.ts'

interface Change {
  /** The event it is about, or null for the whole standard. */
  readonly eventId: string | null
  readonly what: string
}

/** One line of the comparison: what these people are asked under each version. */
export interface ComparedRow {
  readonly ageFrom: number
  readonly ageTo: number | null
  readonly category: string
  readonly label: string
  readonly before: Asked | null
  readonly after: Asked | null
  /** Whether the later version asks more, less, the same, or something that cannot be laid side by side. */
  readonly direction: 'harder' | 'easier' | 'same' | 'other'
}

export interface ComparedEvent {
  readonly eventId: string
  readonly name: string
  readonly before: StandardEvent | null
  readonly after: StandardEvent | null
  readonly rows: readonly ComparedRow[]
}

export interface Comparison {
  readonly changes: readonly Change[]
  readonly events: readonly ComparedEvent[]
}

/** Compares two versions; any two standards can be compared, events being matched by id. */
export const compareStandards = (before: Standard, after: Standard): Comparison => {
  const ids = [...new Set([...before.events, ...after.events].map(({ id }) => id))]
  const events = ids.map((id) => compareEvent(before, after, id))
  return { changes: [...wholeChanges(before, after), ...events.flatMap((event) => eventChanges(event))], events }
}

const wholeChanges = (before: Standard, after: Standard): Change[] => {
  const changes: string[] = []
  if (before.inForceFrom !== after.inForceFrom) {
    changes.push(`In force from ${printDate(after.inForceFrom)} instead of ${printDate(before.inForceFrom)}.`)
  }
  if (before.combination.kind !== after.combination.kind) {
    changes.push(
      `Combination: ${COMBINATION_NAMES[after.combination.kind].toLowerCase()}, before: ${COMBINATION_NAMES[before.combination.kind].toLowerCase()}.`,
    )
  } else {
    changes.push(...differences('Combination', before.combination, after.combination))
  }
  changes.push(
    ...orderChanges(before, after),
    ...differences('Age', before.ageRule, after.ageRule),
    ...differences('Retest', before.retest, after.retest),
    ...differences('Uncertainty', before.uncertainty, after.uncertainty),
    ...named('Scoring category', before.categories, after.categories),
    ...named('Exemption', before.exemptions ?? [], after.exemptions ?? []),
  )
  return changes.map((what) => ({ eventId: null, what }))
}

const orderChanges = (before: Standard, after: Standard): string[] => {
  const [old, now] = [sayOrder(before).join(' '), sayOrder(after).join(' ')]
  if (old === now) return []
  return [`${now === '' ? 'Nothing is said of the order.' : now}${old === '' ? '' : ` Before: ${old}`}`]
}

const named = (
  kind: string,
  before: readonly { id: string; name: string }[],
  after: readonly { id: string; name: string }[],
): string[] => [
  ...after.filter(({ id }) => !before.some((one) => one.id === id)).map(({ name }) => `${kind} added: ${name}.`),
  ...before.filter(({ id }) => !after.some((one) => one.id === id)).map(({ name }) => `${kind} taken away: ${name}.`),
]

const eventChanges = ({ eventId, name, before, after, rows }: ComparedEvent): Change[] => {
  const change = (what: string): Change => ({ eventId, what })
  if (!before) return [change(`${name} is new.`)]
  if (!after) return [change(`${name} is no longer part of the standard.`)]
  const kind =
    before.protocol.kind === after.protocol.kind
      ? differences(`${name}, protocol`, before.protocol, after.protocol)
      : [
          `${name}: ${KIND_NAMES[after.protocol.kind].toLowerCase()}, before: ${KIND_NAMES[before.protocol.kind].toLowerCase()}.`,
        ]
  const scoring =
    before.scoring.kind === after.scoring.kind
      ? []
      : [
          `${name}: ${SCORING_NAMES[after.scoring.kind].toLowerCase()}, before: ${SCORING_NAMES[before.scoring.kind].toLowerCase()}.`,
        ]
  const values = rows.filter(({ direction }) => direction !== 'same').length
  return [
    ...(before.name === after.name ? [] : [`${before.name} is now called ${after.name}.`]),
    ...kind,
    ...differences(`${name}, rounding`, before.rounding, after.rounding),
    ...scoring,
    ...(values > 0 && scoring.length === 0
      ? [`${name}: ${values} of ${rows.length} values differ; see the table.`]
      : []),
    ...differences(`${name}`, { restAfterMs: before.restAfterMs }, { restAfterMs: after.restAfterMs }),
    ...named(`${name}, variant`, before.variants ?? [], after.variants ?? []),
  ].map(change)
}

const compareEvent = (before: Standard, after: Standard, id: string): ComparedEvent => {
  const [old, now] = [before, after].map(({ events }) => events.find((event) => event.id === id) ?? null)
  const shown = now ?? old
  return {
    eventId: id,
    name: shown?.name ?? id,
    before: old ?? null,
    after: now ?? null,
    rows: mergeAges(compareRows(before, after, old ?? null, now ?? null)),
  }
}

const OLDEST = 120
/** Where neither version has bands, one line is for everybody; its age is one that any table would hold. */
const ANY_AGE = 30

const compareRows = (
  before: Standard,
  after: Standard,
  old: StandardEvent | null,
  now: StandardEvent | null,
): ComparedRow[] => {
  const edges = ageEdges([old, now].flatMap((event) => (event ? [event.scoring] : [])))
  // below the youngest band of the one version, the other may still ask everybody
  const froms = edges.length === 0 ? [0] : edges.filter((age) => age <= OLDEST)
  const categories = [...new Set([...before.categories, ...after.categories].map(({ id }) => id))]
  const shown = now ?? old
  if (!shown) return []
  const { sense } = factsOf(shown.protocol)
  return categories.flatMap((category) =>
    froms.flatMap((ageFrom, index) => {
      const person = { ageYears: edges.length === 0 ? ANY_AGE : ageFrom, category }
      const askedBefore = old ? whatIsAsked(before, old, person) : []
      const askedAfter = now ? whatIsAsked(after, now, person) : []
      const labels = [...new Set([...askedBefore, ...askedAfter].map(({ label }) => label))]
      const nextFrom = froms[index + 1]
      return labels.map((label): ComparedRow => {
        const [one, other] = [askedBefore, askedAfter].map(
          (asked) => asked.find((item) => item.label === label) ?? null,
        )
        return {
          ageFrom,
          ageTo: nextFrom === undefined ? null : nextFrom - 1,
          category,
          label,
          before: one ?? null,
          after: other ?? null,
          direction: directionOf(one ?? null, other ?? null, sense),
        }
      })
    }),
  )
}

const directionOf = (before: Asked | null, after: Asked | null, sense: Sense): ComparedRow['direction'] => {
  if (!before || !after || before.unit !== after.unit) return 'other'
  if (before.value === null || after.value === null) return before.text === after.text ? 'same' : 'other'
  if (before.value === after.value) return 'same'
  return after.value > before.value === (sense === 'atLeast') ? 'harder' : 'easier'
}

/** Neighbouring ages that are asked the same under both versions share a line. */
const mergeAges = (rows: readonly ComparedRow[]): ComparedRow[] => {
  const merged: ComparedRow[] = []
  for (const row of rows) {
    const at = merged.findLastIndex(({ category, label }) => category === row.category && label === row.label)
    const last = merged[at]
    const continues =
      last?.ageTo === row.ageFrom - 1 && last.before?.text === row.before?.text && last.after?.text === row.after?.text
    if (last && continues) merged[at] = { ...last, ageTo: row.ageTo }
    else merged.push(row)
  }
  return merged
}

/** The people of a line in words: "18–29", "all ages". */
export const printComparedAges = ({ ageFrom, ageTo }: Pick<ComparedRow, 'ageFrom' | 'ageTo'>): string =>
  ageFrom === 0 && ageTo === null ? 'all ages' : printAges(ageFrom, ageTo)
