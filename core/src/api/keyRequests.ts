/** What the interface takes about the keys days are signed with. */
import { Text } from '../document/rules.ts'

export class TrustedKeyBody {
  /** PEM, or 64 hexadecimal digits. */
  @Text(400) key!: string
  /** Whose it is. */
  @Text(120) name!: string
}
