/** What the interface takes about the library of standards. */
import { AnyObject, CalendarDate, Revision, Slug, Text, Whole } from '../document/rules.ts'

export class NewDraftBody {
  @Slug() id!: string
  @Whole(1, 10_000) version!: number
  @AnyObject() content!: object
}

export class DraftBody {
  /** The revision that was being edited. */
  @Revision(1) revision!: number
  @AnyObject() content!: object
}

export class RevisionBody {
  @Revision(1) revision!: number
}

export class RetirementBody {
  @CalendarDate() lastDay!: string
  @Text(300) reason!: string
}
