/** Repetitions to a beat, until the candidate can no longer keep it. */
import { heardBeat } from '../../clock/beats.ts'
import { COUNTED_TEMPLATE, countedRecord, countTo } from '../countedRepetitions/countedRepetitions.ts'
import { defineKind } from '../kind.ts'
import { MINUTE_MS, MOST_REPETITIONS } from '../ranges.ts'
import { makerFor } from '../stage.ts'
import { capped, plain } from '../worked.ts'
import { RepetitionsToCadence } from './protocol.ts'
import type { RepetitionAttempt } from '../countedRepetitions/referee.ts'
import { words } from './words.ts'

/** From one repetition to the next. */
const everyMsOf = ({ beatsPerMinute, beatsPerRepetition }: RepetitionsToCadence): number =>
  (MINUTE_MS * beatsPerRepetition) / beatsPerMinute

export const repetitionsToCadence = defineKind<RepetitionsToCadence, RepetitionAttempt>({
  ...countedRecord,
  name: 'Repetitions to a cadence',
  protocol: RepetitionsToCadence,
  inLanes: true,
  template: { ...COUNTED_TEMPLATE, beatsPerMinute: 40, beatsPerRepetition: 2, missedBeatsAllowed: 1 },
  captures: [...countedRecord.captures, 'missed'],
  measure: ({ capRepetitions }, readings) => capped(plain(readings['count']), capRepetitions),
  cues: ({ restAllowed, beatsPerMinute, beatsPerRepetition }) => [
    { code: `rest ${restAllowed}` },
    { code: 'beats', figures: { beatsPerMinute, beatsPerRepetition } },
  ],
  heard: ({ beatsPerMinute, beatsPerRepetition }) => heardBeat(beatsPerMinute, beatsPerRepetition),
  sensibleRange: ({ capRepetitions }) => ({ least: 1, most: capRepetitions ?? MOST_REPETITIONS }),
  practice: (protocol) => ({ of: 'repetitions', everyMs: everyMsOf(protocol) }),
  words,
  rehearse: (stage, protocol, turn) => countTo(makerFor(stage, turn), turn.target, everyMsOf(protocol)),
})
