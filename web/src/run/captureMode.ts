/** How an event can be captured: as it happens, several who start together, or figures typed from a card. */
import { kindOf, type Protocol } from '@able-gauge/core'

const MODES = ['live', 'lanes', 'typed'] as const
export type CaptureMode = (typeof MODES)[number]

export const modesFor = (protocol: Protocol): readonly CaptureMode[] => {
  const { inLanes, isRead } = kindOf(protocol)
  if (isRead?.(protocol)) return ['live']
  // where one alone can be tested at a station, there are no several
  return inLanes && protocol.notes?.peopleAtOnce !== 1 ? MODES : ['live', 'typed']
}

/** @param query of the page's address */
export const modeIn = (query: unknown): CaptureMode => MODES.find((mode) => mode === query) ?? 'live'

export const MODE_WORDS: Readonly<Record<CaptureMode, string>> = {
  live: 'As it happens',
  lanes: 'Several together',
  typed: 'From a card',
}
