/** What this device keeps on its disk: captures on their way, and days as they were last known. */
import Dexie, { type Table } from 'dexie'
import type { KeptCapture, KeptDay } from './keptDays.ts'
import type { WaitingCapture } from './outbox.ts'

class DeviceDatabase extends Dexie {
  declare readonly captures: Table<WaitingCapture, string>
  declare readonly days: Table<KeptDay, string>
  declare readonly recorded: Table<KeptCapture, string>

  constructor() {
    // a capture counts as kept when it has reached the disk, not a buffer that an empty battery takes with it
    super('able-gauge', { chromeTransactionDurability: 'strict' })
    this.version(1).stores({ captures: 'id, [occasionId+accountId+state]' })
    this.version(2).stores({ days: 'occasionId', recorded: 'id, occasionId' })
  }
}

export const database = new DeviceDatabase()
