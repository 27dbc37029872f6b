import type { Capture } from '../../capture/capture.ts'
import { MINUTE_MS } from '../ranges.ts'
import { bare, makerFor, read, type Stage, type Turn } from '../stage.ts'
import type { StepTest } from './protocol.ts'

/** Made-up captures of a step test: the start, each beat felt in the window, the count that is entered. */
export const rehearseSteps = (
  stage: Stage,
  { durationMs, pulseAfterMs, pulseWindowMs }: StepTest,
  turn: Turn,
): Capture[] => {
  const make = makerFor(stage, turn)
  const beats = Math.round((turn.target * pulseWindowMs) / MINUTE_MS)
  const fromMs = durationMs + pulseAfterMs
  return [
    make(0, bare('started')),
    ...Array.from({ length: beats }, (_, beat) =>
      make(fromMs + ((beat + 0.5) * pulseWindowMs) / beats, bare('counted')),
    ),
    make(fromMs + pulseWindowMs + 3_000, read('pulse', beats)),
  ]
}
