/** Answers that many routes give. */
import { Revision, Text, Whole } from '../document/rules.ts'

/** The id of what was made. */
export class MadeAnswer {
  @Text() readonly id!: string
}

/** The edit that the answer follows on: named by the next one, so that nobody overwrites another. */
export class RevisionAnswer {
  @Revision(1) readonly revision!: number
}

/** The server's own time, for clock agreement. */
export class TimeAnswer {
  @Whole(0) readonly serverMs!: number
}
