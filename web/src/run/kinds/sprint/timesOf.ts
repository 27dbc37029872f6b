/** The times of one try. */
import { printTime, type SprintTry } from '@able-gauge/core'

/** A watch after the other, in ms; none while it runs. */
export const timesOf = ({ started, finishes }: SprintTry): readonly number[] =>
  Object.values(finishes).flatMap((stamp) => (stamp ? [stamp.atMs - started.atMs] : []))

/** "0:09.10 and 0:09.14" */
export const sayTimes = (one: SprintTry): string =>
  timesOf(one)
    .map((ms) => printTime(ms, 2))
    .join(' and ')
