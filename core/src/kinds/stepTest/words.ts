import type { PublishedUnit } from '../../quantity/imperial.ts'
import { printLength } from '../../quantity/length.ts'
import { printTime, printSeconds } from '../../quantity/time.ts'
import { printQuantity } from '../../quantity/unit.ts'
import type { KindWords } from '../kind.ts'
import type { StepTest } from './protocol.ts'

const conduct = ({ durationMs, heightMm }: StepTest, publishedIn?: PublishedUnit): string =>
  `${printTime(durationMs)} on a step of ${printQuantity(heightMm, 'mm', publishedIn)}, then the pulse`

const printCycles = ({ beatsPerMinute, beatsPerCycle }: StepTest): string =>
  String(Math.round((10 * beatsPerMinute) / beatsPerCycle) / 10)

export const words: KindWords<StepTest> = {
  conduct,
  rules: (protocol) => [
    `${conduct(protocol)}. ${protocol.beatsPerMinute} beats a minute, ${protocol.beatsPerCycle} to a cycle: ${printCycles(protocol)} cycles a minute.`,
    ...(protocol.heights ?? []).map(({ category, heightMm }) => `Step of ${printLength(heightMm)} for ${category}.`),
    `The pulse is counted for ${printSeconds(protocol.pulseWindowMs)}, ${printSeconds(protocol.pulseAfterMs)} after the last step.`,
    protocol.ifStopped
      ? `Whoever stops early is judged by the time held: ${printTime(protocol.ifStopped.atLeastMs)} meets it.`
      : 'Whoever stops early did not finish.',
  ],
}
