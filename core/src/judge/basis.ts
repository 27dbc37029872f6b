/** Everything found about a candidate in an event before the measure is looked at. */
import type { Measure } from '../kinds/measure.ts'
import type { TimeBounds } from '../capture/timeBounds.ts'
import { eventsThatCanBeMissed } from '../standard/canBeMissed.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { alternatesFor, chosenEvent, type ChosenEvent, variantsFor } from './chosenEvent.ts'
import { compileScoring, type CompiledScoring } from './compileScoring.ts'
import type { Cut } from './cut.ts'
import type { PersonsBattery } from './combineMarks.ts'
import { cutIn, findBand, type FoundBand } from './findCut.ts'
import type { Candidate } from './mark.ts'
import { judgedBy } from './judgedBy.ts'

/** What marks are judged by: the standard, and the date its age rule counts from. */
export interface Terms {
  readonly standard: Standard
  readonly testDate: string
  /** Moments the day can hold; left out where nothing is judged by when it was captured. */
  readonly bounds?: TimeBounds | null
  /** The moment it is judged as of, agreed ms: what was due by then has happened. Left out, only what captures tell. */
  readonly asOfMs?: number | null
}

/** The least points the standard asks of an event, in hundredths, or null. */
export const minimumOf = ({ combination }: Pick<Standard, 'combination'>, event: StandardEvent): number | null =>
  event.minimumCentipoints ?? (combination.kind === 'pointsTotal' ? (combination.minimumEachCentipoints ?? null) : null)

export interface Basis {
  readonly terms: Terms
  readonly candidate: Candidate
  readonly chosen: ChosenEvent
  readonly compiled: CompiledScoring
  readonly found: FoundBand | { readonly ok: false; readonly reason: 'choiceNotOffered' }
  readonly cut: Cut | null
  readonly minimum: number | null
}

/** @param measure where there is one: a step test that was stopped may be judged by another rule than one that was done */
export const basisFor = (terms: Terms, event: StandardEvent, candidate: Candidate, measure?: Measure): Basis => {
  const byChoice = chosenEvent(terms.standard, event, candidate)
  const done = measure ? judgedBy(byChoice.event, measure) : byChoice.event
  const chosen = done === byChoice.event ? byChoice : { ...byChoice, event: done, scoring: done.scoring }
  const compiled = compileScoring(chosen.event, chosen.scoring)
  const found: Basis['found'] = chosen.notOffered
    ? { ok: false, reason: 'choiceNotOffered' }
    : findBand(compiled, candidate)
  const minimum = minimumOf(terms.standard, chosen.event)
  const cut = found.ok ? cutIn(chosen.event, compiled, found, candidate, minimum) : null
  return { terms: terms, candidate, chosen, compiled, found, cut, minimum }
}

/** The most points an event as it was chosen can earn a candidate, in hundredths; 0 for events without points. */
const fullPointsOf = (terms: Terms, event: StandardEvent, candidate: Candidate): number => {
  const { compiled, found } = basisFor(terms, event, candidate)
  return compiled.scoreKind === 'centipoints' && found.ok ? compiled.best(found.row) : 0
}

/** The most points an event can earn a candidate who has not begun it: by the event, a variant, or an alternate that is offered to them. */
const mostPointsOf = (terms: Terms, event: StandardEvent, candidate: Candidate): number =>
  Math.max(
    ...choicesOf(terms.standard, event, candidate).map((choice) =>
      fullPointsOf(terms, event, { ...candidate, ...choice }),
    ),
  )

type Choice = Required<Pick<Candidate, 'variants' | 'alternates'>>

/** What may still be chosen of one event: the event itself, a variant, an alternate that is for this person. */
const choicesOf = (
  { alternateEvents = [] }: Pick<Standard, 'alternateEvents'>,
  event: StandardEvent,
  candidate: Candidate,
): Choice[] => {
  const withVariants = (done: Pick<StandardEvent, 'variants'>, alternates: Choice['alternates']): Choice[] =>
    [undefined, ...variantsFor(done, candidate).map(({ id }) => id)].map((id) => ({
      alternates,
      variants: { [event.id]: id },
    }))
  return [
    ...withVariants(event, {}),
    ...alternatesFor(event, candidate).flatMap(({ eventId }) => {
      const instead = alternateEvents.find(({ id }) => id === eventId)
      return instead ? withVariants(instead, { [event.id]: eventId }) : []
    }),
  ]
}

/** What deciding has to know of the battery for one person. Points are only looked up where they are added. */
export const batteryFor = (terms: Terms, candidate: Candidate): PersonsBattery => {
  const { standard } = terms
  let judged = judgedIn.get(standard)
  if (!judged) judgedIn.set(standard, (judged = eventsThatCanBeMissed(standard)))
  if (standard.combination.kind !== 'pointsTotal') return { judged, fullCentipoints: [], mostCentipoints: [] }
  if (hasChosen(candidate)) return pointsOfBattery(terms, candidate, judged)
  // it follows from the band alone, and many people share one
  const known = batteries.get(standard) ?? new Map<string, PersonsBattery>()
  batteries.set(standard, known)
  const { ageYears, category, role } = candidate
  const key = `${ageYears} ${category} ${role ?? ''}`
  const battery = known.get(key) ?? pointsOfBattery(terms, candidate, judged)
  known.set(key, battery)
  return battery
}

const batteries = new WeakMap<Standard, Map<string, PersonsBattery>>()

const hasChosen = ({ variants = {}, alternates = {} }: Candidate): boolean =>
  Object.keys(variants).length > 0 || Object.keys(alternates).length > 0

const pointsOfBattery = (terms: Terms, candidate: Candidate, judged: readonly boolean[]): PersonsBattery => {
  const { standard } = terms
  const fullCentipoints = standard.events.map((event) => fullPointsOf(terms, event, candidate))
  const mostCentipoints = standard.events.map((event, place) =>
    event.variants || event.alternates ? mostPointsOf(terms, event, candidate) : (fullCentipoints[place] ?? 0),
  )
  return { judged, fullCentipoints, mostCentipoints }
}

const judgedIn = new WeakMap<Standard, readonly boolean[]>()
