import { printLength, printMass, type Capture } from '@able-gauge/core'

const STOPS = {
  time: 'time ran out',
  ended: 'the candidate ended',
  didNotFinish: 'did not finish',
  failed: 'failed',
  breach: 'breach of safety',
  safety: 'stopped for safety',
  withdrawn: 'withdrawn on medical grounds',
  disqualified: 'disqualified',
} as const

/** A capture in words. */
export const sayCapture = (capture: Capture): string => {
  switch (capture.kind) {
    case 'waveStarted':
      return `wave ${capture.payload.wave} started`
    case 'cleared':
      return 'found clear to start'
    case 'started':
      return 'started'
    case 'counted':
      return 'counted'
    case 'refused':
      return `refused: ${capture.payload.reason.replaceAll('-', ' ')}`
    case 'cautioned':
      return 'caution'
    case 'restarted':
      return `began again: ${capture.payload.reason}`
    case 'paused':
      return 'rests, the clock stands'
    case 'resumed':
      return 'goes on'
    case 'missed':
      return 'missed'
    case 'crossed':
      return `crossed${capture.payload.watch ? `, watch ${capture.payload.watch}` : ''}${capture.payload.estimated ? ', put in later' : ''}`
    case 'placed':
      return 'written down at the finish'
    case 'markedAt':
      return `stood ${printLength(capture.payload.beyondLineMm)} beyond the line`
    case 'passed':
      return `${capture.payload.part.replaceAll('-', ' ')} complete`
    case 'faulted':
      return `fault on ${capture.payload.part.replaceAll('-', ' ')}`
    case 'lifted':
      return `${capture.payload.good ? 'lifted' : 'missed'} ${printMass(capture.payload.loadG)}`
    case 'sensed':
      return `${capture.payload.quantity} from ${capture.payload.instrument}`
    case 'read':
      return `${capture.payload.slot.replaceAll('-', ' ')} read`
    case 'stopped':
      return `${STOPS[capture.payload.reason]}${capture.payload.note ? `: ${capture.payload.note}` : ''}`
    case 'tookOver':
      return capture.payload.counted === undefined ? 'took over' : `took over from ${capture.payload.counted}`
    case 'varied':
      return `form: ${capture.payload.variant?.replaceAll('-', ' ') ?? 'the own form of the event'}`
    case 'voided':
      return `undoes a capture: ${capture.payload.reason}`
    case 'assigned':
      return 'bib put to a time'
    case 'moved':
      return `moves a stamp: ${capture.payload.reason}`
    case 'replaced':
      return `replaces a reading: ${capture.payload.reason}`
    case 'decided':
      return `decided ${capture.payload.as ?? 'on another figure'}: ${capture.payload.reason}`
  }
}
