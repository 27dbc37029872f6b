/** What the interface takes about whole days as files. */
import { AnyObject, Text } from '../document/rules.ts'

export class ReadInBody {
  /** Of whoever reads it in: the day is on record as theirs to answer for. */
  @Text(200) password!: string
  /** The archive as it was saved; proven by its own rules. */
  @AnyObject() archive!: object
}
