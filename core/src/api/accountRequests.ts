/** What the interface takes about accounts. */
import { Choice, Flag, FreeText, Matching, Optional, Text, Uuid } from '../document/rules.ts'
import { ROLES, type Role } from '../people/may.ts'

/** What somebody signs in by. */
const SIGN_IN_NAME = /^[a-z0-9](?:[a-z0-9._-]{0,78}[a-z0-9])?$/
const SIGN_IN_NAME_WORDS = 'a name of small letters, digits, dots and dashes, such as "a.merrow"'

export class InviteBody {
  @Matching(SIGN_IN_NAME, SIGN_IN_NAME_WORDS) signInName!: string
  @Text(120) displayName!: string
  @Choice(ROLES) role!: Role
  /** Left out for somebody of the whole house. */
  @Optional() @Uuid() unitId?: string
}

export class AccountBody {
  @Text(120) displayName!: string
  @Choice(ROLES) role!: Role
  /** Left out for somebody of the whole house. */
  @Optional() @Uuid() unitId?: string
}

export class AccountClosedBody {
  @Flag() closed!: boolean
}

export class PasswordBody {
  /** The one that holds now. */
  @Text(200) current!: string
  @Text(200) password!: string
}

/** The first administrator of a house that has none. */
export class FoundHouseBody {
  /** Shown in the terminal of whoever started the program. */
  @Text(40) code!: string
  @Text(120) organisation!: string
  @Matching(SIGN_IN_NAME, SIGN_IN_NAME_WORDS) signInName!: string
  @Text(120) displayName!: string
  @Text(200) password!: string
}

export class LinkCode {
  @Text(80) code!: string
}

export class LinkPassword extends LinkCode {
  @Text(200) password!: string
  /** Of the authenticator, or a recovery code, where the account has one. */
  @Optional() @Text(40) factorCode?: string
}

export class FactorBeginBody {
  @Text(200) password!: string
}

/** A code of the authenticator, or a recovery code. */
export class FactorCodeBody {
  @Text(40) code!: string
}

export class LinkBody {
  /** The person's number in the organisation; empty for somebody who is never tested here. */
  @FreeText(40) number!: string
}
