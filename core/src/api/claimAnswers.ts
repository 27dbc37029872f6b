/** What the interface answers about who is where. */
import { NestedList, Text, Uuid, Whole } from '../document/rules.ts'

export class Claim {
  @Text() readonly eventId!: string
  @Uuid() readonly entryId!: string
  @Text() readonly deviceId!: string
  /** Name of whoever works the device. */
  @Text() readonly by!: string
  /** Since when, by the server's clock. */
  @Whole(0) readonly sinceMs!: number
}

export class ClaimsAnswer {
  @NestedList(() => Claim, 0, 100_000) readonly claims!: readonly Claim[]
}

/** How often a device says again whom it has open, and after how long without a word nobody believes it any more. */
export const RENEW_CLAIM_MS = 10_000
export const CLAIM_ENDS_MS = 30_000
