/** What the interface answers about accounts and sessions. */
import { Choice, Flag, FreeText, Nested, NestedList, Nullable, Optional, Text, Whole } from '../document/rules.ts'
import { HouseStyle } from '../day/houseRules.ts'
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
  /** Left out for who belongs to the whole house. */
  @Optional() @Text() readonly unitId?: string
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

/** How far somebody is on the way in: asked, at home, or shown out. */
export const ACCOUNT_STATES = ['invited', 'open', 'closed'] as const

/** An account as whoever looks after the house sees it. */
export class KeptAccount extends LinkedAccount {
  @Choice(ACCOUNT_STATES) readonly state!: (typeof ACCOUNT_STATES)[number]
  /** Whether signing in takes a code of an authenticator as well. */
  @Flag() readonly hasSecondFactor!: boolean
}

export class KeptAccountsAnswer {
  @NestedList(() => KeptAccount, 0, 100_000) readonly accounts!: readonly KeptAccount[]
}

/** What lets somebody choose a password, once. Shown to whoever made it, and stored nowhere. */
export class AccountLinkAnswer {
  @Text() readonly accountId!: string
  @Text() readonly code!: string
  @Whole(0) readonly endsMs!: number
}

/** Whom a link lets in. */
export class LinkHolderAnswer {
  @Text(80) readonly signInName!: string
  @Text() readonly displayName!: string
  @Choice(ROLES) readonly role!: Role
  /** Whether it is the first password of the account. */
  @Flag() readonly isNew!: boolean
  /** Whether it takes a code of the authenticator as well. */
  @Flag() readonly hasSecondFactor!: boolean
}

/** One place where somebody is signed in. */
export class OpenSession {
  @Text() readonly id!: string
  /** What the browser called itself; empty where nobody knows. */
  @FreeText(120) readonly device!: string
  @Whole(0) readonly sinceMs!: number
  @Whole(0) readonly usedMs!: number
  /** Whether it is the one that asks. */
  @Flag() readonly isThis!: boolean
}

export class SessionsAnswer {
  @NestedList(() => OpenSession, 0, 10_000) readonly sessions!: readonly OpenSession[]
}

/** The authenticator of one's own account. */
export class OwnFactorAnswer {
  @Flag() readonly isOn!: boolean
  /** How many recovery codes are not used yet. */
  @Whole(0) readonly recoveryLeft!: number
}

/** What an authenticator is to keep; shown once. */
export class NewFactorAnswer {
  /** In base 32, to be typed where no QR code can be read. */
  @Text() readonly secret!: string
  /** What the QR code says. */
  @Text() readonly uri!: string
}

/** Codes for the day the authenticator is lost, each good once; shown once, and stored nowhere. */
export class RecoveryCodesAnswer {
  @Names() readonly codes!: readonly string[]
}

/** What the house asks of whoever is signed in. */
export class SessionAsks {
  /** An authenticator has to be set up before anything else. */
  @Flag() readonly secondFactor!: boolean
  /** A signature takes a code of the authenticator. */
  @Flag() readonly codeToSign!: boolean
}

export class DemoAccount {
  @FreeText(200) readonly signInName!: string
  @Text() readonly displayName!: string
  @Choice(ROLES) readonly role!: Role
  /** Empty for who belongs to the whole house. */
  @FreeText(200) readonly unit!: string
}

/** The made-up people one can be in the demo. */
export class DemoSignIns {
  @Text() readonly password!: string
  @NestedList(() => DemoAccount, 0, 100) readonly accounts!: readonly DemoAccount[]
}

export class SessionAnswer {
  /** Null for nobody. */
  @Nullable() @Nested(() => AccountAnswer) readonly account!: AccountAnswer | null
  @Nested(() => SessionAsks) readonly asks!: SessionAsks
  /** How long the session lasts from now on; as a span, because the clock of a device may be anything. */
  @Nullable() @Whole(0) readonly endsInMs!: number | null
  /** Null outside the demo. */
  @Nullable() @Nested(() => DemoSignIns) readonly demo!: DemoSignIns | null
  /** What the organisation is called; empty until somebody says. */
  @FreeText(120) readonly organisation!: string
  /** When its mark was last changed, ms since 1970; null where it has none. */
  @Nullable() @Whole(0) readonly markSinceMs!: number | null
  /** Where others reach this house; null where nobody said. */
  @Nullable() @Text() readonly publicAddress!: string | null
  /** Whether published standards can be read by everybody who has their link. */
  @Flag() readonly standardsPublic!: boolean
  /** How the house writes; null for the plain style. */
  @Nullable() @Nested(() => HouseStyle) readonly style!: HouseStyle | null
  /** Whether the house has nobody yet who can let others in. */
  @Flag() readonly isUnfounded!: boolean
}

export class SignedInAnswer {
  @Nested(() => AccountAnswer) readonly account!: AccountAnswer
  @Nested(() => SessionAsks) readonly asks!: SessionAsks
}
