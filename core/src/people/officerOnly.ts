/** What only an officer captures: decisions and disqualifications, and undoing what an officer did. */
import type { Capture } from '../capture/capture.ts'

/** What a correction corrects, as far as the rule needs to know it. */
export interface OfficersTarget {
  readonly capture: Pick<Capture, 'kind' | 'payload'>
  /** Whether an officer captured it. */
  readonly byOfficer: boolean
}

/** @param targetOf what a correction names, or undefined */
export const takesOfficer = (
  { kind, payload }: Pick<Capture, 'kind' | 'payload'>,
  targetOf: (captureId: string) => OfficersTarget | undefined,
): boolean => {
  const target = 'captureId' in payload ? targetOf(payload.captureId) : undefined
  return isRuling({ kind, payload }) || (target !== undefined && (target.byOfficer || isRuling(target.capture)))
}

const isRuling = ({ kind, payload }: Pick<Capture, 'kind' | 'payload'>): boolean =>
  kind === 'decided' || (kind === 'stopped' && 'reason' in payload && payload.reason === 'disqualified')
