import type { Capture } from '../../capture/capture.ts'
import { bare, makerFor, type Stage, type Turn } from '../stage.ts'
import type { StationCourse } from './protocol.ts'

/** Made-up captures of a course: stations of fixed time as long as they are, the others as they come, a fault now and then. */
export const rehearseCourse = (stage: Stage, { stations }: StationCourse, turn: Turn): Capture[] => {
  const make = makerFor(stage, turn)
  const { random } = stage
  const weights = stations.map(({ rate }) =>
    rate ? (rate.durationMs + (rate.warmUpMs ?? 0)) / turn.target : 0.6 + random.next() * 0.8,
  )
  const fixed = stations.reduce((sum, { rate }, index) => sum + (rate ? (weights[index] ?? 0) : 0), 0)
  const free = weights.reduce((sum, weight) => sum + weight, 0) - fixed
  let done = 0
  const captures = stations.flatMap(({ id, rate, faultsAllowed }, index) => {
    const share = rate ? (weights[index] ?? 0) : ((weights[index] ?? 0) / free) * Math.max(0.1, 1 - fixed)
    const faulted = faultsAllowed !== undefined && faultsAllowed > 0 && random.next() < 0.25
    const fault = faulted
      ? [make((done + share / 2) * turn.target, { kind: 'faulted' as const, payload: { part: id } })]
      : []
    done += share
    // a station of fixed time closes by itself
    if (rate) return fault
    return [...fault, make(done * turn.target, { kind: 'passed' as const, payload: { part: id } })]
  })
  return [make(0, bare('started')), ...captures]
}
