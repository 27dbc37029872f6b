/** The one clock: this device's monotonic clock and its agreement with the server's timeline. */
import { agree, paced, REAL_TIME, TimeAnswer, type Agreement, type Pace, type RoundTrip } from '@able-gauge/core'
import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { call, NoAnswer, Refusal } from '../api.ts'
import { CLOCK_RUN } from './clockRun.ts'

const FIRST_ROUND_TRIPS = 6
const KEPT_ROUND_TRIPS = 40
const EVERY_MS = 15_000
/** Where this device last knew how its wall clock lies to the server's timeline. */
const KEPT = 'able-gauge-clock'
/** Nobody can say what was done to a wall clock while the page was closed; this is the least that is assumed. */
const UNSURE_MS = 1_000
const DRIFT = 50e-6

interface KeptClock {
  /** Added to the wall clock it gave agreed time. */
  readonly wallOffsetMs: number
  readonly uncertaintyMs: number
  readonly wallMs: number
}

/** From the first moment after a reload, with or without a network: agreed time by the wall clock, as it lay to the server's when both were last known. */
const agreementByWall = (): Agreement | null => {
  try {
    const kept = JSON.parse(localStorage.getItem(KEPT) ?? 'null') as KeptClock | null
    if (!kept) return null
    const wallMs = Date.now()
    return {
      offsetMs: wallMs + kept.wallOffsetMs - performance.now(),
      uncertaintyMs: kept.uncertaintyMs + UNSURE_MS + Math.abs(wallMs - kept.wallMs) * DRIFT,
    }
  } catch (error) {
    console.error('What this device kept of the clock cannot be read.', error)
    return null
  }
}

/** A moment as a capture records it, and what its press answered. */
export interface AgreedMoment {
  readonly atMs: number
  readonly uncertaintyMs: number
  readonly deviceMs: number
  /** Left out where the day's time runs faster than the device's clock. */
  readonly clockRun?: string
  /** Codes of the questions that were put before, and answered by this press. */
  readonly despite?: readonly string[]
}

/** A moment with the questions its press answered. */
export const momentDespite = <Moment extends AgreedMoment | null>(moment: Moment, despite: readonly string[]): Moment =>
  moment === null || despite.length === 0 ? moment : { ...moment, despite }

/** A moment that was not seen but worked out, or given by a person: it is of no device's clock. */
export const momentAt = (atMs: number, { uncertaintyMs, deviceMs }: AgreedMoment): AgreedMoment => ({
  atMs,
  uncertaintyMs,
  deviceMs,
})

export const useAgreedClock = defineStore('agreedClock', () => {
  const roundTrips: RoundTrip[] = []
  const agreement = shallowRef<Agreement | null>(agreementByWall())
  /** Whether the agreement rests on the wall clock alone, until the server has answered this page. */
  const unsure = ref(true)
  const reachable = ref(true)
  let timer: ReturnType<typeof setTimeout> | undefined
  let ended = false
  onScopeDispose(() => {
    ended = true
    clearTimeout(timer)
  })

  const ask = async (): Promise<void> => {
    const sentMs = performance.now()
    try {
      const { serverMs } = await call('GET', '/time', TimeAnswer)
      roundTrips.push({ sentMs, serverMs, receivedMs: performance.now() })
      if (roundTrips.length > KEPT_ROUND_TRIPS) roundTrips.shift()
      reachable.value = true
    } catch (error) {
      if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
      reachable.value = !(error instanceof NoAnswer)
    }
    if (ended) return
    const agreed = agree(roundTrips, performance.now())
    unsure.value = agreed === null
    if (!agreed) return
    agreement.value = agreed
    const wallMs = Date.now()
    const wallOffsetMs = performance.now() + agreed.offsetMs - wallMs
    const kept: KeptClock = { wallOffsetMs, uncertaintyMs: agreed.uncertaintyMs, wallMs }
    localStorage.setItem(KEPT, JSON.stringify(kept))
  }

  const keepAsking = async (): Promise<void> => {
    if (timer !== undefined) return
    timer = setTimeout(() => undefined, EVERY_MS)
    const askIn = (waitMs: number): void => {
      if (!ended) timer = setTimeout(() => void again(), waitMs)
    }
    const again = async (): Promise<void> => {
      await ask()
      askIn(reachable.value ? EVERY_MS : 2_000)
    }
    for (let index = 0; index < FIRST_ROUND_TRIPS && !ended; index++) await ask()
    askIn(EVERY_MS)
  }

  /** A rehearsal's time runs faster: its moments are counted from its beginning at this speed. */
  const pace = shallowRef<Pace>(REAL_TIME)

  /** Agreed time now, or null while the clock is not agreed. @param deviceMs a reading of performance.now() */
  const moment = (deviceMs = performance.now()): AgreedMoment | null => {
    const { value } = agreement
    if (!value) return null
    return {
      atMs: Math.round(paced(pace.value, deviceMs + value.offsetMs)),
      uncertaintyMs: Math.ceil(value.uncertaintyMs * pace.value.speed),
      deviceMs: Math.round(deviceMs),
      ...(pace.value.speed === 1 ? { clockRun: CLOCK_RUN } : {}),
    }
  }

  /** Agreed time for showing; the device's own time until the clock is agreed. */
  const nowMs = (): number => moment()?.atMs ?? Date.now()

  const speed = computed(() => pace.value.speed)

  return { agreement, unsure, reachable, pace, speed, keepAsking, moment, nowMs }
})
