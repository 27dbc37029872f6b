/** How an event is conducted, in the words staff check beforehand. */
import { printSeconds } from '../quantity/time.ts'
import { kindOf, type Protocol } from '../kinds/kinds.ts'
import { cautionRule, listed } from '../kinds/printing.ts'
import type { Consequence, Equipment, Minutes } from '../kinds/protocolBase.ts'
import type { PublishedUnit } from '../quantity/imperial.ts'

/** One line: what is done. @param publishedIn the unit distances are published in, when not metric */
export const conductOf = (protocol: Protocol, publishedIn?: PublishedUnit): string =>
  kindOf(protocol).words.conduct(protocol, publishedIn)

/** The rules, each a sentence or two. */
export const rulesOf = (protocol: Protocol, publishedIn?: PublishedUnit): string[] => [
  ...kindOf(protocol).words.rules(protocol, publishedIn),
  ...('watchRule' in protocol && protocol.watchRule && protocol.watchRule.watches > 1
    ? [
        `${protocol.watchRule.watches} watches on each person: of two the ${protocol.watchRule.ofTwo}, of three the ${protocol.watchRule.ofThree}.`,
      ]
    : []),
  ...(protocol.startWords
    ? [
        `The start: ${protocol.startWords.words.map(({ speaker, say }) => `${speaker} "${say}"`).join(', ')}${protocol.startWords.everyMs === undefined ? '' : `, ${printSeconds(protocol.startWords.everyMs)} apart`}.`,
      ]
    : []),
  ...(!protocol.startWords && 'startCommands' in protocol && protocol.startCommands.length > 0
    ? [`The start: ${protocol.startCommands.map((say) => `"${say}"`).join(', ')}.`]
    : []),
  ...('cautionsAllowed' in protocol &&
  protocol.cautionsAllowed !== undefined &&
  !('restAllowed' in protocol) &&
  !('endsWhen' in protocol)
    ? [cautionRule(protocol.cautionsAllowed)]
    : []),
  ...(protocol.endings ?? []).map(({ label, then }) => `${label}: ${CONSEQUENCE_WORDS[then]}.`),
  ...equipmentRules(protocol.equipment),
  ...(protocol.warmUp ? [minutesRule('Warm-up', protocol.warmUp)] : []),
  ...(protocol.coolDown ? [minutesRule('Cool-down', protocol.coolDown)] : []),
  ...(protocol.clearBefore ?? []).map((check) => `Has to be clear before: ${check}`),
  ...((protocol.setUp ?? []).length > 0
    ? [`Recorded for each person: ${(protocol.setUp ?? []).map(({ label }) => label.toLowerCase()).join(', ')}.`]
    : []),
]

const CONSEQUENCE_WORDS: Readonly<Record<Consequence, string>> = {
  stands: 'ends it, and what was done so far stands',
  fails: 'ends it, and it is failed',
  breach: 'ends it as a breach of safety',
}

const equipmentRules = ({ required = [], allowed = [], forbidden = [] }: Equipment = {}): string[] => [
  ...(required.length > 0 ? [`Has to be worn or carried: ${listed(required)}.`] : []),
  ...(allowed.length > 0 ? [`May be worn or carried: ${listed(allowed)}.`] : []),
  ...(forbidden.length > 0 ? [`Not allowed: ${listed(forbidden)}.`] : []),
]

const minutesRule = (name: string, { minutes, how }: Minutes): string =>
  `${name}: ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}${how === undefined ? '' : `, ${how}`}.`
