/** How an event is started: who says which word, and how far apart. */
import type { Protocol } from './kinds.ts'
import type { StartWord } from './protocolBase.ts'

/** Start commands of the grader alone come by themselves, this far apart. */
const COMMANDS_EVERY_MS = 1_500

export interface StartSequence {
  /** In the order they are said; the clock starts with the last. Empty where nothing is said. */
  readonly words: readonly StartWord[]
  /** Null: each by a key. */
  readonly everyMs: number | null
}

export const startWordsOf = (protocol: Protocol): StartSequence => {
  const { startWords } = protocol
  if (startWords) return { words: startWords.words, everyMs: startWords.everyMs ?? null }
  const commands = 'startCommands' in protocol ? protocol.startCommands : []
  return { words: commands.map((say) => ({ speaker: 'grader', say })), everyMs: COMMANDS_EVERY_MS }
}
