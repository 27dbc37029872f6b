import type { CaptureKind } from '../capture/capture.ts'
import { kindOf, type Protocol } from './kinds.ts'

/** Kinds that belong to every event: figures from a card, another form, ends, corrections, decisions. */
const EVERYWHERE: readonly CaptureKind[] = [
  'read',
  'sensed',
  'varied',
  'stopped',
  'voided',
  'assigned',
  'moved',
  'replaced',
  'decided',
]

/** The captures that belong to an event. */
export const captureKindsOf = (protocol: Protocol): readonly CaptureKind[] => [
  ...kindOf(protocol).captures,
  ...(protocol.clearBefore ? ['cleared' as const] : []),
  ...(kindOf(protocol).held ? ['tookOver' as const] : []),
  ...EVERYWHERE,
]
