/** Up and down a step to a beat, then a pulse count. */
import { printSeconds } from '../../quantity/time.ts'
import { heardBeat } from '../../clock/beats.ts'
import { finding } from '../../document/contradiction.ts'
import { defineKind } from '../kind.ts'
import { readingStep } from '../measure.ts'
import { MINUTE_MS } from '../ranges.ts'
import { needed, optional } from '../slot.ts'
import { cadenceRemarks } from './cadence.ts'
import { stepEstimates } from './estimates.ts'
import { stepReferee, stampedSteps, type StepState } from './referee.ts'
import { measureSteps } from './measure.ts'
import { StepTest, stepHeightMm } from './protocol.ts'
import { rehearseSteps } from './rehearse.ts'
import { byTimeHeld, isByTimeHeld } from './timeHeld.ts'
import { words } from './words.ts'

export const stepTest = defineKind<StepTest, StepState>({
  name: 'Step test',
  protocol: StepTest,
  template: {
    startCommands: ['Into position', 'Begin'],
    heightMm: 300,
    beatsPerMinute: 96,
    beatsPerCycle: 4,
    durationMs: 180_000,
    pulseAfterMs: 5_000,
    pulseWindowMs: 30_000,
  },
  inLanes: true,
  captures: ['started', 'counted'],
  form: (protocol) => ({ unit: isByTimeHeld(protocol) ? 'ms' : 'bpm' }),
  sense: (protocol) => (isByTimeHeld(protocol) ? 'atLeast' : 'atMost'),
  slots: ({ pulseWindowMs }) => [
    needed('pulse', `Beats in ${printSeconds(pulseWindowMs)}`, { unit: 'count' }),
    optional('stopped', 'Stopped early after', { unit: 'ms' }),
  ],
  isEnough: (_, { stopped }) => stopped !== undefined,
  measure: measureSteps,
  ...stepReferee,
  stamped: stampedSteps,
  progress: () => ({ what: 'readings', of: null }),
  sensibleRange: () => ({ least: 50, most: 220 }),
  // the pulse of a minute, in beats of the window
  readingRange: ({ pulseWindowMs, durationMs }, slot) =>
    slot === 'pulse'
      ? { least: Math.floor((30 * pulseWindowMs) / MINUTE_MS), most: Math.ceil((230 * pulseWindowMs) / MINUTE_MS) }
      : { least: 0, most: durationMs },
  judgedInstead: byTimeHeld,
  contradictions: ({ heights = [] }, place, categories) =>
    heights.flatMap(({ category }, index) =>
      categories.includes(category)
        ? []
        : [finding(`${place}.heights[${index}].category`, 'category', category, 'a category of this standard')],
    ),
  remarks: cadenceRemarks,
  cues: (protocol, { category }) => [{ code: 'stepHeight', figures: { mm: stepHeightMm(protocol, category) } }],
  heard: ({ beatsPerMinute, beatsPerCycle }) => heardBeat(beatsPerMinute, beatsPerCycle),
  estimates: (protocol, pulse, reading, person) =>
    // a time held is no pulse
    readingStep(reading, 'stoppedEarly') ? [] : stepEstimates(protocol, pulse, person),
  ground: ({ heightMm, heights = [] }) => ({
    shape: 'step',
    lengthMm: heightMm,
    distanceMm: null,
    lengths: 1,
    othersMm: heights.map((height) => height.heightMm),
  }),
  // a strap tells beats a minute, the protocol asks for beats in its window
  sensed: ({ pulseWindowMs }, { quantity, value }) =>
    quantity === 'pulse' ? { unit: 'count', value: Math.round((value * pulseWindowMs) / MINUTE_MS) } : null,
  words,
  usual: () => 118,
  rehearse: rehearseSteps,
})
