/**
 * How long a session lasts on this device. It is counted on the monotonic clock, so that setting the wall clock neither ends
 * it nor prolongs it; capturing counts as use; and an attempt under way is never cut off by it.
 */

/** As the server has it: a session lasts this long after it was last used. */
export const LASTS_MS = 16 * 3_600_000
/** An attempt is under way for this long after its last capture. */
export const UNDER_WAY_MS = 15 * 60_000
const LOOK_EVERY_MS = 30_000
const KEPT = 'able-gauge-session-ends'

export interface SessionSpan {
  /** @param endsInMs as the server told; null for a session that was opened just now */
  readonly begin: (endsInMs: number | null) => void
  /** After a reload without a network. @returns whether the session still lasts */
  readonly resume: () => boolean
  readonly captured: () => void
  /** It is over; ends as soon as nothing is under way. */
  readonly endSoon: () => void
  readonly clear: () => void
}

/** @param ended called once when the session is over and nothing is under way */
export const makeSessionSpan = (ended: () => void): SessionSpan => {
  /** On the timeline of performance.now(); null while nobody is signed in. */
  let endsMs: number | null = null
  /** The end that a reload finds: captures put it off, and it is written down at the next look, never at a press. */
  let keptMs = -Infinity
  let capturedMs = -Infinity
  let timer: ReturnType<typeof setInterval> | undefined

  const until = (ms: number): void => {
    endsMs = ms
    keep(ms)
    timer ??= setInterval(look, LOOK_EVERY_MS)
  }
  const keep = (ms: number): void => {
    keptMs = ms
    // for a reload there is nothing but the wall clock
    localStorage.setItem(KEPT, String(Date.now() + ms - performance.now()))
  }

  const look = (): void => {
    const nowMs = performance.now()
    if (endsMs === null) return
    if (nowMs >= endsMs && nowMs - capturedMs >= UNDER_WAY_MS) {
      clear()
      ended()
    } else if (endsMs !== keptMs) keep(endsMs)
  }

  const clear = (): void => {
    endsMs = null
    clearInterval(timer)
    timer = undefined
    localStorage.removeItem(KEPT)
  }

  return {
    begin: (endsInMs) => until(performance.now() + (endsInMs ?? LASTS_MS)),
    resume: () => {
      const leftMs = Number(localStorage.getItem(KEPT) ?? 0) - Date.now()
      if (!(leftMs > 0) || leftMs > LASTS_MS) return false
      until(performance.now() + leftMs)
      return true
    },
    captured: () => {
      capturedMs = performance.now()
      if (endsMs !== null && capturedMs < endsMs) endsMs = Math.max(endsMs, capturedMs + LASTS_MS)
    },
    endSoon: () => {
      if (endsMs !== null) {
        until(performance.now())
        look()
      } else ended()
    },
    clear,
  }
}
