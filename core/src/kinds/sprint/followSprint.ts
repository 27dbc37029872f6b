/** Sprints: each start begins a try, each crossing after it is the finish on one of the watches. */
import type { Sprint } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import type { Readings } from '../slot.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'

export interface SprintTry {
  readonly started: Capture
  /** By watch, from 1. */
  readonly finishes: Readonly<Record<number, Capture | undefined>>
}

/**
 * Follows the tries of one candidate. A start before the last try was finished begins that try anew: a false start.
 * Tries beyond those allowed are left out.
 * @param captures settled captures of this candidate in this event, in order
 */
export const followSprint = (protocol: Sprint, captures: readonly Capture[]): readonly SprintTry[] => {
  const tries: SprintTry[] = []
  for (const capture of captures) {
    const current = tries.at(-1)
    if (capture.kind === 'started') {
      if (current && Object.keys(current.finishes).length === 0) tries.pop()
      tries.push({ started: capture, finishes: {} })
    } else if (capture.kind === 'crossed' && current) {
      const watch = capture.payload.watch ?? 1
      // the first stamp of a watch stands
      if (!current.finishes[watch]) {
        tries[tries.length - 1] = { ...current, finishes: { ...current.finishes, [watch]: capture } }
      }
    }
  }
  return tries.slice(0, protocol.attemptsAllowed)
}

export const sprintWork = (protocol: Sprint, captures: readonly Capture[]): LiveWork => {
  const tries = followSprint(protocol, captures)
  const readings: Record<string, number> = {}
  let clockUncertaintyMs = 0
  tries.forEach(({ started, finishes }, index) => {
    for (const [watch, finish] of Object.entries(finishes)) {
      if (!finish) continue
      readings[watch === '1' ? `try-${index + 1}` : `try-${index + 1}-watch-${watch}`] = finish.atMs - started.atMs
      clockUncertaintyMs = Math.max(clockUncertaintyMs, clockDoubt(started, finish))
    }
  })
  // a try that runs is not judged by the one before it alone
  const runs = tries.some(({ finishes }) => Object.keys(finishes).length === 0)
  return {
    ...NOTHING_LIVE,
    begun: tries.length > 0,
    soFar: tries.length,
    readings: runs ? ({} satisfies Readings) : readings,
    clockUncertaintyMs,
  }
}
