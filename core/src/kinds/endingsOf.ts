/** The reasons of an event that end it, one touch each. */
import type { StopReason } from '../capture/capture.ts'
import { kindOf, type Protocol } from './kinds.ts'
import type { Consequence, Ending } from './protocolBase.ts'

/** What a stop for such a reason is recorded as. */
export const STOPPED_AS: Readonly<Record<Consequence, StopReason>> = {
  stands: 'ended',
  fails: 'failed',
  breach: 'breach',
}

/** Those the protocol lists for itself, then those of its kind. */
export const endingsOf = (protocol: Protocol): readonly Ending[] => [
  ...(protocol.endings ?? []),
  ...(kindOf(protocol).endings?.(protocol) ?? []),
]
