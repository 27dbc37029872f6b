/** Sends what waits in the outbox, oldest first, for as long as it takes. */
import { StoredAnswer } from '@able-gauge/core'
import { call, inWords, NoAnswer, Refusal } from '../api.ts'
import { drop, listOfGuests, listWaiting, markRefused, type WaitingCapture } from './outbox.ts'

/** What the sender tells about its work. */
export interface SenderNews {
  /** How many still wait. */
  readonly waiting: (count: number) => void
  /** The server refused one for good. */
  readonly refused: (one: WaitingCapture) => void
  /** Whether sending has to wait until somebody signs in again. */
  readonly signedOut: (is: boolean) => void
  /** Some arrived after the signature and are kept beside the day. */
  readonly annexed?: (count: number) => void
  /** Captures whose time is still to be made sure, which are not sent yet. */
  readonly heldBack?: (one: WaitingCapture) => boolean
}

export interface CaptureSender {
  /** Sends all that waits; does nothing while it is at it already. */
  readonly send: () => Promise<void>
  readonly stop: () => void
}

const BATCH = 200
export const RETRY_MS = 1_500

export const makeCaptureSender = (occasionId: string, accountId: string, news: SenderNews): CaptureSender => {
  let sending = false
  let stopped = false
  let retry: ReturnType<typeof setTimeout> | undefined

  const send = async (): Promise<void> => {
    if (sending || stopped) return
    sending = true
    clearTimeout(retry)
    try {
      await sendAll()
      news.signedOut(false)
    } catch (error) {
      if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
      const signedOut = error instanceof Refusal && error.status === 401
      news.signedOut(signedOut)
      if (!signedOut && !stopped) retry = setTimeout(() => void send(), RETRY_MS)
    } finally {
      sending = false
    }
  }

  const sendAll = async (): Promise<void> => {
    /** What the server stumbled over this time; it is tried again later, and holds up nothing until then. */
    const stumbled = new Map<string, Refusal>()
    while (!stopped) {
      const all = await listWaiting(occasionId, accountId, 'waiting')
      if (stopped) return
      news.waiting(all.length)
      const waiting = all.filter((one) => !news.heldBack?.(one) && !stumbled.has(one.id))
      if (waiting.length === 0) break
      await sendBatch(waiting.slice(0, BATCH), stumbled)
    }
    for (const left of groupedByAccount(await listOfGuests(occasionId, accountId))) await sendBatch(left, stumbled)
    const [first] = stumbled.values()
    if (first) throw first
  }

  /** Sends several together; when the server cannot take one of them they go one by one, so that it holds up no other. */
  const sendBatch = async (batch: readonly WaitingCapture[], stumbled: Map<string, Refusal>): Promise<void> => {
    try {
      await post(batch)
    } catch (error) {
      if (!(error instanceof Refusal) || !(isForGood(error) || isStumble(error))) throw error
      const [only, another] = batch
      if (only && another) for (const one of batch) await sendBatch([one], stumbled)
      else if (only && isForGood(error)) await setAside(only, inWords(error))
      else if (only) stumbled.set(only.id, error)
    }
  }

  const post = async (batch: readonly WaitingCapture[]): Promise<void> => {
    const documents = batch.map(({ capture: { entryId, ...rest } }) => (entryId === null ? rest : { ...rest, entryId }))
    const madeBy = batch[0]?.accountId
    const answer = await call('POST', `/occasions/${occasionId}/captures`, StoredAnswer, {
      captures: documents,
      ...(madeBy === accountId ? {} : { madeBy }),
    })
    const late = answer.captures.filter(({ annexed }) => annexed).length
    if (late > 0) news.annexed?.(late)
    await drop(batch.map(({ id }) => id))
  }

  const setAside = async (one: WaitingCapture, reason: string): Promise<void> => {
    await markRefused(one.id, reason)
    news.refused({ ...one, state: 'refused', reason })
  }

  return {
    send,
    stop: () => {
      stopped = true
      clearTimeout(retry)
    },
  }
}

/** In posts of their own, because each says who made its captures. */
const groupedByAccount = (captures: readonly WaitingCapture[]): WaitingCapture[][] => {
  const groups = new Map<string, WaitingCapture[]>()
  for (const one of captures) groups.set(one.accountId, [...(groups.get(one.accountId) ?? []), one])
  return [...groups.values()].flatMap((group) =>
    Array.from({ length: Math.ceil(group.length / BATCH) }, (_, index) =>
      group.slice(index * BATCH, (index + 1) * BATCH),
    ),
  )
}

/** Refusals that pass: signed out, too slow, too early, too many. */
const PASSING = [401, 408, 425, 429]

/** A refusal that trying again will not change. */
const isForGood = ({ status }: Refusal): boolean => status >= 400 && status < 500 && !PASSING.includes(status)

/** The server failed over what was sent, and may do so again for one of them. */
const isStumble = ({ status }: Refusal): boolean => status >= 500
