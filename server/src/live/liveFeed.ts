/** One connection per process that listens for what any server process has added, and wakes those who follow a day. */
import pg from 'pg'
import type { Logger } from 'pino'
import { LIVE_CHANNEL } from '../store/captureStore.ts'

export type Wake = (what: 'captures' | 'day') => void

export interface LiveFeed {
  /** @returns a function that ends it */
  readonly follow: (occasionId: string, wake: Wake) => () => void
  readonly close: () => Promise<void>
}

const FIRST_RETRY_MS = 250
const LONGEST_RETRY_MS = 5_000

export const openLiveFeed = (connectionString: string, log: Logger): LiveFeed => {
  const followers = new Map<string, Set<Wake>>()
  let client: pg.Client | null = null
  let retry: NodeJS.Timeout | null = null
  let closed = false
  let waitMs = FIRST_RETRY_MS

  const connect = async (): Promise<void> => {
    if (closed) return
    const next = new pg.Client({ connectionString })
    next.on('notification', ({ payload }) => {
      const [what, occasionId = ''] = (payload ?? '').split(':')
      for (const wake of followers.get(occasionId) ?? []) wake(what === 'day' ? 'day' : 'captures')
    })
    next.on('error', (error) => {
      log.warn({ err: error }, 'live feed lost its connection')
      again()
    })
    try {
      await next.connect()
      await next.query(`listen ${LIVE_CHANNEL}`)
      client = next
      waitMs = FIRST_RETRY_MS
      // what was missed while unconnected is found by asking again
      for (const wakes of followers.values()) for (const wake of wakes) wake('day')
    } catch (error) {
      log.warn({ reason: error instanceof Error ? error.message : String(error) }, 'live feed could not connect')
      again()
    }
  }

  const again = (): void => {
    client = null
    if (closed || retry) return
    retry = setTimeout(() => {
      retry = null
      void connect()
    }, waitMs)
    waitMs = Math.min(LONGEST_RETRY_MS, waitMs * 2)
  }

  void connect()

  return {
    follow: (occasionId, wake) => {
      const wakes = followers.get(occasionId) ?? new Set()
      followers.set(occasionId, wakes.add(wake))
      return () => {
        wakes.delete(wake)
        if (wakes.size === 0) followers.delete(occasionId)
      }
    },
    close: async () => {
      closed = true
      if (retry) clearTimeout(retry)
      await client?.end()
    },
  }
}
