/** Nobody times, counts or judges the wave they are in themselves, directly or by way of a correction. */
import type { Capture } from '../capture/capture.ts'
import { concernedBy } from '../capture/concernedBy.ts'
import type { DayRecordContent, DayRecordEntry } from '../day/record.ts'

/** The waves of a day, as somebody who works it is concerned by them. */
export interface EnteredWaves {
  /** The wave they are entered in themselves, or null. */
  readonly ownWave: number | null
  /** The wave of everybody who is entered, by entry. */
  readonly waveOf: ReadonlyMap<string, number>
}

/** What a correction corrects, as far as the rule needs to know it. */
export interface Target {
  readonly capture: Pick<Capture, 'entryId' | 'kind' | 'payload'>
  /** The wave its own author is entered in on this day, or null. */
  readonly authorWave: number | null
}

/**
 * The own wave that some captures would touch.
 * @param targetOf what a correction names, or undefined
 * @returns its number, or null when the captures are about others
 */
export const ownWaveTouched = (
  captures: readonly Capture[],
  { ownWave, waveOf }: EnteredWaves,
  targetOf: (captureId: string) => Target | undefined,
): number | null => {
  const wavesIn = ({ entryId, kind, payload }: Target['capture']): (number | undefined)[] => [
    ...concernedBy({ entryId, payload }).map((id) => waveOf.get(id)),
    ...(kind === 'waveStarted' && 'wave' in payload ? [payload.wave] : []),
  ]
  for (const capture of captures) {
    const target = 'captureId' in capture.payload ? targetOf(capture.payload.captureId) : undefined
    const touched = [...wavesIn(capture), ...(target ? wavesIn(target.capture) : [])]
    if (ownWave !== null && touched.includes(ownWave)) return ownWave
    // a stamp somebody made while their own wave ran does not become a time of that wave through another's hand
    const assignedTo = capture.kind === 'assigned' && capture.entryId !== null ? waveOf.get(capture.entryId) : undefined
    const authorWave = target?.authorWave ?? null
    if (authorWave !== null && authorWave === assignedTo) return authorWave
  }
  return null
}

/**
 * Whom an entry of the log judges. Holding somebody back is never judging them.
 * @param records of the day so far, for answers to earlier ones
 * @returns entries by id, or null for everybody
 */
export const entriesJudgedBy = (
  content: DayRecordContent,
  records: readonly DayRecordEntry[],
): readonly string[] | null | 'nobody' => {
  const entryOf = (recordId: string): string[] => {
    const named = records.find(({ id }) => id === recordId)?.content
    return named && 'entryId' in named ? [named.entryId] : []
  }
  switch (content.kind) {
    case 'eventConfirmed':
      return null
    case 'cardsKeyed':
      return content.figures.map(({ entryId }) => entryId)
    case 'protested':
      return [content.entryId]
    case 'protestAnswered':
      return entryOf(content.protestId)
    case 'holdLifted':
      return entryOf(content.holdId)
    case 'conditions':
    case 'heatDecided':
    case 'briefed':
    case 'holdRaised':
    case 'dayOpened':
    case 'clockStepped':
      return 'nobody'
  }
}
