/** What the interface takes and answers about backups. */
import { SignatureBody } from './verdictRequests.ts'
import { Flag, FreeText, Matching, Nested, Nullable, Text, Whole } from '../document/rules.ts'

/** Shorter ones are guessed. */
export const SHORTEST_PASSPHRASE = 12

export class BackupBody {
  @Matching(
    new RegExp(`^.{${SHORTEST_PASSPHRASE},200}$`, 'u'),
    `a passphrase of ${SHORTEST_PASSPHRASE} to 200 characters`,
  )
  passphrase!: string
}

export class KeptBackupAnswer {
  @Whole(0) readonly atMs!: number
  @Text(1_000) readonly folder!: string
  /** Why none was made then; null for one that was. */
  @Nullable() @FreeText(2_000) readonly failure!: string | null
}

/** How the last restore from this room went. */
export class RestoredAnswer {
  @Whole(0) readonly atMs!: number
  /** Why nothing was replaced; null for one that went well. */
  @Nullable() @FreeText(2_000) readonly failure!: string | null
}

/** In base 64, of so many bytes at most, so that no single request is long. */
const MOST_PART = 900_000

export class RestorePartBody {
  /** Where in the file it begins, in bytes. */
  @Whole(0, 10_000_000_000) offset!: number
  @Text(MOST_PART) part!: string
}

export class RestoreBody extends SignatureBody {
  @Text(200) passphrase!: string
}

/** What a backup holds that is about to be put in place of what is here. */
export class RestoringAnswer {
  @Whole(0) readonly days!: number
  @Whole(0) readonly people!: number
  @Whole(0) readonly captures!: number
}

export class BackupsAnswer {
  @Flag() readonly canBackUp!: boolean
  /** Null where none are made by themselves. */
  @Nullable() @Nested(() => KeptBackupAnswer) readonly last!: KeptBackupAnswer | null
  /** Null where nothing was restored from this room. */
  @Nullable() @Nested(() => RestoredAnswer) readonly lastRestored!: RestoredAnswer | null
}
