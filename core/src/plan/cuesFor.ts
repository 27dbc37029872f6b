/** What a grader has to know about one candidate before the start, beyond what the event asks of everybody. */
import type { Candidate } from '../judge/mark.ts'
import { chosenEvent } from '../judge/chosenEvent.ts'
import { findCut } from '../judge/findCut.ts'
import { printQuantity } from '../quantity/unit.ts'
import type { Cue } from '../referee/referee.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { earlierBest, type EarlierFigure } from './earlierBest.ts'

/** What was noted about somebody at check-in. */
export interface NotedAtMuster {
  readonly gear: string
  /** Seat height, lane and the like, by event and value: `bike.seat`. */
  readonly setUp: Readonly<Record<string, string>>
  /** The same on an earlier day; empty when there was none. */
  readonly earlierSetUp: Readonly<Record<string, string>>
  /** What was measured of them on earlier days. */
  readonly earlierFigures: readonly EarlierFigure[]
}

/** @param event of the battery */
export const cuesFor = (
  standard: Standard,
  event: StandardEvent,
  candidate: Candidate,
  { gear, setUp, earlierSetUp, earlierFigures }: NotedAtMuster,
): Cue[] => {
  const chosen = chosenEvent(standard, event, candidate)
  const { event: done, alternateId, variantId } = chosen
  const variant = done.variants?.find(({ id }) => id === variantId)
  const cut = findCut(done, candidate)
  const best = earlierBest(standard, event, candidate, earlierFigures)
  return [
    ...(alternateId ? [{ code: 'alternate', text: done.name, figures: { inPlaceOf: event.name } }] : []),
    ...(variant ? [{ code: 'variant', text: variant.name }] : []),
    ...(!cut.ok && cut.reason === 'noBodyMass' ? [{ code: 'noBodyMass' }] : []),
    ...(best
      ? [
          {
            code: 'earlierBest',
            text: printQuantity(best.value, best.unit, event.publishedIn),
            figures: { testDate: best.testDate },
          },
        ]
      : []),
    ...(gear === '' ? [] : [{ code: 'gear', text: gear }]),
    ...(done.protocol.setUp ?? []).flatMap(({ id, label, writtenIn }) => {
      const key = `${event.id}.${id}`
      const [now, before] = [setUp[key] ?? '', earlierSetUp[key] ?? '']
      if (now === '' && before === '') return []
      const unit = writtenIn === undefined ? '' : ` ${writtenIn}`
      return [
        {
          code: 'setUpOf',
          text: label,
          figures: { now: now && `${now}${unit}`, before: before && `${before}${unit}` },
        },
      ]
    }),
  ]
}
