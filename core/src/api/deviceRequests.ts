/** What the interface takes about devices. */
import { Whole } from '../document/rules.ts'

export class DeviceBody {
  @Whole(0, 1_000_000) waiting!: number
  @Whole(0, 1_000_000) refused!: number
}
