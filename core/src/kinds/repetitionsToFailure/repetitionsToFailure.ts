/** As many repetitions as the candidate manages, without a clock. */
import { COUNTED_TEMPLATE, countedRecord, countTo } from '../countedRepetitions/countedRepetitions.ts'
import { defineKind } from '../kind.ts'
import { MOST_REPETITIONS } from '../ranges.ts'
import { makerFor } from '../stage.ts'
import { capped, plain } from '../worked.ts'
import { RepetitionsToFailure } from './protocol.ts'
import type { RepetitionAttempt } from '../countedRepetitions/referee.ts'
import { words } from './words.ts'

export const repetitionsToFailure = defineKind<RepetitionsToFailure, RepetitionAttempt>({
  ...countedRecord,
  name: 'Repetitions to failure',
  inLanes: true,
  protocol: RepetitionsToFailure,
  template: { ...COUNTED_TEMPLATE, endsWhen: ['Stops'] },
  measure: ({ capRepetitions }, readings) => capped(plain(readings['count']), capRepetitions),
  endings: ({ endsWhen }) => endsWhen.map((label) => ({ label, then: 'stands' as const })),
  sensibleRange: ({ capRepetitions }) => ({ least: 1, most: capRepetitions ?? MOST_REPETITIONS }),
  practice: () => ({ of: 'repetitions' }),
  words,
  rehearse: (stage, _, turn) => countTo(makerFor(stage, turn), turn.target, 2_400),
})
