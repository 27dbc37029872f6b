/** What the interface takes about accounts. */
import { FreeText } from '../document/rules.ts'

export class LinkBody {
  /** The person's number in the organisation; empty for somebody who is never tested here. */
  @FreeText(40) number!: string
}
