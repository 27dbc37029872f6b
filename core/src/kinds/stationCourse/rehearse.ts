import type { Capture } from '../../capture/capture.ts'
import { bare, makerFor, type Stage, type Turn } from '../stage.ts'
import type { StationCourse } from './protocol.ts'

/** Made-up captures of a course: stations of fixed time as long as they are, counted ones blow by blow, the others as they come, a fault now and then. */
export const rehearseCourse = (stage: Stage, { stations }: StationCourse, turn: Turn): Capture[] => {
  const make = makerFor(stage, turn)
  const { random } = stage
  const weights = stations.map(({ rate }) =>
    rate ? (rate.durationMs + (rate.warmUpMs ?? 0)) / turn.target : 0.6 + random.next() * 0.8,
  )
  const fixed = stations.reduce((sum, { rate }, index) => sum + (rate ? (weights[index] ?? 0) : 0), 0)
  const free = weights.reduce((sum, weight) => sum + weight, 0) - fixed
  let done = 0
  const captures = stations.flatMap(({ id, rate, tally, faultsAllowed }, index) => {
    const share = rate ? (weights[index] ?? 0) : ((weights[index] ?? 0) / free) * Math.max(0.1, 1 - fixed)
    const faulted = faultsAllowed !== undefined && faultsAllowed > 0 && random.next() < 0.25
    const fault = faulted
      ? [make((done + share / 2) * turn.target, { kind: 'faulted' as const, payload: { part: id } })]
      : []
    const openedAt = done
    done += share
    // a station of fixed time closes by itself, one that is counted with its last
    if (rate) return fault
    if (tally !== undefined) {
      const counted = Array.from({ length: tally }, (_, count) =>
        make((openedAt + (share * (count + 1)) / tally) * turn.target, bare('counted')),
      )
      return [...fault, ...counted]
    }
    return [...fault, make(done * turn.target, { kind: 'passed' as const, payload: { part: id } })]
  })
  return [make(0, bare('started')), ...captures]
}
