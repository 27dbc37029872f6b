/** A figure that no such event can give is asked about before it is recorded; entered again, deliberately, it is. */
import { beyondSense, printField, suffixOf, type Protocol, type Slot } from '@able-gauge/core'
import type { AgreedMoment } from '../../sync/agreedClock.ts'
import { DELIBERATE_MS } from './deliberate.ts'

export interface Entered {
  /** What is asked before the figure is recorded; empty where it is recorded. */
  readonly question: string
  /** What the entry answered. */
  readonly despite: NonNullable<AgreedMoment['despite']>
}

const AT_ONCE: Entered = { question: '', despite: [] }

/** @returns called with each figure that is entered, and with whether it was by a press that can answer */
export const useSecondEntry = (protocol: () => Protocol) => {
  let asked: { readonly slotId: string; readonly value: number; readonly atMs: number } | null = null
  return (slot: Slot, value: number, byPress: boolean): Entered => {
    const range = beyondSense(protocol(), slot.id, value)
    const nowMs = performance.now()
    const known = asked?.slotId === slot.id && asked.value === value ? asked : null
    // what is asked is answered or given up by the next figure; the same one, later, is asked about anew
    asked = null
    if (!range) return AT_ONCE
    if (byPress && known && nowMs - known.atMs >= DELIBERATE_MS) return { question: '', despite: ['outsideSense'] }
    asked = known ?? { slotId: slot.id, value, atMs: nowMs }
    const [least, most] = [range.least, range.most].map((end) => printField(end, slot))
    const unit = suffixOf(slot)
    return {
      question: `Figures here lie between ${least} and ${most}${unit === '' ? '' : ` ${unit}`}. Enter ${printField(value, slot)} again if it is right, which goes on record, or correct it.`,
      despite: [],
    }
  }
}
