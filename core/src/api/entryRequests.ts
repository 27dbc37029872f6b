/** What the interface takes about entries at muster. */
import {
  Choice,
  Flag,
  FreeText,
  Nested,
  NestedList,
  Optional,
  Revision,
  Slug,
  TextRecord,
  Whole,
} from '../document/rules.ts'
import { ATTENDANCES } from '../day/entry.ts'
import { EntryChoices } from '../day/entry.ts'
import { ScreeningAnswer } from '../day/houseRules.ts'
import type { Attendance } from '../day/entry.ts'

export class EntryChangeBody {
  /** The revision that was being looked at. */
  @Revision(1) revision!: number
  @Optional() @Whole(1, 99_999) bib?: number
  @Choice(ATTENDANCES) attendance!: Attendance
  @FreeText(300) note!: string
  @Optional() @Whole(20_000, 400_000) bodyMassG?: number
  // what is left out from here on stays as it is
  @Optional() @Whole(1, 999) wave?: number
  @Optional() @Slug() category?: string
  @Optional() @Whole(500, 2_700) heightMm?: number
  @Optional() @FreeText(200) gear?: string
  @Optional() @Flag() identityChecked?: boolean
  @Optional() @Flag() consented?: boolean
  @Optional() @Nested(() => EntryChoices) choices?: EntryChoices
  @Optional() @TextRecord(60, 60) setUp?: Record<string, string>
}

export class ScreeningBody {
  @NestedList(() => ScreeningAnswer, 1, 40) answers!: ScreeningAnswer[]
}
