/** Wakes those who follow a day, or what an account may, whenever any server process has changed something. */
import type { Logger } from 'pino'
import { listenForNotices, type Listener, type Notice } from '../store/dayNotices.ts'

type Wake = (notice: Notice) => void

export interface LiveFeed {
  /** Counts the notices heard about a day: what was read before the last one may lack something. */
  readonly heardOf: (occasionId: string) => number
  /** @returns a function that ends it */
  readonly follow: (subjectId: string, wake: Wake) => () => void
  readonly close: () => Promise<void>
}

const FIRST_RETRY_MS = 250
const LONGEST_RETRY_MS = 5_000

/** Opens the feed; when its connection breaks it connects again by itself, ever more slowly. */
export const openLiveFeed = (connectionString: string, log: Logger): LiveFeed => {
  const followers = new Map<string, Set<Wake>>()
  let listener: Listener | null = null
  let retry: NodeJS.Timeout | null = null
  let waitMs = FIRST_RETRY_MS
  let closed = false

  const counts = new Map<string, number>()
  const heard = (subjectId: string, notice: Notice): void => {
    counts.set(subjectId, (counts.get(subjectId) ?? 0) + 1)
    for (const wake of followers.get(subjectId) ?? []) wake(notice)
  }

  const connect = async (): Promise<void> => {
    if (closed) return
    try {
      listener = await listenForNotices(connectionString, heard, again)
      waitMs = FIRST_RETRY_MS
      // what was missed while unconnected is found by asking again
      for (const subjectId of followers.keys()) heard(subjectId, { kind: 'day' })
    } catch (error) {
      again(error)
    }
  }

  const again = (error: unknown): void => {
    listener = null
    if (closed || retry) return
    log.warn({ reason: error instanceof Error ? error.message : String(error) }, 'live feed has no connection')
    retry = setTimeout(() => {
      retry = null
      void connect()
    }, waitMs)
    waitMs = Math.min(LONGEST_RETRY_MS, waitMs * 2)
  }

  void connect()

  return {
    heardOf: (occasionId) => counts.get(occasionId) ?? 0,
    follow: (subjectId, wake) => {
      const wakes = followers.get(subjectId) ?? new Set()
      followers.set(subjectId, wakes.add(wake))
      return () => {
        wakes.delete(wake)
        if (wakes.size === 0) followers.delete(subjectId)
      }
    },
    close: async () => {
      closed = true
      if (retry) clearTimeout(retry)
      await listener?.close()
    },
  }
}
