/** Whether an event can be met or missed at all: effort, classes and points without a minimum make nobody short. */
import type { Combination } from './combination.ts'
import type { Scoring } from './scoring.ts'
import type { Standard, StandardEvent } from './standard.ts'

/** @param combination which may ask a minimum of every event */
export const canBeMissed = (
  { scoring, minimumCentipoints }: Pick<StandardEvent, 'scoring' | 'minimumCentipoints'>,
  combination: Combination,
): boolean => {
  switch (scoring.kind) {
    case 'singleCut':
    case 'cutByBand':
    case 'relativeCut':
    case 'completion':
      return true
    case 'pointsTable':
    case 'pointsByRule':
      return (minimumCentipoints ?? minimumEach(combination)) > leastOf(scoring)
    case 'normClasses':
    case 'effort':
      return false
  }
}

const minimumEach = (combination: Combination): number =>
  combination.kind === 'pointsTotal' ? (combination.minimumEachCentipoints ?? 0) : 0

/** What even the worst value gets. */
const leastOf = ({ floorCentipoints = 0 }: Extract<Scoring, { kind: 'pointsTable' | 'pointsByRule' }>): number =>
  floorCentipoints

/** For each event of the battery, in its order. */
export const eventsThatCanBeMissed = ({ events, combination }: Pick<Standard, 'events' | 'combination'>): boolean[] =>
  events.map((event) => canBeMissed(event, combination))
