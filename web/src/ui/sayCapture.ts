import type { Capture } from '@able-gauge/core'

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
    case 'crossed':
      return 'crossed'
    case 'read':
      return `${capture.payload.slot.replaceAll('-', ' ')} read`
    case 'stopped':
      return `${STOPS[capture.payload.reason]}${capture.payload.note ? `: ${capture.payload.note}` : ''}`
    case 'voided':
      return `undoes a capture: ${capture.payload.reason}`
    case 'assigned':
      return 'bib put to a time'
    case 'decided':
      return `decided ${capture.payload.as}: ${capture.payload.reason}`
  }
}
