/** Doubts between the events of one person: begun while the rest still ran, or while they were still at another. */
import type { Standard } from '../standard/standard.ts'
import type { Mark } from './mark.ts'

export type BetweenDoubt =
  /** Begun before the rest after another event was over, by so much. */
  | { readonly kind: 'restNotKept'; readonly eventId: string; readonly afterEventId: string; readonly leftMs: number }
  /** Begun while another event was still under way. */
  | { readonly kind: 'elsewhere'; readonly eventId: string; readonly afterEventId: string }

interface Turn {
  readonly eventId: string
  readonly fromMs: number
  readonly toMs: number | null
}

/**
 * From when each event was begun and ended. It never changes a figure: a person decides.
 * @param marks of one person
 */
export const doubtsBetween = ({ events }: Pick<Standard, 'events'>, marks: readonly Mark[]): BetweenDoubt[] => {
  const turns = marks
    .flatMap(({ eventId, span }): Turn[] => (span ? [{ eventId, ...span }] : []))
    .sort((a, b) => a.fromMs - b.fromMs)
  return turns.flatMap(({ eventId, fromMs }, index): BetweenDoubt[] => {
    const before = turns[index - 1]
    if (!before) return []
    const { eventId: afterEventId, toMs } = before
    if (toMs === null || fromMs < toMs) return [{ kind: 'elsewhere', eventId, afterEventId }]
    const restMs = events.find(({ id }) => id === afterEventId)?.restAfterMs ?? 0
    const leftMs = toMs + restMs - fromMs
    return leftMs > 0 ? [{ kind: 'restNotKept', eventId, afterEventId, leftMs }] : []
  })
}
