import type { EventFacts } from '../protocol/eventKind.ts'
import type { Protocol } from '../protocol/protocol.ts'
import type { ScoringKind } from './scoring.ts'

const BY_FIGURE: readonly ScoringKind[] = [
  'singleCut',
  'cutByBand',
  'pointsTable',
  'pointsByRule',
  'normClasses',
  'effort',
]

/** Kinds whose end is that all work is done, so that completion can be asked for. */
const ENDS_WITH_WORK: ReadonlySet<Protocol['kind']> = new Set(['timedDistance', 'stationCourse', 'workChain'])

/**
 * The scoring schools that fit an event.
 * A task that is done or not has no figure to be scored; only lifted or gripped masses compare with a body mass.
 */
export const schoolsFor = (
  protocol: Protocol,
  { unit, sense }: Pick<EventFacts, 'unit' | 'sense'>,
): readonly ScoringKind[] => {
  if (unit === 'done') return protocol.kind === 'untimedTask' ? ['completion', 'effort'] : ['effort']
  if (ENDS_WITH_WORK.has(protocol.kind)) return [...BY_FIGURE, 'completion']
  return unit === 'g' && sense === 'atLeast' ? [...BY_FIGURE, 'relativeCut'] : BY_FIGURE
}
