/** An event as it is practised on: its own rules, but for what would end a set before its end, or has to be there on a field. */
import type { StandardEvent } from '../standard/standard.ts'
import { drillStyle } from './movement.ts'
import type { Practised } from './practised.ts'

/** A finish is practised from the last straight on: everybody crosses once. */
const LAST_METRES = { distanceMm: 60_000, lapLengthMm: 60_000 }

/** Cautions are what is practised, so that none of them ends the set. */
const ANY_CAUTIONS = 20

export const practiceEvent = (event: StandardEvent, what: Practised): StandardEvent => {
  const { variants: _variants, alternates: _alternates, restAfterMs: _rest, ...kept } = event
  const {
    clearBefore: _clear,
    equipment: _equipment,
    setUp: _setUp,
    announcements: _said,
    ...protocol
  } = event.protocol
  // taking fields away that every protocol may leave out leaves a protocol of the same kind
  const plain = protocol as StandardEvent['protocol']
  if (plain.kind === 'timedDistance') return { ...kept, protocol: { ...plain, ...LAST_METRES } }
  if (what !== 'finishLine' && drillStyle(what) === 'flagged' && 'cautionsAllowed' in plain)
    return { ...kept, protocol: { ...plain, cautionsAllowed: ANY_CAUTIONS } as StandardEvent['protocol'] }
  return { ...kept, protocol: plain }
}
