/** Captures on their way: written to this device's disk before anything is painted, kept until the server has them. */
import type { Capture } from '@able-gauge/core'
import Dexie, { type Table } from 'dexie'

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

export const keep = async (waiting: WaitingCapture): Promise<void> => {
  await database.captures.put(waiting)
}

export const listWaiting = (
  occasionId: string,
  accountId: string,
  state: WaitingCapture['state'],
): Promise<WaitingCapture[]> =>
  database.captures.where('[occasionId+accountId+state]').equals([occasionId, accountId, state]).sortBy('id')

export const drop = async (ids: readonly string[]): Promise<void> => {
  await database.captures.bulkDelete([...ids])
}

export const markRefused = async (id: string, reason: string): Promise<void> => {
  await database.captures.update(id, { state: 'refused', reason })
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
