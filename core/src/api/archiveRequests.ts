/** What the interface takes about whole days as files. */
import { AnyObject } from '../document/rules.ts'
import { SignatureBody } from './verdictRequests.ts'

/** Signed by whoever reads it in: the day is on record as theirs to answer for. */
export class ReadInBody extends SignatureBody {
  /** The archive as it was saved; proven by its own rules. */
  @AnyObject() archive!: object
}
