/** What this device keeps on its disk: captures on their way, and days as they were last known. */
import Dexie, { type Table } from 'dexie'
import type { Capture, RecordedCapture } from '@able-gauge/core'
import type { Day } from '../day/day.ts'

export interface WaitingCapture {
  readonly id: string
  readonly occasionId: string
  /** Whoever captured it; only their session sends it. */
  readonly accountId: string
  readonly capture: Capture
  /** Whoever captured it joined with a station code, so that any who joins here hands it in. */
  readonly byGuest?: boolean
  readonly state: 'waiting' | 'refused'
  /** Why the server refused it, in words. */
  readonly reason: string
  /** The page that captured it by a clock that was not agreed anew since it was opened; until then it is not sent. */
  readonly unsurePage?: string
}

export interface KeptDay {
  readonly occasionId: string
  /** Whose view of the day it is: others may see more of a person, or less. */
  readonly accountId: string
  readonly day: Day
  readonly keptMs: number
}

export interface KeptCapture {
  readonly id: string
  readonly occasionId: string
  readonly capture: RecordedCapture
}

class DeviceDatabase extends Dexie {
  declare readonly captures: Table<WaitingCapture, string>
  declare readonly days: Table<KeptDay, string>
  declare readonly recorded: Table<KeptCapture, string>
  declare readonly flushes: Table<{ readonly id: string; readonly atMs: number }, string>

  constructor(durability: 'relaxed' | 'strict') {
    super('able-gauge', { chromeTransactionDurability: durability })
    this.version(1).stores({ captures: 'id, [occasionId+accountId+state]' })
    this.version(2).stores({ days: 'occasionId', recorded: 'id, occasionId', flushes: 'id' })
  }
}

/** Writes are done when the system has them: a crash or a closed browser loses nothing. */
export const database = new DeviceDatabase('relaxed')

/** Waits for the disk itself, and with its own write for all that came before. */
const flushing = new DeviceDatabase('strict')
const FLUSH_AFTER_MS = 40
let timer: ReturnType<typeof setTimeout> | undefined

/**
 * Has what was written reach the disk, for a battery that runs out: at once after a pause, so that a touch is painted
 * within a frame and is on the disk a moment later.
 */
export const flushSoon = (): void => {
  timer ??= setTimeout(() => {
    timer = undefined
    flushing.flushes.put({ id: 'last', atMs: Date.now() }).catch((error: unknown) => {
      console.error('The disk of this device could not be flushed.', error)
    })
  }, FLUSH_AFTER_MS)
}
