/** Captures on their way: written to this device's disk before anything is painted, kept until the server has them. */
import type { Capture } from '@able-gauge/core'
import Dexie, { type Table } from 'dexie'
import { ref } from 'vue'

export interface WaitingCapture {
  readonly id: string
  readonly occasionId: string
  /** Whoever captured it; only their session sends it. */
  readonly accountId: string
  readonly capture: Capture
  readonly state: 'waiting' | 'refused'
  /** Why the server refused it, in words. */
  readonly reason: string
}

class OutboxDatabase extends Dexie {
  declare readonly captures: Table<WaitingCapture, string>

  constructor() {
    super('able-gauge')
    this.version(1).stores({ captures: 'id, [occasionId+accountId+state]' })
  }
}

const database = new OutboxDatabase()

/** For a browser that refuses to keep anything on disk: better in memory than nowhere. */
const memory = new Map<string, WaitingCapture>()

/** Whether captures are only in memory, so that the page must not be closed while some wait. */
export const onlyInMemory = ref(false)

/** Keeps a capture; resolves once it is on disk. */
export const keep = async (waiting: WaitingCapture): Promise<void> => {
  try {
    await database.captures.put(waiting)
  } catch (error) {
    console.error('Captures cannot be kept on the disk of this device.', error)
    onlyInMemory.value = true
    memory.set(waiting.id, waiting)
  }
}

/** Captures of an account on a day, oldest first. */
export const listWaiting = async (
  occasionId: string,
  accountId: string,
  state: WaitingCapture['state'],
): Promise<WaitingCapture[]> => {
  const key = [occasionId, accountId, state]
  const onDisk = onlyInMemory.value
    ? []
    : await database.captures.where('[occasionId+accountId+state]').equals(key).toArray()
  const inMemory = [...memory.values()].filter(
    (one) => one.occasionId === occasionId && one.accountId === accountId && one.state === state,
  )
  return [...onDisk, ...inMemory].sort((a, b) => (a.id < b.id ? -1 : 1))
}

/** How many captures of other accounts wait on this device for their owner to sign in. */
export const countOfOthers = (occasionId: string, accountId: string): Promise<number> =>
  database.captures
    .filter((one) => one.occasionId === occasionId && one.accountId !== accountId && one.state === 'waiting')
    .count()

export const drop = async (ids: readonly string[]): Promise<void> => {
  for (const id of ids) memory.delete(id)
  if (!onlyInMemory.value) await database.captures.bulkDelete([...ids])
}

export const markRefused = async (id: string, reason: string): Promise<void> => {
  const kept = memory.get(id)
  if (kept) memory.set(id, { ...kept, state: 'refused', reason })
  else await database.captures.update(id, { state: 'refused', reason })
}

/** A name for this device that stays the same on it. */
export const deviceId = (): string => {
  const KEY = 'able-gauge-device'
  const known = localStorage.getItem(KEY)
  if (known) return known
  const made = `device-${crypto.getRandomValues(new Uint32Array(1))[0]?.toString(36) ?? '0'}`
  localStorage.setItem(KEY, made)
  return made
}
