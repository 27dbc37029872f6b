/** How an event is conducted, in the words staff check beforehand. */
import { kindOf, type Protocol } from '../kinds/kinds.ts'
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
  ...(protocol.clearBefore ?? []).map((check) => `Has to be clear before: ${check}`),
  ...((protocol.setUp ?? []).length > 0
    ? [`Recorded for each person: ${(protocol.setUp ?? []).map(({ label }) => label.toLowerCase()).join(', ')}.`]
    : []),
]
