/**
 * Lets rehearsals happen: whatever a made-up day holds up to now is added as captures, through the same writer as
 * everything else. What it holds follows from its seed, so a restart or a second process adds the same and nothing twice.
 */
import { paced, rehearseDay, type Capture, type RehearsedPerson } from '@able-gauge/core'
import type { Logger } from 'pino'
import type { Pool } from '../database.ts'
import { candidateOf, readDay } from '../dayRecord.ts'
import type { Server } from '../routes/route.ts'
import { findOccasion } from '../store/occasionStore.ts'
import { listRehearsalsSince, type Rehearsal } from '../store/rehearsalStore.ts'

export interface RehearsalRunner {
  readonly close: () => Promise<void>
}

interface Playing {
  readonly rehearsal: Rehearsal
  readonly captures: readonly Capture[]
  /** How many have been added by this process. */
  added: number
}

const TICK_MS = 200
const LOOK_EVERY_MS = 2_000
/** A rehearsal is over for good after this long. */
const LASTS_MS = 12 * 3_600_000
const MOST_TOGETHER = 400

export const runRehearsals = (
  { pool, writer, clock }: Pick<Server, 'pool' | 'writer' | 'clock'>,
  log: Logger,
): RehearsalRunner => {
  const playing = new Map<string, Playing>()
  let lookedMs = 0
  let closed = false
  let timer: NodeJS.Timeout | null = null
  let turn: Promise<void> = Promise.resolve()

  const look = async (): Promise<void> => {
    for (const rehearsal of await listRehearsalsSince(pool, clock.nowMs() - LASTS_MS)) {
      if (!playing.has(rehearsal.occasionId)) playing.set(rehearsal.occasionId, await prepare(pool, rehearsal))
    }
  }

  const play = async (one: Playing): Promise<void> => {
    const { rehearsal, captures } = one
    const nowMs = paced(rehearsal, clock.nowMs())
    while (!closed) {
      const due = captures.slice(one.added, one.added + MOST_TOGETHER).filter(({ atMs }) => atMs <= nowMs)
      if (due.length === 0) return
      await writer.add(rehearsal.occasionId, { captures: due, token: null, receivedMs: clock.nowMs() })
      one.added += due.length
    }
  }

  const tick = async (): Promise<void> => {
    try {
      if (Date.now() - lookedMs > LOOK_EVERY_MS) {
        lookedMs = Date.now()
        await look()
      }
      for (const one of playing.values()) await play(one)
    } catch (error) {
      // the next tick goes on from where this one stopped
      log.warn({ err: error }, 'rehearsal interrupted')
    }
    if (!closed) again()
  }
  const again = (): void => {
    timer = setTimeout(() => (turn = tick()), TICK_MS)
  }
  again()

  return {
    close: async () => {
      closed = true
      if (timer) clearTimeout(timer)
      await turn
    },
  }
}

const prepare = async (pool: Pool, rehearsal: Rehearsal): Promise<Playing> => {
  const occasion = await findOccasion(pool, rehearsal.occasionId)
  if (!occasion) throw new Error(`The rehearsal ${rehearsal.occasionId} has no day. It is added with one.`)
  const { published, entries } = await readDay(pool, occasion)
  const people = entries.map((entry): RehearsedPerson => candidateOf(published.standard, occasion.testDate, entry))
  const { seed, fromMs, ownEventId } = rehearsal
  const captures = rehearseDay(published.standard, people, seed, fromMs, ownEventId)
  return { rehearsal, captures, added: 0 }
}
