/** What tells one probable mistake from another of the same runner. */
import type { LapFault } from '@able-gauge/core'

export const faultKey = (fault: LapFault): string =>
  `${fault.entryId} ${fault.kind} ${fault.kind === 'doubled' ? fault.captureId : fault.lap}`
