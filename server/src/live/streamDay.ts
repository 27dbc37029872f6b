/** Sends one follower the captures of a day from a number on, for as long as the connection lasts. */
import type { Response } from 'express'
import { findCapturesAfter } from '../store/captureStore.ts'
import type { Server } from '../routes/route.ts'

const HEARTBEAT_MS = 15_000
const PAGE = 500

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

  /** One reader at a time; a wake while it reads makes it read once more. */
  const send = async (): Promise<void> => {
    wanted = true
    if (sending) return
    sending = true
    try {
      while (wanted && !ended) {
        wanted = false
        const captures = await findCapturesAfter(server.pool, occasionId, lastSeq, PAGE)
        const last = captures.at(-1)
        if (!last) continue
        lastSeq = last.seq
        wanted = true
        response.write(`id: ${lastSeq}\nevent: captures\ndata: ${JSON.stringify(captures)}\n\n`)
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
    void send()
  })
  const heartbeat = setInterval(() => response.write(': still here\n\n'), HEARTBEAT_MS)
  response.on('close', () => {
    ended = true
    clearInterval(heartbeat)
    unfollow()
  })
  void send()
}
