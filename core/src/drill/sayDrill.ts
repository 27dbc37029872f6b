/** What was wrong with a repetition, and what a set says of a grader's eye. */
import { drillStyle } from './movement.ts'
import type { Drill, DrillFault } from './makeDrill.ts'
import { weakest, type DrillScore, type ItemResult, type ScoredItem } from './scoreDrill.ts'

/** "11 cm below the line" */
export const sayHowFar = ({ form, cm }: Pick<DrillFault, 'form' | 'cm'>): string => {
  switch (form) {
    case 'depth':
      return `not reached by ${cm} cm`
    case 'lockOut':
      return `${cm} cm from straight`
    case 'bodyLine':
      return `${cm} cm below the line`
    case 'hips':
      return `${cm} cm above the line`
    case 'hands':
      return `${cm} cm away`
    case 'feet':
      return `${cm} cm off the ground`
    case 'swing':
      return `${cm} cm of swing`
    case 'offBeat':
      return 'late for the beat'
  }
}

const RESULT_WORDS: Readonly<Record<ItemResult, string>> = {
  right: 'counted, rightly',
  refusedRightly: 'refused, rightly',
  otherReason: 'refused for another reason',
  letThrough: 'counted; it was to be refused',
  refusedWrongly: 'refused; it was sound',
  notSeen: 'nothing was pressed',
}
const FLAGGED_WORDS: Readonly<Partial<Record<ItemResult, string>>> = {
  right: 'let pass, rightly',
  refusedRightly: 'seen',
  letThrough: 'not seen',
  refusedWrongly: 'held against somebody who was sound',
}

export const sayResult = ({ spec }: Pick<Drill, 'spec'>, result: ItemResult): string =>
  (drillStyle(spec.movement) === 'counted' ? undefined : FLAGGED_WORDS[result]) ?? RESULT_WORDS[result]

/** "You counted it. It was to be refused: body line lost, 11 cm below the line." */
export const sayItem = (drill: Drill, { item: { fault }, result, answer }: ScoredItem): string => {
  const isCounted = drillStyle(drill.spec.movement) === 'counted'
  const label = drill.faults.find(({ reasonId }) => reasonId === answer)?.label.toLowerCase()
  const said =
    answer === null
      ? isCounted
        ? 'You pressed nothing.'
        : 'You let it pass.'
      : answer === 'counted'
        ? 'You counted it.'
        : label === undefined
          ? 'You held it against them.'
          : `You refused it: ${label}.`
  if (!fault) return `${said} ${result === 'right' ? 'It was sound.' : 'It was sound, and counts.'}`
  return `${said} It was ${isCounted ? 'to be refused' : 'wrong'}: ${fault.label.toLowerCase()}, ${sayHowFar(fault)}.`
}

/** One or two sentences for the grader; empty where there is nothing to say. */
export const sayEye = ({ items, reactionMs, ...score }: DrillScore): string[] => {
  const lines: string[] = []
  if (reactionMs !== null) lines.push(`You decide in ${(Math.max(0, reactionMs) / 1_000).toFixed(1)} s.`)
  const least = weakest(score)
  if (least) {
    const missed = least.shown - least.seen
    lines.push(`${least.label}: ${missed} of ${least.shown} escaped you; the next set shows more of it.`)
  } else if (items.length > 0) lines.push('Nothing that was wrong escaped you.')
  return lines
}
