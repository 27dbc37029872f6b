/** How the house writes, as it is edited: empty words and units stand for what holds without a rule. */
import { PLAIN_STYLE, type HouseStyle, type OutcomeWords } from '@able-gauge/core'

export const OUTCOMES = [
  'met',
  'short',
  'tookPart',
  'notFinished',
  'exempt',
] as const satisfies readonly (keyof OutcomeWords)[]

export interface StyleDraft {
  decimalSign: HouseStyle['decimalSign']
  dateOrder: HouseStyle['dateOrder']
  bodyUnits: NonNullable<HouseStyle['bodyUnits']> | ''
  words: Record<(typeof OUTCOMES)[number], string>
}

export const styleDraftOf = (style: HouseStyle | undefined): StyleDraft => {
  const { words = {}, bodyUnits = '', ...signs } = style ?? (PLAIN_STYLE as HouseStyle)
  const { met = '', short = '', tookPart = '', notFinished = '', exempt = '' } = words
  return { ...signs, bodyUnits, words: { met, short, tookPart, notFinished, exempt } }
}

export const styleOf = ({ decimalSign, dateOrder, bodyUnits, words }: StyleDraft): HouseStyle => {
  const said = Object.fromEntries(
    OUTCOMES.flatMap((outcome) => (words[outcome].trim() === '' ? [] : [[outcome, words[outcome].trim()]])),
  )
  return {
    decimalSign,
    dateOrder,
    ...(bodyUnits === '' ? {} : { bodyUnits }),
    ...(Object.keys(said).length === 0 ? {} : { words: said }),
  }
}
