/**
 * Backups are made as the database's owner, which this process is not: the program that started it makes them. It is asked, and tells, over
 * the channel between the two.
 */
import { randomUUID } from 'node:crypto'

/** How the last backup that was made by itself went. */
export interface KeptBackup {
  readonly atMs: number
  readonly folder: string
  /** Why none was made then; null for one that was. */
  readonly failure: string | null
}

export interface Keeper {
  /** The last backup made by itself; null where none are made. */
  readonly last: () => KeptBackup | null
  /** Makes a backup. @returns the file, which whoever asked takes away @throws BackupFailed */
  readonly backUp: (passphrase: string) => Promise<string>
}

export class BackupFailed extends Error {}

/** Between this process and the program that started it. */
export interface Channel {
  readonly send: (message: object) => void
  readonly listen: (listener: (message: unknown) => void) => void
}

interface Told {
  readonly backedUp?: KeptBackup
  readonly backup?: { readonly id: string; readonly file?: string; readonly failure?: string }
}

/** @param channel to the program that started this one; null when nobody did who could make backups */
export const openKeeper = (channel: Channel | null): Keeper | null => {
  if (!channel) return null
  let last: KeptBackup | null = null
  const waiting = new Map<string, { done: (file: string) => void; failed: (error: Error) => void }>()
  channel.listen((told) => {
    // the program that started this one speaks no other language
    const message = told as Told
    if (message.backedUp) last = message.backedUp
    if (!message.backup) return
    const { id, file, failure = 'no reason was told' } = message.backup
    const asker = waiting.get(id)
    waiting.delete(id)
    if (file === undefined) asker?.failed(new BackupFailed(failure))
    else asker?.done(file)
  })
  return {
    last: () => last,
    backUp: (passphrase) =>
      new Promise((done, failed) => {
        const id = randomUUID()
        waiting.set(id, { done, failed })
        channel.send({ backUp: { id, passphrase } })
      }),
  }
}
