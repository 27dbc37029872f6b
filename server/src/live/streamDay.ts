/** Sends one follower the captures of a day from a number on, for as long as the connection lasts. */
import type { Response } from 'express'
import { findCapturesAfter } from '../store/captureStore.ts'
import type { Server } from '../routes/route.ts'
import type { LiveFeed } from './liveFeed.ts'

const HEARTBEAT_MS = 15_000
const PAGE = 500
const GATHER_MS = 20

interface Page {
  readonly lastSeq: number
  /** As it is sent. */
  readonly text: string
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
      return last
        ? { lastSeq: last.seq, text: `id: ${last.seq}\nevent: captures\ndata: ${JSON.stringify(captures)}\n\n` }
        : null
    })
    .finally(() => reads.delete(key))
  reads.set(key, read)
  return read
}

export const streamDay = (
  server: Pick<Server, 'pool' | 'feed' | 'log'>,
  occasionId: string,
  fromSeq: number,
  response: Response,
): void => {
  let lastSeq = fromSeq
  let sending = false
  let wanted = false
  let ended = false
  let gathering: NodeJS.Timeout | null = null

  /** One reader at a time; a wake while it reads makes it read once more. */
  const send = async (): Promise<void> => {
    wanted = true
    if (sending) return
    sending = true
    try {
      while (wanted && !ended) {
        wanted = false
        const page = await readPage(server, occasionId, lastSeq)
        if (!page) continue
        lastSeq = page.lastSeq
        wanted = true
        response.write(page.text)
      }
    } catch (error) {
      // the follower comes back by itself with the last number it has
      server.log.warn({ err: error }, 'live stream ended')
      response.end()
    } finally {
      sending = false
    }
  }

  response.writeHead(200, {
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store',
    Connection: 'keep-alive',
    'X-Accel-Buffering': 'no',
  })
  response.write('retry: 1000\n\n')
  const unfollow = server.feed.follow(occasionId, (what) => {
    if (what === 'day') response.write('event: day\ndata: {}\n\n')
    // a few notices close together are read at once
    gathering ??= setTimeout(() => {
      gathering = null
      void send()
    }, GATHER_MS)
  })
  const heartbeat = setInterval(() => response.write(': still here\n\n'), HEARTBEAT_MS)
  response.on('close', () => {
    ended = true
    clearInterval(heartbeat)
    if (gathering) clearTimeout(gathering)
    unfollow()
  })
  void send()
}
