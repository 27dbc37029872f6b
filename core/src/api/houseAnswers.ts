/** What the interface answers about the house: its rules, keys and security log. */
import { HouseRules } from '../day/houseRules.ts'
import { Flag, Nested, NestedList, Nullable, Revision, Text, Whole } from '../document/rules.ts'
import { LogFacts, Names } from './shapes.ts'

/** How other devices on the same network reach a house that serves a field. */
export class FieldReach {
  /** Of the machine, on its networks. */
  @Names() readonly addresses!: readonly string[]
  @Whole(1, 65_535) readonly httpPort!: number
  @Whole(1, 65_535) readonly httpsPort!: number
  /** SHA-256 of the authority's certificate, in groups of four. */
  @Text() readonly fingerprint!: string
}

export class FieldReachAnswer {
  /** Null where no field is served. */
  @Nullable() @Nested(() => FieldReach) readonly field!: FieldReach | null
}

export class HouseRulesAnswer {
  @Nested(() => HouseRules) readonly rules!: HouseRules
  @Revision(0) readonly revision!: number
}

export class OwnKey {
  @Text() readonly publicKey!: string
  @Text(2_000) readonly pem!: string
  @Text() readonly fingerprint!: string
}

export class TrustedKey {
  @Text() readonly publicKey!: string
  @Text() readonly name!: string
  @Text() readonly by!: string
  @Whole(0) readonly atMs!: number
  @Text() readonly fingerprint!: string
}

export class KeysAnswer {
  @Nested(() => OwnKey) readonly own!: OwnKey
  @NestedList(() => TrustedKey, 0, 1_000) readonly trusted!: readonly TrustedKey[]
}

export class TrustedAnswer {
  @Text() readonly fingerprint!: string
}

export class SecurityEvent {
  @Whole(1) readonly id!: number
  @Whole(0) readonly atMs!: number
  /** Stable name, such as `signIn.refused`. */
  @Text() readonly kind!: string
  @Nullable() @Text() readonly accountId!: string | null
  /** Name of the account, or null. */
  @Nullable() @Text() readonly by!: string | null
  /** Ids and codes; never names, answers or passwords. */
  @LogFacts() readonly detail!: Readonly<Record<string, string | number | boolean>>
}

/** A page of the log, newest first. */
export class SecurityEventsAnswer {
  @NestedList(() => SecurityEvent, 0, 1_000) readonly events!: readonly SecurityEvent[]
  /** Whether there are older ones. */
  @Flag() readonly more!: boolean
}
