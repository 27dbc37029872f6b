/** What one change of a plan would save, simulated on the same days as the plan itself. */
import type { Habits } from './habits.ts'
import { simulateDays, type SimulatedDay } from './simulateDays.ts'
import { makeTimetable, type TimetableTask } from './timetable.ts'

export interface Help {
  readonly code: 'oneMoreStation'
  readonly eventId: string
  /** So much sooner 8 of 10 days have ended. */
  readonly savesMs: number
  /** The most that would wait there at once, in the middle of the days. */
  readonly most: number
}

/** Changes that save less are not worth a person's day. */
const WORTH_MS = 3 * 60_000
const TRIED = 3

/**
 * One more station, with somebody of its own, where people wait longest.
 * @param simulated the plan as it is
 * @returns what saves most first; nothing that is not worth it
 */
export const whatWouldHelp = (
  task: TimetableTask,
  simulated: SimulatedDay,
  habits: Habits,
  options: { readonly day: number; readonly days: number; readonly seed: number },
): Help[] =>
  [...simulated.events]
    .sort((a, b) => b.waitMs - a.waitMs)
    .slice(0, TRIED)
    .map(({ eventId }): Help => {
      const events = task.events.map((event) =>
        event.eventId === eventId ? { ...event, stations: event.stations + 1 } : event,
      )
      const { turns: _turns, ...changed } = { ...task, events }
      const { likelyMs, events: after } = simulateDays(changed, makeTimetable(changed), habits, options)
      const most = after.find((one) => one.eventId === eventId)?.most ?? 0
      return { code: 'oneMoreStation', eventId, savesMs: simulated.likelyMs - likelyMs, most }
    })
    .filter(({ savesMs }) => savesMs >= WORTH_MS)
    .sort((a, b) => b.savesMs - a.savesMs)
