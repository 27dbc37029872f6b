/** Captures on their way: held by the page from the press on, on this device's disk a moment later, kept until the server has them. */
import { ref, shallowReactive } from 'vue'
import { database, flushSoon, putAll, writing as writingTo, type WaitingCapture } from './database.ts'

export type { WaitingCapture } from './database.ts'

/** What the page alone holds: until it is on the disk, or for good in a browser that keeps nothing. */
const memory = shallowReactive(new Map<string, WaitingCapture>())

/** Whether a capture is held by the page alone; its mark is hollow until it is on the disk. */
export const isHeldByPage = (captureId: string): boolean => memory.has(captureId)

// a page that is closed now would take them with it
if (typeof window !== 'undefined') {
  window.addEventListener('beforeunload', (event) => {
    if (memory.size > 0) event.preventDefault()
  })
  // and if it goes all the same, what it holds does not wait for the next picture
  window.addEventListener('pagehide', () => {
    if (unwritten.size > 0) void write()
  })
}

/** Whether captures are only in memory, so that the page must not be closed while some wait. */
export const onlyInMemory = ref(false)

/** Keeps a capture: held by the page at once; resolves once it is on disk, or cannot be. */
export const keep = (waiting: WaitingCapture): Promise<void> => {
  memory.set(waiting.id, waiting)
  unwritten.add(waiting.id)
  return (writing ??= afterPaint().then(write))
}

const unwritten = new Set<string>()
let writing: Promise<void> | null = null
/** A page that is not shown paints nothing. */
const PAINT_AT_LATEST_MS = 25

const afterPaint = (): Promise<void> =>
  new Promise((resolve) => {
    requestAnimationFrame(() => setTimeout(resolve))
    setTimeout(resolve, PAINT_AT_LATEST_MS)
  })

const write = async (): Promise<void> => {
  writing = null
  const batch = [...unwritten].flatMap((id) => memory.get(id) ?? [])
  unwritten.clear()
  try {
    await putAll('captures', batch)
    for (const { id } of batch) memory.delete(id)
    flushSoon()
  } catch (error) {
    console.error('Captures cannot be kept on the disk of this device.', error)
    onlyInMemory.value = true
  }
}

/** Captures of an account on a day, oldest first. */
export const listWaiting = async (
  occasionId: string,
  accountId: string,
  state: WaitingCapture['state'],
): Promise<WaitingCapture[]> => {
  const key: [string, string, string] = [occasionId, accountId, state]
  const onDisk = onlyInMemory.value
    ? []
    : await (await database()).getAllFromIndex('captures', '[occasionId+accountId+state]', key)
  const inMemory = [...memory.values()].filter(
    (one) => one.occasionId === occasionId && one.accountId === accountId && one.state === state,
  )
  // what the page still holds may just have reached the disk too
  const byId = new Map([...onDisk, ...inMemory].map((one) => [one.id, one]))
  return [...byId.values()].sort((a, b) => (a.id < b.id ? -1 : 1))
}

/** Days for which captures of an account wait on this device. */
export const daysWaiting = async (accountId: string): Promise<Map<string, number>> => {
  const counts = new Map<string, number>()
  for (const one of await onThisDevice()) {
    const { occasionId } = one
    if (one.accountId === accountId && one.state === 'waiting')
      counts.set(occasionId, (counts.get(occasionId) ?? 0) + 1)
  }
  return counts
}

/** Replaces captures that have not left this device yet. */
export const rewrite = async (changed: readonly WaitingCapture[]): Promise<void> => {
  for (const one of changed) if (memory.has(one.id)) memory.set(one.id, one)
  if (!onlyInMemory.value) await putAll('captures', changed)
}

/** What guests of a station left on this device: their code may have ended before they could send it. */
export const listOfGuests = async (occasionId: string, accountId: string): Promise<WaitingCapture[]> => {
  if (onlyInMemory.value) return []
  const found = (await onThisDevice()).filter(
    (one) =>
      one.occasionId === occasionId && one.accountId !== accountId && one.byGuest === true && one.state === 'waiting',
  )
  return found.sort((a, b) => (a.id < b.id ? -1 : 1))
}

/** How many captures of other accounts wait on this device for their owner to sign in. */
export const countOfOthers = async (occasionId: string, accountId: string): Promise<number> =>
  (await onThisDevice()).filter(
    (one) =>
      one.occasionId === occasionId && one.accountId !== accountId && one.byGuest !== true && one.state === 'waiting',
  ).length

/** Everything that waits here; a device holds few, since what was sent is dropped. */
const onThisDevice = async (): Promise<WaitingCapture[]> => (await database()).getAll('captures')

export const drop = async (ids: readonly string[]): Promise<void> => {
  for (const id of ids) memory.delete(id)
  if (onlyInMemory.value) return
  const transaction = await writingTo('captures')
  await Promise.all([...ids.map((id) => transaction.store.delete(id)), transaction.done])
}

export const markRefused = async (id: string, reason: string): Promise<void> => {
  const kept = memory.get(id)
  if (kept) {
    memory.set(id, { ...kept, state: 'refused', reason })
    return
  }
  const transaction = await writingTo('captures')
  const onDisk = await transaction.store.get(id)
  if (onDisk) await transaction.store.put({ ...onDisk, state: 'refused', reason })
  await transaction.done
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
