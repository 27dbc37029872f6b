/**
 * Asks the database once for what several ask for at the same time. Who comes while nothing is asked is asked for together with
 * all that has arrived by then; whoever comes while a question is under way waits for the next one, which is asked for all of them.
 * So nobody is answered from before they asked, and a hundred devices that send together cost a few questions in place of a hundred.
 */
import type { Database } from '../database.ts'

type Ask<Answer> = (db: Database, keys: readonly string[]) => Promise<ReadonlyMap<string, Answer>>

interface Waiting<Answer> {
  readonly key: string
  readonly resolve: (answer: Answer | null) => void
  readonly reject: (error: unknown) => void
}

/** More in one question would keep the first waiting for the last. */
const MOST_TOGETHER = 100

/**
 * @param ask answers several keys, each once and in alphabetical order; a key it has no answer for is left out
 * @returns a function that answers one key, with null where there is no answer
 */
export const together = <Answer>(ask: Ask<Answer>): ((db: Database, key: string) => Promise<Answer | null>) => {
  /** What waits for each database that is being asked. */
  const queues = new WeakMap<Database, Waiting<Answer>[]>()

  const answer = async (db: Database, waiting: readonly Waiting<Answer>[]): Promise<void> => {
    try {
      const answers = await ask(db, [...new Set(waiting.map(({ key }) => key))].sort())
      for (const { key, resolve } of waiting) resolve(answers.get(key) ?? null)
    } catch (error) {
      for (const { reject } of waiting) reject(error)
    }
  }

  const drain = async (db: Database, queue: Waiting<Answer>[]): Promise<void> => {
    while (queue.length > 0) await answer(db, queue.splice(0, MOST_TOGETHER))
    queues.delete(db)
  }

  return (db, key) =>
    new Promise((resolve, reject) => {
      const queue = queues.get(db)
      if (queue) {
        queue.push({ key, resolve, reject })
        return
      }
      const own = [{ key, resolve, reject }]
      queues.set(db, own)
      // requests that lie ready at other sockets are read first, and asked for in the same question
      setImmediate(() => void drain(db, own))
    })
}
