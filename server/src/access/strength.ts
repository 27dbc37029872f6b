/** How easily a password is guessed: by what people really choose, not by rules about signs. */
import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import { adjacencyGraphs, dictionary as common } from '@zxcvbn-ts/language-common'
import { dictionary as english, translations } from '@zxcvbn-ts/language-en'
import { invalidInput } from '../problem.ts'

export const SHORTEST_PASSWORD = 10
/** 3 of 4: more than 10^8 guesses, which a stolen hash does not give away in years. */
const LEAST_SCORE = 3

let made: ZxcvbnFactory | undefined
/** Its words are put in order when the first password is looked at: a start would wait a quarter of a second for them. */
const zxcvbn = (): ZxcvbnFactory =>
  (made ??= new ZxcvbnFactory({ dictionary: { ...common, ...english }, graphs: adjacencyGraphs, translations }))

/**
 * @param about words an attacker would try first: the name, the organisation
 * @returns what is wrong with it, in words; empty when it will do
 */
export const weaknessOf = (password: string, about: readonly string[]): string => {
  if ([...password].length < SHORTEST_PASSWORD) return `${SHORTEST_PASSWORD} characters or more`
  const words = about.flatMap((text) => [text, ...text.split(/[^\p{L}\p{N}]+/u)]).filter((word) => word.length > 2)
  const { score, feedback } = zxcvbn().check(password, words)
  if (score >= LEAST_SCORE) return ''
  const why = feedback.warning ? `${feedback.warning} ` : ''
  return `${why}Something harder to guess, such as four unrelated words`
}

/** @throws Problem 422 that says what is wrong; never what was typed */
export const requireStrong = (password: string, about: readonly string[]): void => {
  const expected = weaknessOf(password, about)
  if (expected !== '')
    throw invalidInput([{ place: 'password', code: 'weak', found: 'a password that is easily guessed', expected }])
}
