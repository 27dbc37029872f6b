/** The day that is open: what the server has, what this device has captured, and what follows from both. */
import {
  captureId,
  combineDay,
  markEvent,
  settle,
  type Capture,
  type Mark,
  type Observation,
  type RecordedCapture,
  type Verdict,
} from '@able-gauge/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, triggerRef, type ComputedRef, type ShallowRef } from 'vue'
import { call, inWords, NoAnswer, Refusal } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import { useAgreedClock, type AgreedMoment } from '../sync/agreedClock.ts'
import { countOfOthers, deviceId, drop, keep, listWaiting, markRefused, type WaitingCapture } from '../sync/outbox.ts'
import type { Day, Entry } from './day.ts'

const BATCH = 200
const RETRY_MS = 1_500

export const useDay = defineStore('day', () => {
  const session = useSession()
  const clock = useAgreedClock()

  const day = shallowRef<Day | null>(null)
  const problem = ref('')
  const live = ref(false)
  /** The session has ended; captures wait until the same person signs in again. */
  const signedOut = ref(false)
  const waitingCount = ref(0)
  const refused = ref<readonly WaitingCapture[]>([])
  /** Captured on this device by somebody else, whose session has to send them. */
  const waitingOfOthers = ref(0)

  let lastSeq = 0
  let source: EventSource | null = null
  let sending = false
  let retry: ReturnType<typeof setTimeout> | undefined
  const captures = new Map<string, Map<string, Capture>>()
  const perEvent = new Map<string, ShallowRef<readonly Capture[]>>()
  const marksPerEvent = new Map<string, ComputedRef<ReadonlyMap<string, Mark>>>()

  /** The settled captures of an event; follows every change. */
  const settledIn = (eventId: string): ShallowRef<readonly Capture[]> => {
    const known = perEvent.get(eventId)
    if (known) return known
    const made = shallowRef<readonly Capture[]>(settle([...(captures.get(eventId)?.values() ?? [])]))
    perEvent.set(eventId, made)
    return made
  }

  /** Everything captured about an event, corrections included. */
  const allIn = (eventId: string): Capture[] => [...(captures.get(eventId)?.values() ?? [])]

  const merge = (added: readonly Capture[]): void => {
    const touched = new Set<string>()
    for (const capture of added) {
      const ofEvent = captures.get(capture.eventId) ?? new Map<string, Capture>()
      captures.set(capture.eventId, ofEvent.set(capture.id, capture))
      touched.add(capture.eventId)
    }
    refresh(touched)
  }

  const forget = (capture: Capture): void => {
    captures.get(capture.eventId)?.delete(capture.id)
    refresh(new Set([capture.eventId]))
  }

  const refresh = (eventIds: ReadonlySet<string>): void => {
    for (const eventId of eventIds) {
      const shown = settledIn(eventId)
      shown.value = settle(allIn(eventId))
      triggerRef(shown)
    }
  }

  const entriesById = computed(() => new Map((day.value?.entries ?? []).map((entry) => [entry.id, entry])))

  /** Verdicts by entry, judged here from the captures this device knows. */
  const verdicts = computed<ReadonlyMap<string, Verdict>>(() => {
    if (!day.value) return new Map()
    const { standard, occasion } = day.value
    const marks = standard.events.map(({ id }) => marksIn(id).value)
    return combineDay({ standard, testDate: occasion.testDate }, candidates.value, marks)
  })

  const candidates = computed(() =>
    (day.value?.entries ?? []).map(({ id, wave, category, ageYears, ageCountedOn }) => ({
      entryId: id,
      wave,
      category,
      ageYears,
      ageCountedOn,
    })),
  )

  /** Everybody's mark in an event; judged again only when that event changes. */
  const marksIn = (eventId: string): ComputedRef<ReadonlyMap<string, Mark>> => {
    const known = marksPerEvent.get(eventId)
    if (known) return known
    const made = computed<ReadonlyMap<string, Mark>>(() => {
      const event = day.value?.standard.events.find(({ id }) => id === eventId)
      if (!day.value || !event) return new Map()
      const { standard, occasion } = day.value
      return markEvent({ standard, testDate: occasion.testDate }, event, candidates.value, settledIn(eventId).value)
    })
    marksPerEvent.set(eventId, made)
    return made
  }

  const open = async (occasionId: string): Promise<void> => {
    if (day.value?.occasion.id === occasionId) return
    close()
    problem.value = ''
    signedOut.value = false
    try {
      day.value = await call<Day>('GET', `/occasions/${occasionId}`)
      await readCaptures(occasionId)
    } catch (error) {
      problem.value = inWords(error)
      return
    }
    await takeUpOutbox(occasionId)
    follow(occasionId)
    void clock.keepAsking()
  }

  const close = (): void => {
    source?.close()
    source = null
    day.value = null
    lastSeq = 0
    captures.clear()
    perEvent.clear()
    marksPerEvent.clear()
    waitingCount.value = 0
    refused.value = []
  }

  const readCaptures = async (occasionId: string): Promise<void> => {
    for (let more = true; more;) {
      const page = await call<{ captures: RecordedCapture[]; more: boolean }>(
        'GET',
        `/occasions/${occasionId}/captures?after=${lastSeq}`,
      )
      receive(page.captures)
      more = page.more
    }
  }

  const receive = (recorded: readonly RecordedCapture[]): void => {
    const last = recorded.at(-1)
    if (last) lastSeq = Math.max(lastSeq, last.seq)
    merge(recorded)
  }

  /** What a reload or a crash left on this device is shown again and sent. */
  const takeUpOutbox = async (occasionId: string): Promise<void> => {
    const accountId = session.account?.id ?? ''
    const waiting = await listWaiting(occasionId, accountId, 'waiting')
    merge(waiting.map(({ capture }) => capture))
    waitingCount.value = waiting.length
    refused.value = await listWaiting(occasionId, accountId, 'refused')
    waitingOfOthers.value = await countOfOthers(occasionId, accountId)
    if (waiting.length > 0) void send()
  }

  const follow = (occasionId: string): void => {
    source?.close()
    const opened = new EventSource(`/api/occasions/${occasionId}/live?after=${lastSeq}`)
    source = opened
    let lost = false
    opened.addEventListener('open', () => {
      live.value = true
      // what changed while this screen was away
      if (lost) void reread(occasionId)
      lost = false
      if (waitingCount.value > 0) void send()
    })
    opened.addEventListener('captures', ({ data }: MessageEvent<string>) => {
      receive(JSON.parse(data) as RecordedCapture[])
    })
    opened.addEventListener('day', () => void reread(occasionId))
    opened.addEventListener('error', () => {
      live.value = false
      lost = true
      // a refused stream is not retried by the browser
      if (opened.readyState === EventSource.CLOSED && source === opened)
        setTimeout(() => source === opened && follow(occasionId), RETRY_MS)
    })
  }

  const reread = async (occasionId: string): Promise<void> => {
    try {
      const fresh = await call<Day>('GET', `/occasions/${occasionId}`)
      if (day.value?.occasion.id === occasionId) day.value = fresh
    } catch (error) {
      if (!(error instanceof NoAnswer)) problem.value = inWords(error)
    }
  }

  /**
   * Captures something: on disk first, then on screen, then on its way.
   * @param moment when it was seen; now, unless it was taken at the key press
   * @returns the capture
   * @throws Error while the clock is not agreed; consoles do not offer capturing before
   */
  const capture = async (
    eventId: string,
    entryId: string | null,
    observation: Observation,
    moment: AgreedMoment | null = clock.moment(),
  ): Promise<Capture> => {
    const occasionId = day.value?.occasion.id
    const accountId = session.account?.id
    if (!moment || !occasionId || !accountId)
      throw new Error('Capturing needs an open day, a signed-in person and an agreed clock.')
    const id = captureId(moment.atMs, crypto.getRandomValues(new Uint8Array(16)))
    const made: Capture = { id, eventId, entryId, deviceId: deviceId(), ...moment, ...observation }
    await keep({ id, occasionId, accountId, capture: made, state: 'waiting', reason: '' })
    merge([made])
    waitingCount.value += 1
    void send()
    return made
  }

  const send = async (): Promise<void> => {
    const occasionId = day.value?.occasion.id
    const accountId = session.account?.id
    if (sending || !occasionId || !accountId) return
    sending = true
    clearTimeout(retry)
    try {
      for (;;) {
        const waiting = await listWaiting(occasionId, accountId, 'waiting')
        waitingCount.value = waiting.length
        if (waiting.length === 0) return
        await sendBatch(occasionId, waiting.slice(0, BATCH))
      }
    } catch (error) {
      if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
      signedOut.value = error instanceof Refusal && error.status === 401
      if (!signedOut.value) retry = setTimeout(() => void send(), RETRY_MS)
    } finally {
      sending = false
    }
  }

  /** Sends several together; when one of them is refused they go one by one, so that it holds up no other. */
  const sendBatch = async (occasionId: string, batch: readonly WaitingCapture[]): Promise<void> => {
    try {
      await post(occasionId, batch)
    } catch (error) {
      if (!isForGood(error)) throw error
      const [only] = batch
      if (batch.length === 1 && only) await setAside(only, inWords(error))
      else for (const one of batch) await sendBatch(occasionId, [one])
    }
  }

  const post = async (occasionId: string, batch: readonly WaitingCapture[]): Promise<void> => {
    const documents = batch.map(({ capture: { entryId, ...rest } }) => (entryId === null ? rest : { ...rest, entryId }))
    await call('POST', `/occasions/${occasionId}/captures`, { captures: documents })
    await drop(batch.map(({ id }) => id))
  }

  const setAside = async (one: WaitingCapture, reason: string): Promise<void> => {
    await markRefused(one.id, reason)
    forget(one.capture)
    refused.value = [...refused.value, { ...one, state: 'refused', reason }]
  }

  /** Takes a refused capture off the list, once somebody has read why. */
  const dismissRefused = async (id: string): Promise<void> => {
    await drop([id])
    refused.value = refused.value.filter((one) => one.id !== id)
  }

  const entry = (entryId: string | null): Entry | undefined =>
    entryId === null ? undefined : entriesById.value.get(entryId)

  return {
    day,
    problem,
    live,
    signedOut,
    waitingCount,
    refused,
    waitingOfOthers,
    verdicts,
    entriesById,
    entry,
    settledIn,
    marksIn,
    allIn,
    open,
    close,
    reread,
    capture,
    dismissRefused,
  }
})

/** A refusal that trying again will not change. */
const isForGood = (error: unknown): boolean =>
  error instanceof Refusal && [400, 403, 404, 409, 413, 422].includes(error.status)
