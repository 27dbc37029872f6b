/** As many repetitions as the candidate manages in a fixed time. */
import { COUNTED_TEMPLATE, countedRecord } from '../countedRepetitions/countedRepetitions.ts'
import { defineKind } from '../kind.ts'
import { QUICKEST_REPETITION_MS } from '../ranges.ts'
import { RepetitionsInTime } from './protocol.ts'
import { rehearseRepetitions } from './rehearse.ts'
import type { RepetitionAttempt } from '../countedRepetitions/referee.ts'
import { words } from './words.ts'

const mostIn = ({ durationMs }: RepetitionsInTime): number => Math.floor(durationMs / QUICKEST_REPETITION_MS)

export const repetitionsInTime = defineKind<RepetitionsInTime, RepetitionAttempt>({
  ...countedRecord,
  name: 'Repetitions in a time',
  inLanes: true,
  protocol: RepetitionsInTime,
  template: { ...COUNTED_TEMPLATE, durationMs: 60_000 },
  sensibleRange: (protocol) => ({ least: 1, most: mostIn(protocol) }),
  readingRange: (protocol) => ({ least: 0, most: mostIn(protocol) }),
  practice: ({ durationMs }) => ({ of: 'repetitions', untilMs: durationMs }),
  words,
  rehearse: (stage, protocol, { entryId, startAtMs, target }) =>
    rehearseRepetitions(stage, protocol, {
      entryId,
      startAtMs,
      counted: target,
      refused: protocol.refusals.filter(() => stage.random.next() < 0.4).map(({ id }) => id),
      cautions: stage.random.next() < 0.2 ? Math.min(1, protocol.cautionsAllowed) : 0,
    }),
})
