/** What the interface takes about the signature and amendments. */
import { Choice, Flag, Optional, Slug, Text, Uuid, Whole } from '../document/rules.ts'

/** What a signature takes of whoever is signed in. */
export class SignatureBody {
  @Text(200) password!: string
  /** Of the authenticator, where the house asks for it. */
  @Optional() @Text(40) code?: string
}

export class SignOffBody extends SignatureBody {
  /** Signs although something is still open. */
  @Flag() acceptOpen!: boolean
}

export class AmendmentBody extends SignatureBody {
  @Uuid() entryId!: string
  @Slug() eventId!: string
  /** A word, or `value`, never both. */
  @Optional() @Choice(['met', 'short']) as?: 'met' | 'short'
  /** The right measure, in the base unit of the event: all is judged from it again. */
  @Optional() @Whole(-100_000, 1_000_000_000) value?: number
  @Text(500) reason!: string
}
