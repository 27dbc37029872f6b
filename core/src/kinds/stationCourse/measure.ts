import type { EndedByFigures, Worked } from '../kind.ts'
import type { Readings, Slot } from '../slot.ts'
import { needed, optional } from '../slot.ts'
import { plain } from '../worked.ts'
import type { StationCourse } from './protocol.ts'

/** The time, and for each station its faults and whether it failed at once, where the protocol knows them. */
export const courseSlots = ({ stations }: StationCourse): Slot[] => [
  needed('time', 'Time', { unit: 'ms' }),
  ...stations.flatMap(({ id, name, faultsAllowed, failsAtOnce }) => [
    ...(faultsAllowed === undefined ? [] : [optional(`${id}-faults`, `${name}: faults`, { unit: 'count' })]),
    ...(failsAtOnce === undefined ? [] : [optional(`${id}-failed`, `${name}: failed at once`, { unit: 'done' })]),
  ]),
]

/** The time in ms; a fault too many or what fails at once ends it. */
export const measureCourse = ({ stations }: StationCourse, readings: Readings): Worked | EndedByFigures => {
  for (const { id, name, faultsAllowed, failsAtOnce } of stations) {
    if (readings[`${id}-failed`] === 1) {
      return { reason: 'failed', notes: [{ code: 'failedAtOnce', where: name, what: failsAtOnce ?? [] }] }
    }
    const faults = readings[`${id}-faults`] ?? 0
    if (faultsAllowed !== undefined && faults > faultsAllowed) {
      return { reason: 'failed', notes: [{ code: 'faultsTooMany', where: name, faults, allowed: faultsAllowed }] }
    }
  }
  return plain(readings['time'])
}
