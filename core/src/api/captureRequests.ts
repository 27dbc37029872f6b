/** What the interface takes about captures. */
import { NestedList, Optional, Uuid } from '../document/rules.ts'
import { CaptureDocument } from '../capture/capture.ts'

export class CaptureBatch {
  @NestedList(() => CaptureDocument, 1, 500) captures!: CaptureDocument[]
  /** The guest of a station who made them on this device and can no longer send them. */
  @Optional() @Uuid() madeBy?: string
}
