/**
 * Backups are made and put back as the database's owner, which this process is not: the program that started it does. It is asked, and
 * tells, over the channel between the two.
 */
import { randomUUID } from 'node:crypto'
import type { RestoredAnswer, RestoringAnswer } from '@able-gauge/core'

/** How the last backup that was made by itself went. */
interface KeptBackup {
  readonly atMs: number
  readonly folder: string
  /** Why none was made then; null for one that was. */
  readonly failure: string | null
}

export interface Keeper {
  /** The last backup made by itself; null where none are made. */
  readonly last: () => KeptBackup | null
  /** How the last restore went that was asked for; null for none. */
  readonly lastRestored: () => RestoredAnswer | null
  /** Makes a backup. @returns the file, which whoever asked takes away @throws KeepingFailed */
  readonly backUp: (passphrase: string) => Promise<string>
  /**
   * Looks at a backup from end to end; if it is right, this process is ended soon and started anew on what it holds.
   * @returns what it holds @throws KeepingFailed for a file that is no backup, was changed, or opens with another passphrase
   */
  readonly restore: (file: string, passphrase: string) => Promise<RestoringAnswer>
}

export class KeepingFailed extends Error {}

/** Between this process and the program that started it. */
export interface Channel {
  readonly send: (message: object) => void
  readonly listen: (listener: (message: unknown) => void) => void
}

interface Told {
  readonly backedUp?: KeptBackup
  readonly restored?: RestoredAnswer
  /** To what was asked: what came of it, or why nothing did. */
  readonly kept?: { readonly id: string; readonly result?: unknown; readonly failure?: string }
}

/** @param channel to the program that started this one; null when nobody did who could make backups */
export const openKeeper = (channel: Channel | null): Keeper | null => {
  if (!channel) return null
  let last: KeptBackup | null = null
  let lastRestored: RestoredAnswer | null = null
  const waiting = new Map<string, { done: (result: unknown) => void; failed: (error: Error) => void }>()
  channel.listen((told) => {
    // the program that started this one speaks no other language
    const { backedUp, restored, kept } = told as Told
    if (backedUp) last = backedUp
    if (restored) lastRestored = restored
    if (!kept) return
    const { id, result, failure = 'no reason was told' } = kept
    const asker = waiting.get(id)
    waiting.delete(id)
    if (result === undefined) asker?.failed(new KeepingFailed(failure))
    else asker?.done(result)
  })
  const ask = (what: 'backUp' | 'restore', wish: object): Promise<unknown> =>
    new Promise((done, failed) => {
      const id = randomUUID()
      waiting.set(id, { done, failed })
      channel.send({ [what]: { id, ...wish } })
    })
  return {
    last: () => last,
    lastRestored: () => lastRestored,
    // as the other side promises
    backUp: async (passphrase) => (await ask('backUp', { passphrase })) as string,
    restore: async (file, passphrase) => (await ask('restore', { file, passphrase })) as RestoringAnswer,
  }
}
