/** What the interface takes about the signature and amendments. */
import { Choice, Flag, Slug, Text, Uuid } from '../document/rules.ts'

export class SignOffBody {
  @Text(200) password!: string
  /** Signs although something is still open. */
  @Flag() acceptOpen!: boolean
}

export class AmendmentBody {
  @Uuid() entryId!: string
  @Slug() eventId!: string
  @Choice(['met', 'short']) as!: 'met' | 'short'
  @Text(500) reason!: string
  @Text(200) password!: string
}
