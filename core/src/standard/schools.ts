import type { EventFacts } from '../kinds/facts.ts'
import { kindOf, type Protocol } from '../kinds/kinds.ts'
import type { ScoringKind } from './scoring.ts'

const BY_FIGURE: readonly ScoringKind[] = [
  'singleCut',
  'cutByBand',
  'pointsTable',
  'pointsByRule',
  'normClasses',
  'effort',
]

/**
 * The scoring schools that fit an event.
 * A task that is done or not has no figure to be scored; only lifted or gripped masses compare with a body mass.
 */
export const schoolsFor = (
  protocol: Protocol,
  { unit, sense }: Pick<EventFacts, 'unit' | 'sense'>,
): readonly ScoringKind[] => {
  const { endsWithWork } = kindOf(protocol)
  if (unit === 'done') return endsWithWork ? ['completion', 'effort'] : ['effort']
  if (endsWithWork) return [...BY_FIGURE, 'completion']
  return unit === 'g' && sense === 'atLeast' ? [...BY_FIGURE, 'relativeCut'] : BY_FIGURE
}
