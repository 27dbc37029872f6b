/** What the interface takes about the signature and amendments. */
import { Choice, Flag, Optional, Slug, Text, Uuid, Whole } from '../document/rules.ts'

export class SignOffBody {
  @Text(200) password!: string
  /** Signs although something is still open. */
  @Flag() acceptOpen!: boolean
}

export class AmendmentBody {
  @Uuid() entryId!: string
  @Slug() eventId!: string
  /** A word, or `value`, never both. */
  @Optional() @Choice(['met', 'short']) as?: 'met' | 'short'
  /** The right measure, in the base unit of the event: all is judged from it again. */
  @Optional() @Whole(-100_000, 1_000_000_000) value?: number
  @Text(500) reason!: string
  @Text(200) password!: string
}
