/** What the interface answers about accounts and sessions. */
import { Choice, FreeText, Nested, NestedList, Nullable, Optional, Text, Whole } from '../document/rules.ts'
import { ROLES, type Role } from '../people/may.ts'
import { Names } from './shapes.ts'

/** Works these events of this day and nothing else. */
export class StationAnswer {
  @Text() readonly occasionId!: string
  @Names() readonly eventIds!: readonly string[]
}

/** Somebody who is signed in, or can. */
export class AccountAnswer {
  @Text() readonly id!: string
  @FreeText(200) readonly signInName!: string
  @Text() readonly displayName!: string
  @Choice(ROLES) readonly role!: Role
  /** Joined with a station code. */
  @Optional() @Nested(() => StationAnswer) readonly station?: StationAnswer
}

export class LinkedAccount extends AccountAnswer {
  /** Number of the person whose account it is, or null. */
  @Nullable() @Text() readonly personNumber!: string | null
}

export class AccountsAnswer {
  @NestedList(() => LinkedAccount, 0, 100_000) readonly accounts!: readonly LinkedAccount[]
}

export class DemoAccount {
  @FreeText(200) readonly signInName!: string
  @Text() readonly displayName!: string
  @Choice(ROLES) readonly role!: Role
}

/** The made-up people one can be in the demo. */
export class DemoSignIns {
  @Text() readonly password!: string
  @NestedList(() => DemoAccount, 0, 100) readonly accounts!: readonly DemoAccount[]
}

export class SessionAnswer {
  /** Null for nobody. */
  @Nullable() @Nested(() => AccountAnswer) readonly account!: AccountAnswer | null
  /** How long the session lasts from now on; as a span, because the clock of a device may be anything. */
  @Nullable() @Whole(0) readonly endsInMs!: number | null
  /** Null outside the demo. */
  @Nullable() @Nested(() => DemoSignIns) readonly demo!: DemoSignIns | null
}

export class SignedInAnswer {
  @Nested(() => AccountAnswer) readonly account!: AccountAnswer
}
