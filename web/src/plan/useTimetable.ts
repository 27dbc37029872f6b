/** The timetable of a plan with everybody entered, its bound, and what it breaks, in words. */
import {
  checkTimetable,
  lateEnds,
  makeTimetable,
  planFindings,
  printTime,
  sayPlanFinding,
  timetableBound,
  timetableTask,
  type DayPlan,
  type TimetableConflict,
  type TimetableWave,
} from '@able-gauge/core'
import { computed, type ComputedRef } from 'vue'
import { eventName, fullName, wavesOnGround, type Day } from '../day/day.ts'

/** @param waves other waves than those the people are in, for a plan that is only proposed */
export const useTimetable = (
  day: () => Day,
  plan: ComputedRef<DayPlan> | { readonly value: DayPlan },
  waves: () => readonly TimetableWave[] = () => wavesOnGround(day()),
) => {
  const task = computed(() => timetableTask(plan.value, day().standard, waves()))
  const timetable = computed(() => makeTimetable(task.value))
  const bounds = computed(() => plan.value.days.map((_, index) => timetableBound(task.value, index)))
  const found = computed(() => {
    const entryOfStaff = new Map(
      day().staff.flatMap(({ accountId, entryId }) => (entryId === undefined ? [] : [[accountId, entryId] as const])),
    )
    return mostTelling(checkTimetable(task.value, timetable.value, entryOfStaff))
  })
  /** What does not fit whatever the times are. */
  const loose = computed(() => {
    const { standard, staff, entries } = day()
    return planFindings(standard, plan.value, staff, entries.length).map((finding) =>
      sayPlanFinding(
        finding,
        (id) => eventName(day(), id),
        (id) => staff.find(({ accountId }) => accountId === id)?.displayName ?? 'Somebody',
      ),
    )
  })
  /** Ends later than somebody wants. */
  const late = computed(() =>
    lateEnds(plan.value, timetable.value).map(
      ({ day: index, endsBy, lateMs }) =>
        `${plan.value.days.length > 1 ? `Day ${index + 1} ends` : 'The day ends'} ${Math.ceil(lateMs / 60_000)} min later than ${endsBy}, the latest end wanted.`,
    ),
  )
  const conflicts = computed(() => [
    ...late.value,
    ...found.value.map((conflict) => sayConflict(day(), conflict)),
    ...loose.value,
  ])
  /** `eventId wave` of the turns that break a rule. */
  const broken = computed(() => new Set(found.value.map(({ eventId, wave }) => `${eventId} ${wave}`)))
  return { task, timetable, bounds, conflicts, broken }
}

/** A wave that rests too short does so for each of its people; the one who lacks most says it for all. */
const mostTelling = (conflicts: readonly TimetableConflict[]): TimetableConflict[] => {
  const kept = new Map<string, TimetableConflict>()
  for (const conflict of conflicts) {
    const key = [conflict.code, conflict.eventId, conflict.wave, 'staffId' in conflict ? conflict.staffId : ''].join(
      ' ',
    )
    const known = kept.get(key)
    const lacks = (one: TimetableConflict): number => (one.code === 'rest' ? one.missingMs : 0)
    if (!known || lacks(conflict) > lacks(known)) kept.set(key, conflict)
  }
  return [...kept.values()]
}

const sayConflict = (day: Day, conflict: TimetableConflict): string => {
  const nameOf = (id: string): string => eventName(day, id)
  const staffName = (id: string): string =>
    day.staff.find(({ accountId }) => accountId === id)?.displayName ?? 'Somebody'
  const who = (id: string): string => {
    const entry = day.entries.find((one) => one.id === id)
    return entry ? `${entry.bib ?? 'no bib'} ${fullName(entry)}` : 'Somebody'
  }
  const at = `${nameOf(conflict.eventId)}, wave ${conflict.wave}`
  switch (conflict.code) {
    case 'rest':
      return `${at}: ${who(conflict.entryId)} would start ${printTime(conflict.missingMs)} before the rest after ${nameOf(conflict.afterEventId)} is over.`
    case 'notSeated':
      return `${at}: ${who(conflict.entryId)} has no place.`
    case 'seatedTwice':
      return `${at}: ${who(conflict.entryId)} has two places.`
    case 'tooMany':
      return `${at}: ${conflict.people} would start together, ${conflict.together} can.`
    case 'stationTaken':
      return `${at}: station ${conflict.station} is taken by wave ${conflict.otherWave} at that time.`
    case 'noStation':
      return `${at}: there is no station ${conflict.station}.`
    case 'staffTwice':
      return `${staffName(conflict.staffId)} would be at ${at}, and at ${nameOf(conflict.otherEventId)}, wave ${conflict.otherWave}, at the same time.`
    case 'ownWave':
      return `${staffName(conflict.staffId)} works ${at} alone and is tested in that wave. Somebody else has to work it.`
    case 'shortSlot':
      return `${at}: less time than one start takes.`
  }
}
