import type { Remark } from '../../document/remark.ts'
import type { StepTest } from './protocol.ts'

/** Nobody is tested at a beat slower than this; a figure below it is one of whole cycles. */
const SLOWEST_BEAT = 60
const QUICKEST_CYCLES = 15

/** Beats a minute and cycles a minute are easily mixed up: four beats make one cycle of stepping. */
export const cadenceRemarks = ({ beatsPerMinute, beatsPerCycle }: StepTest, place: string): Remark[] => {
  if (beatsPerMinute >= SLOWEST_BEAT || beatsPerCycle === 1 || beatsPerMinute < QUICKEST_CYCLES) return []
  return [
    {
      place: `${place}.beatsPerMinute`,
      code: 'cadenceInCycles',
      severity: 'warning',
      what: `${beatsPerMinute} beats a minute, ${beatsPerCycle} to a cycle, is ${Math.round((10 * beatsPerMinute) / beatsPerCycle) / 10} cycles a minute.`,
      example: `Somebody would take one step every ${Math.round(600 / beatsPerMinute) / 10} s.`,
      mend: `If ${beatsPerMinute} cycles are meant, write ${beatsPerMinute * beatsPerCycle} beats.`,
      remedy: {
        label: `Write ${beatsPerMinute * beatsPerCycle} beats`,
        edits: [{ place: `${place}.beatsPerMinute`, value: beatsPerMinute * beatsPerCycle }],
      },
    },
  ]
}
