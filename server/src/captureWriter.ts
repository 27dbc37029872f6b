/**
 * Writes captures that arrive while others are being written together in the next transaction. A day's ledger lets one
 * transaction through at a time, so a commit for each post would make them queue for the disk one by one.
 */
import { inTransaction, type Pool } from './database.ts'
import { addPosts, type Addition, type Post } from './store/captureStore.ts'

export interface CaptureWriter {
  /** Resolves once the database has committed. */
  readonly add: (occasionId: string, post: Post) => Promise<Addition>
}

interface Waiting {
  readonly post: Post
  readonly resolve: (addition: Addition) => void
  readonly reject: (error: unknown) => void
}

const MOST_TOGETHER = 200

export const makeCaptureWriter = (pool: Pool): CaptureWriter => {
  const queues = new Map<string, Waiting[]>()

  const add = (occasionId: string, post: Post): Promise<Addition> =>
    new Promise((resolve, reject) => {
      const waiting = { post, resolve, reject }
      const queue = queues.get(occasionId)
      if (queue) {
        queue.push(waiting)
        return
      }
      queues.set(occasionId, [waiting])
      void drain(occasionId)
    })

  const drain = async (occasionId: string): Promise<void> => {
    const queue = queues.get(occasionId)
    while (queue && queue.length > 0) await write(occasionId, queue.splice(0, MOST_TOGETHER))
    queues.delete(occasionId)
  }

  /** What one post breaks must not fail the others, so after an error each is tried alone. */
  const write = async (occasionId: string, together: readonly Waiting[]): Promise<void> => {
    try {
      const additions = await inTransaction(pool, (db) =>
        addPosts(
          db,
          occasionId,
          together.map(({ post }) => post),
        ),
      )
      additions.forEach((addition, index) => together[index]?.resolve(addition))
    } catch (error) {
      const [only, another] = together
      if (only && !another) only.reject(error)
      else for (const one of together) await write(occasionId, [one])
    }
  }

  return { add }
}
