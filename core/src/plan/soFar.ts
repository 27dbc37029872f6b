/** How far a day under way has come, for a simulation that goes on from there. */
import type { Mark } from '../judge/mark.ts'
import { isMarkOver } from '../judge/mark.ts'
import type { SoFar } from './simulateDays.ts'

/**
 * @param marks of each event, by entry
 * @param out whoever goes on no more, or is not here
 * @param beganMs when the events of the day begin by its plan, in agreed time, as `nowMs` is
 * @returns null before anything was done
 */
export const soFarOf = (
  marks: readonly { readonly eventId: string; readonly marks: ReadonlyMap<string, Mark> }[],
  out: ReadonlySet<string>,
  beganMs: number,
  nowMs: number,
): SoFar | null => {
  const done = new Map<string, { fromMs: number; toMs: number | null }>()
  for (const { eventId, marks: own } of marks)
    for (const [entryId, mark] of own) {
      if (mark.kind === 'waiting' || mark.kind === 'exempt') continue
      // what was typed in has no span: it is over, and nobody can say since when
      const { fromMs, toMs } = mark.span ?? { fromMs: nowMs, toMs: nowMs }
      done.set(`${entryId} ${eventId}`, {
        fromMs: fromMs - beganMs,
        toMs: isMarkOver(mark) ? (toMs ?? nowMs) - beganMs : null,
      })
    }
  return done.size === 0 ? null : { nowMs: nowMs - beganMs, done, out }
}
