/** Follows a day on the server, and comes back by itself after every break. */
import type { Claim, RecordedCapture, SigningProgress } from '@able-gauge/core'
import { RETRY_MS } from './captureSender.ts'

export interface LiveNews {
  /** The number of the last capture that is here already. */
  readonly lastSeq: () => number
  readonly captures: (recorded: readonly RecordedCapture[]) => void
  /** Entries or the signature changed, or may have changed during a break. */
  readonly day: () => void
  /** Somebody is signing the day, and how far that is. */
  readonly signing: (progress: SigningProgress) => void
  /** Who is where. */
  readonly claims: (claims: readonly Claim[]) => void
  readonly connected: (is: boolean) => void
}

/** @returns a function that ends it */
export const followDay = (occasionId: string, news: LiveNews): (() => void) => {
  let source: EventSource | null = null
  let retry: ReturnType<typeof setTimeout> | undefined
  let wasLost = false

  const connect = (): void => {
    const opened = new EventSource(`/api/occasions/${occasionId}/live?after=${news.lastSeq()}`)
    source = opened
    opened.addEventListener('open', () => {
      news.connected(true)
      if (wasLost) news.day()
      wasLost = false
    })
    opened.addEventListener('captures', ({ data }: MessageEvent<string>) => {
      // the server's own captures, checked when they were stored
      news.captures(JSON.parse(data) as RecordedCapture[])
    })
    opened.addEventListener('day', () => news.day())
    opened.addEventListener('claims', ({ data }: MessageEvent<string>) => {
      news.claims(JSON.parse(data) as Claim[]) // checked when they were stored
    })
    opened.addEventListener('signing', ({ data }: MessageEvent<string>) => {
      news.signing(JSON.parse(data) as SigningProgress) // two numbers, made by the server
    })
    opened.addEventListener('error', () => {
      wasLost = true
      news.connected(false)
      // the browser comes back after a break by itself, but not after a refusal
      if (opened.readyState === EventSource.CLOSED) retry = setTimeout(connect, RETRY_MS)
    })
  }
  connect()

  return () => {
    clearTimeout(retry)
    source?.close()
  }
}
