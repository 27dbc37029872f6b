/** How ground is laid out, in words. */
import type { GroundShape } from '@able-gauge/core'

export const GROUND_SHAPE_WORDS: Readonly<Record<GroundShape, string>> = {
  loop: 'laps of a track or loop',
  outAndBack: 'out to a turn and back',
  shuttle: 'between two lines',
  straight: 'one straight',
  step: 'a step',
}
