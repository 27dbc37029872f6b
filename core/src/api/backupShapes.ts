/** What the interface takes and answers about backups. */
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

export class BackupsAnswer {
  @Flag() readonly canBackUp!: boolean
  /** Null where none are made by themselves. */
  @Nullable() @Nested(() => KeptBackupAnswer) readonly last!: KeptBackupAnswer | null
}
