/** Sends one follower the captures of a day from a number on, for as long as the connection lasts. */
import { maskCapture, maskClaims, may, type RecordedCapture } from '@able-gauge/core'
import type { Response } from 'express'
import type { Account } from '../access/role.ts'
import { findCapturesAfter } from '../store/captureStore.ts'
import { listClaims } from '../store/claimStore.ts'
import type { Server } from '../routes/route.ts'
import type { LiveFeed } from './liveFeed.ts'

const HEARTBEAT_MS = 15_000
const PAGE = 500
/** Several captures that come close together are sent in one piece; nobody sees that they waited. */
const GATHER_MS = 40

interface Page {
  readonly lastSeq: number
  /** As it is sent to one sort of follower. */
  readonly textFor: (account: Account) => string
}

/** Reads under way, so that followers who stand at the same number share one. */
const underWay = new WeakMap<LiveFeed, Map<string, Promise<Page | null>>>()

const readPage = (
  { pool, feed }: Pick<Server, 'pool' | 'feed'>,
  occasionId: string,
  afterSeq: number,
): Promise<Page | null> => {
  const reads = underWay.get(feed) ?? new Map<string, Promise<Page | null>>()
  underWay.set(feed, reads)
  // a read that began before the last notice may lack what it told of
  const key = `${occasionId} ${afterSeq} ${feed.heardOf(occasionId)}`
  const known = reads.get(key)
  if (known) return known
  const read = findCapturesAfter(pool, occasionId, afterSeq, PAGE)
    .then((captures): Page | null => {
      const last = captures.at(-1)
      return last ? { lastSeq: last.seq, textFor: printer(captures, last.seq) } : null
    })
    .finally(() => reads.delete(key))
  reads.set(key, read)
  return read
}

/** What a stream is opened with. */
export interface Following {
  readonly occasionId: string
  /** Whose view of the day it is. */
  readonly account: Account
  /** The last number the follower has. */
  readonly afterSeq: number
  /** Whether whoever follows still may: the session or code can end meanwhile. */
  readonly mayFollow: () => Promise<boolean>
  /** How long what was sent may stay unread, in ms. */
  readonly slowReaderMs: number
}

/** Many followers see the same: each sort of them gets its text made once. */
const printer = (captures: readonly RecordedCapture[], lastSeq: number): ((account: Account) => string) => {
  const made = new Map<string, string>()
  return (account) => {
    const sort = JSON.stringify([account.role, account.station ?? null])
    const known = made.get(sort)
    if (known !== undefined) return known
    const seen = captures.flatMap((capture) => maskCapture(capture, account) ?? [])
    // with nothing to see the number still moves on
    const text = `id: ${lastSeq}\nevent: captures\ndata: ${JSON.stringify(seen)}\n\n`
    made.set(sort, text)
    return text
  }
}

export const streamDay = (
  server: Pick<Server, 'pool' | 'feed' | 'clock' | 'log'>,
  { occasionId, account, afterSeq, mayFollow, slowReaderMs }: Following,
  response: Response,
): void => {
  const maySeeClaims = may(account, 'claims.write').ok
  let lastSeq = afterSeq
  let sending = false
  let wanted = false
  let dayChanged = false
  // whoever comes is told who is where already
  let claimsChanged = true
  let ended = false
  let gathering: NodeJS.Timeout | null = null

  /** Writes and waits until it is read, so that nothing piles up here for somebody who does not read. */
  const deliver = (text: string): Promise<void> =>
    new Promise((resolve) => {
      if (ended || response.write(text)) {
        resolve()
        return
      }
      const tooSlow = setTimeout(() => response.destroy(), slowReaderMs)
      const done = (): void => {
        clearTimeout(tooSlow)
        response.off('drain', done).off('close', done)
        resolve()
      }
      response.on('drain', done).on('close', done)
    })

  // what is ended closes only when its reader has taken the rest; until then a wake must not write any more
  const end = (): void => {
    ended = true
    response.end()
    const tooSlow = setTimeout(() => response.destroy(), slowReaderMs)
    response.on('close', () => clearTimeout(tooSlow))
  }

  /** One reader at a time; a wake while it reads makes it read once more. */
  const send = async (): Promise<void> => {
    wanted = true
    if (sending) return
    sending = true
    try {
      while (wanted && !ended) {
        wanted = false
        if (dayChanged) {
          dayChanged = false
          await deliver('event: day\ndata: {}\n\n')
        }
        if (claimsChanged && maySeeClaims) {
          claimsChanged = false
          const claims = maskClaims(await listClaims(server.pool, occasionId, server.clock.nowMs()), account)
          await deliver(`event: claims\ndata: ${JSON.stringify(claims)}\n\n`)
        }
        const page = await readPage(server, occasionId, lastSeq)
        if (!page) continue
        lastSeq = page.lastSeq
        wanted = true
        await deliver(page.textFor(account))
      }
    } catch (error) {
      // the follower comes back by itself with the last number it has
      server.log.warn({ err: error }, 'live stream ended')
      end()
    } finally {
      sending = false
    }
  }

  const endUnlessAllowed = async (): Promise<void> => {
    try {
      if (!ended && !(await mayFollow())) end()
    } catch (error) {
      // without a database nobody can tell; the next heartbeat asks again
      server.log.warn({ err: error }, 'live stream not checked')
    }
  }

  response.writeHead(200, {
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store',
    Connection: 'keep-alive',
    'X-Accel-Buffering': 'no',
  })
  response.write('retry: 1000\n\n')
  const unfollow = server.feed.follow(occasionId, (notice) => {
    if (notice.kind === 'signing') {
      const { done, of } = notice
      void deliver(`event: signing\ndata: ${JSON.stringify({ done, of })}\n\n`)
      return
    }
    if (notice.kind === 'day') dayChanged = true
    if (notice.kind === 'claims') claimsChanged = true
    // a few notices close together are read at once
    gathering ??= setTimeout(() => {
      gathering = null
      void send()
    }, GATHER_MS)
  })
  const unfollowAccess = server.feed.follow(account.id, () => void endUnlessAllowed())
  const heartbeat = setInterval(() => {
    void endUnlessAllowed()
    if (!sending) void deliver(': still here\n\n')
  }, HEARTBEAT_MS)
  response.on('close', () => {
    ended = true
    clearInterval(heartbeat)
    if (gathering) clearTimeout(gathering)
    unfollow()
    unfollowAccess()
  })
  void send()
}
