/** An event as it is practised on: its own rules, but for what would end a set before its end, or has to be there on a field. */
import type { StandardEvent } from '../standard/standard.ts'
import { practiceOf } from './movement.ts'

export const practiceEvent = (event: StandardEvent): StandardEvent => {
  const { variants: _variants, alternates: _alternates, restAfterMs: _rest, ...kept } = event
  const eased = practiceOf(event.protocol)?.eased ?? event.protocol
  const { clearBefore: _clear, equipment: _equipment, setUp: _setUp, announcements: _said, ...protocol } = eased
  // a kind eases its own protocol, and what is taken away every protocol may leave out: it stays one of its kind
  return { ...kept, protocol: protocol as StandardEvent['protocol'] }
}
