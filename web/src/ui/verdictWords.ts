/** The word and the look of a verdict or a mark. */
import { printPoints, type Mark, type Step, type Verdict } from '@able-gauge/core'
import { houseWords } from './houseStyle.ts'

type ChipLook = 'met' | 'short' | 'decide' | 'out' | 'going'

export interface Chip {
  readonly word: string
  readonly look: ChipLook
}

export const chipOf = (verdict: Pick<Verdict, 'outcome' | 'settled' | 'word'>): Chip => {
  const chip = plainChip(verdict)
  const word = verdict.word ?? (houseWords as Readonly<Record<string, string | undefined>>)[verdict.outcome]
  // what is not finished yet is not what a standard or a house has a word for
  return word === undefined || chip.look === 'going' ? chip : { ...chip, word }
}

const plainChip = ({ outcome, settled }: Pick<Verdict, 'outcome' | 'settled'>): Chip => {
  switch (outcome) {
    case 'met':
      return { word: 'Met', look: 'met' }
    case 'tookPart':
      return { word: 'Took part', look: 'out' }
    case 'short':
      return { word: 'Short', look: 'short' }
    case 'open':
      return { word: 'Decide', look: 'decide' }
    case 'notFinished':
      return settled ? { word: 'Did not finish', look: 'short' } : { word: 'Not finished', look: 'going' }
    case 'notStarted':
      return { word: 'Not started', look: 'going' }
    case 'withdrawn':
      return { word: 'Withdrawn', look: 'out' }
    case 'disqualified':
      return { word: 'Disqualified', look: 'short' }
    case 'exempt':
      return { word: 'Exempt', look: 'out' }
  }
}

const ENDED_WORDS = {
  didNotFinish: 'did not finish',
  failed: 'failed',
  breach: 'breach of safety',
  withdrawn: 'withdrawn',
  disqualified: 'disqualified',
} as const

/** What stands where a mark has no figure. */
export const wordFor = (mark: Mark): string => {
  switch (mark.kind) {
    case 'waiting':
      return 'waiting'
    case 'running':
      return 'under way'
    case 'ended':
      return ENDED_WORDS[mark.reason]
    case 'open':
      return mark.reason === 'stoppedForSafety' ? 'stopped for safety' : 'to decide'
    case 'decided':
      return `decided: ${mark.as}`
    case 'met':
    case 'short':
      return mark.word ?? houseWords[mark.kind] ?? mark.kind
    case 'scored':
      return mark.className ?? (mark.points ? `${printPoints(mark.points.centipoints)} points` : 'took part')
    case 'exempt':
      return 'exempt'
  }
}

/** How the marker on a gauge looks for a mark. */
export const markerOf = (mark: Mark): 'good' | 'short' | 'decide' => {
  if (mark.kind === 'open') return 'decide'
  return mark.kind === 'short' || (mark.kind === 'decided' && mark.as === 'short') ? 'short' : 'good'
}

/** The judged value of a mark, if it has one. */
export const figureOf = (mark: Mark): number | null => ('rounded' in mark ? mark.rounded : null)

/** How the diamond of a trace step looks: most only lead on, a few decide. */
export const stepLook = (step: Step): 'met' | 'short' | 'decide' | 'leads' => {
  switch (step.code) {
    case 'met':
    case 'short':
      return step.code
    case 'decided':
      return step.as
    case 'open':
      return 'decide'
    case 'ended':
      return 'short'
    case 'combined': {
      const { look } = chipOf(step)
      return look === 'out' || look === 'going' ? 'leads' : look
    }
    default:
      return 'leads'
  }
}
