/** What this device keeps on its disk: captures on their way, and days as they were last known. */
import { openDB, type DBSchema, type IDBPDatabase, type StoreNames } from 'idb'
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

interface KeptDay {
  readonly occasionId: string
  /** Whose view of the day it is: others may see more of a person, or less. */
  readonly accountId: string
  readonly day: Day
  readonly keptMs: number
}

interface KeptCapture {
  readonly id: string
  readonly occasionId: string
  readonly capture: RecordedCapture
}

interface DeviceSchema extends DBSchema {
  captures: {
    key: string
    value: WaitingCapture
    indexes: { '[occasionId+accountId+state]': [string, string, string] }
  }
  days: { key: string; value: KeptDay }
  recorded: { key: string; value: KeptCapture; indexes: { occasionId: string } }
  flushes: { key: string; value: { readonly id: string; readonly atMs: number } }
}
type Store = StoreNames<DeviceSchema>

/** Databases of older pages on a device count in tens. */
const VERSIONS = { waiting: 10, days: 20 }

let opening: Promise<IDBPDatabase<DeviceSchema>> | null = null

/** The database of this device, opened when it is first asked for. @throws where the browser keeps nothing */
export const database = (): Promise<IDBPDatabase<DeviceSchema>> => {
  opening ??= openDB<DeviceSchema>('able-gauge', VERSIONS.days, {
    upgrade: (db, from) => {
      if (from < VERSIONS.waiting) {
        const captures = db.createObjectStore('captures', { keyPath: 'id' })
        captures.createIndex('[occasionId+accountId+state]', ['occasionId', 'accountId', 'state'])
      }
      if (from < VERSIONS.days) {
        db.createObjectStore('days', { keyPath: 'occasionId' })
        db.createObjectStore('recorded', { keyPath: 'id' }).createIndex('occasionId', 'occasionId')
        db.createObjectStore('flushes', { keyPath: 'id' })
      }
    },
    // another page brings a newer form of it: this one lets go, and opens it anew when it next asks
    blocking: (_from, _to, event) => {
      opening = null
      // an event of a database has that database for its target
      ;(event.target as IDBDatabase).close()
    },
    terminated: () => (opening = null),
  })
  opening.catch(() => (opening = null))
  return opening
}

/** Writes are done when the system has them: a crash or a closed browser loses nothing. */
export const writing = async <Name extends Store>(name: Name) =>
  (await database()).transaction(name, 'readwrite', { durability: 'relaxed' })

/** Puts all of them, in one transaction. */
export const putAll = async <Name extends Store>(
  name: Name,
  values: readonly DeviceSchema[Name]['value'][],
): Promise<void> => {
  const transaction = await writing(name)
  await Promise.all([...values.map((value) => transaction.store.put(value)), transaction.done])
}

const FLUSH_AFTER_MS = 40
let timer: ReturnType<typeof setTimeout> | undefined

/**
 * Has what was written reach the disk, for a battery that runs out: at once after a pause, so that a touch is painted
 * within a frame and is on the disk a moment later. It waits for the disk itself, and with its own write for all that came before.
 */
export const flushSoon = (): void => {
  timer ??= setTimeout(() => {
    timer = undefined
    flush().catch((error: unknown) => {
      console.error('The disk of this device could not be flushed.', error)
    })
  }, FLUSH_AFTER_MS)
}

const flush = async (): Promise<void> => {
  const transaction = (await database()).transaction('flushes', 'readwrite', { durability: 'strict' })
  await Promise.all([transaction.store.put({ id: 'last', atMs: Date.now() }), transaction.done])
}
