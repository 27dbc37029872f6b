/** Words for how the marks combine. */
import { printPoints } from '../quantity/unit.ts'
import type { Outcome } from '../judge/outcome.ts'
import type { Words } from './words.ts'
import type { Step } from '../judge/trace.ts'

type Combined = Extract<Step, { code: 'combined' }>

export const combinedWords = (step: Combined): Words => {
  const { outcome, deciding, settled, eventsToGo } = step
  const names = deciding.join(', ')
  const toGo = `${eventsToGo} ${eventsToGo === 1 ? 'event' : 'events'} to go.`
  const words: Readonly<Record<Outcome, () => Words>> = {
    met: () => metWords(step),
    tookPart: () => tookPartWords(step),
    short: () => shortWords(step, names, settled && eventsToGo > 0 ? ` It can no longer be met, with ${toGo}` : ''),
    open: () => ({ title: 'Needs a decision', sentence: `To decide: ${names}.${eventsToGo > 0 ? ` ${toGo}` : ''}` }),
    notFinished: () => ({
      title: 'Not finished',
      sentence: settled ? `Did not finish: ${names}.` : `Nothing short so far, ${toGo}`,
    }),
    notStarted: () => ({ title: 'Not started', sentence: 'No event has begun.' }),
    withdrawn: () => ({ title: 'Withdrawn (medical)', sentence: `Withdrawn in: ${names}.` }),
    disqualified: () => ({ title: 'Disqualified', sentence: `Disqualified in: ${names}.` }),
    exempt: () => ({ title: 'Exempt', sentence: 'Exempt by the standard.' }),
  }
  const made = words[outcome]()
  // the standard's own word stands first; the class after it stays
  return step.word === undefined ? made : { ...made, title: made.title.replace(/^[^:]+/, step.word) }
}

const metWords = ({ combination, points, deciding, eventsToGo }: Combined): Words => {
  switch (combination) {
    case 'everyEventMet':
      return { title: 'Met', sentence: 'Every event is met.' }
    case 'pointsTotal':
      return points
        ? {
            title: points.className ? `Met: ${points.className}` : 'Met',
            sentence: `${printPoints(points.centipoints)} points of ${printPoints(points.full)}, at least ${printPoints(points.asked)} asked.${
              points.nextClass
                ? ` ${points.nextClass.name} begins at ${printPoints(points.nextClass.fromCentipoints)}.`
                : ''
            }`,
          }
        : { title: 'Met', sentence: 'Every event is met.' }
    case 'bestOf':
      return {
        title: 'Met',
        sentence: `Enough events are met: ${deciding.join(', ')}.${eventsToGo > 0 ? ' The rest can no longer change it.' : ''}`,
      }
    case 'tookPart':
      return tookPartWords({})
  }
}

const tookPartWords = ({ points }: Pick<Combined, 'points'>): Words => ({
  title: points?.className ? `Took part: ${points.className}` : 'Took part',
  sentence: points
    ? `${printPoints(points.centipoints)} points of ${printPoints(points.full)}. Nothing can be missed.`
    : 'Every event is done. Nothing is judged.',
})

const shortWords = ({ because, combination, points }: Combined, names: string, early: string): Words => {
  const total = points ? `${printPoints(points.centipoints)} points` : 'The total'
  const asked = points ? printPoints(points.asked) : ''
  switch (because) {
    case 'breach':
      return { title: 'Short', sentence: `A breach of safety overrides all figures: ${names}.` }
    case 'total':
      return { title: 'Short', sentence: `${total}, at least ${asked} asked.` }
    case 'cannotReachTotal':
      return { title: 'Short', sentence: `${total} so far; ${asked} can no longer be reached.${early}` }
    case 'cannotReachEnough':
      return { title: 'Short', sentence: `Too many events are lost: ${names}.${early}` }
    default:
      return {
        title: 'Short',
        sentence:
          combination === 'everyEventMet'
            ? `Every event has to be met. Short in: ${names}.${early}`
            : `Short in: ${names}.${early}`,
      }
  }
}
