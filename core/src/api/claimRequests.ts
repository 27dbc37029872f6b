/** What the interface takes about whom a device has open. */
import { Flag, Optional, Slug, UuidList } from '../document/rules.ts'

/** Most candidates a device works at once. */
const MOST_CLAIMED = 60

/** Whom a device has open now, in place of whom it had; none when it has closed them. */
export class ClaimBody {
  @Slug() eventId!: string
  @UuidList(MOST_CLAIMED) entryIds!: string[]
  /** Only those no other device has open: the next candidate, taken by itself. */
  @Optional() @Flag() unlessTaken?: boolean
}
