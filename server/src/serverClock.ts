/**
 * Agreed time as this server gives it: from the machine's monotonic clock, so that whatever is done to the wall clock changes
 * no time that is being measured. A step of the wall clock is noticed, written into the logs of the days under way, and
 * followed only once nothing has been captured for hours.
 */
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Logger } from 'pino'
import type { Pool } from './database.ts'
import type { DayQueue } from './dayQueue.ts'
import { holdDayOpen } from './store/captureStore.ts'
import { listDaysUnderWay, moveAnchor, takeAnchor, type ClockAnchor } from './store/clockStore.ts'
import { notifyDay } from './store/dayNotices.ts'
import { addClockStep, listRecords } from './store/recordStore.ts'

export interface ServerClock {
  /** Agreed time now, in whole ms since 1970. */
  readonly nowMs: () => number
  /** Looks at the wall clock; called by itself every second. */
  readonly look: () => Promise<void>
  readonly close: () => void
}

/** What tells time on this machine. */
export interface TimeSources {
  /** The wall clock, ms since 1970. */
  readonly wallMs: () => number
  /** A clock that only runs forward, the same in every process, ms since some moment. */
  readonly monotonicMs: () => number
  /** Names the span for which that moment is the same one. */
  readonly bootId: string
}

const LOOK_EVERY_MS = 1_000
/** Less than this is a clock that is being steered, not set. */
const STEP_MS = 500
const HOUR_MS = 3_600_000
/** A day is under way for this long after its last capture. */
const UNDER_WAY_MS = 12 * HOUR_MS
/** The wall clock is followed again when nothing was captured for this long. */
const QUIET_MS = 6 * HOUR_MS
/** Two processes that notice the same step do so within this. */
const SAME_STEP_MS = 5_000

const machineTime = (): TimeSources => ({
  wallMs: () => Date.now(),
  monotonicMs: () => Number(process.hrtime.bigint() / 1_000n) / 1_000,
  bootId: bootId(),
})

/** Where the system does not tell, the span is this process. */
const bootId = (): string => {
  try {
    return readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()
  } catch {
    // not Linux: another process may count from another moment
    return `process ${randomUUID()}`
  }
}

/** @returns the clock, once it stands where the other processes of this machine have it */
export const openServerClock = async (
  pool: Pool,
  days: DayQueue,
  log: Logger,
  { wallMs, monotonicMs, bootId }: TimeSources = machineTime(),
): Promise<ServerClock> => {
  const here = (): ClockAnchor => ({ agreedMs: wallMs(), monotonicMs: monotonicMs() })
  let anchor = await takeAnchor(pool, bootId, here())
  const nowMs = (): number => Math.round(anchor.agreedMs + monotonicMs() - anchor.monotonicMs)
  /** How far the wall clock lay from agreed time when it was last looked at. */
  let apartMs = wallMs() - nowMs()

  const note = async (byMs: number): Promise<void> => {
    log.warn({ byMs }, 'the wall clock of the server was set; agreed time goes on as before')
    const atMs = nowMs()
    for (const occasionId of await listDaysUnderWay(pool, atMs - UNDER_WAY_MS)) {
      await days.run(occasionId, async (db) => {
        if (!(await holdDayOpen(db, occasionId))) return
        const isNoted = (await listRecords(db, occasionId)).some(
          ({ content, atMs: notedMs }) => content.kind === 'clockStepped' && Math.abs(notedMs - atMs) < SAME_STEP_MS,
        )
        if (isNoted) return
        await addClockStep(db, occasionId, { id: randomUUID(), byMs: Math.round(byMs), atMs })
        await notifyDay(db, occasionId, 'day')
      })
    }
  }

  const look = async (): Promise<void> => {
    const nowApartMs = wallMs() - nowMs()
    const byMs = nowApartMs - apartMs
    if (Math.abs(byMs) >= STEP_MS) {
      await note(byMs)
    }
    apartMs = nowApartMs
    if (Math.abs(nowApartMs) < STEP_MS) return
    // another process may have followed the wall clock already
    anchor = await takeAnchor(pool, bootId, here())
    if (Math.abs(wallMs() - nowMs()) >= STEP_MS && (await listDaysUnderWay(pool, nowMs() - QUIET_MS)).length === 0) {
      anchor = here()
      await moveAnchor(pool, bootId, anchor)
    }
    apartMs = wallMs() - nowMs()
  }

  await look()
  let looking = false
  const timer = setInterval(() => {
    if (looking) return
    looking = true
    look()
      // without a database a step is noticed when it is back: what was last seen stays
      .catch((error: unknown) => log.warn({ err: error }, 'clock not compared'))
      .finally(() => (looking = false))
  }, LOOK_EVERY_MS)

  return { nowMs, look, close: () => clearInterval(timer) }
}
