import type { Capture } from '../../capture/capture.ts'
import { makerFor, read, type Stage, type Turn } from '../stage.ts'
import type { HeaviestLift } from './protocol.ts'

const LIFT_MS = 20_000

/** Made-up lifts: good ones up to the target, then the failed ones that end it; or a load with its repetitions. */
export const rehearseLifts = (stage: Stage, protocol: HeaviestLift, turn: Turn): Capture[] => {
  const make = makerFor(stage, turn)
  const { startLoadG, incrementG, restMs, failuresAllowed } = protocol
  if (protocol.estimate) {
    const loadG = Math.max(startLoadG, Math.round((turn.target * 0.85) / incrementG) * incrementG)
    return [make(0, read('load', loadG)), make(4_000, read('repetitions', 5))]
  }
  const captures: Capture[] = []
  let loadG = startLoadG
  let afterMs = 0
  const lift = (good: boolean): void => {
    captures.push(make(afterMs, { kind: 'lifted', payload: { loadG, good } }))
    afterMs += restMs + LIFT_MS
  }
  while (loadG <= turn.target) {
    lift(true)
    loadG += incrementG
  }
  for (let miss = 0; miss <= failuresAllowed; miss++) lift(false)
  return captures
}
