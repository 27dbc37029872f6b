import type { SprintTry } from '@able-gauge/core'

/** The times of one try, a watch after the other, in ms; none while it runs. */
export const timesOf = ({ started, finishes }: SprintTry): readonly number[] =>
  Object.values(finishes).flatMap((stamp) => (stamp ? [stamp.atMs - started.atMs] : []))
