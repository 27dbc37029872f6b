/** What the interface answers about standards. */
import {
  AnyObject,
  CalendarDate,
  Choice,
  FreeText,
  NestedList,
  Nested,
  Nullable,
  Revision,
  Text,
  Whole,
} from '../document/rules.ts'
import type { PastResult } from '../insight/versionImpact.ts'
import type { VersionDetail, VersionState, VersionSummary } from '../standard/library.ts'
import { PastResults } from './shapes.ts'

const STATES: readonly VersionState[] = ['draft', 'published', 'retired']

export class VersionAnswer implements VersionSummary {
  @Text() readonly id!: string
  @Whole(1) readonly version!: number
  @Choice(STATES) readonly state!: VersionState
  @FreeText(500) readonly name!: string
  @FreeText(500) readonly organisation!: string
  @Nullable() @FreeText(20) readonly inForceFrom!: string | null
  @Nullable() @FreeText(20) readonly inForceTo!: string | null
  @Whole(0) readonly events!: number
  @Nullable() @Text() readonly contentHash!: string | null
  @Whole(0) readonly days!: number
}

export class VersionsAnswer {
  @NestedList(() => VersionAnswer, 0, 100_000) readonly versions!: readonly VersionAnswer[]
}

export class Retirement {
  @CalendarDate() readonly lastDay!: string
  @Text(500) readonly reason!: string
  @Text() readonly by!: string
}

export class VersionDetailAnswer implements VersionDetail {
  @Choice(STATES) readonly state!: VersionState
  /** The document; a draft may be unsound. */
  @AnyObject() readonly content!: object
  @Nullable() @Text() readonly contentHash!: string | null
  @Nullable() @Revision(1) readonly revision!: number | null
  @Nullable() @Whole(0) readonly publishedAtMs!: number | null
  @Nullable() @Text() readonly publishedBy!: string | null
  @Nullable() @Text() readonly editedBy!: string | null
  @Nullable() @Nested(() => Retirement) readonly retired!: Retirement | null
}

/** A published version as everybody may read it. */
export class PublicStandardAnswer {
  @AnyObject() readonly content!: object
  @Text() readonly contentHash!: string
  /** Where it was retired, its last day in force. */
  @Nullable() @CalendarDate() readonly lastDay!: string | null
}

export class DraftAnswer {
  @Text() readonly id!: string
  @Whole(1) readonly version!: number
  @Revision(1) readonly revision!: number
}

export class PublishedAnswer {
  @Text() readonly contentHash!: string
}

export class RetiredAnswer {
  @CalendarDate() readonly lastDay!: string
}

export class ResultsAnswer {
  @PastResults() readonly results!: readonly PastResult[]
}
