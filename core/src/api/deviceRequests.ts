/** What the interface takes about devices. */
import { Optional, Whole } from '../document/rules.ts'

export class DeviceBody {
  @Whole(0, 1_000_000) waiting!: number
  @Whole(0, 1_000_000) refused!: number
  /** How far its clock may be off, ms; left out while it is not agreed. */
  @Optional() @Whole(0, 1_000_000_000) clockMs?: number
  /** Where the browser tells. */
  @Optional() @Whole(0, 100) batteryPercent?: number
}
