/** The day that is open: what the server has, what this device has captured, and what follows from both. */
import {
  type Capture,
  captureId,
  CapturesAnswer,
  combineDay,
  DayAnswer,
  type Mark,
  markEvent,
  newBook,
  REAL_TIME,
  type Observation,
  type RecordedCapture,
  type SigningProgress,
  type Verdict,
} from '@able-gauge/core'
import { useDebounceFn, useIntervalFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, effectScope, ref, shallowRef, watch, type ComputedRef, type ShallowRef } from 'vue'
import { call, inWords, NoAnswer, Refusal, tell } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import { useAgreedClock, type AgreedMoment } from '../sync/agreedClock.ts'
import { makeCaptureSender, RETRY_MS, type CaptureSender } from '../sync/captureSender.ts'
import { followDay } from '../sync/liveDay.ts'
import { findKeptDay, keepDay, keepRecorded } from '../sync/keptDays.ts'
import { countOfOthers, deviceId, drop, keep, listWaiting, type WaitingCapture } from '../sync/outbox.ts'
import { isUnsure, makeSure, shiftBetween, UNSURE, type Shift } from '../sync/unsureStamps.ts'
import { batteryOfDevice } from '../sync/battery.ts'
import { useWhoIsWhere } from '../sync/whoIsWhere.ts'
import { afterPaint } from '../ui/afterPaint.ts'
import { makeCaptureLedger } from './captureLedger.ts'
import { candidateFrom, type Day, type Entry } from './day.ts'
import { useAsOf } from './useAsOf.ts'
import { useGathered } from './useGathered.ts'

const SEND_AFTER_MS = 20
const KEEP_AFTER_MS = 1_000
const REPORT_AFTER_MS = 1_500
/** Who has not been heard of for longer is away. */
const REPORT_EVERY_MS = 60_000

export const useDay = defineStore('day', () => {
  const session = useSession()
  const clock = useAgreedClock()
  const where = useWhoIsWhere()

  const day = shallowRef<Day | null>(null)
  const problem = ref('')
  /** Whether the server can be heard; null until the first answer. */
  const live = ref<boolean | null>(null)
  /** The session has ended; captures wait until the same person signs in again. */
  const signedOut = ref(false)
  /** The day is a set to practise on: it stands on this page alone, and nothing of it is kept or sent. */
  const isPractice = ref(false)
  const waitingCount = ref(0)
  const refused = ref<readonly WaitingCapture[]>([])
  /** Arrived after the signature, from this device: kept beside the day. */
  const annexedCount = ref(0)
  /** How far signing the day is, while somebody signs it. */
  const signing = shallowRef<SigningProgress | null>(null)
  /** Captured on this device by somebody else, whose session has to send them. */
  const waitingOfOthers = ref(0)

  let ledger = makeCaptureLedger()
  let marksPerEvent = new Map<string, ComputedRef<ReadonlyMap<string, Mark>>>()
  /** What follows the open day's captures lives as long as the day is open, whichever screen asked for it first. */
  let openScope = effectScope(true)
  let sender: CaptureSender | null = null
  let unfollow: (() => void) | null = null
  let openLater: ReturnType<typeof setTimeout> | undefined
  let lastSeq = 0
  /** Counts the captures of this page. */
  let turn = 0
  /** From the wall clock to agreed time, once this page knows both. */
  let shift: Shift | null = null

  const settledIn = (eventId: string): ShallowRef<readonly Capture[]> => ledger.settledIn(eventId)
  const allIn = (eventId: string): Capture[] => ledger.allIn(eventId)

  const entriesById = computed(() => new Map((day.value?.entries ?? []).map((entry) => [entry.id, entry])))
  const entry = (entryId: string | null): Entry | undefined =>
    entryId === null ? undefined : entriesById.value.get(entryId)

  const candidates = computed(() => (day.value?.entries ?? []).map(candidateFrom))

  /** Everybody's mark in an event; judged again only when that event changes, by a capture or by time. */
  const marksIn = (eventId: string): ComputedRef<ReadonlyMap<string, Mark>> => {
    const known = marksPerEvent.get(eventId)
    if (known) return known
    // a scope runs nothing only once it is stopped, and then there is another
    const made = openScope.run(() => followMarks(eventId)) as ComputedRef<ReadonlyMap<string, Mark>>
    marksPerEvent.set(eventId, made)
    return made
  }
  const followMarks = (eventId: string): ComputedRef<ReadonlyMap<string, Mark>> => {
    const gathered = useGathered(settledIn(eventId))
    const { asOfMs, until } = useAsOf(settledIn(eventId))
    const book = newBook()
    return computed(() => {
      const event = day.value?.standard.events.find(({ id }) => id === eventId)
      if (!day.value || !event) return new Map()
      const { standard, occasion } = day.value
      const terms = { standard, testDate: occasion.testDate, asOfMs: occasion.signedOff?.atMs ?? asOfMs.value }
      const { marks, changesAtMs } = gathered.timed((settled) =>
        markEvent(terms, event, candidates.value, settled, book),
      )
      until(occasion.signedOff ? null : changesAtMs)
      return marks
    })
  }

  /** Verdicts by entry, judged here from the captures this device knows. */
  const verdicts = computed<ReadonlyMap<string, Verdict>>(() => {
    if (!day.value) return new Map()
    const { standard, occasion } = day.value
    const marks = standard.events.map(({ id }) => marksIn(id).value)
    return combineDay({ standard, testDate: occasion.testDate }, candidates.value, marks)
  })

  const open = async (occasionId: string, arrived: (day: Day) => void = () => undefined): Promise<void> => {
    if (day.value?.occasion.id === occasionId) return
    close()
    try {
      const asked = call('GET', `/occasions/${occasionId}`, DayAnswer)
      void asked.then(arrived, () => undefined)
      // shown only with its captures: without them everybody would seem to be waiting
      const [fresh] = await Promise.all([asked, readCaptures(occasionId)])
      await takeUpOutbox(occasionId)
      show(fresh)
      void keepDay(fresh, session.account?.id ?? '')
    } catch (error) {
      if (!(error instanceof NoAnswer) || !(await openKept(occasionId))) {
        if (error instanceof Refusal && error.status === 401) session.ended()
        problem.value = inWords(error)
        // a server that is only starting answers a little later
        if (error instanceof NoAnswer) openLater = setTimeout(() => void open(occasionId, arrived), RETRY_MS)
        return
      }
    }
    unfollow = followDay(occasionId, {
      lastSeq: () => lastSeq,
      captures: (recorded) => {
        receive(recorded)
        keepSoon(occasionId, recorded)
      },
      day: () => void reread(occasionId),
      signing: (progress) => (signing.value = progress),
      claims: where.told,
      connected: (is) => {
        live.value = is
        if (is) void sender?.send()
      },
    })
    void clock.keepAsking()
  }

  /** Moments the open day can hold. */
  const bounds = computed(() => day.value?.bounds ?? null)
  watch(bounds, (now) => ledger.within(now), { flush: 'sync' })

  const show = (fresh: Day): void => {
    clock.pace = fresh.occasion.rehearsal ?? REAL_TIME
    day.value = fresh
  }

  /** Opens a day as this device last knew it. @returns whether it knows it */
  const openKept = async (occasionId: string): Promise<boolean> => {
    const kept = await findKeptDay(occasionId, session.account?.id ?? '')
    if (!kept) return false
    ledger.merge(kept.captures)
    lastSeq = Math.max(0, ...kept.captures.map(({ seq }) => seq))
    live.value = false
    await takeUpOutbox(occasionId)
    show(kept.day)
    return true
  }

  /** Opens a day that is nobody's, to practise on. */
  const practise = (made: Day): void => {
    close()
    isPractice.value = true
    show(made)
    void clock.keepAsking()
  }

  const close = (): void => {
    isPractice.value = false
    clearTimeout(openLater)
    unfollow?.()
    sender?.stop()
    unfollow = sender = null
    clock.pace = REAL_TIME
    day.value = null
    problem.value = ''
    signedOut.value = false
    lastSeq = 0
    ledger = makeCaptureLedger()
    marksPerEvent = new Map()
    openScope.stop()
    openScope = effectScope(true)
    live.value = signing.value = null
    waitingCount.value = waitingOfOthers.value = annexedCount.value = 0
    refused.value = []
    where.told([])
  }

  const readCaptures = async (occasionId: string): Promise<void> => {
    for (let more = true; more;) {
      const page = await call('GET', `/occasions/${occasionId}/captures?after=${lastSeq}`, CapturesAnswer)
      const isFirst = lastSeq === 0
      receive(page.captures)
      lastSeq = Math.max(lastSeq, page.lastSeq ?? 0)
      void keepRecorded(occasionId, page.captures, isFirst)
      more = page.more
    }
  }

  let toKeep: RecordedCapture[] = []
  /** What arrives live is kept on the disk a little later, together, so that it does not come between a touch and its stamp. */
  const keepSoon = (occasionId: string, recorded: readonly RecordedCapture[]): void => {
    if (toKeep.length === 0) {
      setTimeout(() => {
        void keepRecorded(occasionId, toKeep, false)
        toKeep = []
      }, KEEP_AFTER_MS)
    }
    toKeep.push(...recorded)
  }

  const receive = (recorded: readonly RecordedCapture[]): void => {
    const last = recorded.at(-1)
    if (last) lastSeq = Math.max(lastSeq, last.seq)
    ledger.merge(recorded)
  }

  /** What a reload or a crash left on this device is shown again and sent; counted before anything says that all is saved. */
  const takeUpOutbox = async (occasionId: string): Promise<void> => {
    const accountId = session.account?.id ?? ''
    // the clock may have been agreed while no day was open
    if (shift && !clock.unsure) await makeSure(occasionId, accountId, shift)
    const waiting = await listWaiting(occasionId, accountId, 'waiting')
    ledger.merge(waiting.map(({ capture }) => capture))
    waitingCount.value = waiting.length
    refused.value = await listWaiting(occasionId, accountId, 'refused')
    waitingOfOthers.value = await countOfOthers(occasionId, accountId)
    sender = makeCaptureSender(occasionId, accountId, {
      waiting: (count) => (waitingCount.value = count),
      signedOut: (is) => {
        signedOut.value = is
        if (is) session.ended()
      },
      annexed: (count) => (annexedCount.value += count),
      heldBack: isUnsure,
      refused: (one) => {
        ledger.forget(one.capture)
        refused.value = [...refused.value, one]
      },
    })
    void sender.send()
  }

  let reading: Promise<void> | null = null
  let nextReading: Promise<void> | null = null
  /**
   * Reads the day again. One at a time: an answer that was overtaken would take back what is newer, so whoever asks
   * meanwhile gets the answer after it.
   */
  const reread = (occasionId: string): Promise<void> => {
    const begin = (): Promise<void> => {
      nextReading = null
      reading = readAgain(occasionId).finally(() => (reading = null))
      return reading
    }
    if (reading) return (nextReading ??= reading.then(begin))
    return begin()
  }
  const readAgain = async (occasionId: string): Promise<void> => {
    try {
      const fresh = await call('GET', `/occasions/${occasionId}`, DayAnswer)
      if (day.value?.occasion.id !== occasionId) return
      day.value = fresh
      signing.value = null
      void keepDay(fresh, session.account?.id ?? '')
    } catch (error) {
      // without an answer the day stays as it is known here; the live connection asks again when it is back
      if (!(error instanceof NoAnswer)) problem.value = inWords(error)
    }
  }

  /**
   * Captures something: on screen at once, on disk within a moment, then on its way.
   * @param moment when it was seen; now, unless it was taken at the key press
   * @returns the capture
   * @throws Error while the clock is not agreed; consoles do not offer capturing before
   */
  const capture = (
    eventId: string,
    entryId: string | null,
    observation: Observation,
    moment: AgreedMoment | null = clock.moment(),
  ): Capture => {
    const occasionId = day.value?.occasion.id
    const accountId = session.account?.id
    if (!moment || !occasionId || !accountId) {
      throw new Error('Capturing needs an open day, a signed-in person and an agreed clock.')
    }
    const id = captureId(moment.atMs, crypto.getRandomValues(new Uint8Array(16)), (turn += 1))
    const made: Capture = { id, eventId, entryId, deviceId: deviceId(), ...moment, ...observation }
    if (isPractice.value) {
      ledger.merge([made])
      return made
    }
    session.captured()
    const unsure = clock.unsure ? UNSURE : {}
    const byGuest = session.account?.station ? { byGuest: true } : {}
    ledger.merge([made])
    waitingCount.value += 1
    void keep({ id, occasionId, accountId, capture: made, state: 'waiting', reason: '', ...unsure, ...byGuest })
    // the stamp is painted first
    setTimeout(() => void sender?.send(), SEND_AFTER_MS)
    return made
  }

  /** What was stamped by the wall clock gets its time anew, and only then leaves the device. */
  const restamp = async (): Promise<void> => {
    const [occasionId, accountId] = [day.value?.occasion.id, session.account?.id]
    if (!occasionId || !accountId || !shift || clock.unsure) return
    ledger.merge(await makeSure(occasionId, accountId, shift))
    void sender?.send()
  }
  watch(
    () => [clock.agreement, clock.unsure] as const,
    ([agreed, unsure], [before, wasUnsure]) => {
      if (!wasUnsure || unsure || !agreed || !before) return
      shift = shiftBetween(before, agreed, clock.speed)
      void restamp()
    },
  )

  /** Tells the server what this device still holds, so that nobody signs the day over it. */
  const report = async (): Promise<void> => {
    const occasionId = day.value?.occasion.id
    if (!occasionId || isPractice.value || !session.can('devices.report')) return
    const held = {
      waiting: waitingCount.value,
      refused: refused.value.length,
      ...(clock.agreement && !clock.unsure ? { clockMs: Math.ceil(clock.agreement.uncertaintyMs) } : {}),
      ...(await batteryOfDevice()),
    }
    try {
      await tell('PUT', `/occasions/${occasionId}/devices/${encodeURIComponent(deviceId())}`, held)
    } catch (error) {
      // it is told again with the next change, or when the day is opened again
      if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
    }
  }
  const reportSoon = useDebounceFn(report, REPORT_AFTER_MS)
  const beginReport = (): void => void reportSoon()
  watch([waitingCount, () => refused.value.length, () => day.value?.occasion.id], () => afterPaint(beginReport))
  useIntervalFn(report, REPORT_EVERY_MS)

  /** Takes a refused capture off the list, once somebody has read why. */
  const dismissRefused = async (id: string): Promise<void> => {
    await drop([id])
    refused.value = refused.value.filter((one) => one.id !== id)
  }

  return {
    day,
    problem,
    live,
    signedOut,
    isPractice,
    waitingCount,
    refused,
    waitingOfOthers,
    annexedCount,
    signing,
    verdicts,
    bounds,
    entriesById,
    entry,
    settledIn,
    marksIn,
    allIn,
    open,
    practise,
    close,
    reread,
    capture,
    dismissRefused,
  }
})
