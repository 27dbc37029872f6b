/** A step test that was stopped early, where the protocol judges it by the time held: as a hold with a cut of its own. */
import type { Unit } from '../../quantity/unit.ts'
import type { JudgedInstead } from '../kind.ts'
import type { StepTest } from './protocol.ts'

/** The protocols made here; they are never written anywhere. */
const heldProtocols = new WeakSet<StepTest>()

/** Whether a protocol stands for the time held in place of the pulse. */
export const isByTimeHeld = (protocol: StepTest): boolean => heldProtocols.has(protocol)

/** A time is cut down to whole seconds, and just the time the protocol states meets it. */
export const byTimeHeld = (protocol: StepTest, unit: Unit): JudgedInstead<StepTest> | null => {
  const { ifStopped } = protocol
  if (unit !== 'ms' || !ifStopped || isByTimeHeld(protocol)) return null
  const held = { ...protocol }
  heldProtocols.add(held)
  return { protocol: held, rounding: { mode: 'truncate', step: 1_000 }, atLeast: ifStopped.atLeastMs }
}
