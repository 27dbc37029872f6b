/** Captures on their way: written to this device's disk before anything is painted, kept until the server has them. */
import { ref } from 'vue'
import { database, flushSoon, type WaitingCapture } from './database.ts'

export type { WaitingCapture } from './database.ts'

/** For a browser that refuses to keep anything on disk: better in memory than nowhere. */
const memory = new Map<string, WaitingCapture>()

/** Whether captures are only in memory, so that the page must not be closed while some wait. */
export const onlyInMemory = ref(false)

/** Keeps a capture; resolves once it is on disk. */
export const keep = async (waiting: WaitingCapture): Promise<void> => {
  try {
    await database.captures.put(waiting)
    flushSoon()
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

/** Days for which captures of an account wait on this device. */
export const daysWaiting = async (accountId: string): Promise<Map<string, number>> => {
  const counts = new Map<string, number>()
  await database.captures
    .filter((one) => one.accountId === accountId && one.state === 'waiting')
    .each(({ occasionId }) => counts.set(occasionId, (counts.get(occasionId) ?? 0) + 1))
  return counts
}

/** Replaces captures that have not left this device yet. */
export const rewrite = async (changed: readonly WaitingCapture[]): Promise<void> => {
  for (const one of changed) if (memory.has(one.id)) memory.set(one.id, one)
  if (!onlyInMemory.value) await database.captures.bulkPut([...changed])
}

/** What guests of a station left on this device: their code may have ended before they could send it. */
export const listOfGuests = async (occasionId: string, accountId: string): Promise<WaitingCapture[]> => {
  if (onlyInMemory.value) return []
  const found = await database.captures
    .filter(
      (one) =>
        one.occasionId === occasionId && one.accountId !== accountId && one.byGuest === true && one.state === 'waiting',
    )
    .toArray()
  return found.sort((a, b) => (a.id < b.id ? -1 : 1))
}

/** How many captures of other accounts wait on this device for their owner to sign in. */
export const countOfOthers = (occasionId: string, accountId: string): Promise<number> =>
  database.captures
    .filter(
      (one) =>
        one.occasionId === occasionId && one.accountId !== accountId && one.byGuest !== true && one.state === 'waiting',
    )
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
