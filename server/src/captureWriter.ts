/**
 * Writes captures that arrive while others are being written together in the next transaction. A day's ledger lets one
 * transaction through at a time, so a commit for each post would make them queue for the disk one by one.
 */
import { isPassing, TooBusy } from './databaseFault.ts'
import type { DayQueue } from './dayQueue.ts'
import { addNewPosts, addPosts, type Addition, type Post } from './store/captureStore.ts'

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
/** Posts that wait for one day beyond this are sent back to the devices, which keep them and come again. */
const MOST_WAITING = 1_000

export const makeCaptureWriter = (days: DayQueue): CaptureWriter => {
  const queues = new Map<string, Waiting[]>()

  const add = (occasionId: string, post: Post): Promise<Addition> =>
    new Promise((resolve, reject) => {
      const waiting = { post, resolve, reject }
      const queue = queues.get(occasionId)
      if (queue) {
        if (queue.length < MOST_WAITING) queue.push(waiting)
        else reject(new TooBusy(`${queue.length} posts wait for this day already.`))
        return
      }
      queues.set(occasionId, [waiting])
      // what lies ready at other sockets is read first, and written with it
      setImmediate(() => void drain(occasionId))
    })

  const drain = async (occasionId: string): Promise<void> => {
    const queue = queues.get(occasionId)
    while (queue && queue.length > 0) await write(occasionId, queue.splice(0, MOST_TOGETHER))
    queues.delete(occasionId)
  }

  /** What one post breaks must not fail the others, so after an error each is tried alone; a fault of the database fails all. */
  const write = async (occasionId: string, together: readonly Waiting[]): Promise<void> => {
    try {
      const posts = together.map(({ post }) => post)
      const additions =
        (await days.runOne(occasionId, (db) => addNewPosts(db, occasionId, posts))) ??
        (await days.run(occasionId, (db) => addPosts(db, occasionId, posts)))
      additions.forEach((addition, index) => together[index]?.resolve(addition))
    } catch (error) {
      const [only, another] = together
      if (only && !another) only.reject(error)
      else if (isPassing(error)) for (const one of together) one.reject(error)
      else for (const one of together) await write(occasionId, [one])
    }
  }

  return { add }
}
