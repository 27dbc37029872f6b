/** What one candidate's stamps amount to, whatever the kind of event: figures by slot, and how far it is. */
import type { Protocol } from '../../protocol/protocol.ts'
import type { Capture } from '../capture.ts'
import type { WaveStart } from '../reduceTimedDistance.ts'
import { courseWork } from './followCourse.ts'
import { chainWork } from './followChain.ts'
import { distanceWork } from './followDistance.ts'
import { holdWork } from './followHold.ts'
import { liftWork } from './followLifts.ts'
import { shuttleWork } from './followShuttle.ts'
import { sprintWork } from './followSprint.ts'
import { stepWork } from './followSteps.ts'
import { NOTHING_LIVE, type LiveWork } from './liveFigures.ts'

/**
 * Follows the stamps of one candidate.
 * @param captures settled captures of this candidate in this event, in order
 * @param start of the candidate's wave, for kinds that start together
 */
export const liveWork = (protocol: Protocol, captures: readonly Capture[], start: WaveStart | undefined): LiveWork => {
  switch (protocol.kind) {
    case 'heldPosition':
      return holdWork(protocol, captures)
    case 'distanceInTime':
      return distanceWork(protocol, captures, start)
    case 'progressiveShuttle':
      return shuttleWork(protocol, captures, start)
    case 'sprint':
      return sprintWork(protocol, captures)
    case 'heaviestLift':
      return liftWork(protocol, captures)
    case 'stationCourse':
      return courseWork(protocol, captures)
    case 'workChain':
      return chainWork(protocol, captures)
    case 'stepTest':
      return stepWork(protocol, captures)
    case 'untimedTask':
      return { ...NOTHING_LIVE, begun: captures.some(({ kind }) => kind === 'started') }
    default:
      return NOTHING_LIVE
  }
}
